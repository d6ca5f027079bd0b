package atalaya.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import atalaya.core.code.ClassState;
import atalaya.core.code.Complexity;
import atalaya.core.figure.ClassFigures;
import atalaya.core.figure.LineFigures;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Mutants;
import atalaya.core.figure.OutcomeFigures;
import atalaya.core.figure.Share;
import atalaya.core.figure.TestFigures;
import atalaya.core.kept.KeptClass;
import atalaya.core.kept.KeptSource;
import atalaya.core.kept.ObservedJvm;
import atalaya.core.kept.RunContents;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Detail;
import atalaya.core.run.NotObserved;
import atalaya.core.run.RunInfo;
import atalaya.core.run.Verdict;
import atalaya.store.runfile.RunFile;
import atalaya.store.runfile.RunFileWriter;
import atalaya.store.runfile.UnreadableRun;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.time.Instant;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.roaringbitmap.RoaringBitmap;

class RunFileTest {
  private static final String PATH = "src/Buoy.java";
  private static final MethodFigures METHOD =
      new MethodFigures(
          PATH,
          "harbour.Buoy",
          "light(int)",
          3,
          9,
          new Complexity(4, Complexity.Origin.SOURCE),
          new Share(2, 5),
          new Share(1, 4),
          2,
          Mutants.NOT_TRIED);
  private static final LineFigures LINE =
      new LineFigures(PATH, "harbour.Buoy", "light(int)", 4, true, OptionalLong.of(1L << 40), 2);
  private static final OutcomeFigures OUTCOME =
      new OutcomeFigures(
          PATH,
          "harbour.Buoy",
          "light(int)",
          4,
          "a \"b\" ü",
          "true",
          false,
          OptionalLong.empty(),
          0);
  private static final TestFigures TEST =
      new TestFigures(
          new atalaya.core.run.Test(1, "[id]", "BuoyTest.x()", Verdict.FAILED, 12, true),
          1,
          2,
          3,
          1,
          0,
          0);
  private static final RunInfo INFO =
      new RunInfo(
          "one",
          "id",
          "harbour",
          Instant.ofEpochMilli(1_700_000_000_123L),
          4_000,
          List.of("mvn", "a b", "c\nd"),
          1,
          "17",
          List.of("src/**"),
          List.of(),
          Optional.of("BuoyTest"),
          Detail.LINES,
          false);

  @TempDir Path folder;
  private Path file;

  @BeforeEach
  void write() throws IOException {
    BitSet points = new BitSet();
    points.set(1);
    points.set(70_000);
    ClassReach reach =
        new ClassReach(Map.of(0, points, 1, points, 2, new BitSet()), Map.of(1, 1L << 40));
    ClassFigures of =
        new ClassFigures(
            "harbour.Buoy",
            "m",
            PATH,
            ClassState.REACHED,
            new Share(1, 2),
            List.of(METHOD),
            List.of(LINE),
            List.of(OUTCOME),
            List.of(),
            List.of(),
            List.of());
    ClassFigures leftOut =
        new ClassFigures(
            "harbour.Fog",
            "m",
            "",
            ClassState.LEFT_OUT,
            Share.NONE,
            List.of(METHOD),
            List.of(LINE),
            List.of(OUTCOME),
            List.of(),
            List.of(),
            List.of());
    file = folder.resolve("runs").resolve("one.run");
    RunFileWriter.write(
        file,
        new RunContents(
            INFO,
            List.of(
                new ObservedJvm(
                    "j",
                    1,
                    "17",
                    "/j",
                    "M",
                    "/w",
                    List.of("-ea"),
                    List.of("a"),
                    List.of("basedir=/b"),
                    List.of("PORT=7"))),
            List.of(new KeptClass("m", "harbour.Buoy", "out/B.class", 7, "ff", false, new byte[9])),
            List.of(new KeptSource("m", PATH, 8, "ee", "class Buoy {}")),
            Map.of("harbour.Buoy", reach),
            List.of(of, leftOut),
            List.of(TEST),
            List.of(),
            List.of(new NotObserved(NotObserved.Reason.STALE, PATH, "")),
            List.of()));
  }

  @Test
  void givesBackWhatWasWritten() {
    try (RunFile run = RunFile.open(file)) {
      assertThat(run.info()).isEqualTo(INFO);
      assertThat(run.methods()).containsExactly(METHOD);
      assertThat(run.lines()).containsExactly(LINE);
      assertThat(run.outcomes()).containsExactly(OUTCOME);
      assertThat(run.tests()).containsExactly(TEST);
      assertThat(run.failedTests()).containsExactly("BuoyTest.x()");
      assertThat(run.classes(ClassState.LEFT_OUT)).containsExactly("harbour.Fog");
      assertThat(run.stamps())
          .extracting(s -> s.path() + s.modified() + s.hash() + s.classes())
          .containsExactly(PATH + "8ee[harbour.Buoy]", "out/B.class7ff[harbour.Buoy]");
    }
  }

  @Test
  void keepsRawReachThatAnySqliteClientReads() throws Exception {
    try (var database = DriverManager.getConnection("jdbc:sqlite:" + file);
        var rows =
            database
                .createStatement()
                .executeQuery(
                    "SELECT test, bits, count(*) OVER (), (SELECT count(*) FROM pattern)"
                        + " FROM reach JOIN pattern ON id = pattern ORDER BY test")) {
      assertThat(rows.next()).isTrue();
      RoaringBitmap bits = new RoaringBitmap();
      bits.deserialize(ByteBuffer.wrap(rows.getBytes(2)));
      assertThat(bits.toArray()).containsExactly(1, 70_000);
      assertThat(rows.getInt(3)).isEqualTo(3);
      assertThat(rows.getInt(4)).as("equal patterns are stored once").isEqualTo(2);
    }
  }

  @Test
  void refusesEveryOtherFile() throws Exception {
    byte[] whole = Files.readAllBytes(file);
    check(folder.resolve("gone.run"), "no run file");
    check(with(new byte[0]), "is empty");
    check(with("{\"not\": \"a run\"}".getBytes()), "is no run file");
    check(with(Arrays.copyOf(whole, whole.length / 2)), "is cut off");
    check(with(Arrays.copyOf(whole, 60)), "is no run file");
    byte[] later = whole.clone();
    later[63] = 9;
    check(with(later), "has format 9, and this Atalaya reads up to 5");
    Path other = folder.resolve("other.run");
    try (var database = DriverManager.getConnection("jdbc:sqlite:" + other)) {
      database.createStatement().execute("CREATE TABLE berth (name TEXT)");
    }
    check(other, "is a database, but not a run file");
    byte[] damaged = whole.clone();
    Arrays.fill(damaged, 100, damaged.length, (byte) 0x5A);
    check(with(damaged), "is damaged");
  }

  @Test
  void refusesValuesThatCannotBe() throws Exception {
    for (String sql :
        List.of(
            "UPDATE method SET lines_reached = 99",
            "UPDATE method SET complexity_from = 'x'",
            "DELETE FROM about WHERE key = 'name'",
            "UPDATE about SET value = 'x' WHERE key = 'started'",
            "DROP TABLE method")) {
      write();
      try (var database = DriverManager.getConnection("jdbc:sqlite:" + file)) {
        database.createStatement().execute(sql);
      }
      check(file, "is damaged");
      Files.delete(file);
    }
  }

  private Path with(byte[] bytes) throws IOException {
    return Files.write(folder.resolve("changed.run"), bytes);
  }

  private static void check(Path file, String message) {
    assertThatThrownBy(
            () -> {
              try (RunFile run = RunFile.open(file)) {
                run.info();
                run.methods();
              }
            })
        .isInstanceOf(UnreadableRun.class)
        .hasMessageContaining(message)
        .hasMessageContaining(file.toString());
  }
}
