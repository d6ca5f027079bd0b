package atalaya.worker;

import atalaya.boot.Fault;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Runs tests, each within its budget, and keeps what came of them. */
final class Bench {
  /** How many times its own steps a test may take, and how many more. */
  private static final long TIMES = 10;

  private static final long MORE = 200_000;

  private final Map<Integer, Driver> drivers = new HashMap<>();
  private final Watch watch;
  private final Sights sights = new Sights();
  private List<TestRef> known = new ArrayList<>();
  private volatile boolean hasActed;
  private long nanosInTests;
  private long nanosInFrameworks;

  Bench(Watch watch) {
    this.watch = watch;
  }

  /** What came of one test. */
  static final class Result {
    final TestRef test;
    final int verdict;
    final long nanos;
    final long steps;
    final Throwable failure;

    /** What it saw where mutants stand, while that is wanted. */
    final int[] seen;

    /** Whether the mutant changed anything while it ran. */
    final boolean acted = Fault.acted;

    Result(TestRef test, int verdict, long nanos, long steps, Throwable failure, int[] seen) {
      this.test = test;
      this.verdict = verdict;
      this.nanos = nanos;
      this.steps = steps;
      this.failure = failure;
      this.seen = seen;
    }

    /** Whether it failed, or went on for too long. */
    boolean isNoticed() {
      return verdict == Message.FAILED || verdict == Message.SPENT;
    }
  }

  Sights sights() {
    return sights;
  }

  /** All tests that will be run come from these. */
  void known(Collection<TestRef> tests) {
    known = new ArrayList<>(tests);
  }

  /** Makes what runs these tests, which may last longer than the classes they are made of. */
  void ready(List<TestRef> tests) {
    tests.forEach(test -> drivers.computeIfAbsent(test.framework, this::driver));
  }

  /** Another mutant's turn. */
  void forgetAction() {
    hasActed = false;
    Fault.acted = false;
  }

  /** Whether the mutant changed anything so far, in a test or around it. */
  boolean hasActed() {
    return hasActed || Fault.acted;
  }

  /** Nanoseconds spent in tests so far. */
  long nanosInTests() {
    return nanosInTests;
  }

  /** Nanoseconds spent in test frameworks so far, tests included. */
  long nanosInFrameworks() {
    return nanosInFrameworks;
  }

  /**
   * Runs tests in the order given, those of one framework together.
   *
   * @param mutant the active one, and {@code method} its method; both {@code Fault.NONE} for none
   * @param stop whether the first that is noticed is enough
   */
  List<Result> run(List<TestRef> tests, int method, int mutant, boolean stop) {
    List<Result> results = new ArrayList<>();
    int from = 0;
    while (from < tests.size()) {
      int to = from + 1;
      while (to < tests.size() && tests.get(to).framework == tests.get(from).framework) {
        to++;
      }
      List<TestRef> part = tests.subList(from, to);
      Run run = new Run(part, stop, method, mutant);
      Driver driver = drivers.computeIfAbsent(part.get(0).framework, this::driver);
      long began = System.nanoTime();
      run.execute(driver);
      nanosInFrameworks += System.nanoTime() - began;
      results.addAll(run.results);
      if (stop && run.isEnough()) {
        return results;
      }
      from = to;
    }
    return results;
  }

  private Driver driver(int framework) {
    switch (framework) {
      case Message.PLATFORM:
        return new PlatformDriver(known);
      case Message.NOTIFIER:
        return new NotifierDriver();
      case Message.NG:
        return new NgDriver();
      default:
        return new OldDriver();
    }
  }

  private final class Run implements Driver.Listener {
    private final Map<String, TestRef> byId = new HashMap<>();
    private final List<TestRef> tests;
    private final boolean stop;
    private final int method;
    private final int mutant;
    private final List<Result> results = new ArrayList<>();
    private TestRef current;
    private long began;
    private long budget;
    private boolean noticed;
    private long allSteps;
    private long allNanos;

    Run(List<TestRef> tests, boolean stop, int method, int mutant) {
      this.tests = tests;
      this.stop = stop;
      this.method = method;
      this.mutant = mutant;
      tests.forEach(test -> byId.put(test.id, test));
    }

    void execute(Driver driver) {
      for (TestRef test : tests) {
        allSteps += mutant == Fault.NONE ? 0 : test.steps;
        allNanos += test.nanos;
      }
      allow(allSteps, allNanos);
      Fault.mutant = mutant;
      Fault.method = method;
      try {
        driver.run(tests, this);
      } catch (Throwable e) {
        failedAround(e);
      } finally {
        Fault.method = Fault.NONE;
        Fault.mutant = Fault.NONE;
        Fault.steps = Long.MAX_VALUE;
        noteAction();
        watch.disarm();
        Thread.interrupted();
      }
    }

    private void noteAction() {
      hasActed |= Fault.acted;
      Fault.acted = false;
    }

    private void allow(long steps, long nanos) {
      budget = steps == 0 ? Long.MAX_VALUE : steps * TIMES + MORE;
      Fault.spent = false;
      Fault.steps = budget;
      watch.arm(nanos);
    }

    @Override
    public void started(String id) {
      sights.putAround();
      noteAction();
      current = byId.get(id);
      began = System.nanoTime();
      if (current == null) {
        // A test that came into being by the mutant, or stands beside a wanted one.
        allow(allSteps, allNanos);
      } else {
        allow(mutant == Fault.NONE ? 0 : current.steps, current.nanos);
      }
    }

    @Override
    public void finished(String id, Throwable failure) {
      long nanos = System.nanoTime() - began;
      nanosInTests += nanos;
      boolean spent = Fault.spent || watch.hasInterrupted();
      int verdict = spent ? Message.SPENT : failure == null ? Message.PASSED : Message.FAILED;
      TestRef test = current;
      if (test != null) {
        noticed |= verdict != Message.PASSED;
        results.add(new Result(test, verdict, nanos, budget - Fault.steps, failure, sights.take()));
      }
      noteAction();
      current = null;
      allow(allSteps, allNanos);
    }

    @Override
    public void skipped(String id) {
      TestRef test = byId.get(id);
      if (test != null) {
        results.add(new Result(test, Message.SKIPPED, 0, 0, null, sights.take()));
      }
      current = null;
    }

    @Override
    public void failedAround(Throwable failure) {
      noticed = true;
      boolean spent = Fault.spent || watch.hasInterrupted();
      results.add(
          new Result(
              tests.get(0),
              spent ? Message.SPENT : Message.FAILED,
              0,
              budget - Fault.steps,
              failure,
              sights.take()));
    }

    @Override
    public boolean isEnough() {
      return stop && noticed;
    }
  }
}
