package atalaya.ways;

import atalaya.core.solve.Solution;
import atalaya.core.solve.Solver;
import atalaya.core.term.Constraint;
import atalaya.core.term.Term;
import atalaya.core.term.Values;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.Path;
import atalaya.ways.code.PathSearch;
import atalaya.ways.course.Allowance;
import atalaya.ways.course.Course;
import atalaya.ways.course.NotFollowed;
import atalaya.ways.course.Steering;
import atalaya.ways.follow.Before;
import atalaya.ways.follow.Known;
import atalaya.ways.follow.Walked;
import atalaya.ways.follow.Walker;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * Looks for the heaviest path of a method for which there are values. A path that contradicts
 * itself is tried again in other ways: with another outcome where it asked for what it had made
 * impossible itself, or without one of the outcomes that exclude each other.
 */
final class WaySearch {
  /** So many are gone along as far as they can be, before they are given up. */
  private static final int MOST_STEERED = 4;

  /** So many that contradict themselves are gone until shortly before they do. */
  private static final int MOST_BEGUN = 6;

  /** So many are tried after there is a way, for a better one. */
  private static final int MORE_TRIES = 3;

  /** A better one is looked for only when it may be worth so many times as much. */
  private static final double WORTH_MORE = 1.25;

  /** The further a try has come, the less it has to be worth to be gone on with. */
  private static final double DIVING = 1.5;

  /** A way with values may be worth so much less than one for which none were found. */
  private static final double WORTH_CERTAINTY = 0.4;

  /** A loop that counts is gone through so often at most. */
  private static final int MOST_TURNS = 12;

  /** So many conditions before one are turned that comes out by what they led to. */
  private static final int MOST_BEFORE = 8;

  /** So often another way is looked for around what no test can decide. */
  private static final int MOST_AROUND = 8;

  /** What a test can decide all of may be worth so much less than what rests on other calls. */
  private static final double WORTH_DECIDING = 0.5;

  private static final double TOWARDS = 1e5;

  /** So many instructions are followed on a path, calls included. */
  private static final int OF_PATH = 20_000;

  /** And once more with the values that were found. */
  private static final int OF_CONFIRMING = 6_000;

  /** What came of it. */
  sealed interface Result {}

  /** Paths through a route, and values that lead along them. */
  record Solved(List<Path> paths, Walked walked, Solution.Found solution) implements Result {}

  /** A path of which it could not be followed what it needs. */
  record OnlyPath(Path path) implements Result {}

  /**
   * Every path that was tried contradicts itself.
   *
   * @param because what the first of them did
   * @param isProven whether there are no others
   * @param fixed what no test can change that had a part in it
   * @param madeOtherwise the objects that had a part in it, and may be made in other ways
   */
  record Excluded(
      Solution.Contradiction because,
      boolean isProven,
      Set<String> fixed,
      Set<String> madeOtherwise)
      implements Result {}

  /** There is nothing left to reach. */
  record NothingLeft() implements Result {}

  /**
   * What is tried.
   *
   * @param begun how the path has to begin
   * @param blocked edges that it must not take
   * @param turns so often it may go back to the begin of a loop
   */
  private record Attempt(List<Path.Move> begun, Set<Walked.Cause> blocked, int turns, int depth) {
    static final Attempt FIRST = new Attempt(List.of(), Set.of(), PathSearch.TURNS, 0);

    Attempt beginning(List<Path.Move> moves) {
      return beginning(moves, turns);
    }

    Attempt beginning(List<Path.Move> moves, int withTurns) {
      return new Attempt(moves, blocked, Math.max(turns, withTurns), depth + 1);
    }

    Attempt without(Walked.Cause cause, int deeper) {
      Set<Walked.Cause> more = new LinkedHashSet<>(blocked);
      more.add(cause);
      return new Attempt(begun, more, turns, depth + deeper);
    }

    Set<Path.Taken> blockedAt(int level) {
      Set<Path.Taken> edges = new LinkedHashSet<>();
      blocked.stream().filter(c -> c.level() == level).forEach(c -> edges.add(c.edge()));
      return edges;
    }
  }

  /**
   * An attempt and its paths through the route; they are looked for when it is its turn.
   *
   * @param weight what its path gains, or at most does
   * @param paths null before they were looked for
   * @param number by which equal ones keep their order
   */
  private record Try(Attempt attempt, double weight, List<Path> paths, int number) {
    double priority() {
      return weight + DIVING * attempt.depth();
    }

    /** The one through the method that is asked for. */
    Path path() {
      return paths.get(paths.size() - 1);
    }
  }

  /** The heaviest of some that were found. */
  private static final class Heaviest {
    private Solved solved;
    private double weight;

    void offer(Solved other, double itsWeight) {
      if (itsWeight > weight) {
        solved = other;
        weight = itsWeight;
      }
    }

    boolean isThere() {
      return solved != null;
    }
  }

  private final Known known;
  private final Solver solver;
  private final Solver quick;
  private final Sought sought;
  private final List<Ref> route;
  private final List<Integer> sites;
  private final MethodCode code;
  private final Outset outset;
  private final BitSet left;
  private final PriorityQueue<Try> tries =
      new PriorityQueue<>(
          Comparator.comparingDouble(Try::priority).reversed().thenComparingInt(Try::number));

  /** Of most attempts those through the methods before are the same. */
  private final Map<Map.Entry<Integer, Set<Path.Taken>>, Optional<Path>> leading = new HashMap<>();

  private final Set<List<Path>> seen = new HashSet<>();
  private final Budget budget;
  private final Allowance allowance;
  private int added;
  private int steered;
  private boolean onlyOwnConflicts = true;
  private final Set<String> madeOtherwise = new HashSet<>();
  private final Heaviest certain = new Heaviest();

  /** With values but for what calls give that were not followed. */
  private final Heaviest resting = new Heaviest();

  private int around;
  private final Heaviest begun = new Heaviest();
  private int begins;
  private final Heaviest doubtful = new Heaviest();
  private Solution.Contradiction because;
  private Set<String> fixed = Set.of();

  /**
   * For a method.
   *
   * @param route the methods from one that a test can call to it
   * @param sites the instruction of each before it that calls the next
   * @param outset how the objects come to be that it needs
   */
  WaySearch(
      Known known,
      Solver solver,
      Solver quick,
      Sought sought,
      List<Ref> route,
      List<Integer> sites,
      MethodCode code,
      Outset outset) {
    this.outset = outset;
    this.budget = Budget.of(sought, outset);
    this.allowance = Allowance.of(budget.instructions());
    this.known = known;
    this.solver = solver;
    this.quick = quick;
    this.sought = sought;
    this.route = route;
    this.sites = sites;
    this.code = code;
    this.left = sought.left();
  }

  Result run() {
    tries.add(new Try(Attempt.FIRST, Double.MAX_VALUE, null, 0));
    int left = budget.tries();
    for (Optional<Try> next = best();
        next.isPresent() && left > 0 && !allowance.isSpent();
        next = best()) {
      Optional<Walked> walked = walk(next.get().paths(), Steering.NONE);
      if (walked.isEmpty()) {
        return new OnlyPath(next.get().path());
      }
      if (walked.get().ending().cut().isPresent()) {
        cutShort(next.get(), walked.get(), walked.get().ending().cut().get());
        left--;
        continue;
      }
      Optional<Solution.Contradiction> conflict = solve(next.get(), walked.get());
      if (conflict.isPresent()) {
        if (!certain.isThere() && steered++ < MOST_STEERED) {
          steer(next.get());
        }
        boolean mayBegin = !certain.isThere() && !known.base().isHalting(code.ref());
        if (mayBegin && begins++ < MOST_BEGUN) {
          begin(next.get(), walked.get(), conflict.get());
        }
        if (!resting.isThere()) {
          others(next.get(), walked.get(), conflict.get());
        }
        withoutLambdas(next.get()).ifPresent(tries::add);
        boolean isOwn =
            walked.get().conditions().own().contains(conflict.get().one())
                && walked.get().conditions().own().contains(conflict.get().other());
        onlyOwnConflicts &= isOwn && walked.get().needs().madeOtherwise().isEmpty();
        madeOtherwise.addAll(walked.get().needs().madeOtherwise());
        if (!isOwn) {
          walked.get().needs().built().keySet().forEach(made -> madeOtherwise.add(made.name()));
        }
      }
      left = Math.min(left - 1, mostFurther());
    }
    Heaviest best = begun.weight > certain.weight * WORTH_MORE ? begun : certain;
    best = best.weight < resting.weight * WORTH_DECIDING ? resting : best;
    if (best.isThere() && best.weight >= doubtful.weight * WORTH_CERTAINTY) {
      return best.solved;
    }
    if (doubtful.isThere()) {
      return outsideLoops(doubtful.solved);
    }
    return because == null
        ? new NothingLeft()
        : new Excluded(because, isProven(left), fixed, madeOtherwise);
  }

  private int mostFurther() {
    return certain.isThere() ? MORE_TRIES : doubtful.isThere() ? budget.further() : budget.tries();
  }

  /**
   * In loops and before calls, what was blocked may have been another time's; called code could
   * have been passed in another way.
   */
  private boolean isProven(int triesLeft) {
    return triesLeft > 0
        && !allowance.isSpent()
        && tries.isEmpty()
        && sites.isEmpty()
        && !code.graph().hasLoops()
        && onlyOwnConflicts;
  }

  /** What is to be tried next of what waits; empty when nothing is worth it. */
  private Optional<Try> best() {
    while (!tries.isEmpty()) {
      Try next = tries.remove();
      boolean isWorthIt =
          next.weight() > certain.weight * WORTH_MORE
              && next.weight() > doubtful.weight * WORTH_CERTAINTY
              && next.weight() > resting.weight * WORTH_DECIDING
              && (sought.towards() >= 0 || next.weight() >= 0.5);
      if (isWorthIt && next.paths() != null) {
        return Optional.of(next);
      }
      if (isWorthIt) {
        found(next).ifPresent(tries::add);
      }
    }
    return Optional.empty();
  }

  /**
   * A call throws whatever the inputs, because of what the path computed: so far it may lead; to
   * come further, it has to part before.
   */
  private void cutShort(Try one, Walked walked, Walked.Cut cut) {
    List<Path.Move> moves = one.paths().get(cut.level()).moves();
    List<Path.Move> made = moves.subList(0, 1 + moves.indexOf(cut.move()));
    boolean isThere = cut.level() == sites.size();
    if (isThere) {
      double weight = weight(new Path(code, made, Map.of()));
      boolean isWanted = weight >= (sought.towards() < 0 ? 0.5 : TOWARDS);
      if (isWanted) {
        solve(new Try(one.attempt(), weight, one.paths(), one.number()), walked);
      }
    }
    for (int i = made.size() - 2; i >= 0; i--) {
      Path.Move move = made.get(i);
      if (move.edge().point() >= 0) {
        add(one.attempt().without(new Walked.Cause(cut.level(), move.taken()), 1), one.weight());
        return;
      }
    }
  }

  /** What excludes each other on a path; empty when there are values for it. */
  private Optional<Solution.Contradiction> solve(Try one, Walked walked) {
    Solution solution = solver.solve(walked.conditions().all());
    if (solution instanceof Solution.Contradiction contradiction) {
      if (because == null) {
        because = contradiction;
        fixed = walked.trace().fixed();
      }
      return Optional.of(contradiction);
    }
    Solution.Found found = (Solution.Found) solution;
    if (found.doubts().isEmpty()) {
      keep(one, new Solved(one.paths(), walked, found), one.weight());
      return Optional.empty();
    }
    doubtful.offer(new Solved(one.paths(), walked, found), one.weight());
    return Optional.of(found.doubts().get(0));
  }

  /**
   * Keeps a path with values; where some of it is decided by calls that were not followed, another
   * way around that is looked for from now on, and nothing else.
   */
  private void keep(Try one, Solved solved, double weight) {
    Optional<Constraint> undecided = solved.walked().undecidedBy(solved.solution());
    if (undecided.isEmpty()) {
      certain.offer(solved, weight);
      return;
    }
    if (!resting.isThere()) {
      tries.clear();
    }
    resting.offer(solved, weight);
    Walked.Cause cause = solved.walked().conditions().causes().get(undecided.get());
    if (cause != null && around++ < MOST_AROUND) {
      add(one.attempt().without(cause.always(), 1), one.weight());
    }
  }

  /**
   * Where there are no values for a whole path, there may be some for how it begins: a test comes
   * there, wherever it goes then.
   */
  private void begin(Try one, Walked walked, Solution.Contradiction conflict) {
    List<Path.Move> moves = one.path().moves();
    int last = -1;
    for (Constraint constraint : List.of(conflict.one(), conflict.other())) {
      Walked.Cause cause = walked.conditions().causes().get(constraint);
      boolean isHere = cause != null && cause.level() == sites.size();
      last = Math.max(last, isHere ? position(moves, cause.edge()) : -1);
    }
    while (last > 0 && !isWanted(moves.get(last - 1))) {
      last--;
    }
    if (last <= 0) {
      return;
    }
    Path begin = one.path().begin(last);
    double weight = weight(begin);
    boolean isWorthIt = weight > begun.weight && weight >= (sought.towards() < 0 ? 0.5 : TOWARDS);
    if (!isWorthIt) {
      return;
    }
    List<Path> paths = new ArrayList<>(one.paths());
    paths.set(sites.size(), begin);
    walk(paths, Steering.NONE)
        .filter(there -> there.ending().cut().isEmpty())
        .ifPresent(
            there ->
                solver
                    .find(there.conditions().all())
                    .ifPresent(found -> begun.offer(new Solved(paths, there, found), weight)));
  }

  private boolean isWanted(Path.Move move) {
    BitSet points = (BitSet) code.points(move.at()).clone();
    if (move.edge() != null && move.edge().point() >= 0) {
      points.set(move.edge().point());
    }
    return sought.towards() < 0 ? points.intersects(left) : points.get(sought.towards());
  }

  /** Goes along a path as far as it can be gone, and else the best other way there is. */
  private void steer(Try one) {
    Steering steering =
        new Steering(
            quick,
            (level, begun) ->
                level == sites.size()
                    ? through(one.attempt().beginning(begun))
                    : leading(one.attempt(), level, begun));
    Optional<Walked> walked = walk(one.paths(), steering).filter(w -> w.ending().cut().isEmpty());
    Optional<Solution.Found> found = walked.flatMap(w -> steering.found(w.conditions().all()));
    double weight = steering.path(sites.size()).map(this::weight).orElse(one.weight());
    boolean comesThere = sought.towards() < 0 || weight >= TOWARDS;
    if (found.isPresent() && comesThere) {
      List<Path> paths = new ArrayList<>();
      for (int i = 0; i < one.paths().size(); i++) {
        paths.add(steering.path(i).orElse(one.paths().get(i)));
      }
      keep(one, new Solved(paths, walked.get(), found.get()), weight);
    }
  }

  /** The same path where it does not matter how control goes through lambdas. */
  private Optional<Try> withoutLambdas(Try one) {
    if (one.path().lambdas().isEmpty()) {
      return Optional.empty();
    }
    List<Path> paths = new ArrayList<>(one.paths());
    Path path = paths.remove(sites.size()).withoutLambdas();
    paths.add(path);
    return seen.add(paths)
        ? Optional.of(new Try(one.attempt(), weight(path), paths, ++added))
        : Optional.empty();
  }

  private void add(Attempt attempt, double atMost) {
    tries.add(new Try(attempt, atMost, null, ++added));
  }

  /** With the paths; empty when there are none that come to what is wanted, or they are known. */
  private Optional<Try> found(Try one) {
    Attempt attempt = one.attempt();
    Optional<Path> last = through(attempt);
    if (last.isEmpty()) {
      return Optional.empty();
    }
    double weight = weight(last.get());
    List<Path> paths = leadingThere(attempt);
    boolean comesThere =
        paths.size() == sites.size() && (sought.towards() < 0 || weight >= TOWARDS);
    paths.add(last.get());
    return comesThere && seen.add(paths)
        ? Optional.of(new Try(attempt, weight, paths, one.number()))
        : Optional.empty();
  }

  /** The heaviest path through the method itself. */
  private Optional<Path> through(Attempt attempt) {
    PathSearch.Wanted search =
        new PathSearch.Wanted(
            point -> (left.get(point) ? 1 : 0) + (point == sought.towards() ? TOWARDS : 0),
            Set.of(),
            attempt.begun(),
            attempt.blockedAt(route.size() - 1),
            attempt.turns(),
            false);
    return PathSearch.heaviest(code, search, known.base()::code);
  }

  /** The shortest paths through the methods before it on the route; fewer where one has none. */
  private List<Path> leadingThere(Attempt attempt) {
    List<Path> paths = new ArrayList<>();
    for (int i = 0; i < sites.size(); i++) {
      int level = i;
      leading
          .computeIfAbsent(
              Map.entry(level, attempt.blockedAt(level)), key -> leading(attempt, level, List.of()))
          .ifPresent(paths::add);
    }
    return paths;
  }

  private Optional<Path> leading(Attempt attempt, int level, List<Path.Move> begun) {
    int site = sites.get(level);
    boolean isCalled = begun.stream().anyMatch(move -> move.at() == site);
    PathSearch.Wanted search =
        new PathSearch.Wanted(
            PathSearch.Wanted.NO_WEIGHTS,
            isCalled ? Set.of() : Set.of(site),
            begun,
            attempt.blockedAt(level),
            false);
    return known
        .base()
        .code(route.get(level))
        .flatMap(caller -> PathSearch.heaviest(caller, search, known.base()::code));
  }

  /** How much of what is sought a way comes to. */
  double weight(Solved solved) {
    return weight(solved.paths().get(solved.paths().size() - 1));
  }

  private double weight(Path path) {
    BitSet passed = path.passed();
    boolean comesThere = sought.towards() >= 0 && passed.get(sought.towards());
    passed.and(left);
    return passed.cardinality() + (comesThere ? TOWARDS : 0);
  }

  /** Notes other ways. */
  private void others(Try failed, Walked walked, Solution.Contradiction conflict) {
    List<Path.Move> moves = failed.path().moves();
    boolean isAlone = conflict.one() == conflict.other();
    boolean isComputed = isAlone && conflict.one().inputs().isEmpty();
    for (Constraint constraint : List.of(conflict.other(), conflict.one())) {
      Walked.Cause cause = walked.conditions().causes().get(constraint);
      boolean isHere = cause != null && cause.level() == route.size() - 1;
      int at = isHere ? position(moves, cause.edge()) : -1;
      if (isComputed && at >= 0) {
        otherwise(failed, at, conflict.one());
      } else if (cause != null) {
        boolean ofTurn =
            isAlone || isHere && PathSearch.steersLoop(code, cause.edge().edge().from());
        add(failed.attempt().without(ofTurn ? cause : cause.always(), 1), failed.weight());
      }
    }
  }

  private static int position(List<Path.Move> moves, Path.Taken edge) {
    for (int i = 0; i < moves.size(); i++) {
      Path.Move move = moves.get(i);
      if (edge.edge().equals(move.edge()) && move.turn() == edge.turn()) {
        return i;
      }
    }
    return -1;
  }

  /**
   * What a path computed itself leaves another outcome, whatever the inputs; or it has to go
   * another way before.
   */
  private void otherwise(Try failed, int at, Constraint computed) {
    List<Path.Move> moves = failed.path().moves();
    Path.Move broken = moves.get(at);
    long turns = broken.turn() + stillToGo(computed);
    for (MethodCode.Edge other : code.edges(broken.at())) {
      if (!other.equals(broken.edge()) && other.thrown().isEmpty()) {
        List<Path.Move> begun = new ArrayList<>(moves.subList(0, at));
        begun.add(new Path.Move(broken.at(), other, broken.turn()));
        int mayTurn = turns <= MOST_TURNS ? (int) turns : PathSearch.TURNS;
        add(failed.attempt().beginning(begun, mayTurn), failed.weight());
      }
    }
    String type = code.ref().type();
    int conditions = 0;
    for (int i = at - 1; i >= failed.attempt().begun().size(); i--) {
      Path.Move move = moves.get(i);
      int point = move.edge().point();
      Walked.Cause here = new Walked.Cause(route.size() - 1, move.taken());
      boolean isCondition = point >= 0 && known.meanings().reason(type, point).isPresent();
      if (point >= 0 && code.loops().get(move.at())) {
        add(failed.attempt().without(here, 0), failed.weight());
      } else if (point >= 0 && (!isCondition || conditions++ < MOST_BEFORE)) {
        add(failed.attempt().without(here.always(), 0), failed.weight());
      }
    }
  }

  /** How far what is compared is apart: where a loop counts, it has to be gone that often. */
  private static long stillToGo(Constraint computed) {
    Values nothing = new Values(Map.of());
    return computed instanceof Constraint.Compared compared
            && nothing.of(compared.left()) instanceof Number left
            && nothing.of(compared.right()) instanceof Number right
        ? Math.abs(left.longValue() - right.longValue())
        : 0;
  }

  /** Values for what is asked outside of loops, where there are none for all of it. */
  private Solved outsideLoops(Solved solved) {
    Solution.Found found = solved.solution();
    Walked walked = solved.walked();
    List<Constraint> outside =
        found.open().stream().filter(c -> !walked.conditions().inLoops().contains(c)).toList();
    if (solver.solve(outside) instanceof Solution.Found better) {
      Map<Term.Input, Object> inputs = new LinkedHashMap<>(found.inputs());
      better.inputs().forEach(inputs::putIfAbsent);
      Values values = new Values(inputs);
      List<Constraint> open =
          found.open().stream().filter(c -> !Boolean.TRUE.equals(values.holds(c))).toList();
      Solution.Found all = new Solution.Found(inputs, open, better.doubts());
      return new Solved(solved.paths(), walked, all);
    }
    return solved;
  }

  private Optional<Walked> walk(List<Path> paths, Steering steering) {
    return walk(known, allowance.part(OF_PATH), paths, steering, outset.calls());
  }

  private Optional<Walked> walk(
      Known with, Allowance ofPath, List<Path> paths, Steering steering, List<Preparation> calls) {
    Optional<List<Before>> before = before(calls);
    if (before.isEmpty()) {
      return Optional.empty();
    }
    try {
      return Optional.of(
          Walker.walk(
              with,
              steering,
              ofPath,
              new Walker.Route(paths, sites, 0),
              outset.makings(),
              before.get()));
    } catch (NotFollowed e) {
      return Optional.empty();
    }
  }

  /** How control goes through calls; empty where nobody knows that of one. */
  private Optional<List<Before>> before(List<Preparation> calls) {
    List<Before> before = new ArrayList<>();
    for (Preparation call : calls) {
      Optional<Course> course = call.course(quick, known.base());
      course.ifPresent(c -> before.add(new Before(call.object(), call.field(), c)));
    }
    return before.size() < calls.size() ? Optional.empty() : Optional.of(before);
  }

  /** The same way, resting on as little as can be told with the values that were found for it. */
  Solved confirmed(Solved solved, Function<Term.Input, List<String>> texts) {
    return new Confirming(solver, texts)
        .confirmed(
            solved,
            inputs ->
                walk(
                    known.given(inputs),
                    Allowance.of(OF_CONFIRMING),
                    solved.paths(),
                    Steering.NONE,
                    outset.calls()));
  }

  /** The same way, with objects made as this search makes them; empty where it can't be gone so. */
  Optional<Solved> again(Solved solved) {
    return walkedAs(solved, outset.calls())
        .filter(walked -> outset.makings().areThere(walked.needs().built().keySet()))
        .flatMap(
            walked ->
                quick
                    .find(walked.conditions().all())
                    .map(found -> new Solved(solved.paths(), walked, walked.asMade(quick, found))));
  }

  /** The same way after calls by which objects get a state; empty where it can't be gone then. */
  Optional<Solved> after(List<Preparation> calls, Solved solved) {
    List<Preparation> all = Stream.concat(calls.stream(), outset.calls().stream()).toList();
    Optional<Walked> walked = walkedAs(solved, all);
    return walked.isPresent()
            && solver.solve(walked.get().conditions().all()) instanceof Solution.Found found
            && found.doubts().isEmpty()
        ? Optional.of(new Solved(solved.paths(), walked.get(), walked.get().asMade(solver, found)))
        : Optional.empty();
  }

  /** The same way gone once more; empty where it ends otherwise. */
  private Optional<Walked> walkedAs(Solved solved, List<Preparation> calls) {
    return walk(known, Allowance.of(OF_PATH), solved.paths(), Steering.NONE, calls)
        .filter(w -> w.ending().cut().equals(solved.walked().ending().cut()))
        .filter(w -> w.ending().thrown().equals(solved.walked().ending().thrown()));
  }
}
