package atalaya.dist;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.io.TempDir;

/**
 * The table of constructs: {@code src/test/resources/constructs}. Each file is a source with what
 * is expected of it, which comes from the language and never from Atalaya's own output.
 *
 * <p>A line with code ends with {@code //+} when it is reached and with {@code //-} when it is not;
 * other lines hold no code of their own. Behind that mark, or behind {@code //:} on a line without
 * code of its own, stand the conditions that begin on the line, separated by {@code ;;}, each with
 * its outcomes: {@code n > 3: true+ false-}.
 */
class ConstructsTest {
  private static final Pattern OUTCOME = Pattern.compile("\\s*(.+?)([+-])(?:\\s+|$)");
  private static final Pattern MARK = Pattern.compile("//([+:-])(.*)$");

  @TempDir Path folder;

  @TestFactory
  Stream<DynamicTest> areReadInTermsOfTheSource() throws IOException {
    Constructs constructs = Constructs.compiledIn(folder);
    Shipped.Result observed = constructs.observe();
    assertThat(observed.exitCode()).as(observed.err()).isZero();

    TreeMap<String, List<String>> found = new TreeMap<>();
    for (List<String> cells : constructs.export("lines")) {
      found
          .computeIfAbsent(cells.get(0), p -> new ArrayList<>())
          .add("line " + cells.get(3) + mark(cells.get(4)));
    }
    for (List<String> cells : constructs.export("outcomes")) {
      found
          .computeIfAbsent(cells.get(0), p -> new ArrayList<>())
          .add(
              "line "
                  + cells.get(3)
                  + ": "
                  + cells.get(4)
                  + ": "
                  + cells.get(5)
                  + mark(cells.get(6)));
    }
    return constructs.files().stream()
        .map(
            file ->
                DynamicTest.dynamicTest(
                    Constructs.name(file),
                    () ->
                        assertThat(found.get("src/" + file.getFileName()))
                            .containsExactlyInAnyOrderElementsOf(expected(file))));
  }

  private static String mark(String reached) {
    return reached.equals("true") ? "+" : "-";
  }

  private static List<String> expected(Path file) throws IOException {
    List<String> expected = new ArrayList<>();
    List<String> lines = Files.readAllLines(file);
    for (int number = 1; number <= lines.size(); number++) {
      Matcher mark = MARK.matcher(lines.get(number - 1));
      if (!mark.find()) {
        continue;
      }
      if (!mark.group(1).equals(":")) {
        expected.add("line " + number + mark.group(1));
      }
      for (String condition : mark.group(2).isBlank() ? new String[0] : mark.group(2).split(";;")) {
        int colon = condition.lastIndexOf(": ");
        String text = condition.substring(0, colon).strip();
        Matcher outcome = OUTCOME.matcher(condition.substring(colon + 2));
        while (outcome.find()) {
          expected.add("line " + number + ": " + text + ": " + outcome.group(1) + outcome.group(2));
        }
      }
    }
    return expected;
  }
}
