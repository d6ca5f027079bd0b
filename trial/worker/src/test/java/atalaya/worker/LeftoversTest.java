package atalaya.worker;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.boot.Fault;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class LeftoversTest {
  private volatile boolean isOver;
  private final Leftovers leftovers = new Leftovers();

  @AfterEach
  void end() {
    isOver = true;
    assertThat(Fault.steps).isEqualTo(Long.MAX_VALUE);
  }

  @Test
  void inPlantedCodeAreEndedAndOthersAreTold() throws InterruptedException {
    Thread before = busy(() -> {});
    assertThat(leftovers.areBusy()).as("it was there before").isFalse();
    isOver = true;
    before.join();
    isOver = false;

    Thread planted = busy(Fault::step);
    assertThat(leftovers.areBusy()).isFalse();
    planted.join(TimeUnit.SECONDS.toMillis(10));
    assertThat(planted.isAlive()).isFalse();

    CountDownLatch never = new CountDownLatch(1);
    started(() -> await(never));
    assertThat(leftovers.areBusy()).as("one that waits takes no time").isFalse();

    Thread other = busy(() -> {});
    assertThat(leftovers.areBusy()).isTrue();
    assertThat(leftovers.areBusy()).as("still").isTrue();
    never.countDown();
    isOver = true;
    other.join();
    assertThat(leftovers.areBusy()).isFalse();
  }

  private Thread busy(Runnable step) throws InterruptedException {
    return started(
        () -> {
          while (!isOver) {
            step.run();
          }
        });
  }

  private static Thread started(Runnable work) throws InterruptedException {
    CountDownLatch begun = new CountDownLatch(1);
    Thread thread =
        new Thread(
            () -> {
              begun.countDown();
              try {
                work.run();
              } catch (Fault.Spent ended) {
                Thread.currentThread().setName("ended");
              }
            });
    thread.setDaemon(true);
    thread.start();
    begun.await();
    return thread;
  }

  private static void await(CountDownLatch never) {
    try {
      never.await();
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }
}
