package atalaya.core.mutant;

/**
 * A mutant and what became of it.
 *
 * @param noticedBy the name of the test that noticed it, or empty
 * @param noticedWith what was wrong in that test, in a line, or empty
 * @param testsRun how many tests ran until it was decided, at least 0
 */
public record TriedMutant(
    Mutant mutant, Fate fate, String noticedBy, String noticedWith, int testsRun) {
  public TriedMutant {
    if (testsRun < 0) {
      throw new IllegalArgumentException("tests run must be >= 0 (got " + testsRun + ")");
    }
  }

  /** Whether it survived because nothing that any test does at its place comes out differently. */
  public boolean needsInput() {
    return fate == Fate.SURVIVED && testsRun == 0;
  }
}
