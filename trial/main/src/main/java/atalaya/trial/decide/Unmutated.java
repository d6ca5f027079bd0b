package atalaya.trial.decide;

import atalaya.worker.Message;

/**
 * What came of a test before anything was mutated.
 *
 * @param verdict one of {@link Message}
 * @param nanos how long it took
 * @param steps how many loops turned and methods were entered, at least 1
 * @param words what was wrong, or empty
 */
public record Unmutated(int verdict, long nanos, long steps, String words) {
  /** Whether it may judge mutants. */
  public boolean isFit() {
    return verdict == Message.PASSED;
  }
}
