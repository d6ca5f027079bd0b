package atalaya.core.figure;

/** How much there is to fear of a method, the worst first. */
public enum Level {
  HIGH,
  MEDIUM,
  LOW;

  /** The name in tables, in lower case. */
  public String label() {
    return name().toLowerCase(java.util.Locale.ROOT);
  }

  /**
   * From how many unwatched paths on a level begins.
   *
   * @param high above {@code medium}
   * @param medium above 0
   */
  public record Thresholds(double high, double medium) {
    /** Those that hold unless a project sets others. */
    public static final Thresholds USUAL = new Thresholds(5, 2);

    public Thresholds {
      if (!(medium > 0 && high > medium)) {
        throw new IllegalArgumentException(
            "thresholds must be high > medium > 0 (got " + high + " and " + medium + ")");
      }
    }

    /** The level of so many unwatched paths. */
    public Level of(double unwatched) {
      if (unwatched >= high) {
        return HIGH;
      }
      return unwatched >= medium ? MEDIUM : LOW;
    }
  }
}
