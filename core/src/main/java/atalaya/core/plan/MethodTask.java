package atalaya.core.plan;

import atalaya.core.code.PlaceName;
import atalaya.core.figure.MethodFigures;
import atalaya.core.gap.Gap;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** The tests that reach what is missing in a method, or in several that one test can call. */
public final class MethodTask implements Task {
  private final Scene scene;
  private final MethodFigures method;
  private final double most;
  private final Function<Work, Optional<Way>> ways;
  private final List<String> notes;
  private final Map<String, Integer> asOf = new HashMap<>();

  /** The best brief as of then; null before it was looked for. */
  private Optional<Brief> last;

  private Work lastWork;

  /**
   * Of a method.
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
    this.scene = scene;
    this.method = method;
    this.most = most;
    this.ways = ways;
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
    boolean isCurrent =
        last != null
            && lastWork == done
            && asOf.entrySet().stream().allMatch(e -> done.changes(e.getKey()) == e.getValue());
    if (!isCurrent) {
      last = ways.apply(done).flatMap(way -> brief(way, done));
      lastWork = done;
      asOf.clear();
      asOf.put(method.className(), done.changes(method.className()));
      last.flatMap(Brief::way)
          .ifPresent(
              way -> way.points().keySet().forEach(type -> asOf.put(type, done.changes(type))));
    }
    return last;
  }

  private Optional<Brief> brief(Way way, Work done) {
    Reached reached = Reached.of(scene, done, way.points());
    if (reached.closed().isEmpty() && reached.gain() == 0) {
      return Optional.empty();
    }
    Starting.Found starting = Starting.of(scene, done, way);
    boolean indirect = way.calls().size() > 1;
    Effort effort =
        Effort.of(
            starting.base(),
            way.doubles(),
            indirect,
            !way.surroundings().isEmpty(),
            way.also().size());
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
            effort,
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
