package atalaya.core.figure;

/**
 * So many of so many.
 *
 * @param part 0 to {@code whole}
 */
public record Share(int part, int whole) {
  /** Nothing of nothing. */
  public static final Share NONE = new Share(0, 0);

  public Share {
    if (part < 0 || part > whole) {
      throw new IllegalArgumentException("must be 0 to " + whole + " (got " + part + ")");
    }
  }

  /** Both added up. */
  public Share plus(Share other) {
    return new Share(part + other.part, whole + other.whole);
  }

  /** What is missing to the whole. */
  public int missing() {
    return whole - part;
  }

  /** 0 to 1; not a number when there is nothing to have a share of. */
  public double value() {
    return whole == 0 ? Double.NaN : (double) part / whole;
  }
}
