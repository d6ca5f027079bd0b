package atalaya.boot;

import java.util.List;
import java.util.Set;
import java.util.concurrent.CopyOnWriteArrayList;

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

  /** Whether the active mutant changed anything where it stands. */
  public static volatile boolean acted;

  /** What is seen at a place: a number below zero, or the first of two below the other. */
  public static final int LESS = 0;

  /** What is seen at a place: zero, null, or twice the same. */
  public static final int SAME = 1;

  /** What is seen at a place: a number above zero, the first of two above the other, another. */
  public static final int MORE = 2;

  /** What is seen at a place: that control comes to it. */
  public static final int PASSED = 3;

  /** How many such sights a place has. */
  public static final int SIGHTS = 4;

  /**
   * What was seen at the places of mutants: {@code SIGHTS} for each, {@code SIGHTS} times the
   * number of a mutant on; null while nobody wants to know. Of several mutants at one place the
   * first stands for all.
   */
  public static boolean[] seen;

  /** Which of it was seen while a class was being initialised. */
  public static boolean[] seenInitialising;

  /** By its number, whether a method was entered; null while nobody wants to know. */
  public static boolean[] entered;

  /**
   * The methods that were entered while a class was being initialised, each with the number of such
   * a class: the method in the upper half.
   */
  public static Set<Long> enteredInitialising;

  private static final Spent SPENT = new Spent();
  private static final List<Integer> INITIALISING = new CopyOnWriteArrayList<>();

  /** How many of them there are: asked at each place, so that it must cost next to nothing. */
  private static int initialising;

  private Fault() {}

  /** Ends a test that goes on for too long. */
  public static final class Spent extends Error {
    private static final long serialVersionUID = 1;

    Spent() {
      super("this test went on for too long", null, false, false);
    }
  }

  /** From now on it is told what is seen where so many mutants stand. */
  public static void watch(int mutants) {
    seenInitialising = new boolean[SIGHTS * mutants];
    seen = new boolean[SIGHTS * mutants];
  }

  /** Nobody wants to know any longer. */
  public static void watchNoMore() {
    seen = null;
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

  /** Control comes to the place of a mutant. */
  public static void at(int place) {
    saw(place, PASSED);
  }

  /** It does with a number. */
  public static void atNumber(int value, int place) {
    saw(place, sight(value, 0));
  }

  /** It does with two numbers. */
  public static void atNumbers(int one, int other, int place) {
    saw(place, sight(one, other));
  }

  /** It does with an object or null. */
  public static void atObject(Object value, int place) {
    saw(place, sight(value, null));
  }

  /** It does with two of them. */
  public static void atObjects(Object one, Object other, int place) {
    saw(place, sight(one, other));
  }

  private static int sight(int one, int other) {
    return one < other ? LESS : one == other ? SAME : MORE;
  }

  private static int sight(Object one, Object other) {
    return one == other ? SAME : MORE;
  }

  private static void saw(int place, int sight) {
    boolean[] to = seen;
    if (to != null) {
      to[SIGHTS * place + sight] = true;
      if (initialising > 0) {
        seenInitialising[SIGHTS * place + sight] = true;
      }
    }
  }

  /** The active mutant comes to its place, where it always changes something. */
  public static void acts(int sights) {
    acted = true;
  }

  /**
   * It does with a number.
   *
   * @param sights at which it changes something, each a bit
   */
  public static void actsNumber(int value, int sights) {
    acts(sights, sight(value, 0));
  }

  /** It does with two numbers. */
  public static void actsNumbers(int one, int other, int sights) {
    acts(sights, sight(one, other));
  }

  /** It does with an object or null. */
  public static void actsObject(Object value, int sights) {
    acts(sights, sight(value, null));
  }

  /** It does with two of them. */
  public static void actsObjects(Object one, Object other, int sights) {
    acts(sights, sight(one, other));
  }

  private static void acts(int sights, int sight) {
    if ((sights & 1 << sight) != 0) {
      acted = true;
    }
  }

  private static void note(int number) {
    boolean[] to = entered;
    if (to != null) {
      to[number] = true;
    }
    Set<Long> too = enteredInitialising;
    if (too != null) {
      for (int type : INITIALISING) {
        too.add((long) number << 32 | type);
      }
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

  /** The class with this number begins to be initialised. */
  public static void initialiserBegins(int type) {
    INITIALISING.add(type);
    initialising = INITIALISING.size();
  }

  /** It ends. */
  public static void initialiserEnds(int type) {
    INITIALISING.remove((Object) type);
    initialising = INITIALISING.size();
  }
}
