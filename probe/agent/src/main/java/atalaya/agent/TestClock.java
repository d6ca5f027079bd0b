package atalaya.agent;

import atalaya.boot.Tests;
import atalaya.points.PartWriter;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/**
 * Keeps which test runs at the moment. Tests that run within a test, on its own thread, belong to
 * it. While several run at once, what is reached belongs to some test.
 */
final class TestClock implements Tests.Listener {
  static final String PLATFORM = "platform";
  static final String NOTIFIER = "notifier";
  static final String OLD = "old";
  private static final String TEST_NG = "testng";

  /** TestNG's numbers. */
  private static final int SUCCESS = 1;

  private static final int SKIP = 3;
  private static final int STARTED = 16;

  private final Recorder recorder;
  private final Map<String, Running> running = new HashMap<>();
  private final Map<String, Integer> occurrences = new HashMap<>();
  private final Set<String> failed = new HashSet<>();
  private int tests;
  private String framework = "";

  /** TestNG may tell of an end twice. */
  private String lastEnded = "";

  private static final class Running {
    final int number;
    final Thread thread;
    final long began;
    boolean overlapped;

    Running(int number, Thread thread, long began) {
      this.number = number;
      this.thread = thread;
      this.began = began;
    }
  }

  TestClock(Recorder recorder) {
    this.recorder = recorder;
  }

  @Override
  public synchronized void started(String framework, String id, String name, boolean isTest) {
    if (concerns(framework) && isTest) {
      begin(id, id, name);
    }
  }

  private void begin(String key, String id, String name) {
    if (runsWithinATest()) {
      return;
    }
    long began = System.nanoTime();
    int number = ++tests;
    recorder.testStarted(number, unique(id), name);
    running.put(key, new Running(number, Thread.currentThread(), began));
    if (running.size() > 1) {
      running.values().forEach(r -> r.overlapped = true);
    }
    recorder.switchTo(current());
  }

  @Override
  public synchronized void finished(String framework, String id, boolean isTest, String status) {
    if (!concerns(framework)) {
      return;
    }
    if (!isTest) {
      containerFinished(id, status);
      return;
    }
    end(id, status);
  }

  private void end(String id, String status) {
    Running test = running.get(id);
    if (test == null || test.thread != Thread.currentThread() && runsWithinATest()) {
      return;
    }
    running.remove(id);
    recorder.switchTo(current());
    boolean hasFailed = failed.remove(id);
    recorder.testEnded(
        test.number,
        hasFailed ? "FAILED" : verdict(status),
        System.nanoTime() - test.began,
        test.overlapped);
  }

  @Override
  public synchronized void skipped(String framework, String id, String name, boolean isTest) {
    if (concerns(framework) && !runsWithinATest()) {
      record(id, name, "SKIPPED");
    }
  }

  /** A class whose set-up failed has no tests to tell of it. */
  private void containerFinished(String id, String status) {
    if (!status.equals("SUCCESSFUL") && !runsWithinATest()) {
      record(id, id, verdict(status));
    }
  }

  private void record(String id, String name, String verdict) {
    int number = ++tests;
    recorder.testStarted(number, unique(id), name);
    recorder.testEnded(number, verdict, 0, false);
  }

  @Override
  public synchronized void failed(String framework, String id) {
    if (concerns(framework) && running.containsKey(id)) {
      failed.add(id);
    }
  }

  @Override
  public synchronized void changed(Object result, String className, String method, int status) {
    String id = className + "." + method;
    String key = id + "@" + System.identityHashCode(result);
    if (!concerns(TEST_NG) || key.equals(lastEnded)) {
      return;
    }
    if (status == STARTED) {
      begin(key, id, id);
      return;
    }
    lastEnded = key;
    if (status == SKIP && !running.containsKey(key)) {
      skipped(TEST_NG, id, id, true);
    } else {
      end(key, status == SUCCESS ? "SUCCESSFUL" : status == SKIP ? "ABORTED" : "FAILED");
    }
  }

  @Override
  public void uncaught(Thread thread, Throwable exception) {
    recorder.uncaught(thread, exception);
  }

  /**
   * Frameworks that run the tests of others tell of them too, after those have. The one that knows
   * most is listened to from its first word on.
   */
  private boolean concerns(String told) {
    if (rank(told) > rank(framework)) {
      framework = told;
    }
    return told.equals(framework);
  }

  private static int rank(String framework) {
    switch (framework) {
      case PLATFORM:
        return 3;
      case NOTIFIER:
      case TEST_NG:
        return 2;
      case OLD:
        return 1;
      default:
        return 0;
    }
  }

  private boolean runsWithinATest() {
    Thread here = Thread.currentThread();
    return running.values().stream().anyMatch(r -> r.thread == here);
  }

  private int current() {
    if (running.isEmpty()) {
      return PartWriter.OUTSIDE;
    }
    return running.size() == 1 ? running.values().iterator().next().number : PartWriter.SOME_TEST;
  }

  private String unique(String id) {
    int occurrence = occurrences.merge(id, 1, Integer::sum);
    return occurrence == 1 ? id : id + " (" + occurrence + ")";
  }

  private static String verdict(String status) {
    switch (status) {
      case "SUCCESSFUL":
        return "PASSED";
      case "ABORTED":
        return "SKIPPED";
      default:
        return "FAILED";
    }
  }
}
