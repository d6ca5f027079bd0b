package atalaya.ways.course;

/**
 * How many instructions may be followed. Counted, and not timed, so that what is found depends on
 * nothing but the code.
 */
public final class Allowance {
  private final Allowance whole;
  private int left;

  private Allowance(Allowance whole, int instructions) {
    this.whole = whole;
    this.left = instructions;
  }

  /** For all that belongs together. */
  public static Allowance of(int instructions) {
    return new Allowance(null, instructions);
  }

  /** A part, which counts for the whole as well. */
  public Allowance part(int instructions) {
    return new Allowance(this, instructions);
  }

  /** Notes that an instruction was followed. */
  public void use() {
    left--;
    if (whole != null) {
      whole.use();
    }
  }

  public boolean isSpent() {
    return left <= 0 || whole != null && whole.isSpent();
  }
}
