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
import atalaya.core.figure.ClassSummary;
import atalaya.core.figure.Footing;
import atalaya.core.figure.Joiner;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Mutants;
import atalaya.core.figure.Share;
import atalaya.core.figure.TestFigures;
import atalaya.core.inspect.Inside;
import atalaya.core.inspect.MethodInside;
import atalaya.core.leave.LeftOut;
import atalaya.core.leave.Nature;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Detail;
import atalaya.core.run.Verdict;
import atalaya.core.suite.Kinds;
import atalaya.core.survey.Survey;
import atalaya.core.survey.Survey.By;
import atalaya.core.survey.Survey.Order;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SurveyTest {
  private static MethodFigures method(String type, String name, int complexity, int reached) {
    return new MethodFigures(
        "",
        type,
        name,
        1,
        9,
        new Complexity(complexity, Complexity.Origin.SOURCE),
        new Share(reached, 10),
        new Share(0, 0),
        1,
        Mutants.NOT_TRIED);
  }

  private static ClassSummary type(
      String module, String name, ClassState state, MethodFigures... methods) {
    return new ClassSummary(module, "", name, state, List.of(methods));
  }

  private static final List<ClassSummary> CLASSES =
      List.of(
          type(
              "north",
              "sea.Buoy",
              ClassState.REACHED,
              method("sea.Buoy", "a()", 4, 5),
              method("sea.Buoy", "b()", 1, 10)),
          type("north", "sea.Fog", ClassState.NEVER_LOADED, method("sea.Fog", "c()", 3, 0)),
          type("south", "land.Crane", ClassState.LOADED, method("land.Crane", "d()", 2, 1)),
          type("south", "land.Made", ClassState.LEFT_OUT, method("land.Made", "e()", 90, 0)),
          type("south", "Plain", ClassState.REACHED, method("Plain", "f()", 1, 9)));

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "MODULE  | UNWATCHED  | 0 | north 5.0, south 1.9",
        "PACKAGE | UNWATCHED  | 0 | sea 5.0, land 1.8, (unnamed) 0.1",
        "CLASS   | UNWATCHED  | 0 | sea.Fog 3.0, sea.Buoy 2.0, land.Crane 1.8, Plain 0.1",
        "CLASS   | NAME       | 1 | land.Crane 1.8, sea.Buoy 2.0, sea.Fog 3.0",
        "CLASS   | COMPLEXITY | 0 | sea.Buoy 2.0, sea.Fog 3.0, land.Crane 1.8, Plain 0.1",
        "METHOD  | LINES      | 2 | sea.Fog#c() 3.0, sea.Buoy#a() 2.0",
        "        | UNWATCHED  | 2 | sea.Fog 3.0, sea.Buoy 2.0"
      })
  void showsParts(By by, Order order, double least, String expected) {
    List<LeftOut> logging =
        List.of(
            new LeftOut(Nature.LOGGING, new LeftOut.Counts(0, new Share(2, 4), new Share(0, 0))));
    Survey survey = Survey.of(CLASSES, logging, Optional.ofNullable(by), order, least);
    assertThat(
            survey.parts().stream()
                .map(
                    part ->
                        (part.name().isEmpty() ? "(unnamed)" : part.name())
                            + " "
                            + Math.round(10 * part.totals().unwatched().total()) / 10.0)
                .toList())
        .containsExactly(expected.split(", "));
    assertThat(survey.whole().totals().lines()).isEqualTo(new Share(25, 50));
    assertThat(survey.withLeftOut().lines()).isEqualTo(new Share(27, 64));
    assertThat(survey.whole().largest()).isEqualTo(4);
    assertThat(survey.leftOut()).containsExactly("land.Made");
    assertThat(survey.neverLoaded()).containsExactly("sea.Fog");
  }

  @Test
  void choosesPartsThatFit() {
    List<ClassSummary> many =
        IntStream.range(0, 41)
            .mapToObj(
                i -> {
                  String name = "p" + i % 3 + ".C" + i;
                  return type("m", name, ClassState.REACHED, method(name, "a()", 1, 0));
                })
            .toList();
    assertThat(Survey.of(many, List.of(), Optional.empty(), Order.NAME, 0).by())
        .isEqualTo(By.PACKAGE);
    assertThat(Survey.of(many.subList(0, 9), List.of(), Optional.empty(), Order.NAME, 0).by())
        .isEqualTo(By.CLASS);
    assertThat(Survey.of(many.subList(0, 1), List.of(), Optional.empty(), Order.NAME, 0).by())
        .isEqualTo(By.METHOD);
  }

  @ParameterizedTest
  @CsvSource({
    "10, 9, 1, FIRM",
    "9, 9, 1, FIRM",
    "9, 0, 0, FIRM_IF_CHECKED",
    "9, 1, 9, LOOSE",
    "5, 9, 0, LOOSE",
    "4, 9, 0, NONE",
    "0, 0, 0, NONE"
  })
  void footing(int reached, int killed, int survived, Footing footing) {
    MethodFigures method = method("Buoy", "a()", 3, reached);
    assertThat(
            Footing.of(
                new MethodFigures(
                    "",
                    "Buoy",
                    "a()",
                    1,
                    9,
                    method.complexity(),
                    method.lines(),
                    method.outcomes(),
                    1,
                    new Mutants(killed, survived))))
        .isEqualTo(footing);
  }

  // ---- inside ----

  private static BitSet bits(int... bits) {
    BitSet set = new BitSet();
    for (int bit : bits) {
      set.set(bit);
    }
    return set;
  }

  private static TestFigures test(int number, int methods) {
    return new TestFigures(
        new atalaya.core.run.Test(
            number, "id" + number, "T" + number + ".run()", Verdict.PASSED, 5, false),
        methods,
        0,
        0,
        0,
        0,
        0);
  }

  private static final CodeClass CODE =
      new CodeClass(
          "Buoy",
          "m",
          "Buoy.java",
          List.of(
              new Method(
                  "a(int)",
                  "a(I)V",
                  2,
                  5,
                  new Complexity(2, Complexity.Origin.SOURCE),
                  List.of(new Line(3, bits(0)), new Line(4, bits(3))),
                  List.of(
                      new Condition(
                          3,
                          "n > 0",
                          true,
                          List.of(new Outcome("true", bits(1)), new Outcome("false", bits(2))))),
                  List.of(),
                  List.of())),
          1,
          1,
          Flow.NONE);

  private static final ClassReach REACH =
      new ClassReach(
          Map.of(ClassReach.OUTSIDE, bits(0), 1, bits(0, 2), 2, bits(0, 1, 3), 3, bits(9)),
          Map.of());

  @Test
  void liesBesideTheSourceWithTheClosestTestsFirst() {
    ClassFigures figures =
        new Joiner(Detail.LINES).join(CODE, REACH, ClassState.REACHED, List.of());
    MethodInside inside =
        new Inside(
                CODE,
                figures,
                REACH,
                new Inside.Source(
                    "class Buoy {\n  void a(int n) {\n    if (n > 0)\n      b(\n      );\n  }\n}\n",
                    new TreeMap<>(Map.of(5, 4))),
                List.of(test(1, 7), test(2, 4), test(3, 1)))
            .methods()
            .get(0);
    assertThat(inside.tests()).extracting(t -> t.test().number()).containsExactly(2, 1);
    assertThat(inside.lines())
        .extracting(l -> l.number() + l.text() + l.figures().map(f -> f.tests()).orElse(-1))
        .containsExactly("2  void a(int n) {-1", "3    if (n > 0)2", "4      b(1", "5      );-1");
    assertThat(inside.lines())
        .as("a line goes on with a statement")
        .extracting(l -> l.number() + ": " + l.marked().map(f -> f.tests()).orElse(-1))
        .containsExactly("2: -1", "3: 2", "4: 1", "5: 1");
    ClassReach one = REACH.of(1);
    MethodInside onlyOne =
        new Inside(
                CODE,
                new Joiner(Detail.LINES).join(CODE, one, ClassState.REACHED, List.of()),
                one,
                Inside.Source.NONE,
                List.of(test(1, 7)))
            .methods()
            .get(0);
    assertThat(onlyOne.figures().lines()).isEqualTo(new Share(1, 2));
    assertThat(onlyOne.figures().outcomes()).isEqualTo(new Share(1, 2));
  }

  @Test
  void kindsOfTestsStandBesideEachOther() {
    Map<String, List<String>> patterns = new LinkedHashMap<>();
    patterns.put("second", List.of("T2*"));
    patterns.put("none", List.of("X"));
    patterns.put("first", List.of("T1.run", "T2"));
    Kinds kinds = new Kinds(patterns);
    assertThat(kinds.of(test(3, 1))).isEqualTo(Kinds.OTHER);
    assertThat(new Kinds(Map.of()).of(test(3, 1))).isEmpty();
    assertThat(
            kinds.beside(List.of(test(1, 7), test(2, 4), test(3, 1)), List.of(CODE), name -> REACH))
        .containsExactly(
            new Kinds.Figures("second", 1, 5, 2, 1, 1, 1),
            new Kinds.Figures("none", 0, 0, 0, 0, 0, 0),
            new Kinds.Figures("first", 1, 5, 1, 1, 0, 1),
            new Kinds.Figures("other", 1, 5, 0, 0, 0, 0));
  }
}
