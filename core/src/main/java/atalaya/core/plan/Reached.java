package atalaya.core.plan;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Condition;
import atalaya.core.code.Handler;
import atalaya.core.code.Line;
import atalaya.core.code.Method;
import atalaya.core.code.Outcome;
import atalaya.core.figure.MethodFigures;
import atalaya.core.gap.Gap;
import atalaya.core.gap.Opened;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What points of some classes would reach that is not reached yet.
 *
 * @param gain the fall of unwatched paths
 * @param weighted the same times the weights of the zones
 * @param before unwatched paths of the methods that gain
 */
record Reached(
    double gain,
    double weighted,
    double before,
    int lines,
    int outcomes,
    int methods,
    List<String> touched,
    List<String> closed) {

  static Reached of(Scene scene, Work work, Map<String, BitSet> points) {
    Sum sum = new Sum();
    // In a fixed order: sums of fractions depend on it, and so would the plan.
    for (Map.Entry<String, BitSet> entry : new TreeMap<>(points).entrySet()) {
      String type = entry.getKey();
      Optional<CodeClass> code = scene.code(type);
      if (code.isPresent()) {
        BitSet before = (BitSet) scene.reached(type).clone();
        before.or(work.reached(type));
        for (MethodPoints in : scene.methods(type)) {
          if (in.points().intersects(entry.getValue())) {
            add(scene, work, code.get(), in.method(), before, entry.getValue(), sum);
          }
        }
      }
    }
    return new Reached(
        sum.gain,
        sum.weighted,
        sum.before,
        sum.lines,
        sum.outcomes,
        sum.methods,
        sum.touched,
        sum.closed);
  }

  private static final class Sum {
    private double gain;
    private double weighted;
    private double before;
    private int lines;
    private int outcomes;
    private int methods;
    private final List<String> touched = new ArrayList<>();
    private final List<String> closed = new ArrayList<>();
  }

  private static void add(
      Scene scene,
      Work work,
      CodeClass code,
      Method method,
      BitSet before,
      BitSet passed,
      Sum sum) {
    String name = code.name() + "#" + method.name();
    Optional<MethodFigures> figures = scene.figures(name);
    if (figures.isEmpty()) {
      return;
    }
    Counter counter = new Counter(scene.accepted(name), before, passed);
    counter.count(method);
    int whole = figures.get().lines().whole() + figures.get().outcomes().whole();
    int fresh = counter.lines + counter.outcomes;
    if (whole > 0 && fresh > 0) {
      double all = figures.get().complexity().value();
      double gain = all * Math.min(fresh, counter.left) / whole;
      sum.touched.add(name);
      sum.gain += gain;
      sum.weighted += gain * scene.weight(code.path());
      sum.before += all * counter.left / whole + figures.get().unwatched().unchecked();
      sum.lines += counter.lines;
      sum.outcomes += counter.outcomes;
      sum.methods += counter.wasEntered ? 0 : 1;
    }
    for (Gap gap : scene.gaps(code.name())) {
      boolean isHere = gap.method().equals(method.name()) && !work.isClosed(gap.name());
      if (isHere && closes(gap, method, before, passed, fresh > 0)) {
        sum.closed.add(gap.name());
      }
    }
  }

  private static boolean closes(
      Gap gap, Method method, BitSet before, BitSet passed, boolean entered) {
    return switch (gap.kind()) {
      case METHOD, UNUSED -> entered;
      case OUTCOME ->
          method.conditions().stream()
              .filter(c -> c.line() == gap.line() && c.text().equals(gap.condition()))
              .flatMap(c -> c.outcomes().stream())
              .anyMatch(o -> o.name().equals(gap.outcome()) && isNew(o.points(), before, passed));
      case HANDLER -> handlers(method, gap).stream().anyMatch(h -> isNew(h, before, passed));
      case LOOP, SURVIVOR -> false;
    };
  }

  private static List<BitSet> handlers(Method method, Gap gap) {
    return method.handlers().stream()
        .filter(h -> h.line() == gap.line() && h.text().equals(gap.condition()))
        .map(Handler::points)
        .toList();
  }

  private static boolean isNew(BitSet points, BitSet before, BitSet passed) {
    return points.intersects(passed) && !points.intersects(before);
  }

  /** Counts the lines and outcomes of a method. */
  private static final class Counter {
    private final Optional<Opened> accepted;
    private final BitSet before;
    private final BitSet passed;
    private int lines;
    private int outcomes;
    private int left;
    private boolean wasEntered;

    Counter(Optional<Opened> accepted, BitSet before, BitSet passed) {
      this.accepted = accepted;
      this.before = before;
      this.passed = passed;
    }

    void count(Method method) {
      for (Line line : method.lines()) {
        boolean counts = accepted.isEmpty() || !accepted.get().lines().get(line.number());
        lines += counts ? fresh(line.points()) : 0;
      }
      int place = 0;
      for (Condition condition : method.conditions()) {
        for (Outcome outcome : condition.outcomes()) {
          boolean counts = accepted.isEmpty() || !accepted.get().outcomes().get(place);
          outcomes += counts ? fresh(outcome.points()) : 0;
          place++;
        }
      }
    }

    private int fresh(BitSet points) {
      if (points.intersects(before)) {
        wasEntered = true;
        return 0;
      }
      left++;
      return points.intersects(passed) ? 1 : 0;
    }
  }
}
