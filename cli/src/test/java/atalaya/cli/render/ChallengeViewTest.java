package atalaya.cli.render;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.cli.challenge.Challenge;
import atalaya.cli.challenge.SilentTests;
import atalaya.core.mutant.Fate;
import atalaya.core.mutant.Mutant;
import atalaya.core.mutant.Operator;
import atalaya.core.mutant.TriedMutant;
import atalaya.trial.decide.Shares;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** What came of a challenge, as people read it. */
class ChallengeViewTest {
  private static final Map<Integer, String> TESTS =
      Map.of(1, "BuoyTest.shines()", 2, "BuoyTest.rings()", 3, "OfficeTest.opens()");

  private static TriedMutant mutant(
      String type, int line, String original, String mutated, Fate fate, int testsRun) {
    Mutant mutant =
        new Mutant(
            "m" + line + mutated,
            "src/" + type + ".java",
            "harbour." + type,
            "light(int)",
            line,
            Operator.ROR,
            original,
            mutated);
    return new TriedMutant(mutant, fate, "", "", testsRun);
  }

  private static final List<TriedMutant> MUTANTS =
      List.of(
          mutant("Bell", 9, "rung", "true", Fate.UNREACHED, 0),
          mutant("Buoy", 3, "depth > 9", "depth >= 9", Fate.KILLED, 1),
          mutant("Buoy", 3, "depth > 9", "depth != 9", Fate.SURVIVED, 0),
          mutant("Buoy", 4, "fee + 1", "fee - 1", Fate.SURVIVED, 5),
          mutant("Buoy", 5, "ring();", ";", Fate.TIMEOUT, 1),
          mutant("Buoy", 6, "lamp.on(\u001b[31m)", "true", Fate.INVALID, 0),
          mutant("Quay", 7, "return fee;", "return 0;", Fate.SURVIVED, 2));

  private static Challenge.Outcome outcome(
      int mutants, Map<Integer, String> unfit, List<SilentTests.Silent> silent, boolean isOver) {
    Shares shares =
        new Shares(
            60_000_000_000L, 54_000_000_000L, 30_000_000_000L, 2_000_000_000L, 500_000_000L, 3);
    Map<String, Integer> byClass = new TreeMap<>();
    if (mutants > 0) {
      MUTANTS.forEach(m -> byClass.merge(m.mutant().className(), 1, Integer::sum));
      byClass.merge("harbour.Buoy", mutants - MUTANTS.size(), Integer::sum);
    }
    return new Challenge.Outcome(byClass, isOver ? 2 : 0, false, unfit, silent, shares, isOver);
  }

  private static String shown(ChallengeView view) {
    List<String> lines = new ArrayList<>(view.lines(Paint.none(), 80));
    view.next().ifPresent(lines::add);
    return String.join("\n", lines);
  }

  @Test
  void isTheScoreAndWhatNoTestNotices() {
    Challenge.Outcome all = outcome(7, Map.of(), List.of(), false);
    assertThat(shown(new ChallengeView(MUTANTS, all, TESTS, 20)))
        .isEqualTo(
            """

            mutation score 40.0 %: 2 of 5 mutants on reached code were noticed, 1 of them by running on
            besides: 1 that no test reaches, 1 that could not be planted

            class          score  noticed  survived  unreached
            harbour.Buoy  50.0 %        2         2          0
            harbour.Quay   0.0 %        0         1          0
            harbour.Bell       -        0         0          1

            No test notices when
              harbour.Buoy#light(int)
                line 3: `depth > 9` is `depth != 9` (needs another input)
                line 4: `fee + 1` is `fee - 1`
              harbour.Quay#light(int)
                line 7: the result of `light` is 0
            1 survivor needs another input, one for which it makes a difference; the others need an assertion
            Next: atalaya inspect Buoy""");
  }

  @Test
  void saysHowSureASampleIsAndWhoTookNoPart() {
    Map<Integer, String> unfit =
        new TreeMap<>(Map.of(1, "it failed", 3, "it failed", 2, "it was skipped"));
    Challenge.Outcome sample = outcome(90, unfit, List.of(new SilentTests.Silent(2, 31, 12)), true);
    assertThat(shown(new ChallengeView(MUTANTS, sample, TESTS, 1)))
        .isEqualTo(
            """

            mutation score 40.0 % (12.1 % to 76.4 % for all of them): 2 of 5 mutants on reached code were noticed, 1 of them by running on
            besides: 1 that no test reaches, 1 that could not be planted, 83 not decided
            2 verdicts were taken over: neither its method nor the tests that reach it have changed
            3 tests took no part, because unmutated and run again:
              BuoyTest.shines(), OfficeTest.opens(): it failed
              BuoyTest.rings(): it was skipped

            class          score  of all, from      to  noticed  survived  unreached  not decided
            harbour.Buoy  50.0 %        15.3 %  84.7 %        2         2          0           83
            and 2 more classes; --all shows them

            No test notices when
              harbour.Buoy#light(int)
                line 3: `depth > 9` is `depth != 9` (needs another input)
              and 2 more; --all shows them
            1 survivor needs another input, one for which it makes a difference; the others need an assertion

            Reach much here and notice nothing
              BuoyTest.rings(): 31 mutants change what it does; run with 12, it noticed none
            Next: atalaya challenge --resume decides the others""");
  }

  @Test
  void saysWhatItTakesWhereTheBudgetWasOverBeforeAnythingWasDecided() {
    Challenge.Outcome over =
        new Challenge.Outcome(
            Map.of("harbour.Buoy", 90),
            2,
            true,
            Map.of(),
            List.of(),
            new Shares(0, 0, 0, 2_000_000_000L, 0, 1),
            true);
    assertThat(new ChallengeView(MUTANTS, over, TESTS, 1).next())
        .contains(
            "Next: the budget was over while the tests ran unmutated, all places watched, which took"
                + " 2.0 s; atalaya challenge --budget 1m, or of a part of the code");
  }

  @Test
  void saysWhereThereIsNothingToChange() {
    Challenge.Outcome none = outcome(0, Map.of(), List.of(), false);
    assertThat(shown(new ChallengeView(List.of(), none, TESTS, 20)))
        .isEqualTo(
            """

            no mutants: there is no code here whose source is known, or nothing in it to change""");
  }

  @Test
  void tellsWhereTheTimeWent() {
    Challenge.Outcome all = outcome(7, Map.of(), List.of(), false);
    assertThat(String.join("\n", new ChallengeView(MUTANTS, all, TESTS, 20).timeLines()))
        .isEqualTo(
            "workers: 60.0 s deciding, of that 50.0 % in tests, 40.0 % in test frameworks; 2.0 s running unmutated; 500 ms on mutants decided apart; 3 JVMs started");
  }
}
