package atalaya.boot;

/**
 * Which mutant is active, and how far a test may still go. Planted code asks here; only the worker
 * writes.
 */
public final class Fault {
  /** In place of a mutant or of a method: none. */
  public static final int NONE = -1;

  /** The number of the method whose mutated copy runs. */
  public static int method = NONE;

  /** The number of the mutant that is active in it. */
  public static int mutant = NONE;

  /** How many loops may turn and methods be entered before the test ends. */
  public static long steps = Long.MAX_VALUE;

  /** Whether the steps were spent. */
  public static volatile boolean spent;

  /** By its number, whether a method was entered; null while nobody wants to know. */
  public static boolean[] entered;

  /** The same, while some class was being initialised. */
  public static boolean[] enteredInitialising;

  private static final Spent SPENT = new Spent();
  private static volatile int initialising;

  private Fault() {}

  /** Ends a test that goes on for too long. */
  public static final class Spent extends Error {
    private static final long serialVersionUID = 1;

    Spent() {
      super("this test went on for too long", null, false, false);
    }
  }

  /** A method begins: whether its mutated copy is to run. */
  public static boolean enter(int number) {
    if (--steps < 0) {
      over();
    }
    if (entered != null) {
      note(number);
    }
    return number == method;
  }

  private static void note(int number) {
    boolean[] to = entered;
    if (to != null) {
      to[number] = true;
    }
    boolean[] too = enteredInitialising;
    if (too != null && initialising > 0) {
      too[number] = true;
    }
  }

  /** A loop turns. */
  public static void step() {
    if (--steps < 0) {
      over();
    }
  }

  private static void over() {
    spent = true;
    throw SPENT;
  }

  /** A class begins to be initialised. */
  public static void initialiserBegins() {
    initialising++;
  }

  /** It ends. */
  public static void initialiserEnds() {
    initialising--;
  }
}
