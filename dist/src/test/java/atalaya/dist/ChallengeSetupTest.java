package atalaya.dist;

import static java.util.stream.Collectors.joining;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Tests that only pass when they are started as they were: each way of starting has its own. */
class ChallengeSetupTest {
  private static final String CODE =
      """
      package harbour;

      public class Toll {
        public static int of(int length) {
          return length > 10 ? 2 * length : 5;
        }
      }
      """;

  @TempDir Path folder;

  @BeforeEach
  void compile() throws IOException {
    write("atalaya.yaml", "");
    write("src/harbour/Toll.java", CODE);
    Shipped.compile(folder.resolve("src"), folder.resolve("out"), "-g");
  }

  @Test
  void ofTestNgWithRowsOfDataAndAnEnvironment() throws Exception {
    write(
        "test/harbour/NgTest.java",
        """
        package harbour;

        import static org.testng.Assert.*;
        import org.testng.annotations.*;

        public class NgTest {
          private String port;
          @BeforeClass public void port() { port = System.getenv("HARBOUR_PORT"); }
          @DataProvider public Object[][] tolls() { return new Object[][] {{10, 5}, {11, 22}}; }
          @Test(dataProvider = "tolls") public void toll(int length, int due) {
            assertEquals(port, "Vigo");
            assertEquals(Toll.of(length), due);
          }
          @Test public void sound() { assertTrue(Toll.of(1) > 0); }
        }
        """);
    Path libraries = Path.of("target/testng").toAbsolutePath();
    String all = libraries + "/testng-7.10.2.jar:" + libraries + "/jcommander-1.83.jar:";
    try (var shipped = Files.list(Shipped.HOME.resolve("lib"))) {
      all += shipped.map(Path::toString).filter(p -> p.contains("slf4j")).collect(joining(":"));
    }
    compileTests(folder.resolve("out") + ":" + all);
    observe(
        "env HARBOUR_PORT=Vigo "
            + Shipped.java()
            + (" -cp out:test-out:" + all)
            + " org.testng.TestNG -testclass harbour.NgTest -usedefaultlisteners false");
    assertThat(unnoticed())
        .as("the second row of data is a test of its own; none has a length much below ten")
        .containsExactly("5,length > 10,length != 10,survived");
  }

  @Test
  void ofAModule() throws Exception {
    String junit =
        ChallengeTest.jarOf(org.junit.Test.class)
            + ":"
            + ChallengeTest.jarOf(org.hamcrest.Matcher.class);
    write("src/module-info.java", "module harbour { exports harbour; }");
    Shipped.compile(folder.resolve("src"), folder.resolve("out"), "-g");
    write(
        "test/harbour/TollTest.java",
        """
        package harbour;

        public class TollTest {
          @org.junit.Test public void tolls() {
            org.junit.Assert.assertEquals(22, Toll.of(11));
            org.junit.Assert.assertEquals(5, Toll.of(10));
          }
        }
        """);
    compileTests(folder.resolve("out") + ":" + junit);
    observe(
        Shipped.java()
            + " --module-path out --patch-module harbour=test-out --add-modules harbour"
            + " --add-reads harbour=ALL-UNNAMED --add-opens harbour/harbour=ALL-UNNAMED -cp "
            + junit
            + " org.junit.runner.JUnitCore harbour.TollTest");
    assertThat(unnoticed()).containsExactly("5,length > 10,length != 10,survived");
  }

  private void compileTests(String classPath) throws IOException {
    Shipped.compile(folder.resolve("test"), folder.resolve("test-out"), "-cp", classPath);
  }

  private void observe(String command) {
    String all = "observe --name tests --project . --classes out --sources src -- " + command;
    Shipped.Result observed = Shipped.run(folder, all.split(" "));
    assertThat(observed.exitCode()).as(observed.out() + observed.err()).isZero();
  }

  /** Of each mutant that no test noticed line, original, mutated text and verdict. */
  private List<String> unnoticed() {
    Shipped.Result done = Shipped.run(folder, "challenge", "--quiet");
    assertThat(done.exitCode()).as(done.err()).isZero();
    List<String> mutants = new ArrayList<>();
    Shipped.ask(folder, "export", "mutants")
        .out()
        .lines()
        .skip(1)
        .map(row -> row.split(",", -1))
        .filter(cells -> !cells[8].equals("killed"))
        .forEach(cells -> mutants.add(String.join(",", cells[4], cells[6], cells[7], cells[8])));
    return mutants;
  }

  private void write(String path, String text) throws IOException {
    Path file = folder.resolve(path);
    Files.createDirectories(file.getParent());
    Files.writeString(file, text);
  }
}
