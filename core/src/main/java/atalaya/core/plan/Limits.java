package atalaya.core.plan;

/**
 * How far a plan goes.
 *
 * @param points the most effort in all
 * @param tests the most briefs
 * @param fall unwatched paths to gain, after which enough is planned
 * @param reached lines and outcomes to reach besides, after which enough is planned
 * @param fewTests whether it is tests that are scarce, and not the effort
 */
public record Limits(int points, int tests, double fall, int reached, boolean fewTests) {
  /** So many tests. */
  public static Limits ofTests(int tests) {
    return new Limits(Integer.MAX_VALUE, tests, Double.POSITIVE_INFINITY, Integer.MAX_VALUE, true);
  }
}
