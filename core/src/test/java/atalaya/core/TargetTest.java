package atalaya.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import atalaya.core.code.Complexity;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Mutants;
import atalaya.core.figure.Share;
import atalaya.core.naming.PathPatterns;
import atalaya.core.naming.Target;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TargetTest {
  private static final List<MethodFigures> METHODS =
      List.of(
          method("harbour.tariff.BerthTariff", "quote(Vessel,Stay)", 20, 40),
          method("harbour.tariff.BerthTariff", "quote(Vessel)", 50, 60),
          method("harbour.tariff.BerthTariff$Season", "of(int)", 80, 90),
          method("harbour.berth.Plan", "find(Vessel)", 5, 9),
          method("harbour.pilot.Plan", "find(Vessel)", 5, 9),
          method("harbour.radio.Board", "send(Notice)", 10, 30),
          method("harbour.radio.Board$1", "send(Notice)", 15, 18),
          method("harbour.radio.Board$1", "toString()", 20, 22));

  private static MethodFigures method(String type, String method, int first, int last) {
    return new MethodFigures(
        "",
        type,
        method,
        first,
        last,
        new Complexity(1, Complexity.Origin.SOURCE),
        Share.NONE,
        Share.NONE,
        0,
        Mutants.NOT_TRIED);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "harbour                        | 0 1 2 3 4 5 6 7",
        "harbour.tariff                 | 0 1 2",
        "BerthTariff                    | 0 1 2",
        "harbour.tariff.BerthTariff     | 0 1 2",
        "BerthTariff.Season             | 2",
        "BerthTariff$Season             | 2",
        "Season                         | 2",
        "BerthTariff#quote              | 0 1",
        "BerthTariff#quote(Vessel,Stay) | 0",
        "tariff.BerthTariff:33          | 0",
        "berth.Plan                     | 3",
        "Board#send                     | 5", // and not that of the class within it
        "Board#toString                 | 7",
        "Board:12                       | 5",
        "Board:16                       | 6", // the innermost
      })
  void namesCode(String target, String indices) {
    List<MethodFigures> expected =
        Arrays.stream(indices.split(" ")).map(i -> METHODS.get(Integer.parseInt(i))).toList();
    assertThat(Target.parse(target).in(METHODS)).isEqualTo(expected);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Plan              | may mean 2 classes     | harbour.berth.Plan",
        "Tariff            | no code is named       | harbour.tariff.BerthTariff",
        "BerthTariff#cost  | names no method        | BerthTariff#quote(Vessel)",
        "BerthTariff:999   | names no method        | BerthTariff#quote(Vessel)",
        "a b c             | names no code          |",
        "#quote            | names no code          |"
      })
  void saysWhatMayHaveBeenMeant(String target, String message, String candidate) {
    assertThatThrownBy(() -> Target.parse(target).in(METHODS))
        .isInstanceOfSatisfying(
            Target.NoSuchTarget.class,
            e -> {
              assertThat(e).hasMessageContaining(message);
              if (candidate != null) {
                assertThat(e.candidates()).contains(candidate);
              }
            });
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "src/main        | src/main/java/A.java | true",
        "src/main/       | src/main/java/A.java | true",
        "src/test        | src/main/java/A.java | false",
        "**/A*.java      | src/main/java/A.java | true",
        "x/**,**/A.java  | src/main/java/A.java | true",
        "**/{B,A}.java   | src/main/java/A.java | true",
        "*.java          | src/main/java/A.java | false"
      })
  void pathPatternsAreGlobsFromTheRoot(String pattern, String path, boolean matches) {
    assertThat(PathPatterns.of(List.of(pattern)).match(path)).isEqualTo(matches);
  }
}
