package atalaya.cli.render;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.plan.Way;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class GivensTest {
  private static Way.Given answer(String name) {
    String[] parts = name.split("=");
    return new Way.Given(parts[0].trim(), "int", parts[1].trim(), "", "has to come out");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "a = 1; b = 1                                        | a = 1; b = 1",
        "a = 1; a the second time = 1; b = 2; a the third time = 1 | a = 1, 3 times; b = 2",
        "a = 1; a the second time = 2                        | a = 1; a the second time = 2",
        "a the second time = 1; a the 21st time = 1; a the 13th time = 1 | a = 1, 3 times",
        "a throws Down = true; a throws Down the second time = true | a throws Down, 2 times",
      })
  void tellOnceWhatIsTheSameEachTime(String givens, String expected) {
    List<String> told = Givens.told(Stream.of(givens.split(";")).map(GivensTest::answer).toList());
    assertThat(told)
        .containsExactlyElementsOf(
            Stream.of(expected.split(";"))
                .map(text -> text.trim() + "  (has to come out)")
                .toList());
  }

  @Test
  void tellNoMoreThanCanBeFollowed() {
    List<Way.Given> givens =
        IntStream.range(0, 40).mapToObj(i -> answer("a" + i + " = " + i)).toList();
    assertThat(Givens.told(givens))
        .hasSize(17)
        .startsWith("a0 = 0  (has to come out)")
        .endsWith("... and 24 more, which --format json has");
    assertThat(Givens.told(givens.subList(0, 17))).hasSize(17).noneMatch(t -> t.contains("more"));
    assertThat(Givens.told(Collections.nCopies(40, givens.get(0)))).hasSize(1);
  }
}
