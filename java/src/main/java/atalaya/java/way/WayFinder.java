package atalaya.java.way;

import atalaya.core.code.CodeClass;
import atalaya.core.plan.Way;
import atalaya.core.solve.Solution;
import atalaya.core.solve.Solver;
import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Completes;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.core.term.Values;
import atalaya.java.way.CodeBase.Ref;
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
import java.util.function.Predicate;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.MethodInsnNode;

/** Finds the best way of a method, and what leads there. */
public final class WayFinder {
  private static final int MOST_TRIES = 30;
  private static final int MOST_DOUBTS = 6;

  /** The further a try has come, the less it has to be worth to be gone on with. */
  private static final double DIVING = 1.5;

  /** A way with values may be worth so much less than one for which none were found. */
  private static final double WORTH_CERTAINTY = 0.6;

  private static final int MOST_CALLERS = 6;
  private static final double TOWARDS = 1e5;

  private final CodeBase base;
  private final Function<String, Optional<CodeClass>> model;
  private final Predicate<Ref> startsATest;
  private final Solver solver;
  private final Map<String, Optional<Meaning>> meanings = new HashMap<>();

  /**
   * For a project.
   *
   * @param model of a class, by binary name
   * @param isReached whether a test already reaches a method, so that a new one may begin there
   */
  public WayFinder(
      CodeBase base, Function<String, Optional<CodeClass>> model, Predicate<Ref> isReached) {
    this.base = base;
    this.model = model;
    this.startsATest = isReached;
    this.solver = new Solver(type -> base.code(type).map(ClassCode::constants).orElse(List.of()));
  }

  /**
   * What is looked for.
   *
   * @param method the one that the way is for
   * @param reached the points of a class, by binary name, that are reached already
   * @param towards a point that the way has to reach, or -1
   */
  public record Wanted(Ref method, Function<String, BitSet> reached, int towards) {}

  /** What came of it. */
  public sealed interface Answer {
    /** A way. */
    record Found(Way way) implements Answer {}

    /** Every way that was tried contradicts itself. */
    record Impossible(String because) implements Answer {}

    /** Nothing is left to reach, or the method can't be read. */
    record Nothing() implements Answer {}
  }

  /** A try, with edges that are not taken because they contradict others. */
  private record Try(Path path, double weight, Set<Path.Taken> blocked) {}

  /** The best way that can be taken. */
  public Answer best(Wanted wanted) {
    Optional<MethodCode> code = base.code(wanted.method());
    if (code.isEmpty()) {
      return new Answer.Nothing();
    }
    List<Ref> route = route(wanted.method());
    if (isHidden(route.get(0))) {
      return new Answer.Impossible("no code that a test can call leads there");
    }
    PriorityQueue<Try> tries =
        new PriorityQueue<>(
            Comparator.comparingDouble((Try t) -> -t.weight() - DIVING * t.blocked().size()));
    attempt(code.get(), wanted, Set.of()).ifPresent(tries::add);
    Set<Set<Path.Taken>> seen = new HashSet<>();
    String because = "";
    Try doubtful = null;
    Walked doubtfullyWalked = null;
    Solution.Found doubted = null;
    int doubts = 0;
    for (int tried = 0; tried < MOST_TRIES && doubts < MOST_DOUBTS && !tries.isEmpty(); tried++) {
      Try next = tries.remove();
      if (wanted.towards() < 0 && next.weight() < 0.5) {
        continue;
      }
      boolean isWorse = doubtful != null && next.weight() < WORTH_CERTAINTY * doubtful.weight();
      if (isWorse) {
        continue;
      }
      Optional<Walked> walked = walk(route, next.path(), wanted);
      if (walked.isEmpty()) {
        return new Answer.Found(unsolved(route, next.path()));
      }
      Solution solution = solver.solve(walked.get().constraints());
      List<Solution.Contradiction> conflicts = List.of();
      if (solution instanceof Solution.Found found) {
        if (found.doubts().isEmpty()) {
          return new Answer.Found(way(route, walked.get(), found, wanted));
        }
        if (doubtful == null || next.weight() > doubtful.weight()) {
          doubtful = next;
          doubtfullyWalked = walked.get();
          doubted = found;
        }
        doubts++;
        conflicts = found.doubts().subList(0, 1);
      } else if (solution instanceof Solution.Contradiction contradiction) {
        because = because.isEmpty() ? because(contradiction) : because;
        conflicts = List.of(contradiction);
      }
      for (Solution.Contradiction conflict : conflicts) {
        for (Path.Taken edge : toBlock(next.path(), walked.get(), conflict)) {
          Set<Path.Taken> blocked = new LinkedHashSet<>(next.blocked());
          if (blocked.add(edge) && seen.add(blocked)) {
            attempt(code.get(), wanted, blocked).ifPresent(tries::add);
          }
        }
      }
    }
    if (doubtful != null) {
      return new Answer.Found(
          way(route, doubtfullyWalked, outsideLoops(doubtfullyWalked, doubted), wanted));
    }
    return because.isEmpty() ? new Answer.Nothing() : new Answer.Impossible(because);
  }

  /** The edges of a path of which one at least has to be another. */
  private Set<Path.Taken> toBlock(Path path, Walked walked, Solution.Contradiction conflict) {
    Set<Path.Taken> edges = new LinkedHashSet<>();
    boolean isAlone = conflict.one() == conflict.other();
    for (Constraint constraint : List.of(conflict.other(), conflict.one())) {
      Path.Taken edge = walked.blame().get(constraint);
      if (edge != null) {
        boolean ofTurn = isAlone || PathSearch.steersLoop(path.code(), edge.edge().from());
        edges.add(ofTurn ? edge : edge.always());
      }
    }
    if (isAlone && !edges.isEmpty() && conflict.one().inputs().isEmpty()) {
      edges.addAll(computedBefore(path));
    }
    return edges;
  }

  /** What is asked of a number that the path itself computed depends on where it went before. */
  private Set<Path.Taken> computedBefore(Path path) {
    Set<Path.Taken> edges = new LinkedHashSet<>();
    String type = path.code().ref().type();
    for (Path.Move move : path.moves()) {
      boolean isParting = move.edge() != null && move.edge().point() >= 0;
      if (isParting && path.code().loops().get(move.at())) {
        edges.add(move.taken());
      } else if (isParting && reason(type, move.edge().point()).isEmpty()) {
        edges.add(move.taken().always());
      }
    }
    return edges;
  }

  /** Values for what is asked outside of loops, where there are none for all of it. */
  private Solution.Found outsideLoops(Walked walked, Solution.Found found) {
    List<Constraint> outside =
        found.open().stream().filter(c -> !walked.inLoops().contains(c)).toList();
    if (solver.solve(outside) instanceof Solution.Found better) {
      Map<Term.Input, Object> inputs = new LinkedHashMap<>(found.inputs());
      better.inputs().forEach(inputs::putIfAbsent);
      Values values = new Values(inputs);
      List<Constraint> open =
          found.open().stream().filter(c -> !Boolean.TRUE.equals(values.holds(c))).toList();
      return new Solution.Found(inputs, open, better.doubts());
    }
    return found;
  }

  private static String because(Solution.Contradiction contradiction) {
    Constraint.Reason one = contradiction.one().reason();
    Constraint.Reason other = contradiction.other().reason();
    Constraint.Reason written = other.isWritten() ? other : one;
    if (!written.isWritten()) {
      return "what line " + other.line() + " needs can't be";
    }
    Constraint.Reason with = written == other ? one : other;
    String it = "`" + written.condition() + "` " + written.outcome() + " at line " + written.line();
    return with.isWritten() && !with.equals(written)
        ? it
            + " cannot happen together with `"
            + with.condition()
            + "` "
            + with.outcome()
            + " at line "
            + with.line()
        : it + " cannot happen there";
  }

  private Optional<Try> attempt(MethodCode code, Wanted wanted, Set<Path.Taken> blocked) {
    BitSet left = left(code.ref().type(), wanted.reached());
    PathSearch.Wanted search =
        new PathSearch.Wanted(
            point -> (left.get(point) ? 1 : 0) + (point == wanted.towards() ? TOWARDS : 0),
            Set.of(),
            blocked,
            false);
    return PathSearch.heaviest(code, search, base::code)
        .map(path -> new Try(path, weight(path, left, wanted.towards()), blocked))
        .filter(t -> wanted.towards() < 0 || t.weight() >= TOWARDS);
  }

  private static double weight(Path path, BitSet left, int towards) {
    BitSet passed = passed(path);
    boolean comesThere = towards >= 0 && passed.get(towards);
    passed.and(left);
    return passed.cardinality() + (comesThere ? TOWARDS : 0);
  }

  private static BitSet passed(Path path) {
    BitSet passed = new BitSet();
    for (Path.Move move : path.moves()) {
      passed.or(path.code().points(move.at()));
      if (move.edge() != null && move.edge().point() >= 0) {
        passed.set(move.edge().point());
      }
    }
    path.lambdas().values().forEach(lambda -> passed.or(passed(lambda)));
    return passed;
  }

  /** The points of a class that count and are not reached. */
  private BitSet left(String type, Function<String, BitSet> reached) {
    Optional<Meaning> meaning = meaning(type);
    if (meaning.isEmpty()) {
      return new BitSet();
    }
    BitSet left = (BitSet) meaning.get().counting().clone();
    left.andNot(reached.apply(type.replace('/', '.')));
    return left;
  }

  private Optional<Meaning> meaning(String type) {
    return meanings.computeIfAbsent(type, t -> model.apply(t.replace('/', '.')).map(Meaning::new));
  }

  // ---- from where ----

  /** The methods from one that a test can call to this one. */
  private List<Ref> route(Ref method) {
    if (!isHidden(method)) {
      return List.of(method);
    }
    List<List<Ref>> waiting = new ArrayList<>(List.of(List.of(method)));
    Set<Ref> seen = new HashSet<>(Set.of(method));
    List<Ref> unreached = List.of(method);
    for (int i = 0; i < waiting.size(); i++) {
      List<Ref> known = waiting.get(i);
      if (known.size() > MOST_CALLERS) {
        break;
      }
      for (Ref caller : base.callers(known.get(0))) {
        if (seen.add(caller)) {
          List<Ref> longer = new ArrayList<>(List.of(caller));
          longer.addAll(known);
          boolean isOpen = !isHidden(caller);
          if (isOpen && startsATest.test(caller)) {
            return longer;
          }
          unreached = isOpen && unreached.size() == 1 ? longer : unreached;
          waiting.add(longer);
        }
      }
    }
    return unreached;
  }

  /** Whether a test can't call a method itself. */
  private boolean isHidden(Ref method) {
    return (base.access(method) & (Opcodes.ACC_PRIVATE | Opcodes.ACC_SYNTHETIC)) != 0;
  }

  private Optional<Walked> walk(List<Ref> route, Path last, Wanted wanted) {
    List<Path> paths = new ArrayList<>();
    List<Integer> sites = new ArrayList<>();
    for (int i = 0; i + 1 < route.size(); i++) {
      Optional<MethodCode> code = base.code(route.get(i));
      Optional<Integer> site = code.flatMap(c -> site(c, last(route, c)));
      if (site.isEmpty()) {
        return Optional.empty();
      }
      BitSet left = left(route.get(i).type(), wanted.reached());
      Optional<Path> path =
          PathSearch.heaviest(
              code.get(),
              new PathSearch.Wanted(
                  point -> left.get(point) ? 1 : 0, Set.of(site.get()), Set.of(), false),
              base::code);
      if (path.isEmpty()) {
        return Optional.empty();
      }
      paths.add(path.get());
      sites.add(site.get());
    }
    paths.add(last);
    try {
      return Optional.of(Walker.walk(base, this::reason, paths, sites));
    } catch (Walker.NotFollowed e) {
      return Optional.empty();
    }
  }

  private static Ref last(List<Ref> route, MethodCode caller) {
    return route.get(route.indexOf(caller.ref()) + 1);
  }

  private Optional<Integer> site(MethodCode caller, Ref called) {
    for (int i = 0; i < caller.size(); i++) {
      if (caller.at(i) instanceof MethodInsnNode call
          && base.declaring(new Ref(call.owner, call.name + call.desc))
              .equals(Optional.of(called))) {
        return Optional.of(i);
      }
    }
    return Optional.empty();
  }

  private Optional<Constraint.Reason> reason(String type, int point) {
    return meaning(type).flatMap(m -> m.outcome(point)).map(Meaning.Named::reason);
  }

  // ---- as a way ----

  private Way way(List<Ref> route, Walked walked, Solution.Found found, Wanted wanted) {
    List<Way.Step> steps = new ArrayList<>();
    Set<String> told = new HashSet<>();
    int deciding = 0;
    List<String> calls = route.stream().map(this::qualified).toList();
    for (int i = 0; i < walked.steps().size(); i++) {
      Walked.Passed passed = walked.steps().get(i);
      Optional<Meaning.Named> named =
          meaning(passed.type()).flatMap(m -> m.outcome(passed.point()));
      boolean isOnRoute = named.isPresent() && calls.contains(named.get().method());
      if (isOnRoute && told.add(passed.type() + passed.point())) {
        steps.add(step(named.get(), passed.point()));
        boolean isNew =
            !wanted.reached().apply(passed.type().replace('/', '.')).get(passed.point());
        deciding = deciding == 0 && isNew ? i : deciding;
      }
    }
    Wording wording = new Wording(base, walked, found);
    Map<String, BitSet> points = new HashMap<>();
    walked.points().forEach((type, all) -> points.put(type.replace('/', '.'), all));
    return new Way(
        calls,
        steps,
        points,
        wording.setUp(route.get(0), steps, mayFail(walked)),
        wording.result(route.get(0), deciding),
        walked.doubles().size(),
        List.copyOf(walked.surroundings()));
  }

  private static Way.Step step(Meaning.Named named, int point) {
    Constraint.Reason reason = named.reason();
    return new Way.Step(named.method(), reason.line(), reason.condition(), reason.outcome(), point);
  }

  /** A way of which only the path is known. */
  private Way unsolved(List<Ref> route, Path path) {
    List<Way.Step> steps = new ArrayList<>();
    Set<Integer> told = new HashSet<>();
    Ref ref = path.code().ref();
    for (Path.Move move : path.moves()) {
      int point = move.edge() == null ? -1 : move.edge().point();
      meaning(ref.type())
          .flatMap(m -> m.outcome(point))
          .filter(named -> told.add(point))
          .ifPresent(named -> steps.add(step(named, point)));
    }
    return new Way(
        route.stream().map(this::qualified).toList(),
        steps,
        Map.of(ref.type().replace('/', '.'), passed(path)),
        new Way.SetUp(
            List.of(), List.of(), List.of("the values were not followed"), Optional.empty()),
        new Way.Result(List.of(), ""),
        0,
        List.of());
  }

  private String qualified(Ref ref) {
    String type = ref.type().replace('/', '.');
    return type
        + "#"
        + meaning(ref.type())
            .flatMap(m -> m.method(ref.code()))
            .map(method -> method.name())
            .orElse(ref.name() + "()");
  }

  // ---- what can go wrong ----

  /** Whether a method asks how many elements an array has, and takes one by a number. */
  public boolean mayMissElement(Ref method) {
    Optional<MethodCode> code = base.code(method);
    boolean asks = false;
    boolean takes = false;
    for (int i = 0; code.isPresent() && i < code.get().size(); i++) {
      int opcode = code.get().at(i).getOpcode();
      asks |= opcode == Opcodes.ARRAYLENGTH;
      takes |= opcode >= Opcodes.IALOAD && opcode <= Opcodes.SALOAD;
    }
    return asks && takes;
  }

  /**
   * An element that is taken by its number on a way on which the code asks for the very number of
   * elements, and does not exclude that it is missing.
   */
  private Optional<String> mayFail(Walked walked) {
    List<Constraint> before = new ArrayList<>();
    for (Constraint constraint : walked.constraints()) {
      Optional<Term> asked = elementTaken(constraint);
      boolean isAsked =
          asked.isPresent()
              && before.stream()
                  .anyMatch(c -> c.reason().isWritten() && c.terms().contains(asked.get()));
      if (isAsked) {
        List<Constraint> failing = new ArrayList<>(before);
        failing.add(missing(constraint));
        if (solver.solve(failing) instanceof Solution.Found found && found.open().isEmpty()) {
          return Optional.of(
              "line "
                  + constraint.reason().line()
                  + " takes an element that may be missing: with "
                  + shown(found)
                  + " it throws an exception that nobody wrote");
        }
      }
      before.add(constraint);
    }
    return Optional.empty();
  }

  /** The number of elements that taking one depends on. */
  private static Optional<Term> elementTaken(Constraint constraint) {
    if (constraint.reason().isWritten()) {
      return Optional.empty();
    }
    if (constraint instanceof Completes completes
        && completes.value() instanceof Term.Operation element
        && element.operator() == Term.Operator.ELEMENT
        && element.operands().get(1).isConstant()) {
      return Optional.of(
          Term.operation(Term.Operator.LENGTH, "", "I", List.of(element.operands().get(0))));
    }
    boolean isTaken =
        constraint instanceof Compared compared
            && compared.relation() == Relation.GREATER
            && compared.left() instanceof Term.Input size
            && size.name().endsWith(".length")
            && compared.right().isConstant();
    return isTaken ? Optional.of(((Compared) constraint).left()) : Optional.empty();
  }

  private static Constraint missing(Constraint constraint) {
    if (constraint instanceof Compared compared) {
      return new Compared(
          compared.left(), compared.relation().negated(), compared.right(), compared.reason());
    }
    return new Constraint.Throws(
        ((Completes) constraint).value(),
        "java/lang/ArrayIndexOutOfBoundsException",
        constraint.reason());
  }

  private static String shown(Solution.Found found) {
    List<String> values = new ArrayList<>();
    found
        .inputs()
        .forEach(
            (input, value) ->
                Literals.of(value, input.type())
                    .ifPresent(literal -> values.add(input.name() + " " + literal)));
    return String.join(", ", values.subList(0, Math.min(3, values.size())));
  }
}
