package atalaya.dist;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Plans for a small program, as people run them. */
class PlanTest {
  private static final String LOCK =
      """
      package harbour;

      public class Lock {
        private int level;

        public int fill(int metres, boolean isOpen) {
          if (isOpen) {
            throw new IllegalStateException("close the gate first");
          }
          if (metres > 12) {
            level = 12;
          } else if (metres < 0) {
            level = 0;
          } else {
            level = metres;
          }
          return level;
        }

        public static void main(String[] words) {
          new Lock().fill(3, false);
        }
      }
      """;

  private static final String GATE =
      """
      package harbour.gates;

      public class Gate {
        public String name() {
          return "west";
        }

        public int width() {
          return 14;
        }

        public int length() {
          return 80;
        }

        public boolean admits(int beam, String flag) {
          if (beam > width()) {
            return false;
          }
          if (flag.equals("yellow") && beam < 0) {
            return beam == 3;
          }
          if (flag.equals("yellow")) {
            return beam < 10;
          }
          return true;
        }
      }
      """;

  @TempDir static Path folder;

  @BeforeAll
  static void makeProject() throws IOException {
    Files.writeString(folder.resolve("pom.xml"), "<project/>");
    write("src/harbour/Lock.java", LOCK);
    write("src/harbour/gates/Gate.java", GATE);
    Shipped.compile(folder.resolve("src"), folder.resolve("out"), "-g");
    observe(folder, "--classes", "out", "--sources", "src");
  }

  private static void write(String path, String text) throws IOException {
    Files.createDirectories(folder.resolve(path).getParent());
    Files.writeString(folder.resolve(path), text);
  }

  private static void observe(Path in, String... options) {
    List<String> words = new ArrayList<>(List.of("observe"));
    words.addAll(List.of(options));
    words.addAll(List.of("--", Shipped.java().toString()));
    words.addAll(List.of("-cp", folder.resolve("out").toString(), "harbour.Lock"));
    Shipped.Result result = Shipped.run(in, words.toArray(String[]::new));
    assertThat(result.exitCode()).as(result.err()).isZero();
  }

  private static List<String> methods(String... options) {
    List<String> words = new ArrayList<>(List.of("plan", "--format", "csv"));
    words.addAll(List.of(options));
    return Shipped.ask(folder, words.toArray(String[]::new))
        .out()
        .lines()
        .skip(1)
        .map(row -> row.replaceFirst(".*[#](\\w+)\\(.*", "$1"))
        .toList();
  }

  @Test
  void goesByGainAndByWhatATeamMindsMost() throws IOException {
    assertThat(methods()).startsWith("admits").contains("length", "fill").hasSizeLessThan(11);
    assertThat(methods("--tests", "1")).containsExactly("admits");
    assertThat(Shipped.ask(folder, "plan").out())
        .as("one test for what has no conditions, and what can't be is said to be so")
        .contains("Gate#length()", "and with it name()")
        .contains(
            "look at the rest of Gate#admits(int,String): `beam == 3` true at line 21 cannot");
    write("atalaya.yaml", "zones:\n  locks: {paths: src/harbour/Lock.java, weight: 50}\n");
    assertThat(methods("--tests", "1")).containsExactly("fill");
    write("atalaya.yaml", "effort:\n  minutes: 25\n");
    assertThat(Shipped.ask(folder, "plan", "--tests", "1").out()).contains("1 test, 1 h 15 min,");
    assertThat(methods("--budget", "20m")).isEmpty();
    Files.delete(folder.resolve("atalaya.yaml"));
  }

  @Test
  void saysWhatATestTakes() {
    String full = Shipped.ask(folder, "plan", "Gate#admits", "--full").out();
    assertThat(full)
        .contains("effort     30 min: a new test class", "start      a new test class GateTest")
        .contains("line 17: `beam > width()` false", "line 20: `flag.equals(\"yellow\")` true")
        .contains("new Gate().admits(", "the result of admits, now ");
    assertThat(Shipped.ask(folder, "plan", "Gate#admits", "--full").out()).isEqualTo(full);
    assertThat(Shipped.ask(folder, "plan", "Lock:8", "--full").out())
        .contains("new Lock().fill(", ", true);", "throws IllegalStateException");
    assertThat(Shipped.ask(folder, "plan", "Lock", "--format", "md").out())
        .contains("# Tests to write next", "```java", "- **way**:");
  }

  @Test
  void goesByLinesWhereThereAreNoSources(@TempDir Path bare) throws IOException {
    Files.writeString(bare.resolve("pom.xml"), "<project/>");
    observe(bare, "--classes", folder.resolve("out").toString());
    assertThat(Shipped.ask(bare, "plan", "Gate#admits").out())
        .contains("the run has no source: conditions are told by their line");
    assertThat(Shipped.ask(bare, "plan", "Gate#admits", "--full").out())
        .contains("line 17: `line 17, jump 1` next", "new Gate().admits(");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "--budget 1x      | 2 | --budget must be a time as 30m, 2h or 1h30m (got 1x)",
        "--budget 0.5h    | 2 | --budget must be a time",
        "--tests -1       | 2 | --tests must be at least 1 (got -1)",
        "--until 101%     | 2 | --until must be a share as 90% (got 101%)",
        "--until soon     | 2 | --until must be a share",
        "Harbor           | 3 | no code is named \"Harbor\"",
        "Lock:4           | 3 | \"Lock:4\"",
        "Lock:7           | 3 | line 7 is reached already",
        "--run two        | 3 | no run file",
        "--done           | 3 | there is no run before",
      })
  void tellsWhatDoesNotFitInOneLine(String words, int exitCode, String message) {
    List<String> all = new ArrayList<>(List.of("plan"));
    all.addAll(List.of(words.split(" +")));
    Shipped.Result result = Shipped.ask(folder, all.toArray(String[]::new));
    assertThat(result.exitCode()).isEqualTo(exitCode);
    assertThat(result.errLine()).contains(message);
    assertThat(result.out()).isEmpty();
  }
}
