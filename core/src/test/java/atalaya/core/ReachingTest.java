package atalaya.core;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Complexity;
import atalaya.core.code.Flow;
import atalaya.core.code.Line;
import atalaya.core.code.Method;
import atalaya.core.mutant.Reaching;
import atalaya.core.run.ClassReach;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Which tests may notice a mutant on a line: lines 10, 12 and 14 have the points 0, 1 and 2. */
class ReachingTest {
  private static BitSet points(int... all) {
    BitSet points = new BitSet();
    for (int point : all) {
      points.set(point);
    }
    return points;
  }

  private static Method method(String name, int line, int... points) {
    List<Line> lines =
        java.util.stream.IntStream.range(0, points.length)
            .mapToObj(i -> new Line(line + 2 * i, points(points[i])))
            .toList();
    return new Method(
        name,
        name,
        line,
        line + 9,
        new Complexity(1, Complexity.Origin.SOURCE),
        lines,
        List.of(),
        List.of(),
        List.of());
  }

  @ParameterizedTest
  @CsvSource({
    // method, line, tests, by some, outside
    "light(), 10, '{1, 2}', false, true",
    "light(), 12, '{2}', true, false",
    "light(), 13, '{2}', true, false", // no line of its own: the one before
    "light(), 14, '{}', false, false",
    "light(), 9, '{1, 2}', true, true", // before all lines: any of them
    "paint(), 30, '{3}', false, false",
    "<clinit>(), 5, '{1, 2, 3}', true, true", // matters to all who reach the class
    "nobody(), 40, '{}', false, false",
  })
  void findsWhoReachesALine(
      String method, int line, String tests, boolean bySome, boolean isOutside) {
    CodeClass code =
        new CodeClass(
            "Buoy",
            "m",
            "Buoy.java",
            List.of(
                method("light()", 10, 0, 1, 2),
                method("paint()", 30, 4),
                method("<clinit>()", 5, 7)),
            0,
            0,
            Flow.NONE);
    ClassReach reach =
        new ClassReach(
            Map.of(
                ClassReach.SOME_TEST,
                points(1),
                ClassReach.OUTSIDE,
                points(0, 7),
                1,
                points(0),
                2,
                points(0, 1),
                3,
                points(4)),
            Map.of());
    Reaching.Reached reached = new Reaching(code, reach).line(method, line);
    assertThat(reached.tests()).hasToString(tests);
    assertThat(reached.bySome()).isEqualTo(bySome);
    assertThat(reached.outside()).isEqualTo(isOutside);
    assertThat(reached.isAny()).isEqualTo(bySome || isOutside || !tests.equals("{}"));
  }
}
