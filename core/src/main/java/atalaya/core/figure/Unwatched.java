package atalaya.core.figure;

import java.util.OptionalDouble;

/**
 * Unwatched paths: how many of a method's independent paths could break without any test noticing
 * ({@code docs/measures.md}, section 7). It adds up over methods.
 *
 * @param unreached the part that was not executed, at least 0
 * @param unchecked the part that was executed, but a fault would pass; 0 where nothing was tried
 * @param notTried the reached paths of methods that were not tried; not part of the total
 */
public record Unwatched(double unreached, double unchecked, double notTried) {
  /** Of no code at all. */
  public static final Unwatched NONE = new Unwatched(0, 0, 0);

  /**
   * The figure of one method.
   *
   * @param complexity at least 1
   * @param reach 0 to 1
   * @param notice 0 to 1, or empty for a method that was not tried
   */
  public static Unwatched of(int complexity, double reach, OptionalDouble notice) {
    if (reach < 0 || reach > 1) {
      throw new IllegalArgumentException("reach must be 0 to 1 (got " + reach + ")");
    }
    double reached = complexity * reach;
    double unreached = complexity * (1 - reach);
    return notice.isPresent()
        ? new Unwatched(unreached, reached * (1 - notice.getAsDouble()), 0)
        : new Unwatched(unreached, 0, reached);
  }

  /** The risk figure: unreached and unchecked together. */
  public double total() {
    return unreached + unchecked;
  }

  /** Both added up. */
  public Unwatched plus(Unwatched other) {
    return new Unwatched(
        unreached + other.unreached, unchecked + other.unchecked, notTried + other.notTried);
  }
}
