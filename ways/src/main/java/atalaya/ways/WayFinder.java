package atalaya.ways;

import atalaya.core.code.CodeClass;
import atalaya.core.plan.Way;
import atalaya.core.solve.Answers;
import atalaya.core.solve.Solution;
import atalaya.core.solve.Solver;
import atalaya.core.term.Constraint;
import atalaya.core.term.EnumValue;
import atalaya.core.term.Term;
import atalaya.ways.code.ClassCode;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.Concrete;
import atalaya.ways.code.Meaning;
import atalaya.ways.code.Meanings;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.Path;
import atalaya.ways.code.TypeNames;
import atalaya.ways.code.Visibility;
import atalaya.ways.follow.Known;
import atalaya.ways.follow.Makings;
import atalaya.ways.follow.Walked;
import atalaya.ways.write.MissingElements;
import atalaya.ways.write.Wording;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** Finds the best way of a method, and what leads there; may be asked by several threads. */
public final class WayFinder {
  /** So many conditions are computed for a whole path, at most, and for each step along one. */
  private static final int THOROUGH = 1_000;

  private static final int QUICK = 100;

  /** So many ways of making objects are passed over, where the plainest leads nowhere. */
  private static final List<Integer> OTHER_MAKINGS = List.of(1, 2, 3, Integer.MAX_VALUE);

  /** So many objects are made otherwise, each by itself, where no code came of the plainest. */
  private static final int REMADE = 2;

  /** A way that has code may be worth so much less than one that has none. */
  private static final double WORTH_FILLING = 0.4;

  private final CodeBase base;
  private final Meanings meanings;
  private final Known known;
  private final Routes routes;
  private final Function<String, List<EnumValue>> enums;
  private final Function<Term.Input, List<String>> texts;
  private final Answers answers = new Answers();

  /** Kept, as what else is reached changes with each brief that is chosen. */
  private final Map<Sought, Outcome> outcomes = new ConcurrentHashMap<>();

  /**
   * The methods of which the last search found no way with code. Each is looked through by who asks
   * for it alone, one time after the other, so that the same questions get the same answers.
   */
  private final Set<Ref> hard = ConcurrentHashMap.newKeySet();

  /**
   * For a project.
   *
   * @param model of a class, by binary name
   * @param seen the points of a class, by binary name, that were reached when it was observed
   * @param isReached whether a test already reaches a method, so that a new one may begin there
   * @param texts that tests pass where an input of a name is wanted
   */
  public WayFinder(
      CodeBase base,
      Function<String, Optional<CodeClass>> model,
      Function<String, BitSet> seen,
      Predicate<Ref> isReached,
      Function<Term.Input, List<String>> texts) {
    this.base = base;
    this.meanings = new Meanings(model);
    this.known = Known.of(base, meanings, seen);
    this.routes = new Routes(base, isReached);
    this.texts = texts;
    this.enums = type -> base.code(type).map(ClassCode::constants).orElse(List.of());
  }

  /** What came of a search, before it is known what else is reached. */
  private interface Outcome {
    Answer told(Function<String, BitSet> reached);

    static Outcome always(Answer answer) {
      return reached -> answer;
    }
  }

  /** What came of it. */
  public sealed interface Answer {
    /** A way. */
    record Found(Way way) implements Answer {}

    /** There is none. */
    record Impossible(String because) implements Answer {}

    /** None was found that does not contradict itself, though there may be one. */
    record NotFound(String because) implements Answer {}

    /** Nothing is left to reach, or the method can't be read. */
    record Nothing() implements Answer {}
  }

  /**
   * The best way to one of several points, as copies of a {@code finally} block have them.
   *
   * @param reached the points of a class, by binary name, that are reached already
   */
  public Answer towards(Ref method, Function<String, BitSet> reached, BitSet points) {
    Answer none = new Answer.Nothing();
    for (int point = points.nextSetBit(0); point >= 0; point = points.nextSetBit(point + 1)) {
      Answer answer = best(new Wanted(method, reached, point));
      if (answer instanceof Answer.Found) {
        return answer;
      }
      none = none instanceof Answer.NotFound ? none : answer;
    }
    return none;
  }

  /** The best way that can be taken. */
  public Answer best(Wanted wanted) {
    Optional<MethodCode> code = base.code(wanted.method());
    if (code.isEmpty()) {
      return new Answer.Nothing();
    }
    String type = wanted.method().type();
    BitSet left = meanings.counting(type, base.points(code.get()));
    left.andNot(wanted.reached().apply(type.replace('/', '.')));
    boolean isHard = wanted.towards() < 0 && hard.contains(wanted.method());
    Sought sought = new Sought(wanted.method(), wanted.towards(), left, isHard);
    Answer answer = known(sought, code.get()).told(wanted.reached());
    if (wanted.towards() < 0) {
      note(wanted.method(), answer);
    }
    return answer;
  }

  private Outcome known(Sought sought, MethodCode code) {
    Outcome outcome = outcomes.get(sought);
    if (outcome == null) {
      // Not computed in the map: it would make others wait.
      outcome = sought(sought, code);
      outcomes.put(sought, outcome);
    }
    return outcome;
  }

  private void note(Ref method, Answer answer) {
    if (answer instanceof Answer.Found found && found.way().hasCode()) {
      hard.remove(method);
    } else if (!(answer instanceof Answer.Nothing)) {
      hard.add(method);
    }
  }

  private Outcome sought(Sought sought, MethodCode code) {
    Routes.Route found = routes.to(sought.method());
    List<Ref> route = found.methods();
    if (routes.isHidden(route.get(0))) {
      return Outcome.always(
          found.areAll()
              ? new Answer.Impossible("no code that a test can call leads there")
              : new Answer.NotFound("what a test can call is too many calls away"));
    }
    Solver solver = solver(THOROUGH);
    Solver quick = solver(QUICK);
    Optional<Searched> best = Optional.empty();
    for (List<Integer> sites : routes.sites(route)) {
      Searched searched =
          searched(o -> new WaySearch(known, solver, quick, sought, route, sites, code, o));
      if (best.isEmpty() || searched.isCertain()) {
        best = Optional.of(searched);
      }
      if (searched.isCertain()) {
        break;
      }
    }
    return best.map(searched -> outcome(sought, route, solver, searched))
        .orElse(Outcome.always(new Answer.Nothing()));
  }

  private Solver solver(int mostComputed) {
    return new Solver(answers, enums, texts, mostComputed);
  }

  private Outcome outcome(Sought sought, List<Ref> route, Solver solver, Searched searched) {
    WaySearch.Result result = searched.result();
    if (result instanceof WaySearch.Solved solved) {
      Led led = led(route, solver, searched.search(), solved);
      Led best =
          led.hasCode() || sought.isHard()
              ? led
              : Stream.concat(
                      madeOtherwise(route, solver, searched.searching(), solved),
                      filled(route, solver, searched, solved))
                  .filter(Led::hasCode)
                  .findFirst()
                  .orElse(led);
      return reached -> new Answer.Found(best.way(base, reached));
    }
    if (result instanceof WaySearch.OnlyPath only) {
      return Outcome.always(new Answer.Found(unsolved(route, only.path())));
    }
    if (result instanceof WaySearch.Excluded excluded) {
      String because = because(excluded);
      return Outcome.always(
          excluded.isProven() ? new Answer.Impossible(because) : new Answer.NotFound(because));
    }
    return Outcome.always(new Answer.Nothing());
  }

  /** What leads to a way that was found. */
  private Led led(List<Ref> route, Solver solver, WaySearch search, WaySearch.Solved found) {
    WaySearch.Solved solved = search.confirmed(found, texts);
    Walked walked = solved.walked();
    Solution.Found asMade = walked.asMade(solver, solved.solution());
    WaySearch.Solved plain = new WaySearch.Solved(solved.paths(), walked, asMade);
    Led led = prepared(led(route, walked, asMade), plain, search);
    return led.hasCode()
        ? led
        : Resting.onEnds(plain)
            .map(rested -> led(route, rested.walked(), rested.solution()))
            .filter(Led::hasCode)
            .orElse(led);
  }

  /** What another search finds, where what an object holds so many of is filled before. */
  private Stream<Led> filled(
      List<Ref> route, Solver solver, Searched searched, WaySearch.Solved solved) {
    WaySearch first = searched.search();
    return new Fillings(base, visible(route))
        .of(solved).stream()
            .map(calls -> searched.searching().apply(Outset.after(calls)))
            .flatMap(search -> filled(route, solver, search, first.weight(solved)).stream());
  }

  private Optional<Led> filled(List<Ref> route, Solver solver, WaySearch search, double weight) {
    return search.run() instanceof WaySearch.Solved solved
            && search.weight(solved) >= weight * WORTH_FILLING
        ? Optional.of(led(route, solver, search, solved))
        : Optional.empty();
  }

  private Visibility visible(List<Ref> route) {
    return Visibility.ofTestOf(base, route.get(0).type());
  }

  /** The same way, where an object is made otherwise than by the plainest way of making it. */
  private Stream<Led> madeOtherwise(
      List<Ref> route, Solver solver, Searching searching, WaySearch.Solved solved) {
    if (!Preparing.lacksMore(base, solved)) {
      return Stream.empty();
    }
    return solved.walked().needs().built().entrySet().stream()
        .filter(made -> made.getValue() instanceof Walked.New by && isOpen(by, solved))
        .map(Map.Entry::getKey)
        .filter(object -> constructors(object) > 1)
        .limit(REMADE)
        .flatMap(
            object ->
                OTHER_MAKINGS.stream()
                    .filter(passedOver -> passedOver < constructors(object))
                    .map(passedOver -> new Makings(Set.of(object.name()), passedOver)))
        .flatMap(makings -> again(searching.apply(Outset.of(makings)), route, solver, solved));
  }

  /** Whether what a way needs, and no test decides, has to do with how an object is made. */
  private static boolean isOpen(Walked.New made, WaySearch.Solved solved) {
    return solved.solution().open().stream().anyMatch(made::decides)
        || !Collections.disjoint(made.results(), solved.solution().inputs().keySet());
  }

  private int constructors(Term.Input object) {
    return base.code(TypeNames.internal(object.type()))
        .map(code -> code.constructors().size())
        .orElse(0);
  }

  private Stream<Led> again(
      WaySearch search, List<Ref> route, Solver solver, WaySearch.Solved solved) {
    return search
        .again(solved)
        .filter(again -> !Preparing.lacksMore(base, again))
        .map(again -> led(route, solver, search, again))
        .stream();
  }

  /** By how objects come to be. */
  private interface Searching extends Function<Outset, WaySearch> {}

  private record Searched(Searching searching, WaySearch search, WaySearch.Result result) {
    /** Whether there are values for all that is asked on a way. */
    boolean isCertain() {
      return result instanceof WaySearch.Solved solved && solved.solution().doubts().isEmpty();
    }
  }

  /** What comes of a search, where need be with objects made in other ways. */
  private static Searched searched(Searching searching) {
    WaySearch search = searching.apply(Outset.PLAINEST);
    Searched last = new Searched(searching, search, search.run());
    Set<String> others = new HashSet<>();
    for (int passedOver : OTHER_MAKINGS) {
      boolean mayDo =
          last.result() instanceof WaySearch.Excluded no
              && !no.isProven()
              && !no.madeOtherwise().isEmpty();
      if (!mayDo) {
        return last;
      }
      others.addAll(((WaySearch.Excluded) last.result()).madeOtherwise());
      search = searching.apply(Outset.of(new Makings(others, passedOver)));
      WaySearch.Result result = search.run();
      last =
          result instanceof WaySearch.NothingLeft ? last : new Searched(searching, search, result);
    }
    return last;
  }

  /**
   * Whether a test can make an object and call a method itself; not for one that can't be found.
   */
  public boolean isOpen(Ref method) {
    if (method == null || routes.isHidden(method)) {
      return false;
    }
    boolean isMade = method.name().equals("<init>");
    Visibility visible = Visibility.ofTestOf(base, method.type());
    String type = isMade ? method.type() : Concrete.of(base, visible, method);
    return !base.isAbstract(type) && base.code(type).map(code -> !code.isHidden()).orElse(false);
  }

  /** The fields and methods of its class that a method is about: itself, and what it uses. */
  public Set<String> about(Ref method) {
    return base.code(method).map(MethodCode::about).orElse(Set.of());
  }

  /** Whether code outside of the project may use a method. */
  public boolean isOffered(Ref method) {
    return Visibility.isOffered(base, method);
  }

  /** Whether a method asks how many elements an array has, and takes one by a number. */
  public boolean mayMissElement(Ref method) {
    return MissingElements.mayBeOn(base, method);
  }

  private static String because(WaySearch.Excluded excluded) {
    Constraint.Reason one = excluded.because().one().reason();
    Constraint.Reason other = excluded.because().other().reason();
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
        : it
            + " cannot happen there"
            + (excluded.fixed().isEmpty()
                ? ""
                : " while " + String.join(" and ", excluded.fixed()) + " is what it is");
  }

  /** The same way after calls that give objects their state, where a test can take it so. */
  private Led prepared(Led led, WaySearch.Solved solved, WaySearch search) {
    if (led.hasCode()) {
      return led;
    }
    return new Preparing(base, visible(led.route()), search)
        .prepared(solved)
        .map(after -> led(led.route(), after.walked(), after.solution()))
        .filter(Led::hasCode)
        .orElse(led);
  }

  private Led led(List<Ref> route, Walked walked, Solution.Found found) {
    List<Way.Step> steps = new ArrayList<>();
    Set<String> told = new HashSet<>();
    List<String> calls = route.stream().map(meanings::qualified).toList();
    for (Walked.Passed passed : walked.trace().steps()) {
      meanings
          .outcome(passed.type(), passed.point())
          .filter(named -> calls.contains(named.method()))
          .filter(named -> told.add(passed.type() + passed.point()))
          .ifPresent(named -> steps.add(step(named, passed.point())));
    }
    Solution.Found all = Anything.of(walked, found, texts);
    Walked trusted =
        walked.trusting(
            input ->
                all.inputs().get(input) instanceof String text
                    && texts.apply(input).contains(text));
    Wording wording = new Wording(base, trusted, all, route.get(0));
    Solver solver = solver(THOROUGH);
    Way.SetUp setUp = wording.setUp(steps, MissingElements.on(solver, walked));
    return new Led(route, calls, steps, walked, all, setUp);
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
      meanings
          .outcome(ref.type(), point)
          .filter(named -> told.add(point))
          .ifPresent(named -> steps.add(step(named, point)));
    }
    return new Way(
        route.stream().map(meanings::qualified).toList(),
        List.of(),
        steps,
        Map.of(ref.type().replace('/', '.'), path.passed()),
        new Way.SetUp(
            List.of(),
            List.of(),
            List.of(),
            List.of("the values were not followed"),
            Optional.empty()),
        new Way.Result(List.of(), "", false),
        0,
        List.of());
  }
}
