package atalaya.dist;

import static java.util.stream.Collectors.joining;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.jar.JarOutputStream;
import java.util.jar.Manifest;
import java.util.zip.ZipEntry;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Ways in which programs run that an observer could miss. */
class RunningTest {
  private static final String ROPE =
      """
      package harbour;

      public class Rope {
        static void pull(int times) {
          for (int i = 0; i < times; i++) {
            if (i % 2 == 0) {
              pulled++;
            }
          }
        }

        static int pulled;

        static void cut() {
          pulled = 0;
        }

        public static void main(String[] words) throws Exception {
          Thread[] crew = new Thread[4];
          for (int i = 0; i < crew.length; i++) {
            crew[i] = new Thread(() -> pull(Integer.parseInt(words[0])));
            crew[i].start();
          }
          for (Thread hand : crew) {
            hand.join();
          }
        }
      }
      """;
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

  /** A program with an agent of its own, which redefines and retransforms observed classes. */
  private static final String WATCH =
      """
      package tools;

      import java.lang.instrument.*;
      import java.nio.file.*;
      import java.security.ProtectionDomain;

      public class Watch implements ClassFileTransformer {
        static Instrumentation instrumentation;
        static int seen;

        public static void premain(String words, Instrumentation given) {
          instrumentation = given;
          given.addTransformer(new Watch(), true);
        }

        @Override
        public byte[] transform(
            ClassLoader loader, String name, Class<?> type, ProtectionDomain of, byte[] bytes) {
          seen += name.equals("harbour/Buoy") ? 1 : 0;
          return null;
        }

        public static void main(String[] words) throws Exception {
          run("1");
          Class<?> buoy = Class.forName("harbour.Buoy");
          byte[] own = Files.readAllBytes(Path.of("out/harbour/Buoy.class"));
          instrumentation.redefineClasses(new ClassDefinition(buoy, own));
          run("2");
          instrumentation.retransformClasses(buoy);
          run("0");
          System.out.println(
              seen + " " + buoy.getDeclaredFields().length + " " + buoy.getDeclaredMethods().length);
        }

        private static void run(String dark) throws Exception {
          System.setProperty("dark", dark);
          ((Runnable) Class.forName("harbour.Buoy").getConstructor().newInstance()).run();
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
    write("src/harbour/Rope.java", ROPE);
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
    return Shipped.ask(folder, "export", "outcomes")
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
  void leavesOtherAgentsAlone() throws IOException {
    write("tools/tools/Watch.java", WATCH);
    Shipped.compile(folder.resolve("tools"), folder.resolve("watch"), "-g");
    Manifest manifest = new Manifest();
    manifest.getMainAttributes().putValue("Manifest-Version", "1.0");
    manifest.getMainAttributes().putValue("Premain-Class", "tools.Watch");
    manifest.getMainAttributes().putValue("Can-Redefine-Classes", "true");
    manifest.getMainAttributes().putValue("Can-Retransform-Classes", "true");
    Path jar = folder.resolve("watch.jar");
    try (var out = new JarOutputStream(Files.newOutputStream(jar), manifest)) {
      out.putNextEntry(new ZipEntry("tools/Watch.class"));
      out.write(Files.readAllBytes(folder.resolve("watch/tools/Watch.class")));
    }
    String[] command = {
      Shipped.java().toString(), "-javaagent:watch.jar", "-cp", "out:watch.jar", "tools.Watch"
    };
    Shipped.Result plain = Shipped.process(folder, Map.of(), List.of(command));
    Shipped.Result observed = observe(command);
    assertThat(plain.out()).endsWith("3 0 2\n");
    assertThat(observed.out()).isEqualTo(plain.out());
    assertThat(reachedLabels()).containsExactly("1", "2", "default");
  }

  /** Code that holds monitors or has handlers which cover their own begin, run until it is hot. */
  private static final String LOCK =
      """
      package harbour;

      public class Lock {
        private Object gate = "shut";
        private int level;

        void held(boolean full) { synchronized (this) { if (full) { level++; } level--; } }

        void twice(boolean full) {
          synchronized (this) { if (full) { synchronized (gate) { if (level > 0) { level--; } } } }
        }

        Object checkedTwice() {
          if (gate == null) {
            synchronized (this) { if (gate == null) { gate = "open"; } }
          }
          return gate;
        }

        void looping(int boats) {
          synchronized (this) { while (boats > 0) { boats--; if (boats > 2) { continue; } level++; } }
          while (level > 9) { level -= 3; }
        }

        int returning(boolean full) {
          synchronized (this) {
            if (gate != null) { level++; if (full) { return level > 3 ? 3 : level; } }
          }
          return level;
        }

        int lastly(boolean full, String name) {
          try {
            return full ? name.length() : level;
          } catch (NullPointerException e) {
            if (full) { level++; }
            throw e;
          } finally {
            if (level > 5) { synchronized (this) { if (full) { level = 0; } } }
          }
        }

        public static void main(String[] words) throws Exception {
          Lock lock = new Lock();
          for (int i = 0; i < 40_000; i++) {
            lock.gate = i % 3 == 0 ? null : "open";
            lock.checkedTwice();
            lock.held(i % 2 == 0);
            lock.twice(i % 2 == 0);
            lock.looping(i % 5);
            lock.returning(i % 2 == 0);
            lock.lastly(i % 2 == 0, "lock");
          }
          Thread.sleep(500);
        }
      }
      """;

  @Test
  void leavesToCompilersWhatTheyWouldCompile() throws IOException {
    write("src/harbour/Lock.java", LOCK);
    Shipped.compile(folder.resolve("src"), folder.resolve("out"), "-g");
    Shipped.Result observed =
        observe(Shipped.java().toString(), "-XX:+PrintCompilation", "-cp", "out", "harbour.Lock");
    assertThat(observed.exitCode()).isZero();
    List<String> compiled =
        observed.out().lines().filter(line -> line.contains(" harbour.Lock::")).toList();
    assertThat(compiled).anyMatch(line -> line.matches(".* 4 +harbour.Lock::lastly .*"));
    assertThat(compiled)
        .noneMatch(line -> line.matches(".*SKIPPED: (.*covers itself|.*pars(ing|e method)).*"));
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
    assertThat(Shipped.ask(folder, "runs").out()).contains(" complete ");
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
    assertThat(Shipped.ask(folder, "export", "lines").out())
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
    assertThat(Shipped.ask(folder, "runs").out()).contains(" complete ");
    assertThat(reachedLabels()).containsExactly("1");
  }

  @Test
  void recoversWhatWasObservedBeforeAtalayaWasKilled() throws Exception {
    Process killed = start(Shipped.java().toString(), "-cp", "out", "harbour.Harbour", "wait");
    awaitFile(folder.resolve("waiting"));
    Thread.sleep(1_000);
    List<ProcessHandle> programs = killed.descendants().toList();
    killed.destroyForcibly().waitFor();
    assertThat(Shipped.ask(folder, "runs").err()).contains("still runs");
    programs.forEach(ProcessHandle::destroyForcibly);
    String said;
    long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(60);
    do {
      Thread.sleep(500);
      said = Shipped.ask(folder, "runs").err();
    } while (said.contains("still runs") && System.nanoTime() < until);
    assertThat(said).contains("Recovered run ");
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
    assertThat(Shipped.ask(folder, "export", "tests").out().lines().skip(1))
        .map(row -> row.split(",")[1] + " " + row.split(",")[3])
        .containsExactlyInAnyOrder(
            "BuoyTest.one() passed", "BuoyTest.two() failed", "BuoyTest.none() skipped");
    assertThat(Shipped.ask(folder, "export", "outcomes").out())
        .contains("switch (dark),1,true,,1")
        .contains("switch (dark),2,true,,1")
        .as("what runs before the tests belongs to none of them")
        .contains("switch (dark),default,true,,0");
    assertThat(Shipped.ask(folder, "rank").out()).contains("failed tests: 1 (BuoyTest.two())");
  }

  /** A test that starts the program in another process, and one that does not. */
  private static final String DRIVING =
      """
      package harbour;

      public class DrivingTest extends junit.framework.TestCase {
        public void testChild() throws Exception {
          String java = System.getProperty("java.home") + "/bin/java";
          new ProcessBuilder(java, "-Ddark=2", "-cp", "out", "harbour.Harbour", "run")
              .inheritIO().start().waitFor();
        }

        public void testHere() { Buoy.light(1); }

        public void testNever() { fail("aground"); }
      }
      """;

  @Test
  void hearsOfTestsOfJUnit3AndGivesThemWhatTheyDriveElsewhere() throws Exception {
    String junit = jarOf(org.junit.Test.class) + ":" + jarOf(org.hamcrest.Matcher.class);
    List<String> command =
        List.of("-cp", "out:test-out:" + junit, "junit.textui.TestRunner", "harbour.DrivingTest");
    assertThat(observeTests("DrivingTest", DRIVING, junit, command))
        .containsExactlyInAnyOrder(
            "DrivingTest.testChild() passed 7",
            "DrivingTest.testHere() passed 2",
            "DrivingTest.testNever() failed 0");
    assertThat(Shipped.ask(folder, "export", "outcomes").out())
        .contains("switch (dark),2,true,,1")
        .contains("switch (dark),1,true,,1");
  }

  @Test
  void hearsOfTestsOfTestNg() throws Exception {
    String source =
        """
        package harbour;

        import org.testng.annotations.*;

        public class NgTest {
          @BeforeClass public void before() { Buoy.light(0); }
          @DataProvider public Object[][] lights() { return new Object[][] {{1}, {2}}; }
          @Test(dataProvider = "lights") public void light(int dark) { Buoy.light(dark); }
          @Test public void never() { throw new IllegalStateException("aground"); }
          @Test public void later() { throw new org.testng.SkipException("later"); }
        }
        """;
    Path libraries = Path.of("target/testng").toAbsolutePath();
    String all = libraries + "/testng-7.10.2.jar:" + libraries + "/jcommander-1.83.jar:";
    try (var shipped = Files.list(Shipped.HOME.resolve("lib"))) {
      all += shipped.map(Path::toString).filter(p -> p.contains("slf4j")).collect(joining(":"));
    }
    List<String> command =
        List.of(
            "-cp",
            "out:test-out:" + all,
            "org.testng.TestNG",
            "-testclass",
            "harbour.NgTest",
            "-usedefaultlisteners",
            "false");
    assertThat(observeTests("NgTest", source, all, command))
        .containsExactlyInAnyOrder(
            "NgTest.light() passed 2",
            "NgTest.light() (2) passed 2",
            "NgTest.never() failed 0",
            "NgTest.later() skipped 0");
  }

  /** Observes a test class run by a program: name, verdict and lines of each test. */
  private List<String> observeTests(
      String name, String source, String libraries, List<String> arguments) throws IOException {
    write("test/harbour/" + name + ".java", source);
    Shipped.compile(
        folder.resolve("test"),
        folder.resolve("test-out"),
        "-cp",
        folder.resolve("out") + ":" + libraries);
    List<String> command = new ArrayList<>(List.of(Shipped.java().toString()));
    command.addAll(arguments);
    Shipped.Result plain = Shipped.process(folder, Map.of(), command);
    Shipped.Result observed = observe(command.toArray(String[]::new));
    assertThat(observed.exitCode()).as(observed.err()).isEqualTo(plain.exitCode());
    return Shipped.ask(folder, "export", "tests")
        .out()
        .lines()
        .skip(1)
        .map(row -> row.split(",")[1] + " " + row.split(",")[3] + " " + row.split(",")[6])
        .toList();
  }

  private List<String> observeRope(String table, String cells, String... options) {
    List<String> words = new ArrayList<>(List.of("observe", "--classes", "out"));
    words.addAll(List.of("--sources", "src", "--only", "src/harbour/Rope.java"));
    words.addAll(List.of(options));
    words.addAll(List.of("--", Shipped.java().toString(), "-cp", "out", "harbour.Rope", "100000"));
    assertThat(Shipped.run(folder, words.toArray(String[]::new)).exitCode()).isZero();
    return Shipped.ask(folder, "export", table)
        .out()
        .lines()
        .map(row -> row.replaceFirst(cells, "$1"))
        .skip(1)
        .toList();
  }

  @Test
  void countsHowOftenEachLineWasExecuted() {
    Map<Integer, Long> hits = new java.util.TreeMap<>();
    for (String row : observeRope("lines", ".*,(\\d+,\\w+,\\d+),\\d+,$", "--hits")) {
      String[] cells = row.split(",");
      hits.put(Integer.valueOf(cells[0]), Long.valueOf(cells[2]));
      assertThat(Long.parseLong(cells[2]) > 0).as(row).isEqualTo(cells[1].equals("true"));
    }
    assertThat(hits)
        .as("threads may lose some of each other's, never all")
        .hasEntrySatisfying(6, n -> assertThat(n).isBetween(100_000L, 400_004L))
        .hasEntrySatisfying(7, n -> assertThat(n).isBetween(50_000L, 200_000L))
        .containsEntry(15, 0L)
        .containsEntry(19, 1L)
        .hasSize(10);
  }

  @Test
  void seesOnlyWhichMethodsWereEnteredWhenAskedTo() {
    assertThat(
            observeRope(
                "methods",
                ".*,(\\w+)\\([^,]*\\),.*source,(\\d),(\\d),(\\d),.*",
                "--grain",
                "methods"))
        .containsExactlyInAnyOrder("pull", "cut", "main");
    assertThat(observeRope("lines", ".*,(\\d+,\\w+),,\\d+,$", "--grain", "methods"))
        .containsExactlyInAnyOrder("5,true", "15,false", "19,true");
    Shipped.Result both = Shipped.run(folder, "observe", "--hits", "--grain", "methods");
    assertThat(both.exitCode()).isEqualTo(2);
    assertThat(both.errLine()).contains("--hits counts lines");
  }

  private static Path jarOf(Class<?> type) throws Exception {
    return Path.of(type.getProtectionDomain().getCodeSource().getLocation().toURI());
  }
}
