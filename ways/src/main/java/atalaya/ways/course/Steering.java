package atalaya.ways.course;

import atalaya.core.solve.Solution;
import atalaya.core.solve.Solver;
import atalaya.core.term.Constraint;
import atalaya.core.term.KeptValues;
import atalaya.core.term.Term;
import atalaya.core.term.Values;
import atalaya.ways.code.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;

/**
 * Keeps a path to what can be: it has inputs for all that was asked so far, and where the next
 * condition can't come out as planned, it goes on with another outcome.
 */
public class Steering {
  /** Follows every path as it is. */
  public static final Steering NONE =
      new Steering(null, (level, begun) -> Optional.empty()) {
        @Override
        boolean allows(List<Constraint> soFar, List<Constraint> more) {
          return true;
        }
      };

  private static final Values NOTHING = new Values(Map.of());

  private final Solver solver;
  private final BiFunction<Integer, List<Path.Move>, Optional<Path>> goingOn;
  private final Map<Term.Input, Object> inputs = new LinkedHashMap<>();
  private int checked;
  private boolean stuck;
  private final Map<Integer, Path> paths = new HashMap<>();

  /**
   * Steers.
   *
   * @param goingOn the best path with a certain begin, at a level of the route
   */
  public Steering(Solver solver, BiFunction<Integer, List<Path.Move>, Optional<Path>> goingOn) {
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
    KeptValues now = new KeptValues(inputs);
    if (more.stream().allMatch(c -> Boolean.TRUE.equals(now.holds(c)))) {
      return true;
    }
    if (more.stream().anyMatch(c -> Boolean.FALSE.equals(NOTHING.holds(c)))) {
      return false;
    }
    List<Constraint> all = new ArrayList<>(before);
    all.addAll(more);
    Optional<Solution.Found> found = solver.find(solver.together(all, more));
    found.ifPresent(there -> inputs.putAll(there.inputs()));
    return found.isPresent();
  }

  /** The path from a place on where it went another way than planned. */
  Optional<Path> goOn(int level, List<Path.Move> begun) {
    Optional<Path> further = goingOn.apply(level, begun);
    further.ifPresent(path -> paths.put(level, path));
    return further;
  }

  /** The path at a level of the route as it became; empty when it is the planned one. */
  public Optional<Path> path(int level) {
    return Optional.ofNullable(paths.get(level));
  }

  /** The inputs for all that has to hold; empty when some of it does not. */
  public Optional<Solution.Found> found(List<Constraint> constraints) {
    KeptValues now = new KeptValues(inputs);
    boolean isBroken =
        stuck || constraints.stream().anyMatch(c -> Boolean.FALSE.equals(now.holds(c)));
    return isBroken ? Optional.empty() : Optional.of(solver.found(constraints, inputs));
  }
}
