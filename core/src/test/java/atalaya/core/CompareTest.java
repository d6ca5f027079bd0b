package atalaya.core;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.code.Complexity;
import atalaya.core.compare.Comparison;
import atalaya.core.compare.RunSide;
import atalaya.core.compare.Use;
import atalaya.core.decide.Decision;
import atalaya.core.decide.Decision.Ruling;
import atalaya.core.decide.Decision.Standing;
import atalaya.core.decide.Judged;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Mutants;
import atalaya.core.figure.Share;
import atalaya.core.gap.Gap;
import atalaya.core.gap.Opened;
import atalaya.core.run.Detail;
import atalaya.core.run.RunInfo;
import java.time.Instant;
import java.time.LocalDate;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CompareTest {
  private static MethodFigures method(String type, String name, int reached, int lines) {
    return new MethodFigures(
        type + ".java",
        type,
        name,
        1,
        9,
        new Complexity(4, Complexity.Origin.SOURCE),
        new Share(reached, lines),
        new Share(0, 2),
        1,
        Mutants.NOT_TRIED);
  }

  private static Gap gap(String type, String method, String letters) {
    return new Gap(
        method.substring(0, 1) + "-" + letters,
        Gap.Kind.OUTCOME,
        type + ".java",
        type,
        method,
        3,
        "wet " + letters,
        "true",
        true,
        new Gap.Opens(1, 0, 0),
        "");
  }

  private static RunSide side(
      String name,
      String jdk,
      Map<String, String> hashes,
      List<MethodFigures> methods,
      Gap... gaps) {
    RunInfo info =
        new RunInfo(
            name,
            "id",
            "harbour",
            Instant.EPOCH,
            1,
            List.of("mvn", "test"),
            0,
            jdk,
            List.of(),
            List.of(),
            Optional.empty(),
            Detail.LINES,
            true);
    return new RunSide(
        info, methods, List.of(gaps), Map.of("id1", "t1", name, "test of " + name), hashes);
  }

  @Test
  void tellsWhetherRunsAreAlikeAndFindsWhatMoved() {
    RunSide before =
        side(
            "a",
            "17",
            Map.of("Buoy", "1", "Old", "2", "Gone", "3"),
            List.of(
                method("Buoy", "light()", 2, 10),
                method("Buoy", "same()", 1, 3),
                method("Old", "move(int)", 4, 7),
                method("Gone", "x()", 1, 1)),
            gap("Buoy", "light()", "aaaaaaa"),
            gap("Old", "move(int)", "bbbbbbb"),
            gap("Gone", "x()", "ccccccc"));
    RunSide after =
        side(
            "b",
            "25",
            Map.of("Buoy", "9", "New", "2"),
            List.of(
                method("Buoy", "light()", 8, 10),
                method("Buoy", "same()", 1, 3),
                method("New", "move(int)", 3, 7),
                method("New", "fresh()", 0, 2)),
            gap("New", "move(int)", "bbbbbbb"),
            gap("New", "fresh()", "ddddddd"));
    Comparison comparison = Comparison.of(before, after);
    assertThat(comparison.differences())
        .extracting(d -> d.what() + ": " + d.text() + " " + d.names())
        .containsExactly(
            "JDK: 17, then 25 []",
            "code: 4 class files are not the same [Buoy, Gone, Old, New]",
            "tests added: 1 [test of b]",
            "tests gone: 1 [test of a]");
    assertThat(comparison.methods())
        .extracting(
            pair ->
                pair.either().qualifiedName() + " " + pair.lines() + (pair.moved() ? " moved" : ""))
        .containsExactly(
            "Gone#x() -1", "Buoy#light() 6", "New#move(int) -1 moved", "New#fresh() 0");
    assertThat(comparison.closed()).extracting(Gap::name).containsExactly("l-aaaaaaa");
    assertThat(comparison.opened()).extracting(Gap::name).containsExactly("f-ddddddd");
    assertThat(Comparison.of(before, before).differences()).isEmpty();
    assertThat(Comparison.of(before, before).methods()).isEmpty();
  }

  @Test
  void realUseComesFirstAndWhatNobodyNeedsLast() {
    List<MethodFigures> tested =
        List.of(
            method("Buoy", "used()", 1, 10),
            method("Buoy", "wellTested()", 10, 10),
            method("Buoy", "testedOnly()", 5, 10),
            method("Buoy", "idle()", 0, 10));
    List<MethodFigures> used =
        List.of(
            method("Buoy", "used()", 9, 10),
            method("Buoy", "wellTested()", 3, 10),
            method("Buoy", "testedOnly()", 0, 10),
            method("Buoy", "idle()", 0, 10));
    Use use = Use.of(tested, used);
    assertThat(use.untested()).extracting(MethodFigures::method).containsExactly("used()");
    assertThat(use.idle()).extracting(MethodFigures::method).containsExactly("idle()");
    assertThat(use.unused()).isEqualTo(1);
  }

  @ParameterizedTest
  @CsvSource({
    "true, c1, 2026-11-23, HOLDS",
    "true, c1, 2027-01-31, HOLDS",
    "true, c1, 2027-02-01, PAST",
    "true, c2, 2026-11-23, CODE_CHANGED",
    "true,   , 2026-11-23, GONE",
    "false, c1, 2026-11-23, CLOSED"
  })
  void decisionsAreAskedAgain(boolean open, String code, LocalDate today, Standing standing) {
    Decision decision =
        new Decision(
            "light-aaaaaaa",
            "Buoy#light()",
            "never entered",
            Ruling.ACCEPT,
            "why",
            Optional.of(LocalDate.parse("2027-01-31")),
            "me",
            LocalDate.parse("2026-11-23"),
            "c1");
    assertThat(decision.standing(open, Optional.ofNullable(code), today)).isEqualTo(standing);
  }

  private static Opened opened(int lines, int outcomes) {
    Opened opened = new Opened(new BitSet(), new BitSet());
    opened.lines().set(1, lines + 1);
    opened.outcomes().set(0, outcomes);
    return opened;
  }

  @Test
  void whatIsAcceptedLeavesTheFigures() {
    List<MethodFigures> methods =
        List.of(method("Buoy", "light()", 2, 10), method("Buoy", "idle()", 0, 3));
    Judged judged =
        Judged.of(methods, Map.of("Buoy#light()", opened(3, 1), "Buoy#idle()", opened(3, 2)), 2, 4);
    assertThat(judged.methods())
        .extracting(m -> m.method() + m.lines() + m.outcomes())
        .containsExactly("light()Share[part=2, whole=7]Share[part=0, whole=1]");
    assertThat(judged.accepted()).isEqualTo(new Judged.Accepted(2, 1, 6, 3, 4));
  }
}
