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
import java.util.Collection;
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

  Confirming(Solver solver) {
    this.solver = solver;
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
  private static Map<Input, Object> inputs(Solved solved) {
    Map<Input, Object> inputs = new LinkedHashMap<>(solved.solution().inputs());
    inputs.keySet().removeIf(input -> input.source() == Source.RESULT);
    Walked.Needs needs = solved.walked().needs();
    addUsual(needs.arguments(), inputs);
    needs.built().values().forEach(built -> addUsual(built.arguments(), inputs));
    return inputs;
  }

  private static void addUsual(Collection<Input> given, Map<Input, Object> inputs) {
    for (Input input : given) {
      usual(input.type()).ifPresent(value -> inputs.putIfAbsent(input, value));
    }
  }

  /** What code is written for, where anything will do. */
  private static Optional<Object> usual(String type) {
    return Optional.ofNullable(
        switch (type) {
          case "Z", "B", "S", "I" -> 0;
          case "C" -> (int) 'a';
          case "J" -> 0L;
          case "F" -> 0f;
          case "D" -> 0.0;
          case "Ljava/lang/String;" -> "a";
          default -> null;
        });
  }
}
