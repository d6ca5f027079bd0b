package atalaya.agent;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.Arrays;
import java.util.BitSet;

/** What is kept of a planted class, to read its marks and the places where threads stand. */
final class PlantedClass {
  private final int[] before;
  private final int[] runs;
  private final int[] lines;
  private final int[] certain;
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
    this.runs = runs(before);
    this.lines = lines;
    this.certain = certain;
  }

  static PlantedClass of(Paths paths) {
    int[] lines = paths.certainLines();
    return new PlantedClass(
        paths.before(), lines, Arrays.stream(lines).map(paths::certain).toArray());
  }

  /** Writes it, to be read again by {@link #read}. */
  void write(DataOutput to) throws IOException {
    write(before, to);
    write(lines, to);
    write(certain, to);
  }

  private static void write(int[] numbers, DataOutput to) throws IOException {
    to.writeInt(numbers.length);
    for (int number : numbers) {
      to.writeInt(number);
    }
  }

  static PlantedClass read(DataInput from) throws IOException {
    return new PlantedClass(numbers(from), numbers(from), numbers(from));
  }

  private static int[] numbers(DataInput from) throws IOException {
    int[] numbers = new int[0];
    int length = from.readInt();
    for (int i = 0; i < length; i++) {
      numbers = i < numbers.length ? numbers : Arrays.copyOf(numbers, Math.min(length, 2 * i + 64));
      numbers[i] = from.readInt();
    }
    return numbers;
  }

  /** How many marks so many points need: one for each, and one for none. */
  static int marks(int points) {
    return points + 1;
  }

  int points() {
    return before.length;
  }

  /**
   * Takes the marks. A mark set meanwhile is taken next time.
   *
   * @param base where they begin
   * @return the points that were passed, or null when there are none
   */
  BitSet take(boolean[] marks, int base) {
    long[] points = null;
    for (int i = 0; i < before.length; i++) {
      if (marks[base + i]) {
        marks[base + i] = false;
        points = points == null ? new long[before.length / Long.SIZE + 1] : points;
        passed(i, points);
      }
    }
    marks[base + before.length] = false;
    return points == null ? null : BitSet.valueOf(points);
  }

  /**
   * Takes the points whose counts grew since they were taken last. No count is ever set back, so
   * that none is lost that is made meanwhile.
   *
   * @param base where they begin
   * @return null when there are none
   */
  BitSet take(long[] counts, int base) {
    BitSet points = null;
    counted = counted == null ? new long[marks(before.length)] : counted;
    for (int i = 0; i < before.length; i++) {
      long now = counts[base + i];
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
      long[] passed = new long[before.length / Long.SIZE + 1];
      passed(certain[at], passed);
      points.or(BitSet.valueOf(passed));
    }
  }

  /** Adds a path up to its last point, to words of bits. At the end of each test there are many. */
  private void passed(int last, long[] points) {
    for (int i = last; i != Paths.NONE && (points[i / Long.SIZE] & 1L << i) == 0; ) {
      int first = Math.max(runs[i], i - i % Long.SIZE);
      points[i / Long.SIZE] |= -1L << first & -1L >>> -1 - i;
      i = before[first];
    }
  }

  /** For each point the first of those that were passed one after the other up to it. */
  private static int[] runs(int[] before) {
    int[] runs = new int[before.length];
    for (int i = 0; i < runs.length; i++) {
      runs[i] = i > 0 && before[i] == i - 1 ? runs[i - 1] : i;
    }
    return runs;
  }
}
