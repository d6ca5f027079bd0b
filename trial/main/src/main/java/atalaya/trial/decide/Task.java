package atalaya.trial.decide;

import java.util.List;

/**
 * A mutant to decide.
 *
 * @param mutant its number
 * @param method the number of its method
 * @param tests those that may notice it, the likeliest first; none where it changes nothing that
 *     any of them does
 * @param isShared whether its code changes what tests share, as while classes are initialised, so
 *     that a JVM of its own has the last word
 */
public record Task(int mutant, int method, List<Integer> tests, boolean isShared) {
  public Task {
    tests = List.copyOf(tests);
  }
}
