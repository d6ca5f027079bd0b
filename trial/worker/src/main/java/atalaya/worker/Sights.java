package atalaya.worker;

import atalaya.boot.Fault;
import java.util.Arrays;
import java.util.BitSet;

/** What is seen where mutants stand, test by test, and around tests. */
final class Sights {
  private static final int[] NONE = {};

  private final BitSet around = new BitSet();

  /** Begins to look. */
  void begin(int mutants) {
    Fault.watch(mutants);
  }

  /** Looks no longer. */
  void end() {
    Fault.watchNoMore();
  }

  /** What was seen since the last time while classes were being initialised. */
  int[] takeInitialising() {
    return taken(Fault.seenInitialising);
  }

  /** What was seen since the last time was around tests. */
  void putAround() {
    for (int sight : take()) {
      around.set(sight);
    }
  }

  /** What was seen around tests since the last time. */
  int[] takeAround() {
    putAround();
    int[] sights = around.stream().toArray();
    around.clear();
    return sights;
  }

  /** What was seen since the last time. */
  int[] take() {
    boolean[] seen = Fault.seen;
    if (seen == null) {
      return NONE;
    }
    return taken(seen);
  }

  private static int[] taken(boolean[] seen) {
    int[] sights = numbers(seen);
    Arrays.fill(seen, false);
    return sights;
  }

  /** The numbers of what is marked. */
  static int[] numbers(boolean[] marks) {
    int count = 0;
    for (boolean mark : marks) {
      count += mark ? 1 : 0;
    }
    int[] numbers = new int[count];
    int at = 0;
    for (int i = 0; at < count && i < marks.length; i++) {
      if (marks[i]) {
        numbers[at++] = i;
      }
    }
    return numbers;
  }
}
