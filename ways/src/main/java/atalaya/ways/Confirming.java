package atalaya.ways;

import atalaya.core.solve.Solution;
import atalaya.core.solve.Solver;
import atalaya.core.term.Constraint;
import atalaya.core.term.Term;
import atalaya.core.term.Term.Input;
import atalaya.core.term.Term.Source;
import atalaya.ways.WaySearch.Solved;
import atalaya.ways.follow.Walked;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * Goes a way again with the values that were found for it: with them it is known where control goes
 * in calls that could not be followed with anything (concolic execution; Sen, Marinov, Agha 2005).
 */
final class Confirming {
  private final Solver solver;
  private final Function<Input, List<String>> texts;

  Confirming(Solver solver, Function<Input, List<String>> texts) {
    this.solver = solver;
    this.texts = texts;
  }

  /**
   * The same way, resting on less; left open where calls do something else with these values.
   *
   * @param followed what following its paths shows where it is known what inputs are
   */
  Solved confirmed(Solved solved, Function<Map<Input, Object>, Optional<Walked>> followed) {
    long rests = resting(solved.solution());
    boolean isOpen = !solved.solution().open().isEmpty();
    Optional<Walked> again =
        rests == 0 || isOpen ? Optional.empty() : followed.apply(inputs(solved));
    if (again.isEmpty()) {
      return solved;
    }
    Solution solution = solver.solve(again.get().conditions().all());
    boolean isRefuted = !again.get().ending().cut().equals(solved.walked().ending().cut());
    if (isRefuted || !(solution instanceof Solution.Found found)) {
      return open(solved);
    }
    boolean isBetter = found.doubts().isEmpty() && found.open().isEmpty() && resting(found) < rests;
    return isBetter ? new Solved(solved.paths(), again.get(), found) : solved;
  }

  /** With these values calls do something else: with others they may do what they have to. */
  private static Solved open(Solved solved) {
    List<Constraint> open = new ArrayList<>(solved.solution().open());
    solved.walked().conditions().all().stream()
        .filter(one -> one.hasInput(input -> input.source() == Source.RESULT))
        .forEach(open::add);
    Solution.Found found =
        new Solution.Found(solved.solution().inputs(), open, solved.solution().doubts());
    return new Solved(solved.paths(), solved.walked(), found);
  }

  /** How much has to come out of calls, but for what is there as a rule. */
  private static long resting(Solution.Found found) {
    return found.inputs().entrySet().stream().filter(Confirming::isResting).count();
  }

  private static boolean isResting(Map.Entry<Input, Object> outcome) {
    Input input = outcome.getKey();
    boolean isThere = input.usual() == Term.THERE && input.isUsually(outcome.getValue());
    return input.source() == Source.RESULT && !isThere;
  }

  /** All that a test gives, also where it may be anything. */
  private Map<Input, Object> inputs(Solved solved) {
    Walked.Needs needs = solved.walked().needs();
    Solution.Found found = Anything.of(solved.walked(), solved.solution(), texts);
    Map<Input, Object> inputs = new LinkedHashMap<>(found.inputs());
    inputs.keySet().removeIf(input -> input.source() == Source.RESULT);
    Anything.given(needs)
        .filter(input -> !inputs.containsKey(input))
        .forEach(
            input -> Anything.usual(input.type()).ifPresent(value -> inputs.put(input, value)));
    return inputs;
  }
}
