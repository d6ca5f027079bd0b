package atalaya.java.way;

import atalaya.core.solve.Solution;
import atalaya.core.solve.Solver;
import atalaya.core.term.Constraint;
import atalaya.core.term.Term;
import atalaya.core.term.Values;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * Keeps a path to what can be: it has inputs for all that was asked so far, and where the next
 * condition can't come out as planned, it goes on with another outcome.
 */
class Steering {
  /** Follows every path as it is. */
  static final Steering NONE =
      new Steering(null, begun -> Optional.empty()) {
        @Override
        boolean allows(List<Constraint> soFar, List<Constraint> more) {
          return true;
        }
      };

  private final Solver solver;
  private final Function<List<Path.Move>, Optional<Path>> goingOn;
  private final Map<Term.Input, Object> inputs = new LinkedHashMap<>();
  private int checked;
  private boolean stuck;
  private Path path;

  /**
   * Steers.
   *
   * @param goingOn the best path with a certain begin
   */
  Steering(Solver solver, Function<List<Path.Move>, Optional<Path>> goingOn) {
    this.solver = solver;
    this.goingOn = goingOn;
  }

  /** Whether something can hold besides what has to hold so far. */
  boolean allows(List<Constraint> soFar, List<Constraint> more) {
    List<Constraint> before = List.copyOf(soFar);
    for (; checked < before.size() && !stuck; checked++) {
      stuck = !holds(before.subList(0, checked), before.subList(checked, checked + 1));
    }
    return stuck || holds(before, more);
  }

  private boolean holds(List<Constraint> before, List<Constraint> more) {
    Values now = new Values(inputs);
    if (more.stream().allMatch(c -> Boolean.TRUE.equals(now.holds(c)))) {
      return true;
    }
    List<Constraint> all = new ArrayList<>(before);
    all.addAll(more);
    Solution solution = solver.solve(solver.together(all, more));
    if (solution instanceof Solution.Found found && found.doubts().isEmpty()) {
      inputs.putAll(found.inputs());
      return true;
    }
    return false;
  }

  /** The path from a place on where it went another way than planned. */
  Optional<Path> goOn(List<Path.Move> begun) {
    Optional<Path> further = goingOn.apply(begun);
    path = further.orElse(null);
    return further;
  }

  /** The path as it became; empty when it is the planned one. */
  Optional<Path> path() {
    return Optional.ofNullable(path);
  }

  /** Whether something had to hold that could not, and was no condition. */
  boolean isStuck() {
    return stuck;
  }

  /** The inputs for all that has to hold. */
  Solution.Found found(List<Constraint> constraints) {
    return solver.found(constraints, inputs);
  }
}
