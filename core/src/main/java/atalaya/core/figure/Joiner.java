package atalaya.core.figure;

import static atalaya.core.run.ClassReach.OUTSIDE;

import atalaya.core.code.ClassState;
import atalaya.core.code.CodeClass;
import atalaya.core.code.Condition;
import atalaya.core.code.Handler;
import atalaya.core.code.Line;
import atalaya.core.code.Loop;
import atalaya.core.code.Method;
import atalaya.core.code.Outcome;
import atalaya.core.gap.Gap;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Detail;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.IdentityHashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Joins the model of the code with what was reached, class by class, into figures. Several threads
 * may join, each other classes.
 */
public final class Joiner {
  private final Map<Integer, TestSums> tests = new ConcurrentHashMap<>();
  private final Detail detail;

  /** Joins what was observed in this detail. */
  public Joiner(Detail detail) {
    this.detail = detail;
  }

  /**
   * The figures of one class.
   *
   * @param state how far the class took part; a class that is left out adds nothing to its tests
   * @param gaps of the class
   */
  public ClassFigures join(CodeClass code, ClassReach reach, ClassState state, List<Gap> gaps) {
    Place place = new Place(code, reach.hits(), state != ClassState.LEFT_OUT);
    place.count(reach);
    return place.figures(state, gaps);
  }

  /** What each test reached in the classes joined so far, in the order of {@code tests}. */
  public List<TestFigures> tests(List<atalaya.core.run.Test> tests) {
    return tests.stream()
        .map(test -> this.tests.getOrDefault(test.number(), new TestSums()).figures(test))
        .toList();
  }

  private static final class TestSums {
    int methods;
    int lines;
    int outcomes;
    int linesOnlyHere;
    int outcomesOnlyHere;

    synchronized void add(Pattern pattern) {
      lines += pattern.lines;
      outcomes += pattern.outcomes;
      methods += pattern.methods.length;
    }

    synchronized void addOnlyHere(Kind kind) {
      linesOnlyHere += kind == Kind.LINE ? 1 : 0;
      outcomesOnlyHere += kind == Kind.OUTCOME ? 1 : 0;
    }

    synchronized TestFigures figures(atalaya.core.run.Test test) {
      return new TestFigures(test, methods, lines, outcomes, linesOnlyHere, outcomesOnlyHere, 0);
    }
  }

  private enum Kind {
    LINE,
    OUTCOME,
    OTHER
  }

  /** A line, an outcome, a handler or a loop's turn while it is counted who reached it. */
  private static final class Thing {
    final int method;
    final Kind kind;
    int tests;
    boolean otherwise;
    int lastTest;

    Thing(int method, Kind kind) {
      this.method = method;
      this.kind = kind;
    }

    boolean reached() {
      return otherwise || tests > 0;
    }

    Share share() {
      return new Share(reached() ? 1 : 0, 1);
    }
  }

  /** What a set of points reaches; many tests have the same. */
  private static final class Pattern {
    final List<Thing> things;
    final List<Thing> initialisers;
    final int lines;
    final int outcomes;
    final int[] methods;

    Pattern(List<Thing> things, List<Thing> initialisers) {
      this.things = things;
      this.initialisers = initialisers;
      this.lines = count(Kind.LINE);
      this.outcomes = count(Kind.OUTCOME);
      this.methods = things.stream().mapToInt(thing -> thing.method).distinct().toArray();
    }

    private int count(Kind kind) {
      return (int) things.stream().filter(thing -> thing.kind == kind).count();
    }
  }

  /** One class on its way: each set of points is gone through once. */
  private final class Place {
    final CodeClass code;
    final Map<Integer, Long> hits;
    final boolean counts;
    final List<Thing> things = new ArrayList<>();
    int[][] thingsOfPoint = new int[0][];
    final int[] testsOfMethod;

    Place(CodeClass code, Map<Integer, Long> hits, boolean counts) {
      this.code = code;
      this.hits = hits;
      this.counts = counts;
      this.testsOfMethod = new int[code.methods().size()];
      for (int i = 0; i < code.methods().size(); i++) {
        Method method = code.methods().get(i);
        for (Line line : method.lines()) {
          add(new Thing(i, Kind.LINE), line.points());
        }
        for (Condition condition : method.conditions()) {
          for (Outcome outcome : condition.outcomes()) {
            add(new Thing(i, Kind.OUTCOME), outcome.points());
          }
        }
        for (Handler handler : method.handlers()) {
          add(new Thing(i, Kind.OTHER), handler.points());
        }
        for (Loop loop : method.loops()) {
          add(new Thing(i, Kind.OTHER), loop.zero());
          add(new Thing(i, Kind.OTHER), loop.once());
          add(new Thing(i, Kind.OTHER), loop.more());
        }
      }
    }

    private void add(Thing thing, BitSet points) {
      int number = things.size();
      things.add(thing);
      if (points.length() > thingsOfPoint.length) {
        thingsOfPoint = Arrays.copyOf(thingsOfPoint, Math.max(points.length(), 2 * number));
      }
      for (int p = points.nextSetBit(0); p >= 0; p = points.nextSetBit(p + 1)) {
        int[] before = thingsOfPoint[p] == null ? new int[0] : thingsOfPoint[p];
        thingsOfPoint[p] = Arrays.copyOf(before, before.length + 1);
        thingsOfPoint[p][before.length] = number;
      }
    }

    void count(ClassReach reach) {
      Map<BitSet, List<Integer>> byPoints = new IdentityHashMap<>();
      reach
          .byTest()
          .forEach(
              (test, points) -> byPoints.computeIfAbsent(points, p -> new ArrayList<>()).add(test));
      byPoints.forEach(
          (points, by) -> {
            Pattern pattern = pattern(points);
            if (by.get(0) <= OUTSIDE) {
              pattern.things.forEach(thing -> thing.otherwise = true);
            }
            reached(pattern, by.stream().filter(test -> test > OUTSIDE).toList());
            pattern.initialisers.forEach(thing -> thing.otherwise = true);
          });
      for (Thing thing : things) {
        if (counts && thing.tests == 1 && !thing.otherwise) {
          sums(thing.lastTest).addOnlyHere(thing.kind);
        }
      }
    }

    private Pattern pattern(BitSet points) {
      BitSet numbers = new BitSet(things.size());
      for (int p = points.nextSetBit(0); p >= 0; p = points.nextSetBit(p + 1)) {
        int[] here = p < thingsOfPoint.length ? thingsOfPoint[p] : null;
        for (int i = 0; here != null && i < here.length; i++) {
          numbers.set(here[i]);
        }
      }
      // A class is initialised once, in whichever test comes first: that says nothing of the test.
      List<Thing> ofTests = new ArrayList<>(numbers.cardinality());
      List<Thing> initialisers = new ArrayList<>();
      for (int n = numbers.nextSetBit(0); n >= 0; n = numbers.nextSetBit(n + 1)) {
        Thing thing = things.get(n);
        boolean initialises = code.methods().get(thing.method).name().equals("<clinit>()");
        (initialises ? initialisers : ofTests).add(thing);
      }
      return new Pattern(ofTests, initialisers);
    }

    private void reached(Pattern pattern, List<Integer> by) {
      if (by.isEmpty()) {
        return;
      }
      for (Thing thing : pattern.things) {
        thing.tests += by.size();
        thing.lastTest = by.get(0);
      }
      for (int method : pattern.methods) {
        testsOfMethod[method] += by.size();
      }
      for (int test : counts ? by : List.<Integer>of()) {
        sums(test).add(pattern);
      }
    }

    private TestSums sums(int test) {
      return tests.computeIfAbsent(test, t -> new TestSums());
    }

    ClassFigures figures(ClassState state, List<Gap> gaps) {
      List<MethodFigures> methods = new ArrayList<>();
      List<LineFigures> lines = new ArrayList<>();
      List<OutcomeFigures> outcomes = new ArrayList<>();
      List<HandlerFigures> handlers = new ArrayList<>();
      List<LoopFigures> loops = new ArrayList<>();
      Iterator<Thing> next = things.iterator();
      for (int i = 0; i < code.methods().size(); i++) {
        Method method = code.methods().get(i);
        Share reachedLines = Share.NONE;
        for (Line line : method.lines()) {
          Thing thing = next.next();
          reachedLines = reachedLines.plus(thing.share());
          lines.add(figures(method, line, thing));
        }
        Share reachedOutcomes = Share.NONE;
        for (Condition condition : method.conditions()) {
          for (Outcome outcome : condition.outcomes()) {
            Thing thing = next.next();
            reachedOutcomes = reachedOutcomes.plus(thing.share());
            outcomes.add(figures(method, condition, outcome, thing));
          }
        }
        for (Handler handler : method.handlers()) {
          handlers.add(figures(method, handler, next.next()));
        }
        for (Loop loop : method.loops()) {
          loops.add(figures(method, loop, next.next(), next.next(), next.next()));
        }
        methods.add(figures(method, reachedLines, reachedOutcomes, testsOfMethod[i]));
      }
      Share jumps = new Share(code.jumpsMatched(), code.jumps());
      return new ClassFigures(
          code.name(),
          code.module(),
          code.path(),
          state,
          jumps,
          methods,
          lines,
          outcomes,
          handlers,
          loops,
          gaps);
    }

    private OptionalLong hits(BitSet points) {
      return detail == Detail.HITS
          ? OptionalLong.of(points.stream().mapToLong(p -> hits.getOrDefault(p, 0L)).sum())
          : OptionalLong.empty();
    }

    private MethodFigures figures(Method method, Share lines, Share outcomes, int tests) {
      return new MethodFigures(
          code.path(),
          code.name(),
          method.name(),
          method.firstLine(),
          method.lastLine(),
          method.complexity(),
          lines,
          outcomes,
          tests,
          Mutants.NOT_TRIED);
    }

    private LineFigures figures(Method method, Line line, Thing thing) {
      return new LineFigures(
          code.path(),
          code.name(),
          method.name(),
          line.number(),
          thing.reached(),
          hits(line.points()),
          thing.tests);
    }

    private HandlerFigures figures(Method method, Handler handler, Thing thing) {
      return new HandlerFigures(
          code.path(),
          code.name(),
          method.name(),
          handler.line(),
          handler.text(),
          thing.reached(),
          thing.tests);
    }

    private LoopFigures figures(Method method, Loop loop, Thing zero, Thing once, Thing more) {
      return new LoopFigures(
          code.path(),
          code.name(),
          method.name(),
          loop.line(),
          zero.reached(),
          once.reached(),
          more.reached());
    }

    private OutcomeFigures figures(Method method, Condition on, Outcome outcome, Thing thing) {
      return new OutcomeFigures(
          code.path(),
          code.name(),
          method.name(),
          on.line(),
          on.text(),
          outcome.name(),
          thing.reached(),
          hits(outcome.points()),
          thing.tests);
    }
  }
}
