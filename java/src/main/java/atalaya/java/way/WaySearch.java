package atalaya.java.way;

import atalaya.core.solve.Solution;
import atalaya.core.solve.Solver;
import atalaya.core.term.Constraint;
import atalaya.core.term.Term;
import atalaya.core.term.Values;
import atalaya.java.way.CodeBase.Ref;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;

/**
 * Looks for the heaviest path of a method for which there are values. A path that contradicts
 * itself is tried again in other ways: with another outcome where it asked for what it had made
 * impossible itself, or without one of the outcomes that exclude each other.
 */
final class WaySearch {
  private static final int MOST_TRIES = 40;
  private static final int MOST_DOUBTS = 6;

  /** The further a try has come, the less it has to be worth to be gone on with. */
  private static final double DIVING = 1.5;

  /** A way with values may be worth so much less than one for which none were found. */
  private static final double WORTH_CERTAINTY = 0.6;

  private static final double TOWARDS = 1e5;

  /** What came of it. */
  sealed interface Result {}

  /** A path, and values that lead along it. */
  record Solved(Walked walked, Solution.Found solution) implements Result {}

  /** A path of which it could not be followed what it needs. */
  record OnlyPath(Path path) implements Result {}

  /** Every path that was tried contradicts itself. */
  record Excluded(Solution.Contradiction because) implements Result {}

  /** There is nothing left to reach. */
  record NothingLeft() implements Result {}

  /**
   * What is tried.
   *
   * @param begun how the path has to begin
   * @param blocked edges that it must not take
   */
  private record Attempt(List<Path.Move> begun, Set<Walked.Cause> blocked, int depth) {
    static final Attempt FIRST = new Attempt(List.of(), Set.of(), 0);

    Attempt beginning(List<Path.Move> moves) {
      return new Attempt(moves, blocked, depth + 1);
    }

    Attempt without(Walked.Cause cause, int deeper) {
      Set<Walked.Cause> more = new LinkedHashSet<>(blocked);
      more.add(cause);
      return new Attempt(begun, more, depth + deeper);
    }

    Set<Path.Taken> blockedAt(int level) {
      Set<Path.Taken> edges = new LinkedHashSet<>();
      blocked.stream().filter(c -> c.level() == level).forEach(c -> edges.add(c.edge()));
      return edges;
    }
  }

  private record Try(Attempt attempt, List<Path> paths, double weight) {
    /** The one through the method that is asked for. */
    Path path() {
      return paths.get(paths.size() - 1);
    }

    double priority() {
      return weight + DIVING * attempt.depth();
    }
  }

  private final CodeBase base;
  private final Meanings meanings;
  private final Solver solver;
  private final WayFinder.Wanted wanted;
  private final List<Ref> route;
  private final List<Integer> sites;
  private final MethodCode code;
  private final BitSet left;
  private final PriorityQueue<Try> tries =
      new PriorityQueue<>(Comparator.comparingDouble(Try::priority).reversed());
  private final Set<List<Path>> seen = new HashSet<>();

  /**
   * For a method.
   *
   * @param route the methods from one that a test can call to it
   * @param sites the instruction of each before it that calls the next
   */
  WaySearch(
      CodeBase base,
      Meanings meanings,
      Solver solver,
      WayFinder.Wanted wanted,
      List<Ref> route,
      List<Integer> sites,
      MethodCode code) {
    this.base = base;
    this.meanings = meanings;
    this.solver = solver;
    this.wanted = wanted;
    this.route = route;
    this.sites = sites;
    this.code = code;
    this.left = meanings.left(code.ref().type(), wanted.reached());
  }

  Result run() {
    add(Attempt.FIRST);
    Solution.Contradiction because = null;
    Solved doubtful = null;
    double doubtfulWeight = 0;
    int doubts = 0;
    for (int tried = 0; tried < MOST_TRIES && doubts < MOST_DOUBTS && !tries.isEmpty(); tried++) {
      Try next = tries.remove();
      boolean isWorse =
          doubtful != null && next.weight() < WORTH_CERTAINTY * doubtfulWeight
              || wanted.towards() < 0 && next.weight() < 0.5;
      if (isWorse) {
        continue;
      }
      Optional<Walked> walked = walk(next.paths());
      if (walked.isEmpty()) {
        return new OnlyPath(next.path());
      }
      Solution solution = solver.solve(walked.get().constraints());
      if (solution instanceof Solution.Contradiction contradiction) {
        because = because == null ? contradiction : because;
        tryOthers(next, walked.get(), contradiction);
      } else if (solution instanceof Solution.Found found) {
        Solved solved = new Solved(walked.get(), found);
        if (found.doubts().isEmpty()) {
          return solved;
        }
        if (doubtful == null || next.weight() > doubtfulWeight) {
          doubtful = solved;
          doubtfulWeight = next.weight();
        }
        doubts++;
        tryOthers(next, walked.get(), found.doubts().get(0));
      }
    }
    if (doubtful != null) {
      return outsideLoops(doubtful);
    }
    return because == null ? new NothingLeft() : new Excluded(because);
  }

  private void add(Attempt attempt) {
    PathSearch.Wanted search =
        new PathSearch.Wanted(
            point -> (left.get(point) ? 1 : 0) + (point == wanted.towards() ? TOWARDS : 0),
            Set.of(),
            attempt.begun(),
            attempt.blockedAt(route.size() - 1),
            false);
    Optional<Path> last = PathSearch.heaviest(code, search, base::code);
    List<Path> paths = leadingThere(attempt);
    boolean comesThere = last.isPresent() && paths.size() == sites.size();
    if (!comesThere) {
      return;
    }
    paths.add(last.get());
    double weight = weight(last.get());
    boolean isWanted = wanted.towards() < 0 || weight >= TOWARDS;
    if (isWanted && seen.add(paths)) {
      tries.add(new Try(attempt, paths, weight));
    }
  }

  /** The shortest paths through the methods before it on the route; fewer where one has none. */
  private List<Path> leadingThere(Attempt attempt) {
    List<Path> paths = new ArrayList<>();
    for (int i = 0; i < sites.size(); i++) {
      PathSearch.Wanted search =
          new PathSearch.Wanted(
              point -> 0, Set.of(sites.get(i)), List.of(), attempt.blockedAt(i), false);
      base.code(route.get(i))
          .flatMap(caller -> PathSearch.heaviest(caller, search, base::code))
          .ifPresent(paths::add);
    }
    return paths;
  }

  private double weight(Path path) {
    BitSet passed = path.passed();
    boolean comesThere = wanted.towards() >= 0 && passed.get(wanted.towards());
    passed.and(left);
    return passed.cardinality() + (comesThere ? TOWARDS : 0);
  }

  private void tryOthers(Try failed, Walked walked, Solution.Contradiction conflict) {
    boolean isAlone = conflict.one() == conflict.other();
    boolean isComputed = isAlone && conflict.one().inputs().isEmpty();
    for (Constraint constraint : List.of(conflict.other(), conflict.one())) {
      Walked.Cause cause = walked.causes().get(constraint);
      boolean isHere = cause != null && cause.level() == route.size() - 1;
      if (isComputed && isHere) {
        otherwise(failed, cause);
      } else if (cause != null) {
        boolean ofTurn =
            isAlone || isHere && PathSearch.steersLoop(code, cause.edge().edge().from());
        add(failed.attempt().without(ofTurn ? cause : cause.always(), 1));
      }
    }
  }

  /**
   * What a path computed itself leaves another outcome, whatever the inputs; or it has to go
   * another way before.
   */
  private void otherwise(Try failed, Walked.Cause cause) {
    List<Path.Move> moves = failed.path().moves();
    String type = code.ref().type();
    for (int i = failed.attempt().begun().size(); i < moves.size(); i++) {
      Path.Move move = moves.get(i);
      if (move.edge() == null) {
        return;
      }
      Walked.Cause here = new Walked.Cause(cause.level(), move.taken());
      if (here.equals(cause)) {
        for (MethodCode.Edge other : code.edges(move.at())) {
          if (!other.equals(move.edge()) && other.thrown().isEmpty()) {
            List<Path.Move> begun = new ArrayList<>(moves.subList(0, i));
            begun.add(new Path.Move(move.at(), other, move.turn()));
            add(failed.attempt().beginning(begun));
          }
        }
        return;
      }
      if (move.edge().point() >= 0 && code.loops().get(move.at())) {
        add(failed.attempt().without(here, 0));
      } else if (move.edge().point() >= 0 && meanings.reason(type, move.edge().point()).isEmpty()) {
        add(failed.attempt().without(here.always(), 0));
      }
    }
  }

  /** Values for what is asked outside of loops, where there are none for all of it. */
  private Solved outsideLoops(Solved solved) {
    Solution.Found found = solved.solution();
    Walked walked = solved.walked();
    List<Constraint> outside =
        found.open().stream().filter(c -> !walked.inLoops().contains(c)).toList();
    if (solver.solve(outside) instanceof Solution.Found better) {
      Map<Term.Input, Object> inputs = new LinkedHashMap<>(found.inputs());
      better.inputs().forEach(inputs::putIfAbsent);
      Values values = new Values(inputs);
      List<Constraint> open =
          found.open().stream().filter(c -> !Boolean.TRUE.equals(values.holds(c))).toList();
      return new Solved(walked, new Solution.Found(inputs, open, better.doubts()));
    }
    return solved;
  }

  private Optional<Walked> walk(List<Path> paths) {
    try {
      return Optional.of(Walker.walk(base, meanings, paths, sites));
    } catch (Walker.NotFollowed e) {
      return Optional.empty();
    }
  }
}
