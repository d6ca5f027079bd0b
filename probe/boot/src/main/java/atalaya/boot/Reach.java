package atalaya.boot;

import java.lang.invoke.MethodHandles;

/** Where observed code marks the points it reached. */
public final class Reach {
  /**
   * The marks of each observed class, by the index that was planted into it. The outer array is
   * replaced when it must grow; the inner ones stay.
   */
  public static boolean[][] table = new boolean[256][];

  /** In place of the marks, where hits are counted. */
  public static long[][] counts = new long[256][];

  private static final int FEWEST_SHARED = 1 << 18;
  private static final int MOST_SHARED = 1 << 22;
  private static final int PART_OF_HEAP = 64;

  private Reach() {}

  /** How many marks classes share where each takes so many bytes: fewer where the heap is small. */
  static int shared(int bytes) {
    long part = Runtime.getRuntime().maxMemory() / PART_OF_HEAP / bytes;
    return (int) Math.max(FEWEST_SHARED, Math.min(MOST_SHARED, part));
  }

  /** The counts of an observed class, like {@link #marks}. */
  public static long[] counts(MethodHandles.Lookup lookup, String name, Class<?> type, int index) {
    return counts[index];
  }

  /** Marks a point of the class with this index. */
  public static void mark(int point, int index) {
    table[index][point] = true;
  }

  /** Counts a point of the class with this index. */
  public static void count(int point, int index) {
    counts[index][point]++;
  }

  /**
   * The marks of an observed class, as a constant of that class: so compiled code knows where they
   * are. Called by the JVM, once for each class.
   */
  public static boolean[] marks(
      MethodHandles.Lookup lookup, String name, Class<?> type, int index) {
    return table[index];
  }
}
