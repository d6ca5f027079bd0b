package atalaya.dist;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.store.runfile.RunFile;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Mutants that want to do harm, each with the verdict that it deserves. */
class ChallengeTest {
  private static final String CODE =
      """
      package harbour;

      import java.util.*;

      public class Lock {
        static int gates = 2 * sides();
        private static final Map<Integer, Integer> SEEN = new HashMap<>();
        private static final List<byte[]> KEPT = new ArrayList<>();

        static int sides() {
          return 1;
        }

        public int empty(int water) {
          int turns = 0;
          while (water > 0) {
            water--;
            turns++;
          }
          return turns;
        }

        public void close(int force) {
          if (force > 9) {
            System.exit(7);
          }
        }

        public int remembered(int boat) {
          return SEEN.computeIfAbsent(boat, b -> b + 3);
        }

        public int unseen(int boat) {
          int toll = boat + 1;
          if (boat > 40) {
            toll = 0;
          }
          return toll;
        }

        public void keep(int kilobytes) {
          KEPT.clear();
          for (int i = 0; i < kilobytes; i++) {
            KEPT.add(new byte[1024]);
            if (KEPT.size() > kilobytes) {
              i -= 2;
            }
          }
        }

        public void hold(int millis) throws InterruptedException {
          if (millis < 0) {
            synchronized (this) {
              wait();
            }
          }
        }

        public void ring(int times) {
          if (times > 3) {
            Thread bell =
                new Thread(
                    () -> {
                      while (true) {
                        times(1);
                      }
                    });
            bell.setDaemon(true);
            bell.start();
          }
        }

        int times(int bells) {
          return bells;
        }

        private static String name;

        public String name() {
          if (name == null) {
            name = "south lock";
          }
          return name;
        }

        static int sill = deepest(3);

        static int deepest(int water) {
          if (water > 3) {
            return 9;
          }
          return water + 1;
        }
      }
      """;

  private static final String QUICK =
      """
      package harbour.quick;

      public class Quay {
        private int boats;

        public int moor(int more) {
          boats += more;
          return boats > 3 ? 3 : boats;
        }

        public boolean isFull() {
          return boats >= 3;
        }

        public String sign() {
          String text = "quay";
          for (int i = 0; i < boats; i++) {
            text += "!";
          }
          return text;
        }

        public void check(int draught) {
          if (draught > 9 && boats == 0) {
            throw new IllegalArgumentException("too deep");
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
        private static int runs;
        private final Lock lock = new Lock();

        @Test
        public void hasGates() {
          assertEquals(2, Lock.gates);
        }

        @Test
        public void hasSill() {
          assertEquals(4, Lock.sill);
          assertEquals(9, Lock.deepest(5));
        }

        @Test
        public void empties() {
          assertEquals(3, lock.empty(3));
        }

        @Test
        public void staysOpen() {
          lock.close(4);
        }

        @Test
        public void remembers() {
          assertEquals(8, lock.remembered(5));
        }

        @Test
        public void remembersAgain() {
          assertEquals(8, lock.remembered(5));
        }

        @Test
        public void isNamed() {
          assertEquals("south lock", lock.name());
        }

        @Test
        public void isNamedAgain() {
          assertEquals("south lock", lock.name());
        }

        @Test
        public void looksAway() {
          lock.unseen(3);
        }

        @Test
        public void runsWellOnlyOnce() {
          lock.unseen(2);
          assertEquals(1, ++runs);
        }

        @Test
        public void keeps() {
          lock.keep(4);
        }

        @Test
        public void holds() throws Exception {
          lock.hold(1);
        }

        @Test
        public void rings() {
          lock.ring(2);
        }

        @Test
        public void moors() {
          harbour.quick.Quay quay = new harbour.quick.Quay();
          assertEquals(2, quay.moor(2));
          assertFalse(quay.isFull());
          assertEquals("quay!!", quay.sign());
          quay.check(4);
        }

        @Test
        public void looksAround() {
          harbour.quick.Quay quay = new harbour.quick.Quay();
          quay.moor(2);
          quay.moor(7);
          quay.isFull();
          quay.check(4);
          lock.unseen(5);
        }

        @Test
        public void fails() {
          lock.unseen(1);
          fail("always");
        }
      }
      """;

  @TempDir Path folder;

  @BeforeEach
  void observe() throws IOException {
    String junit = jarOf(org.junit.Test.class) + ":" + jarOf(org.hamcrest.Matcher.class);
    write("atalaya.yaml", "");
    write("src/harbour/Lock.java", CODE);
    write("src/harbour/quick/Quay.java", QUICK);
    write("test/harbour/LockTest.java", TESTS);
    Shipped.compile(folder.resolve("src"), folder.resolve("out"), "-g");
    Shipped.compile(
        folder.resolve("test"),
        folder.resolve("test-out"),
        "-cp",
        folder.resolve("out") + ":" + junit);
    Shipped.Result observed =
        Shipped.run(
            folder,
            ("observe --name tests --project . --classes out --sources src -- "
                    + Shipped.java()
                    + " -Xmx64m -cp out:test-out:"
                    + junit
                    + " org.junit.runner.JUnitCore harbour.LockTest")
                .split(" "));
    assertThat(observed.exitCode()).as(observed.err()).isEqualTo(1);
  }

  @Test
  void eachGetsTheVerdictThatItDeserves() throws Exception {
    Shipped.Result done = Shipped.run(folder, "challenge", "--quiet", "--workers", "1");
    assertThat(done.exitCode()).as(done.err()).isZero();
    assertThat(done.out().lines().dropWhile(line -> !line.startsWith("Reach much")).skip(1))
        .as("asked alone, too, because others always notice first")
        .singleElement()
        .asString()
        .matches(
            "  LockTest\\.looksAround\\(\\): \\d+ mutants change what it does; run with \\d+, it noticed none");
    assertThat(done.out())
        .contains("line 24: `force > 9` is `force >= 9` (needs another input)\n")
        .contains("line 34: `boat + 1` is `boat - 1`\n");
    Map<String, String> verdicts = verdicts("tests");
    assertThat(verdicts)
        .as("what initialises the class is tried apart")
        .containsEntry("6: `2 * sides()` -> `2 / sides()`", "survived by nobody")
        .containsEntry("6: `2` -> `3`", "killed by LockTest.hasGates()")
        .containsEntry("11: `1` -> `0`", "killed by LockTest.hasGates()")
        .as(
            "and so is what changes something meanwhile, though it does not for the test's own call")
        .containsEntry("89: `water > 3` -> `water >= 3`", "killed by LockTest.hasSill()")
        .containsEntry("92: `water + 1` -> `water - 1`", "killed by LockTest.hasSill()")
        .containsEntry("90: `9` -> `10`", "killed by LockTest.hasSill()")
        .as("an endless loop ends")
        .containsEntry("17: `water--` -> `water++`", "timeout by LockTest.empties()")
        .as("so does a JVM")
        .containsEntry("24: `force > 9` -> `force != 9`", "killed by nobody")
        .as("and a test that waits for nobody")
        .containsEntry("52: `millis < 0` -> `millis != 0`", "timeout by LockTest.holds()")
        .as("whose threads that go on disturb nobody")
        .containsEntry("60: `times > 3` -> `times != 3`", "survived by nobody")
        .containsEntry("7: `boats += more` -> `boats -= more`", "killed by LockTest.moors()")
        .as("a value that is remembered neither hides a mutant nor fails the next one's tests")
        .hasEntrySatisfying(
            "30: `b + 3` -> `b - 3`",
            verdict -> assertThat(verdict).startsWith("killed by LockTest.remembers"))
        .as("nor does one that is made by whoever asks first")
        .hasEntrySatisfying(
            "80: `name == null` -> `false`",
            verdict -> assertThat(verdict).startsWith("killed by LockTest.isNamed"))
        .as("a test that passes only once notices nothing; one that failed is not asked")
        .containsEntry("34: `boat + 1` -> `boat - 1`", "survived by nobody")
        .containsEntry("35: `boat > 40` -> `boat != 40`", "survived by nobody")
        .containsEntry("38: `return toll;` -> `return 0;`", "survived by nobody");
    assertThat(verdicts.get("45: `KEPT.size() > kilobytes` -> `KEPT.size() != kilobytes`"))
        .as("and a memory that is full")
        .startsWith("killed");
    assertThat(verdicts.values()).noneMatch(verdict -> verdict.contains("fails"));

    Shipped.Result told = Shipped.ask(folder, "inspect", "Lock#unseen");
    assertThat(told.out())
        .contains("^ no test notices when `boat + 1` is `boat - 1`")
        .contains("0 of 6 faults noticed");
    assertThat(Shipped.ask(folder, "gaps", "Lock#close").out())
        .contains(
            "no test notices when `force > 9` is always false, or `force >= 9` (needs another input)\n");
    assertThat(Shipped.ask(folder, "rank", "--format", "csv").out())
        .containsPattern("unseen\\(int\\),\\d+,\\d+,2,source,4,3,2,1,4,0,6,");
    String gap =
        Shipped.ask(folder, "gaps", "--format", "csv")
            .out()
            .lines()
            .filter(row -> row.contains("boat + 1"))
            .findFirst()
            .orElseThrow()
            .split(",")[0];
    assertThat(
            Shipped.ask(folder, "decide", gap, "--equivalent", "--because", "nobody pays")
                .exitCode())
        .isZero();
    assertThat(Shipped.ask(folder, "rank", "--format", "csv").out()).contains(",4,0,5,");
    assertThat(Shipped.ask(folder, "survey").out()).contains("1 fault that passes by 1 decision");
  }

  @Test
  void losesNothingAndComesToTheSameInParts() throws Exception {
    Path run = folder.resolve(".atalaya/runs/tests.run");
    for (String part : List.of("1", "2")) {
      Files.copy(run, folder.resolve(part + ".run"));
      challenge("harbour.quick", "--run", part + ".run", "--shard", part + "/2");
    }
    Shipped.ask(folder, "merge", "2.run", "1.run", "--name", "merged");
    Process killed =
        new ProcessBuilder(
                Shipped.HOME.resolve("bin/atalaya").toString(),
                "challenge",
                "harbour.quick",
                "--run",
                "tests")
            .directory(folder.toFile())
            .redirectErrorStream(true)
            .redirectOutput(folder.resolve("killed.txt").toFile())
            .start();
    while (killed.isAlive() && decided(run) < 4) {
      killed.waitFor(20, TimeUnit.MILLISECONDS);
    }
    killed.destroyForcibly().waitFor();
    assertThat(decided(run)).as(Files.readString(folder.resolve("killed.txt"))).isGreaterThan(3);
    Shipped.Result resumed = challenge("harbour.quick", "--run", "tests", "--resume");
    assertThat(resumed.exitCode()).as(resumed.err()).isZero();
    assertThat(whetherNoticed("tests"))
        .as("which test is the first to notice, and how, depends on what was tried before")
        .isEqualTo(whetherNoticed("merged"));
    assertThat(challenge("--run", "tests", "--resume", "Lock").errLine())
        .contains("had another target or shard (harbour.quick 1/1)");
  }

  @Test
  void refusesWhatItCannotDo() throws Exception {
    assertThat(challenge("--shard", "4/3").errLine()).contains("1 <= K <= N (got 4/3)");
    assertThat(challenge("--budget", "soon").exitCode()).isEqualTo(2);
    assertThat(challenge("--workers", "0").exitCode()).isEqualTo(2);
    assertThat(challenge("--resume").errLine()).contains("no challenge of this run to go on with");
    assertThat(challenge("Dock").errLine()).contains("no code is named \"Dock\"");
    Path type = folder.resolve("out/harbour/Lock.class");
    Files.write(type, new byte[] {1}, java.nio.file.StandardOpenOption.APPEND);
    Files.setLastModifiedTime(type, java.nio.file.attribute.FileTime.fromMillis(1));
    Shipped.Result changed = challenge();
    assertThat(changed.exitCode()).isEqualTo(3);
    assertThat(changed.errLine())
        .contains("1 class has changed since: harbour.Lock; observe again");
  }

  /** Each mutant with its verdict; one that a slow machine takes for hung was noticed as well. */
  private List<String> whetherNoticed(String run) {
    return Shipped.ask(folder, "export", "mutants", "--run", run)
        .out()
        .lines()
        .map(row -> row.replaceAll(",(killed|timeout),.*$", ",noticed"))
        .map(row -> row.replaceAll(",\\d+$", ""))
        .toList();
  }

  private static int decided(Path run) {
    try (RunFile file = RunFile.open(run)) {
      return file.mutants().size();
    }
  }

  private Shipped.Result challenge(String... more) {
    List<String> words =
        new java.util.ArrayList<>(List.of("challenge", "--quiet", "--format", "csv"));
    words.addAll(List.of(more));
    return Shipped.run(folder, words.toArray(String[]::new));
  }

  /** By line, original and mutated text: the verdict and who noticed. */
  private Map<String, String> verdicts(String run) {
    Map<String, String> verdicts = new TreeMap<>();
    Shipped.ask(folder, "export", "mutants", "--run", run)
        .out()
        .lines()
        .skip(1)
        .map(row -> row.split(",(?=(?:[^\"]*\"[^\"]*\")*[^\"]*$)", -1))
        .forEach(
            cells ->
                verdicts.put(
                    cells[4] + ": `" + cells[6] + "` -> `" + cells[7] + "`",
                    cells[8] + " by " + (cells[9].isEmpty() ? "nobody" : cells[9])));
    return verdicts;
  }

  private void write(String path, String text) throws IOException {
    Path file = folder.resolve(path);
    Files.createDirectories(file.getParent());
    Files.writeString(file, text);
  }

  static String jarOf(Class<?> type) {
    try {
      return Path.of(type.getProtectionDomain().getCodeSource().getLocation().toURI()).toString();
    } catch (URISyntaxException e) {
      throw new UncheckedIOException(new IOException(e));
    }
  }
}
