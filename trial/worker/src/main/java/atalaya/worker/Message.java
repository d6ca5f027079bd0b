package atalaya.worker;

/** The types of messages, and the verdicts in them. */
public final class Message {
  /** To the worker: system properties to set; pairs of texts, with how many in front. */
  public static final int PROPERTIES = 1;

  /**
   * To the worker: the tests; for each its number, framework, class, id, whether the class has only
   * fit tests, steps, nanoseconds.
   */
  public static final int TESTS = 2;

  /**
   * To the worker: run groups of tests unmutated; how many methods and mutants, then each group's
   * numbers.
   */
  public static final int UNMUTATED = 3;

  /**
   * To the worker: decide the mutants of a method; its number, in which way, the tests that killed
   * before, then each mutant with its tests, and those of them in which it would have changed
   * something.
   */
  public static final int DECIDE = 4;

  /** To the worker: end. */
  public static final int END = 5;

  /**
   * From the worker: a test ran; its number, verdict, nanoseconds, steps, what was wrong, and which
   * of {@code Fault.seen} it saw.
   */
  public static final int RAN = 11;

  /**
   * From the worker: a group ran; its number, nanoseconds not spent in its tests, the methods
   * entered, what was seen around its tests, what was seen while classes were being initialised,
   * the methods entered meanwhile as {@code Fault.enteredInitialising} has them.
   */
  public static final int GROUP_RAN = 12;

  /** From the worker: all groups ran; how many bytes of the heap they used at most. */
  public static final int ALL_RAN = 13;

  /** From the worker: a mutant's turn; its number. */
  public static final int BEGAN = 14;

  /**
   * From the worker: a mutant is decided; its number, verdict, the test (0 for none), with what,
   * how many tests ran, and whether the verdict stands: not where the mutant changed nothing in a
   * test in which it would have, or a test did not run in classes loaded anew as it did otherwise.
   */
  public static final int DECIDED = 15;

  /**
   * From the worker, its last: the state it has is not that of an unmutated program; which mutant
   * left it so, or {@code Fault.NONE} where that is not known.
   */
  public static final int SPOILT = 16;

  /** From the worker: a unit is done; nanoseconds in all, in test frameworks, in tests. */
  public static final int UNIT_DONE = 17;

  /** From the worker: it can't go on; why. */
  public static final int PROBLEM = 18;

  /** In which way to decide: one after the other; verdicts are checked several at once. */
  public static final int TOGETHER = 20;

  /** In which way to decide: one after the other; each verdict is checked at once. */
  public static final int ONE_BY_ONE = 21;

  /** In which way to decide: each in classes loaded for it alone, and checked in others. */
  public static final int ANEW = 22;

  /** In which way to decide: the only mutant of this JVM. */
  public static final int ONLY = 23;

  /** A test passed. */
  public static final int PASSED = 0;

  /** A test failed. */
  public static final int FAILED = 1;

  /** A test did not run, or was left out. */
  public static final int SKIPPED = 2;

  /** A test went on for too long. */
  public static final int SPENT = 3;

  /** A mutant was noticed. */
  public static final int KILLED = 10;

  /** No test noticed it. */
  public static final int SURVIVED = 11;

  /** A test did not end in time. */
  public static final int TIMEOUT = 12;

  /** What runs a test: the JUnit Platform. */
  public static final int PLATFORM = 1;

  /** What runs a test: JUnit 4. */
  public static final int NOTIFIER = 2;

  /** What runs a test: JUnit 3. */
  public static final int OLD = 3;

  /** What runs a test: TestNG. */
  public static final int NG = 4;

  private Message() {}
}
