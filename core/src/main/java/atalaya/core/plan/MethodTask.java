package atalaya.core.plan;

import atalaya.core.code.PlaceName;
import atalaya.core.figure.MethodFigures;
import atalaya.core.gap.Gap;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/** The tests that reach what is missing in a method, or in several that one test can call. */
public final class MethodTask implements Task {
  private static final int MOST_KNOWN = 2 * MOST_WAYS;

  /** Two ways more take one point: a first that is not worth it may be with a second. */
  private static final int MOST_PASSED_OVER = 2;

  private final Scene scene;
  private final MethodFigures method;
  private final double most;
  private final Function<Work, List<Way>> ways;
  private final Optional<Function<List<List<String>>, List<String>>> joined;
  private final List<String> notes;

  /** The best briefs as of some work, the latest last. */
  private final List<Known> known = new ArrayList<>();

  /** A best brief, its ways, and what was reached and tested then of what it is about. */
  private record Known(
      Optional<Brief> brief,
      List<Way> ways,
      Map<String, BitSet> reached,
      String method,
      boolean isTested) {
    static Known of(Optional<Brief> brief, List<Way> ways, MethodFigures method, Work done) {
      Map<String, BitSet> reached = new HashMap<>();
      reached.put(method.className(), (BitSet) done.reached(method.className()).clone());
      ways.forEach(
          way ->
              way.points()
                  .keySet()
                  .forEach(type -> reached.put(type, (BitSet) done.reached(type).clone())));
      String name = method.qualifiedName();
      return new Known(brief, ways, reached, name, done.isTested(name));
    }

    boolean isAsOf(Work done) {
      return done.isTested(method) == isTested
          && reached.entrySet().stream()
              .allMatch(of -> done.reached(of.getKey()).equals(of.getValue()));
    }
  }

  /**
   * Of a test that takes one way as it is given.
   *
   * @param most a brief of it rarely gains more
   * @param way the best way through it once some work is done
   */
  public MethodTask(
      Scene scene, MethodFigures method, double most, Function<Work, Optional<Way>> way) {
    this(
        scene,
        method,
        most,
        work -> way.apply(work).stream().toList(),
        Optional.empty(),
        List.of());
  }

  /**
   * Of tests that may take several ways.
   *
   * @param method the first of those that a test calls
   * @param most the best ways rarely gain more
   * @param ways the best way through each method that one test calls once some work is done; none
   *     where nothing is left to reach
   * @param joined makes the statements of several ways into those of one test
   * @param notes what else is to be known of it
   */
  public MethodTask(
      Scene scene,
      MethodFigures method,
      double most,
      Function<Work, List<Way>> ways,
      Function<List<List<String>>, List<String>> joined,
      List<String> notes) {
    this(scene, method, most, ways, Optional.of(joined), notes);
  }

  private MethodTask(
      Scene scene,
      MethodFigures method,
      double most,
      Function<Work, List<Way>> ways,
      Optional<Function<List<List<String>>, List<String>>> joined,
      List<String> notes) {
    this.scene = scene;
    this.method = method;
    this.most = most;
    this.ways = ways;
    this.joined = joined;
    this.notes = notes;
  }

  @Override
  public String name() {
    return method.qualifiedName();
  }

  @Override
  public double most() {
    return most;
  }

  @Override
  public int leastPoints() {
    boolean isEntered = method.lines().part() + method.outcomes().part() > 0;
    return isEntered ? 1 : 2;
  }

  @Override
  public Optional<Brief> best(Work done) {
    return known(done).brief();
  }

  private Known known(Work done) {
    for (Known one : known) {
      if (one.isAsOf(done)) {
        return one;
      }
    }
    List<Way> best = ways.apply(done);
    Known found =
        Known.of(best.isEmpty() ? Optional.empty() : brief(best, done), best, method, done);
    if (known.size() == MOST_KNOWN) {
      known.remove(0);
    }
    known.add(found);
    return found;
  }

  /** Other ways of the same methods, which the same test takes with other values. */
  @Override
  public Brief grown(Brief brief, Work done, int points, double worth) {
    List<Way> taken = new ArrayList<>(known(done).ways());
    Brief grown = brief;
    Work seen = done.with(brief);
    int passedOver = 0;
    while (taken.size() < MOST_WAYS && passedOver < MOST_PASSED_OVER && joined.isPresent()) {
      Known next = known(seen);
      if (next.brief().filter(one -> one.gain() > 0).isEmpty()) {
        break;
      }
      seen = seen.with(next.brief().get());
      for (Way way : next.ways()) {
        if (taken.size() < MOST_WAYS && isAlike(taken, way)) {
          taken.add(way);
        }
      }
      Brief more = brief(taken, done).orElseThrow();
      if (more.effort().points() > points) {
        break;
      }
      passedOver = isWorth(grown, more, worth) ? 0 : passedOver + 1;
      grown = passedOver == 0 ? more : grown;
    }
    return grown;
  }

  /** Whether what a brief has more than another is worth its effort. */
  private static boolean isWorth(Brief less, Brief more, double worth) {
    int points = more.effort().points() - less.effort().points();
    return more.weighted() - less.weighted() >= worth * points;
  }

  /**
   * Whether one test may well take it, too: it is a way of the same methods, and nothing goes wrong
   * on any. Those of one method have code all of them, or none.
   */
  private static boolean isAlike(List<Way> taken, Way way) {
    boolean isCalled = taken.stream().anyMatch(other -> other.calls().equals(way.calls()));
    boolean isOfOne = taken.stream().allMatch(other -> other.method().equals(way.method()));
    boolean isAsCoded = taken.get(0).hasCode() == way.hasCode();
    return isCalled
        && (isAsCoded || !isOfOne)
        && Stream.concat(taken.stream(), Stream.of(way)).allMatch(MethodTask::isPlain);
  }

  private static boolean isPlain(Way way) {
    return way.result().thrown().isEmpty()
        && way.result().isFollowed()
        && way.setUp().mayFail().isEmpty();
  }

  private Optional<Brief> brief(List<Way> all, Work done) {
    Way way = joined.map(code -> Way.together(all, code)).orElse(all.get(0));
    Reached reached = Reached.of(scene, done, way.points());
    if (reached.closed().isEmpty() && reached.gain() == 0) {
      return Optional.empty();
    }
    Starting.Found starting = Starting.of(scene, done, way);
    return Optional.of(
        new Brief(
            named(reached, way, done),
            method.path(),
            way.method(),
            Brief.Kind.REACH,
            Optional.of(way),
            reached.touched(),
            reached.closed(),
            new Brief.Opens(reached.lines(), reached.outcomes(), reached.methods()),
            starting.start(),
            List.of(),
            reached.gain(),
            reached.weighted(),
            Effort.of(starting.base(), way),
            reached.before(),
            notes));
  }

  /** A brief is called after a gap of its own method, or what that gap would be called. */
  private String named(Reached reached, Way way, Work done) {
    for (Gap gap : scene.gaps(method.className())) {
      if (gap.qualifiedMethod().equals(way.method()) && reached.closed().contains(gap.name())) {
        return gap.name();
      }
    }
    Map<String, Integer> alike = new HashMap<>();
    for (Way.Step step : way.steps()) {
      boolean isOwn = step.method().equals(way.method());
      if (isOwn) {
        String text = step.condition() + "\n" + step.outcome();
        int ordinal = alike.merge(text, 1, Integer::sum) - 1;
        BitSet before = scene.reached(step.className());
        if (!before.get(step.point()) && !done.reached(step.className()).get(step.point())) {
          return PlaceName.of(
              step.className(),
              way.method().substring(way.method().indexOf('#') + 1),
              Gap.Kind.OUTCOME.label(),
              step.condition(),
              step.outcome(),
              ordinal);
        }
      }
    }
    return reached.closed().isEmpty() ? method.shortName() : reached.closed().get(0);
  }
}
