package atalaya.java.way;

/**
 * How many instructions may be followed. Counted, and not timed, so that what is found depends on
 * nothing but the code.
 */
final class Allowance {
  private final Allowance whole;
  private int left;

  private Allowance(Allowance whole, int instructions) {
    this.whole = whole;
    this.left = instructions;
  }

  /** For all that belongs together. */
  static Allowance of(int instructions) {
    return new Allowance(null, instructions);
  }

  /** A part, which counts for the whole as well. */
  Allowance part(int instructions) {
    return new Allowance(this, instructions);
  }

  /** Notes that an instruction was followed. */
  void use() {
    left--;
    if (whole != null) {
      whole.use();
    }
  }

  boolean isSpent() {
    return left <= 0 || whole != null && whole.isSpent();
  }
}
