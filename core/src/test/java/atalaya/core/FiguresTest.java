package atalaya.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import atalaya.core.code.Complexity;
import atalaya.core.figure.Concentration;
import atalaya.core.figure.Level;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Mutants;
import atalaya.core.figure.Share;
import atalaya.core.figure.Totals;
import atalaya.core.rank.Ranking;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The figures of {@code docs/measures.md}, by its own examples. */
class FiguresTest {
  static MethodFigures method(
      String type, int complexity, String lines, String outcomes, int killed, int survived) {
    return new MethodFigures(
        type + ".java",
        "harbour." + type,
        "work(int)",
        1,
        9,
        new Complexity(complexity, Complexity.Origin.SOURCE),
        share(lines),
        share(outcomes),
        0,
        new Mutants(killed, survived));
  }

  private static Share share(String text) {
    String[] numbers = text.split("/");
    return new Share(Integer.parseInt(numbers[0]), Integer.parseInt(numbers[1]));
  }

  @ParameterizedTest
  @CsvSource({
    "9, 0/16, 0/16, 0, 0, 9, 0, 0, high",
    "1, 0/1, 0/0, 0, 0, 1, 0, 0, low",
    "10, 10/20, 8/18, 0, 0, 5.26, 0, 4.74, high",
    "35, 60/60, 70/70, 0, 0, 0, 0, 35, low",
    "7, 12/12, 12/12, 18, 0, 0, 0.18, 0, low",
    "7, 12/12, 12/12, 3, 15, 0, 5.43, 0, high",
    "3, 0/0, 0/0, 0, 0, 3, 0, 0, medium"
  })
  void unwatchedPaths(
      int complexity,
      String lines,
      String outcomes,
      int killed,
      int survived,
      double unreached,
      double unchecked,
      double notTried,
      String level) {
    MethodFigures method = method("Buoy", complexity, lines, outcomes, killed, survived);
    assertThat(method.unwatched().unreached()).isEqualTo(unreached, within(0.005));
    assertThat(method.unwatched().unchecked()).isEqualTo(unchecked, within(0.005));
    assertThat(method.unwatched().notTried()).isEqualTo(notTried, within(0.005));
    assertThat(Level.Thresholds.USUAL.of(method.unwatched().total()).label()).isEqualTo(level);
  }

  @Test
  void addUpAndConcentrate() {
    List<MethodFigures> methods =
        List.of(
            method("Fog", 1, "1/1", "0/0", 0, 0),
            method("Reef", 6, "0/10", "0/8", 0, 0),
            method("Buoy", 2, "0/5", "0/2", 0, 0),
            method("Ebb", 2, "2/4", "0/0", 0, 0));
    Totals totals = Totals.of(methods);
    assertThat(totals.lines()).isEqualTo(new Share(3, 20));
    assertThat(totals.methods()).isEqualTo(new Share(2, 4));
    assertThat(totals.classes()).isEqualTo(new Share(2, 4));
    assertThat(totals.unwatched().total()).isEqualTo(9);
    assertThat(totals.unwatched().notTried()).isEqualTo(2);

    Concentration concentration = Concentration.of(methods, Level.Thresholds.USUAL);
    assertThat(concentration.fewest()).isEqualTo(1);
    assertThat(concentration.held()).isEqualTo(6 / 9.0);
    assertThat(concentration.bands())
        .containsExactly(
            new Concentration.Band(Level.HIGH, 1, 0.25, 0.5, 6, 6 / 9.0),
            new Concentration.Band(Level.MEDIUM, 1, 0.25, 0.25, 2, 2 / 9.0),
            new Concentration.Band(Level.LOW, 2, 0.5, 0.25, 1, 1 / 9.0));
    assertThat(Concentration.of(List.of(), Level.Thresholds.USUAL).fewest()).isZero();
  }

  @Test
  void rankTheWorstFirstInAFixedOrder() {
    List<MethodFigures> methods =
        List.of(
            method("Fog", 3, "0/1", "0/0", 0, 0),
            method("Ebb", 3, "0/1", "0/0", 0, 0),
            method("Reef", 8, "0/1", "0/0", 0, 0),
            method("Calm", 1, "1/1", "0/0", 0, 0));
    Ranking ranking = Ranking.of(methods, 2, Optional.empty(), Level.Thresholds.USUAL);
    assertThat(ranking.rows())
        .extracting(row -> row.rank() + " " + row.method().shortName() + " " + row.level())
        .containsExactly("1 Reef#work(int) HIGH", "2 Ebb#work(int) MEDIUM");
    assertThat(ranking.beyond()).isEqualTo(1);
    assertThat(Ranking.of(methods, 9, Optional.of(Level.HIGH), Level.Thresholds.USUAL).rows())
        .hasSize(1);
  }

  @Test
  void cannotBeWrong() {
    assertThatThrownBy(() -> new Share(3, 2)).hasMessage("must be 0 to 2 (got 3)");
    assertThatThrownBy(() -> new Level.Thresholds(2, 5)).hasMessageContaining("got 2.0 and 5.0");
    assertThatThrownBy(() -> new Complexity(0, Complexity.Origin.SOURCE))
        .hasMessageContaining("must be > 0 (got 0)");
    assertThatThrownBy(() -> new Mutants(-1, 0)).hasMessageContaining("-1 killed");
  }
}
