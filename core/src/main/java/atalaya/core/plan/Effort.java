package atalaya.core.plan;

import java.util.ArrayList;
import java.util.List;

/**
 * What a test costs to write ({@code docs/measures.md}, section 9).
 *
 * @param points at least 1
 * @param reasons what it consists of, in words
 */
public record Effort(int points, List<String> reasons) {
  /** So many further methods that a test calls are another point. */
  private static final int CALLED_FOR_A_POINT = 4;

  /** So many further ways of one method that a test takes, or fewer, are another point. */
  private static final int WAYS_FOR_A_POINT = 2;

  public Effort {
    reasons = List.copyOf(reasons);
    if (points < 1) {
      throw new IllegalArgumentException("points must be >= 1 (got " + points + ")");
    }
  }

  /** Where a test begins. */
  public enum Base {
    EXTEND(1, "extends a test"),
    NEW_TEST(2, "a new test"),
    NEW_CLASS(3, "a new test class");

    private final int points;
    private final String words;

    Base(int points, String words) {
      this.points = points;
      this.words = words;
    }

    /** How a person calls it. */
    public String words() {
      return words;
    }

    /** What it costs at least. */
    public int points() {
      return points;
    }
  }

  /** Adds up what a test costs that begins there and takes a way. */
  public static Effort of(Base base, Way way) {
    List<String> reasons = new ArrayList<>(List.of(base.words));
    int points = base.points + way.doubles();
    if (way.doubles() > 0) {
      reasons.add(way.doubles() == 1 ? "a double" : way.doubles() + " doubles");
    }
    if (way.calls().size() > 1) {
      points++;
      reasons.add("through another method");
    }
    if (!way.surroundings().isEmpty()) {
      points++;
      reasons.add("depends on its surroundings");
    }
    int further = way.also().size();
    if (way.isRepeated()) {
      points += (further + WAYS_FOR_A_POINT - 1) / WAYS_FOR_A_POINT;
      reasons.add("takes " + (further + 1) + " ways");
    } else if (further > 0) {
      points += further / CALLED_FOR_A_POINT;
      reasons.add("calls " + (further + 1) + " methods");
    }
    return new Effort(points, reasons);
  }
}
