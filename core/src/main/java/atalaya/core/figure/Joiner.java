package atalaya.core.figure;

import static atalaya.core.run.ClassReach.OUTSIDE;

import atalaya.core.code.ClassState;
import atalaya.core.code.CodeClass;
import atalaya.core.code.Condition;
import atalaya.core.code.Line;
import atalaya.core.code.Method;
import atalaya.core.code.Outcome;
import atalaya.core.run.ClassReach;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Joins the model of the code with what was reached, class by class, into figures. */
public final class Joiner {
  private final Map<Integer, TestSums> tests = new TreeMap<>();

  /**
   * The figures of one class.
   *
   * @param state how far the class took part; a class that is left out adds nothing to its tests
   */
  public ClassFigures join(CodeClass code, ClassReach reach, ClassState state) {
    Place place = new Place(code, reach, state != ClassState.LEFT_OUT);
    for (Method method : code.methods()) {
      place.join(method);
    }
    return new ClassFigures(
        code.name(),
        code.module(),
        code.path(),
        state,
        new Share(code.jumpsMatched(), code.jumps()),
        place.methods,
        place.lines,
        place.outcomes);
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

    TestFigures figures(atalaya.core.run.Test test) {
      return new TestFigures(test, methods, lines, outcomes, linesOnlyHere, outcomesOnlyHere);
    }
  }

  /** One class on its way. */
  private final class Place {
    final CodeClass code;
    final ClassReach reach;
    final boolean counts;

    /**
     * A class is initialised once, in whichever test comes first: that says nothing of the test.
     */
    boolean initialisesClass;

    final List<MethodFigures> methods = new ArrayList<>();
    final List<LineFigures> lines = new ArrayList<>();
    final List<OutcomeFigures> outcomes = new ArrayList<>();

    Place(CodeClass code, ClassReach reach, boolean counts) {
      this.code = code;
      this.reach = reach;
      this.counts = counts;
    }

    void join(Method method) {
      initialisesClass = method.name().equals("<clinit>()");
      Map<Integer, Integer> testsHere = new HashMap<>();
      Share reachedLines = Share.NONE;
      for (Line line : method.lines()) {
        Reachers by = reachers(line.points());
        by.tests.forEach(t -> testsHere.merge(t, 1, Integer::sum));
        by.tests.forEach(t -> countLine(t, by.alone()));
        reachedLines = reachedLines.plus(by.share());
        lines.add(
            new LineFigures(
                code.path(),
                code.name(),
                method.name(),
                line.number(),
                by.reached(),
                by.tests.size()));
      }
      Share reachedOutcomes = Share.NONE;
      for (Condition condition : method.conditions()) {
        for (Outcome outcome : condition.outcomes()) {
          Reachers by = reachers(outcome.points());
          by.tests.forEach(t -> testsHere.merge(t, 1, Integer::sum));
          by.tests.forEach(t -> countOutcome(t, by.alone()));
          reachedOutcomes = reachedOutcomes.plus(by.share());
          outcomes.add(figures(method, condition, outcome, by));
        }
      }
      if (counts) {
        testsHere.keySet().forEach(t -> sums(t).methods++);
      }
      methods.add(
          new MethodFigures(
              code.path(),
              code.name(),
              method.name(),
              method.firstLine(),
              method.lastLine(),
              method.complexity(),
              reachedLines,
              reachedOutcomes,
              testsHere.size(),
              Mutants.NOT_TRIED));
    }

    private OutcomeFigures figures(Method method, Condition on, Outcome outcome, Reachers by) {
      return new OutcomeFigures(
          code.path(),
          code.name(),
          method.name(),
          on.line(),
          on.text(),
          outcome.name(),
          by.reached(),
          by.tests.size());
    }

    private void countLine(int test, boolean alone) {
      if (counts) {
        sums(test).lines++;
        sums(test).linesOnlyHere += alone ? 1 : 0;
      }
    }

    private void countOutcome(int test, boolean alone) {
      if (counts) {
        sums(test).outcomes++;
        sums(test).outcomesOnlyHere += alone ? 1 : 0;
      }
    }

    private TestSums sums(int test) {
      return tests.computeIfAbsent(test, t -> new TestSums());
    }

    private Reachers reachers(BitSet points) {
      List<Integer> tests = new ArrayList<>();
      boolean otherwise = false;
      for (var entry : reach.byTest().entrySet()) {
        if (entry.getValue().intersects(points)) {
          if (entry.getKey() > OUTSIDE && !initialisesClass) {
            tests.add(entry.getKey());
          } else {
            otherwise = true;
          }
        }
      }
      return new Reachers(tests, otherwise);
    }
  }

  /** Who reached something. */
  private record Reachers(List<Integer> tests, boolean otherwise) {
    boolean reached() {
      return otherwise || !tests.isEmpty();
    }

    boolean alone() {
      return tests.size() == 1 && !otherwise;
    }

    Share share() {
      return new Share(reached() ? 1 : 0, 1);
    }
  }
}
