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
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;

/** The tests that reach what is missing in a method, or in several that one test can call. */
public final class MethodTask implements Task {
  private static final int MOST_KNOWN = 2 * MOST_WAYS;

  private final Scene scene;
  private final MethodFigures method;
  private final double most;
  private final Function<Work, Optional<Way>> ways;
  private final Optional<Function<List<List<String>>, List<String>>> joined;
  private final List<String> notes;

  /** The best briefs as of some work, the latest last. */
  private final List<Known> known = new ArrayList<>();

  /** A best brief, and what was reached and tested then of what it is about. */
  private record Known(
      Optional<Brief> brief, Map<String, BitSet> reached, String method, boolean isTested) {
    static Known of(Optional<Brief> brief, MethodFigures method, Work done) {
      Map<String, BitSet> reached = new HashMap<>();
      reached.put(method.className(), (BitSet) done.reached(method.className()).clone());
      brief
          .flatMap(Brief::way)
          .map(way -> way.points().keySet())
          .orElse(Set.of())
          .forEach(type -> reached.put(type, (BitSet) done.reached(type).clone()));
      String name = method.qualifiedName();
      return new Known(brief, reached, name, done.isTested(name));
    }

    boolean isAsOf(Work done) {
      return done.isTested(method) == isTested
          && reached.entrySet().stream()
              .allMatch(of -> done.reached(of.getKey()).equals(of.getValue()));
    }
  }

  /**
   * Of a method: a test takes one way as it is given.
   *
   * @param most no brief of it gains more
   * @param ways the best way through it once some work is done
   * @param notes what else is to be known of it
   */
  public MethodTask(
      Scene scene,
      MethodFigures method,
      double most,
      Function<Work, Optional<Way>> ways,
      List<String> notes) {
    this(scene, method, most, ways, Optional.empty(), notes);
  }

  /**
   * Of a method: a test may take several ways.
   *
   * @param most the best way through it gains no more
   * @param ways the best way through it once some work is done
   * @param joined makes the statements of several ways into those of one test
   * @param notes what else is to be known of it
   */
  public MethodTask(
      Scene scene,
      MethodFigures method,
      double most,
      Function<Work, Optional<Way>> ways,
      Function<List<List<String>>, List<String>> joined,
      List<String> notes) {
    this(scene, method, most, ways, Optional.of(joined), notes);
  }

  private MethodTask(
      Scene scene,
      MethodFigures method,
      double most,
      Function<Work, Optional<Way>> ways,
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
    for (Known one : known) {
      if (one.isAsOf(done)) {
        return one.brief();
      }
    }
    Optional<Brief> best = ways.apply(done).flatMap(way -> brief(way, done));
    if (known.size() == MOST_KNOWN) {
      known.remove(0);
    }
    known.add(Known.of(best, method, done));
    return best;
  }

  /** Other ways of the same method, which the same test takes with other values. */
  @Override
  public Brief grown(Brief brief, Work done, int points) {
    List<Way> taken = new ArrayList<>(brief.way().stream().toList());
    Brief grown = brief;
    Work seen = done.with(brief);
    for (int i = 1; i < MOST_WAYS && joined.isPresent(); i++) {
      Optional<Brief> next = best(seen).filter(one -> one.gain() > 0);
      if (next.isEmpty()) {
        break;
      }
      seen = seen.with(next.get());
      Way way = next.get().way().orElseThrow();
      if (isAlike(taken.get(0), way)) {
        taken.add(way);
        Brief more = brief(Way.together(taken, joined.get()), done).orElseThrow();
        if (more.effort().points() > points) {
          break;
        }
        grown = more;
      }
    }
    return grown;
  }

  /** Whether one test may well take both: of one method, and nothing goes wrong on them. */
  private static boolean isAlike(Way way, Way other) {
    return way.calls().equals(other.calls())
        && way.hasCode() == other.hasCode()
        && Stream.of(way, other).allMatch(MethodTask::isPlain);
  }

  private static boolean isPlain(Way way) {
    return way.also().isEmpty()
        && way.result().thrown().isEmpty()
        && way.setUp().mayFail().isEmpty();
  }

  private Optional<Brief> brief(Way way, Work done) {
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
