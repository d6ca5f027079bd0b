package atalaya.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import atalaya.core.code.Method;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where a method is taken apart: lines 10 to 19, of which tests reach those up to 14. */
class SplitTest {
  @ParameterizedTest
  @CsvSource(
      nullValues = "none",
      value = {
        // complexity, parts as first-last:decisions, the part, complexities, unwatched paths
        "12, 11-13:5 15-18:2, 11-13, 6 and 7, 0 and 5",
        "12, 11-13:1 15-18:6, 15-18, 7 and 6, 7 and 1",
        "12, 11-13:3 15-18:3, 11-13, 4 and 9, 0 and 6.43", // equal ones: the first
        "12, 11-13:11, none, none, none", // nothing would be left
        "12, 5-13:5 15-25:5, none, none, none", // of other methods
        "10, 11-13:5, none, none, none", // simple enough
        "12, '', none, none, none",
      })
  void isTheMostEvenOne(
      int complexity, String parts, String part, String complexities, String unwatched) {
    StringBuilder lines = new StringBuilder();
    for (int line = 10; line < 20; line++) {
      lines.append(line).append(':').append(line).append(' ');
    }
    Method method = MadeUpScene.method("light(int)", complexity, lines.toString().trim());
    MadeUpScene scene =
        new MadeUpScene().with("Buoy", method).withReach(1, "Buoy", "10 11 12 13 14");
    List<Split.Part> all = new ArrayList<>();
    for (String one : parts.isEmpty() ? new String[0] : parts.split(" ")) {
      String[] numbers = one.split("[-:]");
      all.add(
          new Split.Part(
              Integer.parseInt(numbers[0]),
              Integer.parseInt(numbers[1]),
              Integer.parseInt(numbers[2])));
    }
    Optional<Split> split =
        Split.of(
            scene.figures("Buoy#light(int)").orElseThrow(), method, all, scene.reach("Buoy").all());
    if (part == null) {
      assertThat(split).isEmpty();
      return;
    }
    Split found = split.orElseThrow();
    assertThat(found.part().firstLine() + "-" + found.part().lastLine()).isEqualTo(part);
    assertThat(found.complexity() + " and " + found.rest()).isEqualTo(complexities);
    String[] paths = unwatched.split(" and ");
    assertThat(found.before() - 0.5 * complexity).isCloseTo(0, within(0.01));
    assertThat(found.ofPart()).isCloseTo(Double.parseDouble(paths[0]), within(0.01));
    assertThat(found.ofRest()).isCloseTo(Double.parseDouble(paths[1]), within(0.01));
  }
}
