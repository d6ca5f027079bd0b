package atalaya.core.figure;

import java.util.OptionalDouble;

/**
 * The decided mutants of a method on reached code ({@code docs/measures.md}, section 6).
 *
 * @param killed those that a test noticed, at least 0
 * @param survived those that no test noticed, at least 0
 */
public record Mutants(int killed, int survived) {
  /** Of a method that was not tried. */
  public static final Mutants NOT_TRIED = new Mutants(0, 0);

  public Mutants {
    if (killed < 0 || survived < 0) {
      throw new IllegalArgumentException(
          "mutants must be >= 0 (got " + killed + " killed, " + survived + " survived)");
    }
  }

  /** Without survivors that do not count. */
  public Mutants withoutSurvivors(int none) {
    return new Mutants(killed, Math.max(0, survived - none));
  }

  /** The share of planted faults that the tests noticed, 0 to 1; empty when none was decided. */
  public OptionalDouble notice() {
    if (killed + survived == 0) {
      return OptionalDouble.empty();
    }
    return OptionalDouble.of((killed + 1.5) / (killed + survived + 2));
  }
}
