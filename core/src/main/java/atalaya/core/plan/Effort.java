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

  /**
   * Adds up.
   *
   * @param doubles how many arguments need a test double
   * @param indirect whether the method can only be reached through another one
   * @param also how many further methods the test calls
   * @param surroundings whether it depends on clock, chance, environment, files or network
   */
  public static Effort of(
      Base base, int doubles, boolean indirect, boolean surroundings, int also) {
    List<String> reasons = new ArrayList<>(List.of(base.words));
    if (doubles > 0) {
      reasons.add(doubles == 1 ? "a double" : doubles + " doubles");
    }
    if (indirect) {
      reasons.add("through another method");
    }
    if (surroundings) {
      reasons.add("depends on its surroundings");
    }
    int more = also / CALLED_FOR_A_POINT;
    if (also > 0) {
      reasons.add("calls " + (also + 1) + " methods");
    }
    int points = base.points + doubles + (indirect ? 1 : 0) + (surroundings ? 1 : 0) + more;
    return new Effort(points, reasons);
  }
}
