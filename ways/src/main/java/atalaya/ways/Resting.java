package atalaya.ways;

import atalaya.core.solve.Solution;
import atalaya.core.term.Constraint;
import atalaya.core.term.Term.Input;
import atalaya.core.term.Values;
import atalaya.ways.WaySearch.Solved;
import atalaya.ways.follow.Unfollowed;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** On what a way rests that is not known. */
final class Resting {
  private Resting() {}

  /**
   * The same way without what calls would have to give for nothing but that others come to their
   * end: that those do is as good a guess, and tells a test all that it has to give. Empty where
   * there is nothing of that kind.
   */
  static Optional<Solved> onEnds(Solved solved) {
    Map<Constraint, String> endings = solved.walked().conditions().endings();
    Set<Input> asked = new HashSet<>();
    solved.walked().conditions().all().stream()
        .filter(one -> !endings.containsKey(one))
        .forEach(one -> asked.addAll(one.inputs()));
    Solution.Found found = solved.solution();
    Map<Input, Object> inputs = new LinkedHashMap<>(found.inputs());
    inputs.keySet().removeIf(input -> isGivenByCall(input) && !asked.contains(input));
    Map<Constraint, String> open = new LinkedHashMap<>(endings);
    Values before = new Values(found.inputs());
    Values now = new Values(inputs);
    open.keySet().removeIf(end -> now.holds(end) != null || before.holds(end) == null);
    boolean isBroken = endings.keySet().stream().anyMatch(end -> isFalse(now, end));
    return open.isEmpty() || isBroken
        ? Optional.empty()
        : Optional.of(
            new Solved(
                solved.paths(),
                solved.walked().assuming(open),
                new Solution.Found(inputs, found.open(), found.doubts())));
  }

  private static boolean isFalse(Values values, Constraint one) {
    return Boolean.FALSE.equals(values.holds(one));
  }

  private static boolean isGivenByCall(Input input) {
    return Unfollowed.decides(input) && !Unfollowed.isThrowing(input);
  }
}
