package atalaya.trial.decide;

import java.util.List;

/**
 * A mutant to decide.
 *
 * @param mutant its number
 * @param method the number of its method
 * @param tests those that may notice it, the likeliest first; none where it changes nothing that
 *     any of them does
 * @param alone those that may in a JVM of its own, where what one test leaves behind counts for the
 *     next: all that enter its method, in the order in which they were observed
 * @param isShared whether its code changes what tests share, as while classes are initialised, so
 *     that a JVM of its own has the last word
 */
public record Task(
    int mutant, int method, List<Integer> tests, List<Integer> alone, boolean isShared) {
  public Task {
    tests = List.copyOf(tests);
    alone = List.copyOf(alone);
  }

  /** For a JVM of its own. */
  Task inOneOfItsOwn() {
    return new Task(mutant, method, alone, alone, isShared);
  }
}
