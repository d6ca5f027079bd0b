package atalaya.dist;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Ways in which programs run that an observer could miss. */
class RunningTest {
  private static final String BUOY =
      """
      package harbour;

      public class Buoy implements Runnable {
        @Override
        public void run() {
          light(Integer.getInteger("dark", 0));
        }

        static void light(int dark) {
          switch (dark) {
            case 1: System.out.println("one"); break;
            case 2: System.out.println("two"); break;
            default: System.out.println("none");
          }
        }
      }
      """;
  private static final String HARBOUR =
      """
      package harbour;

      import java.net.*;
      import java.nio.file.*;
      import java.util.*;

      public class Harbour {
        public static void main(String[] words) throws Exception {
          String java = System.getProperty("java.home") + "/bin/java";
          switch (words[0]) {
            case "loader":
              URL[] urls = {Path.of("out").toUri().toURL()};
              ClassLoader loader = new URLClassLoader(urls, ClassLoader.getPlatformClassLoader());
              ((Runnable) loader.loadClass("harbour.Buoy").getConstructor().newInstance()).run();
              break;
            case "thread":
              Thread thread = new Thread(() -> Buoy.light(1));
              thread.start();
              thread.join();
              break;
            case "child":
              new ProcessBuilder(java, "-Ddark=2", "-cp", "out", "harbour.Harbour", "run")
                  .inheritIO().start().waitFor();
              break;
            case "run":
              new Buoy().run();
              break;
            case "halt":
              Buoy.light(1);
              Thread.sleep(1_500);
              Runtime.getRuntime().halt(3);
              break;
            case "wait":
              Buoy.light(1);
              Files.writeString(Path.of("waiting"), "");
              Thread.sleep(60_000);
              break;
            case "throw":
              Buoy.light(1);
              throw new IllegalStateException("aground");
            case "memory":
              Buoy.light(1);
              List<long[]> all = new ArrayList<>();
              while (true) {
                all.add(new long[1 << 20]);
              }
          }
        }
      }
      """;

  @TempDir Path temporary;
  private Path folder;

  @BeforeEach
  void makeProject() throws IOException {
    folder = temporary.toRealPath();
    Files.writeString(folder.resolve("atalaya.yaml"), "");
    write("src/harbour/Buoy.java", BUOY);
    write("src/harbour/Harbour.java", HARBOUR);
    Shipped.compile(folder.resolve("src"), folder.resolve("out"), "-g");
  }

  private void write(String path, String text) throws IOException {
    Path file = folder.resolve(path);
    Files.createDirectories(file.getParent());
    Files.writeString(file, text);
  }

  private Shipped.Result observe(String... command) {
    List<String> words =
        new ArrayList<>(List.of("observe", "--classes", "out", "--sources", "src", "--"));
    words.addAll(List.of(command));
    return Shipped.run(folder, words.toArray(String[]::new));
  }

  private Shipped.Result harbour(String word) {
    return observe(Shipped.java().toString(), "-Xmx64m", "-cp", "out", "harbour.Harbour", word);
  }

  private List<String> reachedLabels() {
    return Shipped.run(folder, "export", "outcomes")
        .out()
        .lines()
        .filter(row -> row.contains("switch (dark)"))
        .filter(row -> row.contains(",true,,"))
        .map(row -> row.replaceAll(".*switch \\(dark\\),(\\w+),.*", "$1"))
        .toList();
  }

  @Test
  void seesClassesOfAnyLoader() {
    assertThat(harbour("loader").exitCode()).isZero();
    assertThat(reachedLabels()).containsExactly("default");
  }

  @Test
  void seesEveryThread() {
    assertThat(harbour("thread").exitCode()).isZero();
    assertThat(reachedLabels()).containsExactly("1");
  }

  @Test
  void seesProgramsThatProgramsStart() {
    assertThat(harbour("child").exitCode()).isZero();
    assertThat(reachedLabels()).containsExactly("2");
  }

  @Test
  void seesSeveralProgramsAtOnce() {
    String java = Shipped.java() + " -cp out -Ddark=";
    String script =
        java
            + "1 harbour.Harbour run & "
            + java
            + "2 harbour.Harbour run & "
            + java
            + "0 harbour.Harbour run & wait";
    assertThat(observe("sh", "-c", script).exitCode()).isZero();
    assertThat(reachedLabels()).containsExactly("1", "2", "default");
    assertThat(Shipped.run(folder, "runs").out()).contains(" complete ");
  }

  @ParameterizedTest
  @ValueSource(strings = {"halt", "throw", "memory"})
  void keepsWhatAProgramReachedThatEndsBadly(String how) {
    Shipped.Result observed = harbour(how);
    assertThat(observed.exitCode()).isEqualTo(how.equals("halt") ? 3 : 1);
    assertThat(reachedLabels()).containsExactly("1");
  }

  @Test
  void keepsWhereAThreadEndedByAnException() {
    Shipped.Result observed = harbour("throw");
    assertThat(observed.err())
        .contains("1 thread ended by an exception: java.lang.IllegalStateException at ")
        .containsPattern("harbour\\.Harbour\\.main:\\d+");
  }

  @Test
  void seesWhatAProgramReachedThatWasKilled() throws Exception {
    Process killed = start(Shipped.java().toString(), "-cp", "out", "harbour.Harbour", "wait");
    awaitFile(folder.resolve("waiting"));
    Thread.sleep(1_000);
    killed.descendants().forEach(ProcessHandle::destroyForcibly);
    assertThat(killed.waitFor()).isEqualTo(128 + 9);
    assertThat(reachedLabels()).containsExactly("1");
    assertThat(Shipped.run(folder, "export", "lines").out())
        .as("what was passed before the call that never came back")
        .contains("harbour.Harbour,main(String[])," + lineOf("Thread.sleep(60_000)") + ",true");
  }

  @ParameterizedTest
  @ValueSource(strings = {"TERM", "INT"})
  void endsWithTheProgramThatWasToldToEnd(String signal) throws Exception {
    Process told = start("sh", "-c", Shipped.java() + " -cp out harbour.Harbour wait; true");
    awaitFile(folder.resolve("waiting"));
    Shipped.process(folder, Map.of(), List.of("kill", "-" + signal, String.valueOf(told.pid())));
    told.waitFor();
    assertThat(Shipped.run(folder, "runs").out()).contains(" complete ");
    assertThat(reachedLabels()).containsExactly("1");
  }

  @Test
  void recoversWhatWasObservedBeforeAtalayaWasKilled() throws Exception {
    Process killed = start(Shipped.java().toString(), "-cp", "out", "harbour.Harbour", "wait");
    awaitFile(folder.resolve("waiting"));
    Thread.sleep(1_000);
    List<ProcessHandle> programs = killed.descendants().toList();
    killed.destroyForcibly().waitFor();
    assertThat(Shipped.run(folder, "runs").err()).contains("still runs");
    programs.forEach(ProcessHandle::destroyForcibly);
    Thread.sleep(2_000);
    assertThat(Shipped.run(folder, "runs").err()).contains("Recovered run ");
    assertThat(reachedLabels()).containsExactly("1");
    assertThat(folder.resolve(".atalaya/tmp")).isEmptyDirectory();
  }

  @Test
  void collectsWhatAProgramLeftThatSomebodyElseStarted() {
    Shipped.Result attached =
        Shipped.run(
            folder, "attach", "--dir", "left", "--classes", "out", "--sources", "src", "--quiet");
    assertThat(attached.err()).isEmpty();
    Shipped.Result program =
        Shipped.process(
            folder,
            Map.of(),
            List.of(
                Shipped.java().toString(),
                attached.out().strip(),
                "-cp",
                "out",
                "harbour.Harbour",
                "thread"));
    assertThat(program.exitCode()).as(program.err()).isZero();
    assertThat(Shipped.run(folder, "collect", "left").exitCode()).isZero();
    assertThat(reachedLabels()).containsExactly("1");
    Shipped.Result foreign = Shipped.run(folder, "collect", "src");
    assertThat(foreign.exitCode()).isEqualTo(3);
    assertThat(foreign.errLine()).contains("is no folder of an observation");
  }

  private static void awaitFile(Path file) throws InterruptedException {
    for (int i = 0; !Files.exists(file); i++) {
      assertThat(i).as("waiting for " + file).isLessThan(1_000);
      Thread.sleep(20);
    }
  }

  private Process start(String... command) throws IOException {
    List<String> words = new ArrayList<>();
    words.add(Shipped.HOME.resolve("bin/atalaya").toString());
    words.addAll(List.of("observe", "--classes", "out", "--sources", "src", "--"));
    words.addAll(List.of(command));
    return new ProcessBuilder(words)
        .directory(folder.toFile())
        .redirectErrorStream(true)
        .redirectOutput(folder.resolve("log").toFile())
        .start();
  }

  private static long lineOf(String code) {
    return HARBOUR.substring(0, HARBOUR.indexOf(code)).lines().count();
  }

  @Test
  void hearsOfTestsThatRunWithoutThePlatform() throws Exception {
    write(
        "test/harbour/BuoyTest.java",
        """
        package harbour;

        import static org.junit.Assert.*;
        import org.junit.*;

        public class BuoyTest {
          @BeforeClass public static void before() { Buoy.light(0); }
          @Test public void one() { Buoy.light(1); }
          @Test public void two() { Buoy.light(2); fail("aground"); }
          @Test @Ignore public void none() { Buoy.light(0); }
        }
        """);
    String junit = jarOf(org.junit.Test.class) + ":" + jarOf(org.hamcrest.Matcher.class);
    Shipped.compile(
        folder.resolve("test"),
        folder.resolve("test-out"),
        "-cp",
        folder.resolve("out") + ":" + junit);
    List<String> command =
        List.of(
            Shipped.java().toString(),
            "-cp",
            "out:test-out:" + junit,
            "org.junit.runner.JUnitCore",
            "harbour.BuoyTest");
    Shipped.Result plain = Shipped.process(folder, Map.of(), command);
    Shipped.Result observed = observe(command.toArray(String[]::new));
    assertThat(observed.exitCode()).isEqualTo(plain.exitCode()).isEqualTo(1);
    assertThat(Shipped.run(folder, "export", "tests").out().lines().skip(1))
        .map(row -> row.split(",")[1] + " " + row.split(",")[3])
        .containsExactlyInAnyOrder(
            "BuoyTest.one() passed", "BuoyTest.two() failed", "BuoyTest.none() skipped");
    assertThat(Shipped.run(folder, "export", "outcomes").out())
        .contains("switch (dark),1,true,,1")
        .contains("switch (dark),2,true,,1")
        .as("what runs before the tests belongs to none of them")
        .contains("switch (dark),default,true,,0");
    assertThat(Shipped.run(folder, "rank").out()).contains("failed tests: 1 (BuoyTest.two())");
  }

  private static Path jarOf(Class<?> type) throws Exception {
    return Path.of(type.getProtectionDomain().getCodeSource().getLocation().toURI());
  }
}
