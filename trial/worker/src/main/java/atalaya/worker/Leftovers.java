package atalaya.worker;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;

/** Threads that tests left behind: while such a one works, how long a test takes says nothing. */
final class Leftovers {
  private static final int MORE = 16;

  private final ThreadGroup all;
  private Set<Thread> ours;

  Leftovers() {
    ThreadGroup group = Thread.currentThread().getThreadGroup();
    while (group.getParent() != null) {
      group = group.getParent();
    }
    all = group;
  }

  /** Whether a thread works that did not live when this was first asked. */
  boolean areBusy() {
    Thread[] threads = new Thread[all.activeCount() + MORE];
    int count = all.enumerate(threads);
    if (ours == null) {
      ours = new HashSet<>(Arrays.asList(threads).subList(0, count));
    }
    for (int i = 0; i < count; i++) {
      if (threads[i].getState() == Thread.State.RUNNABLE && !ours.contains(threads[i])) {
        return true;
      }
    }
    return false;
  }
}
