package atalaya.core.plan;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Condition;
import atalaya.core.code.Line;
import atalaya.core.code.Method;
import atalaya.core.figure.TestFigures;
import atalaya.core.run.ClassReach;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Finds the test to start from, and what it costs from there. */
final class Starting {
  private static final int MOST_CHANGES = 4;

  private final Scene scene;
  private final Work work;
  private final Way way;

  private Starting(Scene scene, Work work, Way way) {
    this.scene = scene;
    this.work = work;
    this.way = way;
  }

  /** Where a brief begins. */
  record Found(Brief.Start start, Effort.Base base) {}

  static Found of(Scene scene, Work work, Way way) {
    return new Starting(scene, work, way).find();
  }

  private Found find() {
    String method = way.method();
    String type = method.substring(0, method.indexOf('#'));
    Optional<Way.Step> first = firstMissing();
    Optional<TestFigures> reaching =
        first
            .flatMap(step -> closest(step.className(), deciding(step)))
            .or(() -> closest(type, pointsOf(method)));
    if (reaching.isPresent()) {
      return new Found(start(reaching.get(), changes(reaching.get())), Effort.Base.EXTEND);
    }
    if (work.isTested(method)) {
      Scene.TestHome home = scene.home(type);
      return new Found(
          new Brief.Start("", home.name(), home.exists(), List.of()), Effort.Base.EXTEND);
    }
    Optional<TestFigures> near = Optional.empty();
    for (int i = way.calls().size() - 1; i >= 0 && near.isEmpty(); i--) {
      String call = way.calls().get(i);
      near = closest(call.substring(0, call.indexOf('#')), null);
    }
    Scene.TestHome home = scene.home(type);
    if (near.isPresent() && !home.exists()) {
      return new Found(start(near.get(), List.of()), Effort.Base.NEW_TEST);
    }
    String test = near.map(t -> t.test().name()).orElse("");
    return new Found(
        new Brief.Start(test, home.name(), home.exists(), List.of()),
        home.exists() || work.begins(home.name()) ? Effort.Base.NEW_TEST : Effort.Base.NEW_CLASS);
  }

  private Brief.Start start(TestFigures test, List<String> changes) {
    return new Brief.Start(test.test().name(), scene.classOf(test), true, changes);
  }

  /** The first condition on the way that has to come out as it never did. */
  private Optional<Way.Step> firstMissing() {
    return way.steps().stream()
        .filter(
            step ->
                !scene.reached(step.className()).get(step.point())
                    && !work.reached(step.className()).get(step.point()))
        .findFirst();
  }

  /** The points of all outcomes of a condition. */
  private BitSet deciding(Way.Step step) {
    BitSet points = new BitSet();
    scene
        .code(step.className())
        .ifPresent(
            code -> {
              for (Method method : code.methods()) {
                for (Condition condition : method.conditions()) {
                  boolean isIt =
                      condition.outcomes().stream().anyMatch(o -> o.points().get(step.point()));
                  if (isIt) {
                    condition.outcomes().forEach(o -> points.or(o.points()));
                  }
                }
              }
            });
    return points;
  }

  private BitSet pointsOf(String method) {
    BitSet points = new BitSet();
    String type = method.substring(0, method.indexOf('#'));
    scene.code(type).stream()
        .flatMap((CodeClass code) -> code.methods().stream())
        .filter(m -> method.equals(type + "#" + m.name()))
        .forEach(
            m -> {
              m.conditions().forEach(c -> c.outcomes().forEach(o -> points.or(o.points())));
              for (Line line : m.lines()) {
                points.or(line.points());
              }
            });
    return points;
  }

  /**
   * The passed test that reaches some points with fewest conditions to change, then fewest other
   * methods.
   *
   * @param points null for any of the class
   */
  private Optional<TestFigures> closest(String type, BitSet points) {
    ClassReach reach = scene.reach(type);
    List<TestFigures> found = new ArrayList<>();
    for (Map.Entry<Integer, BitSet> by : reach.byTest().entrySet()) {
      boolean reaches = by.getKey() > 0 && (points == null || by.getValue().intersects(points));
      if (reaches) {
        scene.test(by.getKey()).ifPresent(found::add);
      }
    }
    return found.stream()
        .min(
            Comparator.comparingInt((TestFigures t) -> lacking(t.test().number(), type))
                .thenComparingInt(TestFigures::methods)
                .thenComparingInt(t -> t.test().number()));
  }

  private int lacking(int test, String type) {
    BitSet reached = scene.reach(type).byTest().getOrDefault(test, new BitSet());
    return (int)
        way.steps().stream()
            .filter(step -> step.className().equals(type) && !reached.get(step.point()))
            .count();
  }

  private List<String> changes(TestFigures test) {
    Set<String> changes = new LinkedHashSet<>();
    for (Way.Step step : way.steps()) {
      BitSet reached =
          scene.reach(step.className()).byTest().getOrDefault(test.test().number(), new BitSet());
      if (!reached.get(step.point()) && step.method().equals(way.method())) {
        changes.add("`" + step.condition() + "` " + step.outcome());
      }
    }
    return changes.stream().limit(MOST_CHANGES).toList();
  }
}
