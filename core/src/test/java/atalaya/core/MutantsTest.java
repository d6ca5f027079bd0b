package atalaya.core;

import static atalaya.core.MadeUpMutants.tried;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import atalaya.core.gap.Gap;
import atalaya.core.gap.Survivors;
import atalaya.core.mutant.Fate;
import atalaya.core.mutant.Score;
import atalaya.core.mutant.Unnoticed;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is said of mutants, and what follows from their verdicts. */
class MutantsTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '#',
      quoteCharacter = '~',
      textBlock =
          """
          draught > depth # draught >= depth # `draught > depth` is `draught >= depth`
          isFull() # (isFull() && false) # `isFull()` is always false
          gale # true # `gale` is always true
          log.add(note); # ; # `log.add(note);` is missing
          fee = next(); # { Object was = next(); } # `fee = next();` is missing
          throw new LinkDown(); # ; # `throw new LinkDown();` does not throw
          return fee; # return 0; # the result of `quote` is 0
          return name(); # { Object was = name(); return ""; } # the result of `quote` is an empty text
          return all; # return java.util.Collections.emptyList(); # the result of `quote` is empty
          case TUG # case BARGE # `case TUG` and `case BARGE` change places
          barDepth + tides.heightAt(time) >= vessel.draught() + 5 # barDepth + tides.heightAt(time) > vessel.draught() + 5 # `>=` is `>` in `barDepth + tides.heightAt(time) >= vessel.draught() + 5`
          """)
  void areToldByWhatNoTestNotices(String original, String mutated, String words) {
    assertThat(Unnoticed.when(original, mutated, "quote(Vessel)")).isEqualTo(words);
  }

  @Test
  void thatSurviveAtOnePlaceAreOneGap() {
    List<Gap> gaps =
        Survivors.of(
            List.of(
                tried(3, "a <  b", "a <= b", Fate.SURVIVED, 1),
                tried(3, "a <  b", "false", Fate.SURVIVED, 1),
                tried(3, "a <  b", "a != b", Fate.KILLED, 1),
                tried(3, "a <  b", "true", Fate.SURVIVED, 0),
                tried(7, "a <  b", "a <= b", Fate.SURVIVED, 0),
                tried(8, "c", "true", Fate.TIMEOUT, 1),
                tried(9, "d", "true", Fate.UNREACHED, 1)));
    assertThat(gaps)
        .extracting(gap -> gap.line() + " " + gap.condition() + ": " + gap.outcome())
        .containsExactly("3 a < b: a <= b | false | true", "7 a < b: a <= b");
    assertThat(gaps)
        .as("where no test sees a difference for any of them, another input is needed")
        .extracting(Gap::evaluated)
        .containsExactly(true, false);
    assertThat(gaps).extracting(Gap::name).doesNotHaveDuplicates();
    assertThat(gaps).allMatch(gap -> gap.kind() == Gap.Kind.SURVIVOR);
  }

  @ParameterizedTest
  @CsvSource({
    // of 100 decided among very many: Wilson's interval, as tables of it have it
    "80, 20, 1000000, 0.711, 0.867",
    "0, 10, 1000000, 0.0, 0.278",
    "10, 0, 1000000, 0.722, 1.0",
    // most are decided, so little is left to chance
    "80, 20, 101, 0.791, 0.809",
  })
  void areScoredWithAnIntervalWhereSomeAreNotDecided(
      int noticed, int survived, int possible, double from, double to) {
    double[] ends = new Score(noticed, survived, possible).interval().orElseThrow();
    assertThat(ends[0]).isCloseTo(from, within(0.002));
    assertThat(ends[1]).isCloseTo(to, within(0.002));
    assertThat(new Score(noticed, survived, noticed + survived).interval()).isEmpty();
    assertThat(new Score(0, 0, 5).interval()).isEmpty();
  }
}
