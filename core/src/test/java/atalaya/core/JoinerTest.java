package atalaya.core;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.code.ClassState;
import atalaya.core.code.CodeClass;
import atalaya.core.code.Complexity;
import atalaya.core.code.Condition;
import atalaya.core.code.Flow;
import atalaya.core.code.Line;
import atalaya.core.code.Method;
import atalaya.core.code.Outcome;
import atalaya.core.figure.ClassFigures;
import atalaya.core.figure.Joiner;
import atalaya.core.figure.Share;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Detail;
import atalaya.core.run.Test;
import atalaya.core.run.Verdict;
import java.util.BitSet;
import java.util.List;
import java.util.Map;

class JoinerTest {
  private static final Complexity SIMPLE = new Complexity(2, Complexity.Origin.SOURCE);

  private static BitSet bits(int... points) {
    BitSet bits = new BitSet();
    for (int point : points) {
      bits.set(point);
    }
    return bits;
  }

  private static Method method(String name, int point) {
    List<Line> lines =
        List.of(
            new Line(1, bits(point)),
            new Line(2, bits(point + 1, point + 2)),
            new Line(3, bits(point + 3)));
    List<Outcome> outcomes =
        List.of(new Outcome("true", bits(point + 4)), new Outcome("false", bits(point + 5)));
    return new Method(
        name,
        "",
        1,
        3,
        SIMPLE,
        lines,
        List.of(new Condition(1, "dark", true, outcomes)),
        List.of(),
        List.of());
  }

  private static Test test(int number) {
    return new Test(number, "id" + number, "name" + number, Verdict.PASSED, 1, false);
  }

  @org.junit.jupiter.api.Test
  void countsWhoReachedWhat() {
    CodeClass code =
        new CodeClass(
            "Buoy",
            "m",
            "Buoy.java",
            List.of(method("a()", 0), method("<clinit>()", 10)),
            2,
            2,
            Flow.NONE);
    ClassReach reach =
        new ClassReach(
            Map.of(
                ClassReach.OUTSIDE,
                bits(0),
                ClassReach.SOME_TEST,
                bits(5),
                1,
                bits(0, 1, 4, 10),
                2,
                bits(2, 4),
                3,
                bits()),
            Map.of(0, 7L, 1, 2L));
    Joiner joiner = new Joiner(Detail.LINES);
    ClassFigures figures = joiner.join(code, reach, ClassState.REACHED, List.of());
    joiner.join(code, reach, ClassState.LEFT_OUT, List.of());

    assertThat(figures.lines())
        .extracting(l -> l.method() + l.line() + " " + l.reached() + " " + l.tests())
        .containsExactly(
            "a()1 true 1",
            "a()2 true 2",
            "a()3 false 0",
            "<clinit>()1 true 0",
            "<clinit>()2 false 0",
            "<clinit>()3 false 0");
    assertThat(figures.outcomes())
        .filteredOn(o -> o.method().equals("a()"))
        .extracting(o -> o.outcome() + " " + o.reached() + " " + o.tests())
        .containsExactly("true true 2", "false true 0");
    assertThat(figures.methods().get(0).lines()).isEqualTo(new Share(2, 3));
    assertThat(figures.methods().get(0).tests()).isEqualTo(2);
    assertThat(joiner.tests(List.of(test(1), test(2), test(3))))
        .extracting(
            t -> t.methods() + " " + t.lines() + " " + t.outcomes() + " " + t.linesOnlyHere())
        .containsExactly("1 2 1 0", "1 1 1 0", "0 0 0 0");
  }
}
