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

  private final Recorder recorder;
  private final Map<String, Running> running = new HashMap<>();
  private final Map<String, Integer> occurrences = new HashMap<>();
  private final Set<String> failed = new HashSet<>();
  private int tests;
  private boolean platform;

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
    if (!concerns(framework) || !isTest || runsWithinATest()) {
      return;
    }
    int number = ++tests;
    recorder.testStarted(number, unique(id), name);
    running.put(id, new Running(number, Thread.currentThread(), System.nanoTime()));
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

  /** The platform runs JUnit 4 too and tells of it itself, after the notifier has. */
  private boolean concerns(String framework) {
    if (framework.equals(PLATFORM)) {
      platform = true;
      return true;
    }
    return !platform;
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
