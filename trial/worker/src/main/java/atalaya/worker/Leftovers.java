package atalaya.worker;

import atalaya.boot.Fault;
import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;

/** Threads that tests left behind: while such a one works, how long a test takes says nothing. */
final class Leftovers {
  private static final int MORE = 16;
  private static final long TO_END = TimeUnit.MILLISECONDS.toNanos(500);
  private static final long SHORT = TimeUnit.MILLISECONDS.toNanos(1);

  private final ThreadGroup all;
  private final Set<Thread> lasting = new HashSet<>();
  private Set<Thread> ours;

  Leftovers() {
    ThreadGroup group = Thread.currentThread().getThreadGroup();
    while (group.getParent() != null) {
      group = group.getParent();
    }
    all = group;
  }

  /**
   * Whether a thread works that did not live when this was first asked. While no test runs: a
   * thread that is in planted code is ended by taking its steps away.
   */
  boolean areBusy() {
    Set<Thread> busy = busy();
    if (!lasting.containsAll(busy)) {
      long until = System.nanoTime() + TO_END;
      while (!lasting.containsAll(busy) && System.nanoTime() < until) {
        // A thread that counts down just now may overwrite it.
        Fault.steps = 0;
        LockSupport.parkNanos(SHORT);
        busy = busy();
      }
      Fault.steps = Long.MAX_VALUE;
      lasting.addAll(busy);
    }
    return !busy.isEmpty();
  }

  /** A thread of the JVM itself, such as the one that agents attach by, has no stack. */
  private static boolean isAtWork(Thread thread) {
    return thread.getState() == Thread.State.RUNNABLE && thread.getStackTrace().length > 0;
  }

  private Set<Thread> busy() {
    Thread[] threads = new Thread[all.activeCount() + MORE];
    Set<Thread> alive = new HashSet<>(Arrays.asList(threads).subList(0, all.enumerate(threads)));
    if (ours == null) {
      ours = new HashSet<>(alive);
    }
    lasting.retainAll(alive);
    alive.removeIf(thread -> ours.contains(thread) || !isAtWork(thread));
    return alive;
  }
}
