package atalaya.trial.decide;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.boot.Fault;
import atalaya.core.mutant.Fate;
import atalaya.core.mutant.Mutant;
import atalaya.java.ClassBytes;
import atalaya.java.SourceText;
import atalaya.trial.find.PlantableMutant;
import atalaya.trial.find.ProjectMutants;
import atalaya.trial.plant.ClassPlanter;
import atalaya.trial.plant.Planting;
import atalaya.trial.plant.Watched;
import atalaya.worker.Message;
import java.io.IOException;
import java.io.OutputStream;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.jar.Attributes;
import java.util.jar.JarEntry;
import java.util.jar.JarOutputStream;
import java.util.jar.Manifest;
import java.util.stream.Stream;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Tests run unmutated, and mutants are decided by them, in JVMs of their own. */
class StageTest {
  private static final String CODE =
      """
      package harbour;

      public class Lock {
        private static String name;

        static boolean opens(int water) {
          return water > 6;
        }

        static int turns(int gates) {
          int turns = 0;
          while (gates > 0) {
            gates--;
            turns++;
          }
          return turns;
        }

        static int toll(int boats) {
          return boats * 3;
        }

        static String name() {
          if (name == null) {
            name = "south";
          }
          return name;
        }

        private static final java.util.Map<Integer, String> KNOWN = new java.util.HashMap<>();

        static String known(int gate) {
          return KNOWN.computeIfAbsent(gate, Lock::word);
        }

        static String word(int gate) {
          return "gate " + (gate + 1);
        }

        static final int SILL = sill(3);

        static int sill(int water) {
          return water - 1;
        }

        static void close(int force) {
          if (force > 9) {
            System.exit(7);
          }
        }
      }
      """;

  private static final String TESTS =
      """
      package harbour;

      import static org.junit.Assert.*;
      import org.junit.Test;

      public class LockTest {
        @Test
        public void opens() {
          assertTrue(Lock.opens(7));
          assertFalse(Lock.opens(5));
        }

        @Test
        public void turns() {
          assertEquals(3, Lock.turns(3));
        }

        @Test
        public void looks() {
          Lock.toll(2);
          Lock.name();
        }

        @Test
        public void closes() {
          Lock.close(3);
        }

        @Test
        public void isNamed() {
          assertEquals("south", Lock.name());
        }

        @Test
        public void knowsAGate() {
          assertEquals("gate 2", Lock.known(1));
        }

        @Test
        public void hasWords() {
          Lock.word(4);
        }

        @Test
        public void hasASill() {
          assertEquals(2, Lock.SILL);
          Lock.sill(0);
        }

        @Test
        public void fails() {
          fail("always");
        }

        public static class Particular {
          @Test
          public void isOfTheClassPath() {
            Lock.sill(0);
            assertSame(ClassLoader.getSystemClassLoader(), Lock.class.getClassLoader());
          }

          @Test
          public void asksTheClassPath() throws Exception {
            Lock.sill(0);
            Class<?> lock =
                Class.forName("harbour.Lock", true, ClassLoader.getSystemClassLoader());
            java.lang.reflect.Field sill = lock.getDeclaredField("SILL");
            sill.setAccessible(true);
            assertEquals(2, sill.getInt(null));
          }
        }

        public static class Leaving {
          @Test
          public void leaves() {
            Runtime.getRuntime().halt(3);
          }
        }
      }
      """;

  private static final Map<String, List<String>> TESTS_OF =
      Map.of(
          "",
          List.of(
              "opens",
              "turns",
              "looks",
              "closes",
              "isNamed",
              "knowsAGate",
              "hasWords",
              "hasASill",
              "fails",
              "gone"),
          "$Leaving",
          List.of("leaves"),
          "$Particular",
          List.of("isOfTheClassPath", "asksTheClassPath"));

  @TempDir Path folder;
  private final Map<Integer, PlantableMutant> mutants = new TreeMap<>();
  private final Map<Integer, List<Watched>> watched = new HashMap<>();
  private final Map<String, Integer> methods = new HashMap<>();
  private final List<String> names = new ArrayList<>();
  private Path classes;
  private PlantedClasses planted;

  @BeforeEach
  void plant() throws Exception {
    classes = Files.createDirectory(folder.resolve("classes"));
    compile(classes, "Lock", CODE);
    compile(classes, "LockTest", TESTS);
    byte[] lock = Files.readAllBytes(classes.resolve("harbour/Lock.class"));
    List<ClassBytes> bytes = List.of(new ClassBytes("m", "harbour.Lock", lock));
    List<SourceText> sources =
        List.of(new SourceText("m", "harbour/Lock.java", "harbour/Lock.java", CODE));
    List<Planting> plantings = new ArrayList<>();
    for (PlantableMutant mutant : ProjectMutants.find(bytes, sources).get("harbour.Lock")) {
      int number = mutants.size();
      mutants.put(number, mutant);
      for (PlantableMutant.Place place : mutant.places()) {
        methods.computeIfAbsent(place.code(), code -> methods.size());
        plantings.add(new Planting(number, place.code(), place.instruction(), place.replacement()));
      }
    }
    ClassPlanter.Planted planted = ClassPlanter.all(lock, 0, plantings, methods);
    planted
        .watched()
        .forEach(w -> watched.computeIfAbsent(w.mutant(), m -> new ArrayList<>()).add(w));
    PlantedClasses all = PlantedClasses.in(folder.resolve("planted"));
    all.mutated().add("harbour.Lock", lock, planted.mutated());
    all.watching().add("harbour.Lock", lock, planted.watching());
    this.planted = all.finish();
  }

  /** With the tests of some nested classes of the test class, or of itself. */
  private Stage stage(String... nested) throws Exception {
    WorkerKit kit =
        new WorkerKit(jar(Message.class, "atalaya.worker.Premain"), jar(Fault.class, ""));
    List<String> classPath =
        List.of(
            classes.toString(),
            kit.worker().toString(),
            place(org.junit.Test.class).toString(),
            place(org.hamcrest.Matcher.class).toString());
    JvmSetup setup =
        new JvmSetup(
            Path.of(System.getProperty("java.home"), "bin", "java"),
            List.of("-Xmx64m"),
            classPath,
            folder,
            Map.of(),
            Map.of());
    List<RunnableTest> tests = new ArrayList<>();
    for (String of : nested) {
      for (String name : TESTS_OF.get(of)) {
        String type = "harbour.LockTest" + of;
        String id = name + "(" + type + ")";
        names.add(name);
        tests.add(new RunnableTest(names.size(), Message.NOTIFIER, type, id));
      }
    }
    Path scratch = Files.createDirectory(folder.resolve("scratch"));
    return new Stage(setup, kit, scratch, planted, tests, Set.of());
  }

  @Test
  void decidesByTheTestsForWhichAMutantChangesSomething() throws Exception {
    Stage stage = stage("", "$Leaving");
    stage.runUnmutated(methods.size(), mutants.size(), () -> numbers(1, names.size()));

    List<String> unmutated = new ArrayList<>();
    stage
        .unmutated()
        .forEach(
            (test, was) ->
                unmutated.add(names.get(test - 1) + ": " + (was.isFit() ? "fit" : was.words())));
    assertThat(unmutated)
        .as("one that is not there did not run; one that ends the JVM takes nobody with it")
        .containsExactlyInAnyOrder(
            "opens: fit",
            "turns: fit",
            "looks: fit",
            "closes: fit",
            "isNamed: fit",
            "knowsAGate: fit",
            "hasWords: fit",
            "hasASill: fit",
            "fails: AssertionError: always",
            "leaves: the JVM ended");

    Map<String, String> verdicts = verdicts(stage);
    assertThat(verdicts)
        .containsEntry("7: water > 6 -> water != 6", Fate.KILLED + " by opens")
        .as("nobody asks about 6: it changes nothing, and no test runs")
        .containsEntry("7: water > 6 -> water >= 6", "" + Fate.SURVIVED)
        .containsEntry("13: gates-- -> gates++", Fate.TIMEOUT + " by turns")
        .containsEntry("20: boats * 3 -> boats / 3", "" + Fate.SURVIVED)
        .as("it ends the JVM")
        .containsEntry("47: force > 9 -> force != 9", "" + Fate.KILLED)
        .as("it is named already when the mutant is tried first, so a new JVM is asked")
        .containsEntry("24: name == null -> false", Fate.KILLED + " by isNamed")
        .as("what looks leaves behind is noticed by the next")
        .containsEntry("25: name = \"south\"; -> ;", Fate.KILLED + " by isNamed")
        .as("it changes something, but not for whom it would: what that one asks for is known")
        .containsEntry("37: gate + 1 -> gate - 1", Fate.KILLED + " by knowsAGate")
        .as("only a class that is initialised anew has it")
        .containsEntry("43: water - 1 -> water + 1", Fate.KILLED + " by hasASill");
    assertThat(verdicts).hasSameSizeAs(mutants);
    assertThat(stage.shares().apart()).isPositive();
    assertThat(stage.shares().workers())
        .as("one to run them unmutated, one for mutants, one or two for those that are apart")
        .isLessThan(5);
    try (Stream<Path> left = Files.list(folder.resolve("scratch"))) {
      assertThat(left).as("workers leave nothing behind").isEmpty();
    }
  }

  @Test
  void runsWhatIsWantedAndThenWhatThatShows() throws Exception {
    Stage stage = stage("", "$Leaving", "$Particular");
    int last = names.size();
    stage.runUnmutated(
        methods.size(),
        mutants.size(),
        () -> stage.unmutated().isEmpty() ? numbers(2, 2) : numbers(last, last));
    List<String> groups = stage.asked().stream().map(stage::group).distinct().toList();
    assertThat(groups).containsExactly("harbour.LockTest", "harbour.LockTest$Particular");
    assertThat(stage.asked()).containsAll(stage.unmutated().keySet());
    assertThat(stage.shares().workers()).as("one for each time").isEqualTo(2);
  }

  private static BitSet numbers(int from, int to) {
    BitSet numbers = new BitSet();
    numbers.set(from, to + 1);
    return numbers;
  }

  @Test
  void whereClassesLoadedAnewTellNothingANewJvmDoes() throws Exception {
    Stage stage = stage("$Particular");
    stage.runUnmutated(methods.size(), mutants.size(), () -> numbers(1, names.size()));
    assertThat(verdicts(stage))
        .as("one test never passes there, and the other looks for the class elsewhere")
        .containsEntry("43: water - 1 -> water + 1", Fate.KILLED + " by asksTheClassPath");
  }

  @Test
  void saysWhyNoWorkerCouldBegin() throws Exception {
    Stage broken =
        new Stage(
            new JvmSetup(
                Path.of(System.getProperty("java.home"), "bin", "java"),
                List.of("-XX:NoSuchOption=1"),
                List.of(),
                folder,
                Map.of(),
                Map.of()),
            new WorkerKit(folder.resolve("worker.jar"), folder.resolve("boot.jar")),
            folder,
            PlantedClasses.in(folder.resolve("none")).finish(),
            List.of(new RunnableTest(1, Message.NOTIFIER, "A", "a(A)")),
            Set.of());
    org.assertj.core.api.Assertions.assertThatThrownBy(
            () -> broken.runUnmutated(1, 1, () -> numbers(1, 1)))
        .isInstanceOf(Stage.NoWorker.class)
        .hasMessageContaining("ended with code 1")
        .hasMessageContaining("NoSuchOption");
  }

  private Map<String, String> verdicts(Stage stage) throws Exception {
    Map<String, String> verdicts = new TreeMap<>();
    Campaign campaign =
        new Campaign(
            2,
            () -> false,
            decided ->
                verdicts.put(
                    words(decided.mutant()),
                    decided.fate()
                        + (decided.test() == 0 ? "" : " by " + names.get(decided.test() - 1))));
    campaign.run(List.of(new Campaign.Part(stage, tasks(stage))));
    return verdicts;
  }

  private String words(int number) {
    Mutant mutant = mutant(number);
    return mutant.line() + ": " + mutant.original() + " -> " + mutant.mutated();
  }

  private Mutant mutant(int number) {
    return mutants.get(number).mutant();
  }

  private static List<Integer> fit(Stage stage, BitSet tests) {
    return tests.stream().boxed().filter(test -> stage.unmutated().get(test).isFit()).toList();
  }

  /** Each with the tests that it changes something for. */
  private List<Task> tasks(Stage stage) {
    List<Task> tasks = new ArrayList<>();
    mutants.forEach(
        (number, mutant) -> {
          BitSet by = new BitSet();
          BitSet acting = new BitSet();
          boolean isShared = false;
          boolean isLeft = false;
          for (Watched at : watched.get(number)) {
            by.or(stage.seen(at.place(), at.sights()));
            acting.or(stage.seenItself(at.place(), at.sights()));
            isShared |= at.isShared() || stage.isSeenInitialising(at.place(), at.sights());
            isLeft |= at.isNearShared();
          }
          BitSet around = new BitSet();
          watched.values().stream()
              .flatMap(List::stream)
              .filter(at -> mutant(at.mutant()).method().equals(mutant(number).method()))
              .forEach(at -> around.or(stage.seen(at.place(), at.any())));
          int method = methods.get(mutant.places().get(0).code());
          List<Integer> asked = fit(stage, isLeft && !by.isEmpty() ? around : by);
          tasks.add(
              new Task(number, method, asked, fit(stage, acting), fit(stage, around), isShared));
        });
    return tasks;
  }

  // ---- class files ----

  private void compile(Path to, String name, String source) throws Exception {
    Path file = Files.writeString(folder.resolve(name + ".java"), source);
    String classPath = to + java.io.File.pathSeparator + place(org.junit.Test.class);
    int failed =
        ToolProvider.getSystemJavaCompiler()
            .run(null, null, null, "-g", "-cp", classPath, "-d", "" + to, file.toString());
    assertThat(failed).isZero();
  }

  private static Path place(Class<?> type) throws Exception {
    URI uri = type.getProtectionDomain().getCodeSource().getLocation().toURI();
    return Path.of(uri);
  }

  /** Where a class comes from, as a jar. */
  private Path jar(Class<?> type, String premain) throws Exception {
    Path place = place(type);
    if (Files.isRegularFile(place)) {
      return place;
    }
    Manifest manifest = new Manifest();
    manifest.getMainAttributes().put(Attributes.Name.MANIFEST_VERSION, "1.0");
    if (!premain.isEmpty()) {
      manifest.getMainAttributes().putValue("Premain-Class", premain);
    }
    Path jar = folder.resolve(type.getSimpleName() + ".jar");
    try (OutputStream out = Files.newOutputStream(jar);
        JarOutputStream to = new JarOutputStream(out, manifest);
        Stream<Path> files = Files.walk(place)) {
      for (Path file : files.filter(f -> f.toString().endsWith(".class")).toList()) {
        write(to, place.relativize(file).toString().replace('\\', '/'), file);
      }
    }
    return jar;
  }

  private static void write(JarOutputStream to, String name, Path file) throws IOException {
    to.putNextEntry(new JarEntry(name));
    Files.copy(file, to);
    to.closeEntry();
  }
}
