package atalaya.core.suite;

import atalaya.core.code.CodeClass;
import atalaya.core.figure.TestFigures;
import atalaya.core.run.ClassReach;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.regex.Pattern;

/**
 * Kinds of tests, named by the project: unit, integration, end to end.
 *
 * @param patterns of tests by kind; the first that fits a test's name or id counts, and {@code *}
 *     stands for any letters
 */
public record Kinds(Map<String, List<String>> patterns) {
  /** The kind of tests that no pattern fits. */
  public static final String OTHER = "other";

  public Kinds {
    patterns = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(patterns));
  }

  /** The kind of a test; empty when the project names no kinds. */
  public String of(TestFigures test) {
    for (Map.Entry<String, List<String>> kind : patterns.entrySet()) {
      for (String pattern : kind.getValue()) {
        Pattern regex = Pattern.compile(".*\\Q" + pattern.replace("*", "\\E.*\\Q") + "\\E.*");
        if (regex.matcher(test.test().name()).matches()
            || regex.matcher(test.test().id()).matches()) {
          return kind.getKey();
        }
      }
    }
    return patterns.isEmpty() ? "" : OTHER;
  }

  /**
   * What the tests of one kind reach together.
   *
   * @param tests how many there are
   * @param milliseconds how long they took
   * @param linesOnlyHere the lines that no test of another kind and nothing outside reached
   * @param outcomesOnlyHere the same of outcomes
   */
  public record Figures(
      String kind,
      int tests,
      long milliseconds,
      int lines,
      int outcomes,
      int linesOnlyHere,
      int outcomesOnlyHere) {}

  /** The kinds beside each other, in the order of the project's, {@link #OTHER} last. */
  public List<Figures> beside(
      List<TestFigures> tests, List<CodeClass> classes, Function<String, ClassReach> reach) {
    List<String> names = new ArrayList<>(patterns.keySet());
    names.add(OTHER);
    Map<Integer, Integer> kindOf = new HashMap<>();
    int[] count = new int[names.size()];
    long[] millis = new long[names.size()];
    for (TestFigures test : tests) {
      int kind = names.indexOf(of(test));
      kindOf.put(test.test().number(), kind);
      count[kind]++;
      millis[kind] += test.test().milliseconds();
    }
    int[][] sums = new int[names.size()][4];
    for (CodeClass code : classes) {
      BitSet[] points = points(reach.apply(code.name()), kindOf, names.size());
      for (var method : code.methods()) {
        method.lines().forEach(line -> add(points, line.points(), sums, 0));
        method
            .conditions()
            .forEach(c -> c.outcomes().forEach(o -> add(points, o.points(), sums, 1)));
      }
    }
    List<Figures> figures = new ArrayList<>();
    for (int i = 0; i < names.size(); i++) {
      if (count[i] > 0 || i < names.size() - 1) {
        int[] sum = sums[i];
        figures.add(new Figures(names.get(i), count[i], millis[i], sum[0], sum[1], sum[2], sum[3]));
      }
    }
    return figures;
  }

  /** The points by kind, and behind them those that were reached by no test that is known. */
  private static BitSet[] points(ClassReach reach, Map<Integer, Integer> kindOf, int kinds) {
    BitSet[] points = new BitSet[kinds + 1];
    for (int i = 0; i <= kinds; i++) {
      points[i] = new BitSet();
    }
    reach.byTest().forEach((test, of) -> points[kindOf.getOrDefault(test, kinds)].or(of));
    return points;
  }

  private static void add(BitSet[] points, BitSet thing, int[][] sums, int what) {
    int last = -1;
    int times = 0;
    for (int i = 0; i < points.length; i++) {
      if (points[i].intersects(thing)) {
        last = i;
        times++;
        if (i < sums.length) {
          sums[i][what]++;
        }
      }
    }
    if (times == 1 && last < sums.length) {
      sums[last][2 + what]++;
    }
  }
}
