package atalaya.cli;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.code.ClassState;
import atalaya.core.code.Complexity;
import atalaya.core.figure.ClassFigures;
import atalaya.core.figure.LineFigures;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Mutants;
import atalaya.core.figure.OutcomeFigures;
import atalaya.core.figure.Share;
import atalaya.core.figure.TestFigures;
import atalaya.core.gap.Gap;
import atalaya.core.kept.KeptSource;
import atalaya.core.kept.RunContents;
import atalaya.core.mutant.BasedVerdict;
import atalaya.core.mutant.Fate;
import atalaya.core.mutant.Mutant;
import atalaya.core.mutant.Operator;
import atalaya.core.mutant.TriedMutant;
import atalaya.core.run.Counts;
import atalaya.core.run.Detail;
import atalaya.core.run.RunInfo;
import atalaya.core.run.Verdict;
import atalaya.points.Hash;
import atalaya.store.runfile.RunFileWriter;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SchemaLocation;
import com.networknt.schema.SpecVersion;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The commands that read a run, on a run that is made up. */
class ReadingCommandsTest {
  private static final String SOURCE = "package harbour;\nclass Buoy {}\n";

  @TempDir Path project;
  private String out;
  private String err;

  @BeforeEach
  void writeRun() throws IOException {
    Files.writeString(project.resolve("pom.xml"), "<project/>");
    Files.writeString(project.resolve("Buoy.java"), SOURCE);
    RunFileWriter.write(
        project.resolve(".atalaya/runs/one.run"),
        run("one", List.of(method("light(int)", 9, 0, 16), method("bell(\u001b[31mx)", 2, 3, 4))));
  }

  private static MethodFigures method(String name, int complexity, int reached, int lines) {
    return new MethodFigures(
        "Buoy.java",
        "harbour.Buoy",
        name,
        3,
        9,
        new Complexity(complexity, Complexity.Origin.SOURCE),
        new Share(reached, lines),
        new Share(0, 2),
        1,
        Mutants.NOT_TRIED);
  }

  private static RunContents run(String name, List<MethodFigures> methods) {
    RunInfo info =
        new RunInfo(
            name,
            "id",
            "harbour",
            Terminal.NOON.minusSeconds(600),
            5,
            name.equals("two") ? Collections.nCopies(60, "words") : List.of("mvn", "test"),
            1,
            "17",
            List.of(),
            List.of("fog/**"),
            Optional.empty(),
            Detail.LINES,
            true);
    ClassFigures buoy =
        new ClassFigures(
            "harbour.Buoy",
            "m",
            "Buoy.java",
            ClassState.REACHED,
            new Share(1, 1),
            methods,
            List.of(
                new LineFigures(
                    "Buoy.java", "harbour.Buoy", "light(int)", 4, false, OptionalLong.empty(), 0)),
            List.of(
                new OutcomeFigures(
                    "Buoy.java",
                    "harbour.Buoy",
                    "light(int)",
                    4,
                    "a, \"b\"",
                    "true",
                    false,
                    OptionalLong.empty(),
                    0)),
            List.of(),
            List.of(),
            List.of(
                new Gap(
                    "light-\u001b[31m",
                    Gap.Kind.OUTCOME,
                    "Buoy.java",
                    "harbour.Buoy",
                    "light(int)",
                    4,
                    "a, \"b\"",
                    "true",
                    true,
                    new Gap.Opens(1, 2, 3),
                    "")));
    ClassFigures fog =
        new ClassFigures(
            "fog.Fog",
            "m",
            "",
            ClassState.LEFT_OUT,
            Share.NONE,
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of());
    TestFigures test =
        new TestFigures(
            new atalaya.core.run.Test(1, "[id]", "BuoyTest.bell()", Verdict.FAILED, 7, false),
            1,
            3,
            0,
            3,
            0,
            0);
    return new RunContents(
        info,
        List.of(),
        List.of(),
        List.of(
            new KeptSource(
                "m", "Buoy.java", 1, Hash.of(SOURCE.getBytes(StandardCharsets.UTF_8)), SOURCE)),
        Map.of(),
        List.of(buoy, fog),
        List.of(test),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        Counts.NONE,
        List.of(unreached(buoy.methods().get(0))));
  }

  private static BasedVerdict unreached(MethodFigures of) {
    Mutant mutant =
        new Mutant(
            "m", of.path(), of.className(), of.method(), 3, Operator.RVR, "return 1;", "return 0;");
    return new BasedVerdict(new TriedMutant(mutant, Fate.UNREACHED, "", "", 0), "b");
  }

  private int atalaya(int columns, String words) {
    Terminal done =
        Terminal.run(project, columns, words.isEmpty() ? new String[0] : words.split(" "));
    out = done.out();
    err = done.err();
    return done.exitCode();
  }

  @ParameterizedTest
  @CsvSource({
    "rank, rank",
    "export lines, lines",
    "export outcomes, outcomes",
    "export methods, methods",
    "export tests, tests",
    "export classes, classes",
    "export gaps, gaps",
    "export mutants, mutants",
    "gaps, gaps",
    "survey, survey",
    "survey --by package, survey",
    "survey --by method, survey",
    "suite, suite",
    "plan, plan",
    "compare two, compare",
    "runs, runs"
  })
  void writeJsonByTheirSchema(String command, String schema) throws IOException {
    Files.writeString(project.resolve(".atalaya/runs/broken.run"), "");
    RunFileWriter.write(
        project.resolve(".atalaya/runs/two.run"),
        run("two", List.of(method("light(int)", 9, 4, 16))));
    assertThat(atalaya(0, command + (schema.equals("runs") ? "" : " --run one") + " --format json"))
        .isZero();
    var validator =
        JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
            .getSchema(
                SchemaLocation.of(
                    Path.of("../docs/schema/" + schema + ".json").toUri().toString()));
    var document = new ObjectMapper().readTree(out);
    assertThat(validator.validate(document)).isEmpty();
    assertThat(document.fieldNames().next()).isEqualTo("atalaya");
    String rows =
        switch (schema) {
          case "rank", "compare" -> "methods";
          case "survey" -> command.contains("package") ? "packages" : "totals";
          case "suite" -> "tests";
          case "plan" -> "remedies";
          default -> schema;
        };
    assertThat(document.get(rows)).isNotEmpty();
  }

  @Test
  void rankShowsTheWorstWithItsThresholdsAndHowFewHoldHowMuch() {
    assertThat(atalaya(0, "rank")).isZero();
    assertThat(out.lines())
        .contains(
            "run one, 10 minutes ago: mvn test (1 test)",
            "left out: 1 class by --leave-out fog/**",
            "changed since: nothing",
            "1       9.00  high            9   0/16       0/2      1  Buoy#light(int)    Buoy.java:3",
            "2       1.00  low             2    3/4       0/2      1  Buoy#bell(?[31mx)  Buoy.java:3",
            "1 of 2 methods holds 90.0 % of all 10.00 unwatched paths.",
            "Not tried: 1.00 reached paths. Whether a test would notice a fault there, atalaya challenge tells.")
        .anyMatch(line -> line.startsWith("failed tests: 1 (BuoyTest.bell())"))
        .anyMatch(line -> line.matches("  high +5\\.00  █{27}·{3} +90\\.0 % +1 +80\\.0 %"))
        .allMatch(line -> line.length() <= 100);
    assertThat(err).contains("Next: atalaya inspect 'Buoy#light'");
    assertThat(atalaya(0, "rank Buoy#bell --format csv")).isZero();
    assertThat(out.split("\r\n")).hasSize(2);
    assertThat(atalaya(0, "rank --level high --format md")).isZero();
    assertThat(out)
        .contains("| 1 | 9.00 | high | 9 | 0/16 | 0/2 | 1 | Buoy#light(int) | Buoy.java:3 |");
    assertThat(atalaya(150, "rank --top 1 --colour never")).isZero();
    assertThat(out).contains("Buoy.java:3", "... and 1 more method").doesNotContain("\u001b");
    assertThat(atalaya(150, "rank")).isZero();
    assertThat(out).contains("\u001b[36m█");
  }

  @Test
  void exportWritesWholeTables() throws IOException {
    assertThat(atalaya(0, "export outcomes --out table.csv")).isZero();
    assertThat(Files.readString(project.resolve("table.csv")))
        .isEqualTo(
            "path,class,method,line,condition,outcome,reached,hits,tests,decision\r\n"
                + "Buoy.java,harbour.Buoy,light(int),4,\"a, \"\"b\"\"\",true,false,,0,\r\n");
    assertThat(atalaya(0, "export lines --out no/such/folder.csv")).isEqualTo(3);
    assertThat(err).startsWith("atalaya: can't write ").hasLineCount(1);
  }

  @Test
  void bareSaysWhereOneStandsAndWhatIsNext() throws IOException {
    assertThat(atalaya(0, "")).isZero();
    assertThat(out).contains("lines 3/20 (15.0 %)", "9.00  high", "medium from 2.00");
    assertThat(err).contains("Next: atalaya rank");
    Files.writeString(project.resolve("Buoy.java"), "class Buoy { int x; }");
    assertThat(atalaya(0, "")).isZero();
    assertThat(out).contains("changed since: 1 class (Buoy); observe again");
    assertThat(err).contains("Next: atalaya observe");
    Files.delete(project.resolve("Buoy.java"));
    assertThat(atalaya(0, "rank")).isZero();
    assertThat(out).contains("can't be told, the project is not here");
    assertThat(atalaya(0, "runs --remove one")).isZero();
    assertThat(atalaya(0, "")).isZero();
    assertThat(out).contains("no run yet");
    assertThat(atalaya(0, "runs --remove ../../pom")).isEqualTo(3);
    assertThat(project.resolve("pom.xml")).exists();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "rank",
        "survey",
        "survey --by method",
        "survey --by package",
        "gaps",
        "suite",
        "plan",
        "plan --full",
        "compare two",
        "compare --use two",
        "gaps --decided",
        "runs",
        ""
      })
  void fitAHundredColumns(String words) throws IOException {
    RunFileWriter.write(
        project.resolve(".atalaya/runs/two.run"),
        run("two", List.of(method("light(int)", 9, 4, 16), method("horn()", 2, 4, 4))));
    assertThat(atalaya(100, words)).isZero();
    assertThat(out.lines().map(line -> line.replaceAll("\u001b\\[\\d+m", "")).toList())
        .isNotEmpty()
        .allMatch(line -> line.length() <= 100);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "UPDATE about SET value = 'x' WHERE key = 'detail' | survey",
        "DELETE FROM about WHERE key = 'project'           | compare one",
        "UPDATE class SET state = 'sunk'                   | survey",
        "UPDATE method SET complexity = 0                  | rank",
        "UPDATE method SET lines_reached = 99              | survey",
        "UPDATE gap SET kind = 'hole'                      | gaps",
        "UPDATE test SET verdict = 'odd'                   | suite",
        "UPDATE test SET milliseconds = -1                 | suite",
        "DROP TABLE gap                                    | gaps",
        "DROP TABLE method                                 | rank",
        "DROP TABLE recording                              | merge one --name m"
      })
  void aDamagedRunIsToldInOneLine(String damage, String words) throws Exception {
    String file = "jdbc:sqlite:" + project.resolve(".atalaya/runs/one.run");
    try (var database = DriverManager.getConnection(file);
        var statement = database.createStatement()) {
      statement.execute(damage);
    }
    assertThat(atalaya(0, words)).isEqualTo(3);
    assertThat(err).startsWith("atalaya: ").contains("one.run is damaged").hasLineCount(1);
    assertThat(project.resolve(".atalaya/log")).doesNotExist();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "rank",
        "survey",
        "survey --by method",
        "gaps",
        "suite",
        "plan",
        "plan --full",
        "compare one two",
        ""
      })
  void printNoEscapeCodesThatStandInAFile(String words) throws IOException {
    RunFileWriter.write(
        project.resolve(".atalaya/runs/two.run"),
        run("two", List.of(method("light(int)", 9, 4, 16), method("bell(\u001b[31mx)", 2, 4, 4))));
    assertThat(atalaya(0, words)).isZero();
    assertThat(out).isNotEmpty().doesNotContain("\u001b");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "rank Boy            | no code is named \"Boy\"",
        "rank Buoy#horn      | names no method in this run: Buoy#bell",
        "rank --run two      | no run file",
        "survey Boy          | no code is named \"Boy\"",
        "inspect Buoy#horn   | names no method in this run",
        "gaps --opened-by x  | this run has no gap named \"x\"",
        "suite --on Boy      | no code is named \"Boy\"",
        "plan Boy            | no code is named \"Boy\"",
        "plan Buoy:99        | names no method in this run",
        "plan --done         | there is no run before one",
        "compare             | there is no run before one to compare with",
        "compare two         | no run file",
        "decide Boy --test --because x | no code is named \"Boy\"",
        "decide x --withdraw | nothing was decided about \"x\"",
        "rank --run ./x.run  | no run file"
      })
  void tellWhatDoesNotFitInOneLine(String words, String message) {
    assertThat(atalaya(0, words)).isEqualTo(3);
    assertThat(err).startsWith("atalaya: ").contains(message).hasLineCount(1);
    assertThat(out).isEmpty();
  }
}
