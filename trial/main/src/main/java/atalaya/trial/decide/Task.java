package atalaya.trial.decide;

import java.util.List;

/**
 * A mutant to decide.
 *
 * @param mutant its number
 * @param method the number of its method
 * @param tests those that may notice it, the likeliest first; none where it changes nothing that
 *     any of them does
 * @param acting those in which it would have changed something while they ran unmutated: where it
 *     does not again, what was left behind hides it
 * @param apart those that may apart from other mutants, where what one test leaves behind counts
 *     for the next: all that enter its method, in the order in which they were observed
 * @param isShared whether its code changes what tests share, as while classes are initialised, so
 *     that it has to be decided apart before it may have survived
 */
public record Task(
    int mutant,
    int method,
    List<Integer> tests,
    List<Integer> acting,
    List<Integer> apart,
    boolean isShared) {
  public Task {
    tests = List.copyOf(tests);
    acting = List.copyOf(acting);
    apart = List.copyOf(apart);
  }

  /** For a decision by one test, for which it changes something. */
  public Task by(int test) {
    return new Task(mutant, method, List.of(test), List.of(), List.of(), false);
  }

  /** For a decision apart from all others. */
  Task fromOthers() {
    return new Task(mutant, method, apart, List.of(), apart, isShared);
  }
}
