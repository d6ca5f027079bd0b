package atalaya.core.mutant;

import java.util.Collection;
import java.util.Optional;

/**
 * The mutation score: the share of the decided mutants on reached code that tests noticed.
 *
 * @param noticed at least 0
 * @param survived at least 0
 * @param possible how many mutants there are on reached code, decided or not
 */
public record Score(int noticed, int survived, int possible) {
  /** Two-sided, 95 %. */
  private static final double Z = 1.959964;

  public Score {
    if (noticed < 0 || survived < 0 || possible < noticed + survived) {
      throw new IllegalArgumentException(
          noticed + " noticed and " + survived + " survived of " + possible);
    }
  }

  /** Of mutants that are all decided. */
  public static Score of(Collection<TriedMutant> mutants) {
    int noticed = (int) mutants.stream().filter(m -> m.fate().isNoticed()).count();
    int survived = (int) mutants.stream().filter(m -> m.fate() == Fate.SURVIVED).count();
    return new Score(noticed, survived, noticed + survived);
  }

  /** How many are decided. */
  public int decided() {
    return noticed + survived;
  }

  /** The share, 0 to 1; empty when none is decided. */
  public Optional<Double> value() {
    return decided() == 0 ? Optional.empty() : Optional.of((double) noticed / decided());
  }

  /**
   * Between which two shares the score of all mutants lies, with 95 % confidence, when those
   * decided were drawn at random (Wilson 1927, with the correction for a finite number); empty when
   * none or all are decided.
   */
  public Optional<double[]> interval() {
    int n = decided();
    if (n == 0 || n == possible) {
      return Optional.empty();
    }
    double p = (double) noticed / n;
    double z2 = Z * Z * (possible - n) / (possible - 1.0);
    double centre = (p + z2 / (2 * n)) / (1 + z2 / n);
    double half = Math.sqrt(z2 * (p * (1 - p) / n + z2 / (4.0 * n * n))) / (1 + z2 / n);
    return Optional.of(new double[] {Math.max(0, centre - half), Math.min(1, centre + half)});
  }
}
