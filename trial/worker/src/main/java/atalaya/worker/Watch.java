package atalaya.worker;

import java.util.concurrent.TimeUnit;

/**
 * Interrupts a test that neither ends nor spends its steps, and gives up where that does not help.
 */
final class Watch extends Thread {
  private static final long TIMES = 20;
  private static final long LEAST = TimeUnit.SECONDS.toNanos(3);
  private static final long AFTER_INTERRUPT = TimeUnit.SECONDS.toNanos(1);
  private static final long OFTEN_MILLIS = 50;

  private final Thread watched;
  private final Runnable giveUp;
  private boolean armed;
  private boolean interrupted;
  private long deadline;

  /**
   * Begins to watch.
   *
   * @param giveUp called where a test could not be interrupted; must not come back
   */
  Watch(Thread watched, Runnable giveUp) {
    super("atalaya-watch");
    setDaemon(true);
    this.watched = watched;
    this.giveUp = giveUp;
  }

  /**
   * A test begins.
   *
   * @param nanos that it takes unmutated; 0 where that is not known
   */
  synchronized void arm(long nanos) {
    armed = true;
    interrupted = false;
    deadline = System.nanoTime() + (nanos == 0 ? 100 * LEAST : Math.max(LEAST, nanos * TIMES));
  }

  synchronized void disarm() {
    armed = false;
  }

  synchronized boolean hasInterrupted() {
    return interrupted;
  }

  @Override
  public void run() {
    while (true) {
      try {
        Thread.sleep(OFTEN_MILLIS);
      } catch (InterruptedException e) {
        return;
      }
      if (isOver()) {
        giveUp.run();
      }
    }
  }

  private synchronized boolean isOver() {
    long now = System.nanoTime();
    if (!armed || now < deadline) {
      return false;
    }
    if (interrupted) {
      return true;
    }
    interrupted = true;
    deadline = now + AFTER_INTERRUPT;
    watched.interrupt();
    return false;
  }
}
