package atalaya.store.runfile;

import atalaya.core.figure.ClassFigures;
import atalaya.core.figure.LineFigures;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.OutcomeFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.gap.Gap;
import atalaya.core.kept.KeptClass;
import atalaya.core.kept.KeptSource;
import atalaya.core.kept.ObservedJvm;
import atalaya.core.kept.RunContents;
import atalaya.core.mutant.BasedVerdict;
import atalaya.core.run.NotObserved;
import atalaya.core.run.RunInfo;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.BitSet;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.zip.DeflaterOutputStream;
import org.roaringbitmap.RoaringBitmap;

/** Writes run files. */
public final class RunFileWriter {
  private static final int BATCH = 1_000;

  private final Connection database;
  private int lastMethod;

  private RunFileWriter(Connection database) {
    this.database = database;
  }

  /**
   * Writes a run under a temporary name and moves it into place, so that there never is half a run.
   *
   * @throws IOException when it can't be written, because the disk is full, say
   */
  public static void write(Path file, RunContents run) throws IOException {
    Path unfinished = file.resolveSibling(file.getFileName() + ".unfinished");
    DatabaseLibrary.prepare();
    try {
      Files.createDirectories(file.getParent());
      Files.deleteIfExists(unfinished);
      try (Connection database = DriverManager.getConnection("jdbc:sqlite:" + unfinished)) {
        new RunFileWriter(database).writeAll(run);
      }
      verdicts(unfinished, run);
      Files.move(unfinished, file, StandardCopyOption.ATOMIC_MOVE);
    } catch (SQLException | UncheckedIOException e) {
      throw new IOException(e.getMessage(), e);
    } finally {
      Files.deleteIfExists(unfinished);
    }
  }

  private static void verdicts(Path file, RunContents run) {
    if (run.verdicts().isEmpty()) {
      return;
    }
    Map<String, Integer> numbers = new HashMap<>();
    run.tests().forEach(test -> numbers.putIfAbsent(test.test().name(), test.test().number()));
    try (VerdictWriter writer = VerdictWriter.open(file)) {
      for (BasedVerdict verdict : run.verdicts()) {
        writer.add(verdict, numbers.getOrDefault(verdict.tried().noticedBy(), 0));
      }
    }
  }

  private void writeAll(RunContents run) throws SQLException {
    try (Statement statement = database.createStatement()) {
      statement.execute("PRAGMA journal_mode = OFF");
      statement.execute("PRAGMA synchronous = OFF");
      for (String sql : Schema.STATEMENTS) {
        statement.execute(sql);
      }
    }
    database.setAutoCommit(false);
    about(run.info());
    jvms(run.jvms());
    sources(run.sources());
    classFiles(run.classes());
    reach(run);
    hits(run);
    notObserved(run.notObserved());
    insert(
        "INSERT INTO uncaught VALUES (?, ?, ?, ?)",
        run.uncaught(),
        (to, e) -> set(to, e.thread(), e.type(), e.message(), e.place()));
    insert(
        "INSERT INTO recording VALUES (?, ?, ?, ?)",
        run.recordings(),
        (to, r) -> set(to, r.id(), r.name(), r.started().toEpochMilli(), r.milliseconds()));
    insert(
        "INSERT INTO recorded_test VALUES (?, ?, ?)",
        run.recorded(),
        (to, t) -> set(to, t.number(), t.recording(), t.id()));
    tests(run.tests());
    insert(
        "INSERT INTO left_out VALUES (?, ?, ?, ?, ?, ?)",
        run.leftOut(),
        (to, l) ->
            set(
                to,
                l.nature().label(),
                l.counts().methods(),
                l.counts().lines().whole(),
                l.counts().lines().part(),
                l.counts().outcomes().whole(),
                l.counts().outcomes().part()));
    figures(run.figures());
    database.commit();
  }

  /** Sets the parameters of one row. */
  private interface Row<T> {
    void set(PreparedStatement to, T value) throws SQLException;
  }

  private <T> void insert(String sql, Iterable<T> values, Row<T> row) throws SQLException {
    try (PreparedStatement statement = database.prepareStatement(sql)) {
      int waiting = 0;
      for (T value : values) {
        row.set(statement, value);
        statement.addBatch();
        if (++waiting % BATCH == 0) {
          statement.executeBatch();
        }
      }
      statement.executeBatch();
    }
  }

  private static void set(PreparedStatement to, Object... values) throws SQLException {
    for (int i = 0; i < values.length; i++) {
      Object value = values[i] instanceof Boolean truth ? (Object) (truth ? 1 : 0) : values[i];
      to.setObject(i + 1, value);
    }
  }

  private void about(RunInfo info) throws SQLException {
    Map<String, Object> facts = new HashMap<>();
    facts.put("name", info.name());
    facts.put("id", info.id());
    facts.put("project", info.project());
    facts.put("started", info.started().toEpochMilli());
    facts.put("milliseconds", info.milliseconds());
    facts.put("exit_code", info.exitCode());
    facts.put("jdk", info.jdk());
    facts.put("detail", info.detail().label());
    facts.put("complete", info.complete() ? 1 : 0);
    info.tests().ifPresent(tests -> facts.put("tests", tests));
    insert(
        "INSERT INTO about VALUES (?, ?)",
        facts.entrySet(),
        (to, fact) -> set(to, fact.getKey(), String.valueOf(fact.getValue())));
    words("command", info.command());
    words("only", info.only());
    words("leave_out", info.leaveOut());
  }

  private void words(String list, List<String> words) throws SQLException {
    int[] position = {0};
    insert(
        "INSERT INTO word VALUES (?, ?, ?)",
        words,
        (to, word) -> set(to, list, position[0]++, word));
  }

  private void jvms(List<ObservedJvm> jvms) throws SQLException {
    insert(
        "INSERT INTO jvm VALUES (?, ?, ?, ?, ?, ?)",
        jvms,
        (to, jvm) ->
            set(
                to,
                jvm.id(),
                jvm.started(),
                jvm.javaVersion(),
                jvm.javaHome(),
                jvm.mainCommand(),
                jvm.workingDirectory()));
    for (ObservedJvm jvm : jvms) {
      words(jvm, "option", jvm.options());
      words(jvm, "class_path", jvm.classPath());
      words(jvm, "property", jvm.properties());
      words(jvm, "environment", jvm.environment());
    }
  }

  private void words(ObservedJvm jvm, String list, List<String> words) throws SQLException {
    int[] position = {0};
    insert(
        "INSERT INTO jvm_word VALUES (?, ?, ?, ?)",
        words,
        (to, word) -> set(to, jvm.id(), list, position[0]++, word));
  }

  private void sources(List<KeptSource> sources) throws SQLException {
    insert(
        "INSERT OR IGNORE INTO source VALUES (?, ?, ?, ?, ?)",
        sources,
        (to, s) -> set(to, s.path(), s.module(), s.modified(), s.hash(), s.text()));
  }

  /** A class file, and its bytes as they are kept. */
  private record Packed(KeptClass file, byte[] bytes) {}

  private void classFiles(List<KeptClass> classes) throws SQLException {
    insert(
        "INSERT INTO class_file VALUES (NULL, ?, ?, ?, ?, ?, ?, ?)",
        classes.parallelStream().map(c -> new Packed(c, deflated(c.bytes()))).toList(),
        (to, packed) -> {
          KeptClass c = packed.file();
          set(
              to,
              c.module(),
              c.name(),
              c.file(),
              c.modified(),
              c.hash(),
              c.isTest(),
              packed.bytes());
        });
  }

  private static byte[] deflated(byte[] bytes) {
    ByteArrayOutputStream deflated = new ByteArrayOutputStream(bytes.length / 2);
    try (DeflaterOutputStream to = new DeflaterOutputStream(deflated)) {
      to.write(bytes);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return deflated.toByteArray();
  }

  private void reach(RunContents run) throws SQLException {
    Map<String, Integer> ids = ids(run.figures());
    Map<BitSet, Integer> patterns = new HashMap<>();
    Map<BitSet, Integer> known = new IdentityHashMap<>(); // Most are the same object.
    try (PreparedStatement pattern =
            database.prepareStatement("INSERT INTO pattern VALUES (?, ?)");
        PreparedStatement reach = database.prepareStatement("INSERT INTO reach VALUES (?, ?, ?)")) {
      for (var ofClass : run.reach().entrySet()) {
        for (var ofTest : ofClass.getValue().byTest().entrySet()) {
          BitSet points = ofTest.getValue();
          Integer id = known.get(points);
          id = id == null ? patterns.get(points) : id;
          boolean isNew = id == null;
          id = isNew ? patterns.size() + 1 : id;
          known.put(points, id);
          if (isNew) {
            patterns.put(points, id);
            set(pattern, id, bytes(points));
            pattern.addBatch();
          }
          set(reach, ids.get(ofClass.getKey()), ofTest.getKey(), id);
          reach.addBatch();
        }
        pattern.executeBatch();
        reach.executeBatch();
      }
    }
  }

  /** The id of each class in the table of classes. */
  private static Map<String, Integer> ids(List<ClassFigures> classes) {
    Map<String, Integer> ids = new HashMap<>();
    int id = 0;
    for (ClassFigures type : classes) {
      ids.putIfAbsent(type.name(), ++id);
    }
    return ids;
  }

  private static byte[] bytes(BitSet bits) {
    RoaringBitmap bitmap = RoaringBitmap.bitmapOf(bits.stream().toArray());
    bitmap.runOptimize();
    ByteBuffer buffer = ByteBuffer.allocate(bitmap.serializedSizeInBytes());
    bitmap.serialize(buffer);
    return buffer.array();
  }

  private void hits(RunContents run) throws SQLException {
    Map<String, Integer> ids = ids(run.figures());
    insert(
        "INSERT INTO hit VALUES (?, ?, ?, ?)",
        run.counts().all(),
        (to, hit) -> set(to, ids.get(hit.className()), hit.point(), hit.recording(), hit.times()));
  }

  private void notObserved(List<NotObserved> problems) throws SQLException {
    insert(
        "INSERT INTO not_observed VALUES (?, ?, ?)",
        problems,
        (to, p) -> set(to, p.reason().name(), p.what(), p.detail()));
  }

  private void tests(List<TestFigures> tests) throws SQLException {
    insert(
        "INSERT INTO test VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
        tests,
        (to, t) ->
            set(
                to,
                t.test().number(),
                t.test().id(),
                t.test().name(),
                t.test().verdict().label(),
                t.test().milliseconds(),
                t.test().overlapped(),
                t.methods(),
                t.lines(),
                t.outcomes(),
                t.linesOnlyHere(),
                t.outcomesOnlyHere()));
  }

  private void figures(List<ClassFigures> classes) throws SQLException {
    int[] next = {0};
    insert(
        "INSERT INTO class VALUES (?, ?, ?, ?, ?, ?, ?)",
        classes,
        (to, c) -> {
          set(
              to,
              ++next[0],
              c.name(),
              c.module(),
              c.path(),
              c.state().label(),
              c.jumps().whole(),
              c.jumps().part());
        });
    int id = 0;
    for (ClassFigures figures : classes) {
      id++;
      Map<String, Integer> methods = methods(id, figures.methods());
      lines(methods, figures.lines());
      outcomes(methods, figures.outcomes());
      insert(
          "INSERT INTO handler VALUES (?, ?, ?, ?, ?)",
          figures.handlers(),
          (to, h) ->
              set(to, methods.get(h.method()), h.line(), h.handler(), h.reached(), h.tests()));
      insert(
          "INSERT INTO loop VALUES (?, ?, ?, ?, ?)",
          figures.loops(),
          (to, l) -> set(to, methods.get(l.method()), l.line(), l.zero(), l.once(), l.more()));
      gaps(methods, figures.gaps());
    }
  }

  /** Writes the methods of a class; their ids by name. */
  private Map<String, Integer> methods(int id, List<MethodFigures> methods) throws SQLException {
    Map<String, Integer> ids = new HashMap<>();
    insert(
        "INSERT INTO method VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
        methods,
        (to, m) -> {
          ids.put(m.method(), ++lastMethod);
          set(
              to,
              lastMethod,
              id,
              m.method(),
              m.firstLine(),
              m.lastLine(),
              m.complexity().value(),
              m.complexity().origin().label(),
              m.lines().whole(),
              m.lines().part(),
              m.outcomes().whole(),
              m.outcomes().part(),
              m.tests());
        });
    return ids;
  }

  private void lines(Map<String, Integer> ids, List<LineFigures> lines) throws SQLException {
    insert(
        "INSERT INTO line VALUES (?, ?, ?, ?, ?)",
        lines,
        (to, l) -> set(to, ids.get(l.method()), l.line(), l.reached(), hits(l.hits()), l.tests()));
  }

  private static Object hits(OptionalLong hits) {
    return hits.isPresent() ? hits.getAsLong() : null;
  }

  private void gaps(Map<String, Integer> ids, List<Gap> gaps) throws SQLException {
    insert(
        "INSERT INTO gap VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
        gaps,
        (to, g) ->
            set(
                to,
                ids.get(g.method()),
                g.name(),
                g.kind().label(),
                g.line(),
                g.condition(),
                g.outcome(),
                g.evaluated(),
                g.opens().lines(),
                g.opens().outcomes(),
                g.opens().methods(),
                g.behind()));
  }

  private void outcomes(Map<String, Integer> ids, List<OutcomeFigures> outcomes)
      throws SQLException {
    insert(
        "INSERT INTO outcome VALUES (?, ?, ?, ?, ?, ?, ?)",
        outcomes,
        (to, o) ->
            set(
                to,
                ids.get(o.method()),
                o.line(),
                o.condition(),
                o.outcome(),
                o.reached(),
                hits(o.hits()),
                o.tests()));
  }
}
