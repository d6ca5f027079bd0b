package atalaya.agent;

import java.util.Arrays;
import java.util.BitSet;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** What is kept of a planted class, to read its marks and the places where threads stand. */
final class PlantedClass {
  private static final Map<Integer, boolean[]> NONE = new ConcurrentHashMap<>();

  private final int[] before;
  private final int[] lines;
  private final int[] certain;
  private final boolean[] none;
  private long[] counted;
  private long[] told;

  /**
   * A class.
   *
   * @param before for each point the one that was passed right before it, or {@link Paths#NONE}
   * @param lines where a thread may stand in a call, ascending
   * @param certain for each of them the last point it has certainly passed
   */
  PlantedClass(int[] before, int[] lines, int[] certain) {
    this.before = before;
    this.lines = lines;
    this.certain = certain;
    this.none = NONE.computeIfAbsent(before.length + 1, boolean[]::new);
  }

  static PlantedClass of(Paths paths) {
    int[] lines = paths.certainLines();
    return new PlantedClass(
        paths.before(), lines, Arrays.stream(lines).map(paths::certain).toArray());
  }

  /** How many marks it has: one for each point, and one for none. */
  int marks() {
    return before.length + 1;
  }

  /**
   * Takes the marks. A mark set meanwhile is taken next time.
   *
   * @return the points that were passed, or null when there are none
   */
  BitSet take(boolean[] marks) {
    // Most classes have no marks at the end of most tests; the JVM compares arrays many at a time.
    if (Arrays.equals(marks, none)) {
      return null;
    }
    BitSet points = null;
    for (int i = 0; i < before.length; i++) {
      if (marks[i]) {
        marks[i] = false;
        points = points == null ? new BitSet(before.length) : points;
        passed(i, points);
      }
    }
    return points;
  }

  /**
   * Takes the points whose counts grew since they were taken last. No count is ever set back, so
   * that none is lost that is made meanwhile.
   *
   * @return null when there are none
   */
  BitSet take(long[] counts) {
    BitSet points = null;
    counted = counted == null ? new long[counts.length] : counted;
    for (int i = 0; i < before.length; i++) {
      long now = counts[i];
      if (now != counted[i]) {
        counted[i] = now;
        points = points == null ? new BitSet(before.length) : points;
        points.set(i);
      }
    }
    return points;
  }

  /**
   * How much the counts that were taken grew since this was asked last.
   *
   * @return null when they did not
   */
  long[] hits() {
    if (counted == null || Arrays.equals(counted, told)) {
      return null;
    }
    long[] hits = counted.clone();
    for (int i = 0; told != null && i < hits.length; i++) {
      hits[i] -= told[i];
    }
    told = counted.clone();
    return hits;
  }

  /** Adds the points that a thread has passed which stands in a call on this line. */
  void standsOn(int line, BitSet points) {
    int at = Arrays.binarySearch(lines, line);
    if (at >= 0) {
      passed(certain[at], points);
    }
  }

  private void passed(int last, BitSet points) {
    for (int i = last; i != Paths.NONE && !points.get(i); i = before[i]) {
      points.set(i);
    }
  }
}
