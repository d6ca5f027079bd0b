package atalaya.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import atalaya.core.code.Complexity;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Mutants;
import atalaya.core.figure.Share;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What became of a plan of three briefs, a, b and c, each of a method of complexity 4. */
class ReviewTest {
  private static Brief brief(String name) {
    return new Brief(
        name,
        "Buoy.java",
        "Buoy#" + name,
        Brief.Kind.REACH,
        Optional.empty(),
        List.of("Buoy#" + name),
        List.of(name, name + "-inner"),
        new Brief.Opens(1, 1, 0),
        new Brief.Start("", "BuoyTest", true, List.of()),
        List.of(),
        1.5,
        1.5,
        new Effort(1, List.of("extends a test")),
        4,
        List.of());
  }

  private static Map<String, MethodFigures> figures(String text) {
    Map<String, MethodFigures> figures = new HashMap<>();
    for (String one : text.split(" ")) {
      String[] parts = one.split("=");
      String[] share = parts[1].split("/");
      Share lines = new Share(Integer.parseInt(share[0]), Integer.parseInt(share[1]));
      figures.put(
          "Buoy#" + parts[0],
          new MethodFigures(
              "Buoy.java",
              "Buoy",
              parts[0],
              1,
              9,
              new Complexity(4, Complexity.Origin.SOURCE),
              lines,
              Share.NONE,
              1,
              Mutants.NOT_TRIED));
    }
    return figures;
  }

  @ParameterizedTest
  @CsvSource({
    // lines after, gaps that are open after, states, promised, bought
    "a=4/4 b=1/4 c=0/4, b b-inner c c-inner, done open open, 1.5, 3",
    "a=2/4 b=2/4 c=0/4, a-inner b c, done partly partly, 1.5, 1",
    "a=4/4 b=4/4, '', done done gone, 3.0, 6",
    // Never entered: its gap has another kind now, and is not closed.
    "a=0/4 b=1/4 c=0/4, a-inner b b-inner c c-inner, partly open open, 0, 0",
    // Taken back: other methods lost what one won.
    "a=0/4 b=4/4 c=0/4, a a-inner c c-inner, open done open, 1.5, 3",
  })
  void tellsWhatWasDoneAndWhatItBought(
      String after, String open, String states, double promised, double bought) {
    Plan plan = new Plan(List.of(brief("a"), brief("b"), brief("c")), 12, 3, 0);
    Set<String> gaps = new HashSet<>(Arrays.asList(open.split(" ")));
    Review review = Review.of(plan, figures("a=1/4 b=1/4 c=0/4"), figures(after), gaps);
    List<String> found = new ArrayList<>();
    review.rows().forEach(row -> found.add(row.state().label()));
    assertThat(String.join(" ", found)).isEqualTo(states);
    assertThat(review.promised()).isCloseTo(promised, within(1e-9));
    assertThat(review.bought()).isCloseTo(bought, within(1e-9));
  }
}
