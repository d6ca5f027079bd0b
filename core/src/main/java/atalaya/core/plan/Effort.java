package atalaya.core.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What a test costs to write ({@code docs/measures.md}, section 9).
 *
 * @param points at least 1
 * @param reasons what it consists of, in words
 */
public record Effort(int points, List<String> reasons) {
  /** A way with so many conditions at most is told in a line. */
  private static final int QUICK = 1;

  /** So many further methods that a test calls are another point, each by a way told in a line. */
  private static final int CALLED_FOR_A_POINT = 4;

  /** So many further ways that a test takes, or fewer, are another point. */
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
    return new Effort(points + (way.also().isEmpty() ? 0 : further(way, reasons)), reasons);
  }

  /** What further ways cost: of other methods, and of those that the test calls already. */
  private static int further(Way way, List<String> reasons) {
    Set<String> called = new HashSet<>(Set.of(way.method()));
    int quick = 0;
    for (Way other : way.also()) {
      boolean isQuick = called.add(other.method()) && other.steps().size() <= QUICK;
      quick += isQuick ? 1 : 0;
    }
    int ways = way.also().size() + 1;
    if (called.size() > 1) {
      reasons.add("calls " + called.size() + " methods");
    }
    if (ways > called.size()) {
      reasons.add("takes " + ways + " ways");
    }
    int slow = way.also().size() - quick;
    return quick / CALLED_FOR_A_POINT + (slow + WAYS_FOR_A_POINT - 1) / WAYS_FOR_A_POINT;
  }
}
