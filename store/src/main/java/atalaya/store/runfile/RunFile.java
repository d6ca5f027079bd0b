package atalaya.store.runfile;

import atalaya.core.code.ClassState;
import atalaya.core.figure.ClassSummary;
import atalaya.core.figure.HandlerFigures;
import atalaya.core.figure.LineFigures;
import atalaya.core.figure.LoopFigures;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.OutcomeFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.gap.Gap;
import atalaya.core.gap.Survivors;
import atalaya.core.kept.KeptClass;
import atalaya.core.kept.KeptSource;
import atalaya.core.kept.ObservedJvm;
import atalaya.core.kept.Stamp;
import atalaya.core.leave.LeftOut;
import atalaya.core.merge.Whole;
import atalaya.core.mutant.BasedVerdict;
import atalaya.core.mutant.TriedMutant;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Counts;
import atalaya.core.run.Detail;
import atalaya.core.run.NotObserved;
import atalaya.core.run.RecordedTest;
import atalaya.core.run.Recording;
import atalaya.core.run.RunInfo;
import atalaya.core.run.Test;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.sqlite.SQLiteConfig;

/** A run file, open for reading. Every method throws {@link UnreadableRun} when it is damaged. */
public final class RunFile implements AutoCloseable {
  /** How long to wait while a challenge writes. */
  static final int BUSY_MILLIS = 30_000;

  private static final String COUNTED = " WHERE class.state <> 'left out'";

  private static final String METHODS =
      "SELECT path, class.name, method.name, first_line, last_line, complexity, complexity_from,"
          + " lines_reached, lines, outcomes_reached, outcomes, tests, method.class,"
          + " coalesce(noticed, 0), coalesce(survived, 0)"
          + " FROM method JOIN class ON class.id = method.class"
          + " LEFT JOIN (SELECT method, sum(fate IN ('killed', 'timeout')) AS noticed,"
          + " sum(fate = 'survived') AS survived FROM mutant GROUP BY method) AS tried"
          + " ON tried.method = method.id";

  private static final String MUTANTS =
      "SELECT mutant.name, path, class.name, method.name, mutant.line, operator, original, mutated,"
          + " fate, coalesce(test.name, ''), noticed_with, tests_run, basis, noticed_by"
          + " FROM mutant JOIN method ON method.id = mutant.method"
          + " JOIN class ON class.id = method.class LEFT JOIN test ON test.number = noticed_by";

  private static final String SOURCES = "SELECT module, path, modified, hash, text FROM source";
  private static final String CLASS_FILES =
      "SELECT module, name, file, modified, hash, is_test, bytes FROM class_file";

  private static final String GAPS =
      "SELECT gap.name, kind, path, class.name, method.name, line, condition, outcome,"
          + " evaluated, opens_lines, opens_outcomes, opens_methods, behind"
          + " FROM gap JOIN method ON method.id = gap.method JOIN class ON class.id = method.class";

  private final Path path;
  private final Database database;

  /** Of the observed class files; null before they were asked for. */
  private Map<String, List<String>> idsByOutermost;

  private RunFile(Path path, Database database) {
    this.path = path;
    this.database = database;
  }

  /**
   * Opens a run file.
   *
   * @throws UnreadableRun when there is none, or it can't be read
   */
  public static RunFile open(Path path) {
    RunFileHeader.check(path);
    DatabaseLibrary.prepare();
    finishWriting(path);
    SQLiteConfig config = new SQLiteConfig();
    config.setReadOnly(true);
    config.setBusyTimeout(BUSY_MILLIS);
    try {
      return new RunFile(path, new Database(path, config.createConnection("jdbc:sqlite:" + path)));
    } catch (SQLException e) {
      throw Database.damaged(path, e);
    }
  }

  /** Takes back what a killed challenge had begun to write. */
  private static void finishWriting(Path path) {
    if (!Files.exists(path.resolveSibling(path.getFileName() + "-journal"))) {
      return;
    }
    try (Connection writable = DriverManager.getConnection("jdbc:sqlite:" + path);
        Statement statement = writable.createStatement()) {
      statement.execute("PRAGMA busy_timeout = " + BUSY_MILLIS);
      statement.executeQuery("SELECT count(*) FROM challenge").close();
    } catch (SQLException e) {
      throw Database.damaged(path, e);
    }
  }

  /** What is known of the run besides its figures. */
  public RunInfo info() {
    Map<String, String> about = new HashMap<>();
    database.query(
        "SELECT key, value FROM about", row -> about.put(row.getString(1), row.getString(2)));
    try {
      return new RunInfo(
          text(about, "name"),
          text(about, "id"),
          text(about, "project"),
          Instant.ofEpochMilli(Long.parseLong(text(about, "started"))),
          Long.parseLong(text(about, "milliseconds")),
          words("command"),
          Integer.parseInt(text(about, "exit_code")),
          text(about, "jdk"),
          words("only"),
          words("leave_out"),
          Optional.ofNullable(about.get("tests")),
          Detail.of(text(about, "detail")),
          text(about, "complete").equals("1"));
    } catch (IllegalArgumentException e) {
      throw Database.damaged(path, e);
    }
  }

  private String text(Map<String, String> about, String key) {
    String value = about.get(key);
    if (value == null) {
      throw new IllegalArgumentException("it lacks \"" + key + "\"");
    }
    return value;
  }

  private List<String> words(String list) {
    return database.read(
        "SELECT value FROM word WHERE list = '" + list + "' ORDER BY position",
        row -> row.getString(1));
  }

  /** The methods that count, by class and line. */
  public List<MethodFigures> methods() {
    return database.read(METHODS + COUNTED + " ORDER BY method.id", Rows::method);
  }

  /** The methods that count of some classes, by class and line. */
  public List<MethodFigures> methods(Predicate<String> className) {
    return database.read(
        METHODS + COUNTED + " AND class.id IN (" + ids(className) + ") ORDER BY method.id",
        Rows::method);
  }

  /** The methods of a class, by line. */
  public List<MethodFigures> methods(String className) {
    return database.read(
        METHODS + " WHERE class.id IN (SELECT id FROM class WHERE name = ?) ORDER BY method.id",
        Rows::method,
        className);
  }

  /** The gaps that count of some classes, by class and method. */
  public List<Gap> gaps(Predicate<String> className) {
    return withSurvivors(
        database.read(
            GAPS
                + COUNTED
                + " AND class.id IN ("
                + ids(className)
                + ") ORDER BY class.id, gap.rowid",
            Rows::gap),
        database.read(
            MUTANTS
                + COUNTED
                + " AND class.id IN ("
                + ids(className)
                + ") ORDER BY class.id, mutant.line, original, mutated, mutant.name",
            Rows::mutant));
  }

  private String ids(Predicate<String> className) {
    List<String> ids = new ArrayList<>();
    database.query(
        "SELECT id, name FROM class",
        row -> className.test(row.getString(2)) && ids.add(String.valueOf(row.getInt(1))));
    return String.join(", ", ids);
  }

  /** All classes in which anything may count, those left out too. */
  public List<ClassSummary> allClasses() {
    return classes("1");
  }

  /** All classes, those left out too, without their methods. */
  public List<ClassSummary> classesAlone() {
    return classes("1", Map.of());
  }

  /** Some classes, those left out too. */
  public List<ClassSummary> someClasses(Predicate<String> className) {
    return classes("class.id IN (" + ids(className) + ")");
  }

  private List<ClassSummary> classes(String which) {
    Map<Integer, List<MethodFigures>> methods = new HashMap<>();
    database.query(
        METHODS + " WHERE " + which + " ORDER BY method.id",
        row ->
            methods.computeIfAbsent(row.getInt(13), c -> new ArrayList<>()).add(Rows.method(row)));
    return classes(which, methods);
  }

  private List<ClassSummary> classes(String which, Map<Integer, List<MethodFigures>> methods) {
    return database.read(
        "SELECT id, module, path, name, state FROM class WHERE " + which + " ORDER BY id",
        row ->
            new ClassSummary(
                row.getString(2),
                row.getString(3),
                row.getString(4),
                ClassState.of(row.getString(5)),
                methods.getOrDefault(row.getInt(1), List.of())));
  }

  /** The lines that count, by class and line. */
  public List<LineFigures> lines() {
    return database.read(
        "SELECT path, class.name, method.name, line, reached, hits, line.tests"
            + " FROM line JOIN method ON method.id = line.method JOIN class ON class.id = method.class"
            + COUNTED
            + " ORDER BY class.id, line.rowid",
        Rows::line);
  }

  /** The outcomes that count, by class and line. */
  public List<OutcomeFigures> outcomes() {
    return database.read(
        "SELECT path, class.name, method.name, line, condition, outcome, reached, hits, outcome.tests"
            + " FROM outcome JOIN method ON method.id = outcome.method JOIN class ON class.id = method.class"
            + COUNTED
            + " ORDER BY class.id, outcome.rowid",
        Rows::outcome);
  }

  /** The handlers that count, by class and line. */
  public List<HandlerFigures> handlers() {
    return database.read(
        "SELECT path, class.name, method.name, line, handler, reached, handler.tests"
            + " FROM handler JOIN method ON method.id = handler.method"
            + " JOIN class ON class.id = method.class"
            + COUNTED
            + " ORDER BY class.id, handler.rowid",
        Rows::handler);
  }

  /** The loops that count, by class and line. */
  public List<LoopFigures> loops() {
    return database.read(
        "SELECT path, class.name, method.name, line, zero, once, more"
            + " FROM loop JOIN method ON method.id = loop.method"
            + " JOIN class ON class.id = method.class"
            + COUNTED
            + " ORDER BY class.id, loop.rowid",
        Rows::loop);
  }

  /** What was left out for its nature. */
  public List<LeftOut> leftOut() {
    return database.read(
        "SELECT nature, methods, lines_reached, lines, outcomes_reached, outcomes FROM left_out",
        Rows::leftOut);
  }

  /** The gaps that count, by class and method. */
  public List<Gap> gaps() {
    return withSurvivors(
        database.read(GAPS + COUNTED + " ORDER BY class.id, gap.rowid", Rows::gap), mutants());
  }

  /** The gaps that count and are a whole method, by class and method. */
  public List<Gap> methodGaps() {
    return database.read(
        GAPS + COUNTED + " AND gap.kind IN ('method', 'unused') ORDER BY class.id, gap.rowid",
        Rows::gap);
  }

  /** The gaps of a class. */
  public List<Gap> gaps(String className) {
    return withSurvivors(
        database.read(
            GAPS
                + " WHERE method.class IN (SELECT id FROM class WHERE name = ?)"
                + " ORDER BY gap.rowid",
            Rows::gap,
            className),
        mutants(className));
  }

  private static List<Gap> withSurvivors(List<Gap> gaps, List<TriedMutant> mutants) {
    List<Gap> all = new ArrayList<>(gaps);
    all.addAll(Survivors.of(mutants));
    return all;
  }

  /** The mutants of classes that count and what became of them, by class and line. */
  public List<TriedMutant> mutants() {
    return database.read(
        MUTANTS + COUNTED + " ORDER BY class.id, mutant.line, original, mutated, mutant.name",
        Rows::mutant);
  }

  /** The same, of one class. */
  public List<TriedMutant> mutants(String className) {
    return database.read(
        MUTANTS
            + " WHERE method.class IN (SELECT id FROM class WHERE name = ?) ORDER BY mutant.line, original, mutated, mutant.name",
        Rows::mutant,
        className);
  }

  /** Verdicts with what they rest on, by the name of the mutant. */
  public Map<String, BasedVerdict> verdicts() {
    Map<String, BasedVerdict> verdicts = new HashMap<>();
    database.query(
        MUTANTS,
        row ->
            verdicts.put(row.getString(1), new BasedVerdict(Rows.mutant(row), row.getString(13))));
    return verdicts;
  }

  /** What is known of the challenge of this run; nothing where there was none. */
  public Map<String, String> challenge() {
    Map<String, String> facts = new HashMap<>();
    database.query(
        "SELECT key, value FROM challenge", row -> facts.put(row.getString(1), row.getString(2)));
    return facts;
  }

  /** Why tests took no part in the challenge, by their number. */
  public Map<Integer, String> unfitTests() {
    Map<Integer, String> unfit = new TreeMap<>();
    database.query(
        "SELECT test, reason FROM unfit_test", row -> unfit.put(row.getInt(1), row.getString(2)));
    return unfit;
  }

  /** All class files. */
  public List<KeptClass> allClassFiles() {
    return database.read(CLASS_FILES + " ORDER BY id", Rows::classFile);
  }

  /** A source file, by its path from the project's root. */
  public Optional<KeptSource> source(String path) {
    return database.read(SOURCES + " WHERE path = ?", Rows::source, path).stream().findFirst();
  }

  /** The observed class files of an outermost class and all that stands in it. */
  public List<KeptClass> classFiles(String outermost) {
    if (idsByOutermost == null) {
      idsByOutermost = new HashMap<>();
      database.query(
          "SELECT id, name FROM class_file WHERE is_test = 0 ORDER BY id",
          row ->
              idsByOutermost
                  .computeIfAbsent(outermost(row.getString(2)), name -> new ArrayList<>())
                  .add(row.getString(1)));
    }
    return idsByOutermost.getOrDefault(outermost, List.of()).stream()
        .flatMap(id -> database.read(CLASS_FILES + " WHERE id = ?", Rows::classFile, id).stream())
        .toList();
  }

  /** The observed class files, one after the other, those of tests not among them. */
  public Stream<KeptClass> classFiles() {
    List<String> ids =
        database.read("SELECT id FROM class_file WHERE is_test = 0", row -> row.getString(1));
    return ids.stream()
        .flatMap(id -> database.read(CLASS_FILES + " WHERE id = ?", Rows::classFile, id).stream());
  }

  private static String outermost(String name) {
    int dollar = name.indexOf('$', 1);
    return dollar < 0 ? name : name.substring(0, dollar);
  }

  /** The class files of the tests. */
  public List<KeptClass> testClasses() {
    return database.read(CLASS_FILES + " WHERE is_test = 1 ORDER BY id", Rows::classFile);
  }

  /** All that the run is made of, without what is derived from it. */
  public Whole whole() {
    RunInfo info = info();
    List<Recording> recordings =
        database.read("SELECT id, name, started, milliseconds FROM recording", Rows::recording);
    List<RecordedTest> recorded =
        database.read(
            "SELECT number, recording, id FROM recorded_test ORDER BY number",
            row -> new RecordedTest(row.getInt(1), row.getString(2), row.getString(3)));
    List<Test> tests = tests().stream().map(TestFigures::test).toList();
    boolean isOne = recordings.isEmpty();
    Counts counts = counts();
    return new Whole(
        info,
        isOne
            ? List.of(new Recording(info.id(), info.name(), info.started(), info.milliseconds()))
            : recordings.stream().sorted().toList(),
        jvms(),
        database.read(CLASS_FILES + " ORDER BY id", Rows::classFile),
        database.read(SOURCES + " ORDER BY path", Rows::source),
        wholeReach(counts),
        counts,
        Set.copyOf(classes(ClassState.LEFT_OUT)),
        tests,
        isOne
            ? tests.stream().map(t -> new RecordedTest(t.number(), info.id(), t.id())).toList()
            : recorded,
        notObserved(),
        database.read("SELECT thread, type, message, place FROM uncaught", Rows::uncaught),
        List.copyOf(verdicts().values()));
  }

  /** The JVMs that were observed. */
  public List<ObservedJvm> jvms() {
    Map<String, List<String>> words = new HashMap<>();
    database.query(
        "SELECT jvm, list, value FROM jvm_word ORDER BY jvm, list, position",
        row ->
            words
                .computeIfAbsent(row.getString(1) + row.getString(2), w -> new ArrayList<>())
                .add(row.getString(3)));
    return database.read(
        "SELECT id, started, java_version, java_home, main_command, working_directory FROM jvm",
        row ->
            new ObservedJvm(
                row.getString(1),
                row.getLong(2),
                row.getString(3),
                row.getString(4),
                row.getString(5),
                row.getString(6),
                words.getOrDefault(row.getString(1) + "option", List.of()),
                words.getOrDefault(row.getString(1) + "class_path", List.of()),
                words.getOrDefault(row.getString(1) + "property", List.of()),
                words.getOrDefault(row.getString(1) + "environment", List.of())));
  }

  private Map<String, ClassReach> wholeReach(Counts counts) {
    Map<String, ClassReach> reach = new HashMap<>();
    Map<String, Map<Integer, Long>> hits = counts.sums();
    byClass("")
        .forEach(
            (name, byTest) ->
                reach.put(name, new ClassReach(byTest, hits.getOrDefault(name, Map.of()))));
    return reach;
  }

  private Counts counts() {
    return new Counts(
        database.read(
            "SELECT recording, name, point, times FROM hit JOIN class ON class.id = class",
            Rows::count));
  }

  /** The hashes of the observed class files, by binary name. */
  public Map<String, String> hashes() {
    Map<String, String> hashes = new HashMap<>();
    database.query(
        "SELECT name, hash FROM class_file WHERE is_test = 0 ORDER BY id",
        row -> hashes.putIfAbsent(row.getString(1), row.getString(2)));
    return hashes;
  }

  /** The points of a class that were reached, by whom; equal sets are one object. */
  public ClassReach reach(String className) {
    Map<Integer, BitSet> patterns = new HashMap<>();
    Map<Integer, BitSet> byTest = new HashMap<>();
    database.query(
        "SELECT test, pattern.id, bits FROM reach JOIN pattern ON pattern.id = pattern"
            + " WHERE class IN (SELECT id FROM class WHERE name = ?)",
        row -> {
          BitSet points = patterns.get(row.getInt(2));
          if (points == null) {
            points = Rows.points(row.getBytes(3));
            patterns.put(row.getInt(2), points);
          }
          return byTest.put(row.getInt(1), points);
        },
        className);
    Map<Integer, Long> hits = new HashMap<>();
    database.query(
        "SELECT point, sum(times) FROM hit WHERE class IN (SELECT id FROM class WHERE name = ?)"
            + " GROUP BY point",
        row -> hits.put(row.getInt(1), row.getLong(2)),
        className);
    return new ClassReach(byTest, hits);
  }

  /** The points of all classes that tests reached, by whom; equal sets are one object. */
  public Map<String, ClassReach> allReach() {
    Map<String, ClassReach> reach = new HashMap<>();
    byClass(COUNTED).forEach((name, byTest) -> reach.put(name, new ClassReach(byTest, Map.of())));
    return reach;
  }

  private Map<String, Map<Integer, BitSet>> byClass(String which) {
    Map<Integer, BitSet> patterns = new HashMap<>();
    database.query(
        "SELECT id, bits FROM pattern",
        row -> patterns.put(row.getInt(1), Rows.points(row.getBytes(2))));
    Map<String, Map<Integer, BitSet>> byClass = new HashMap<>();
    database.query(
        "SELECT name, test, pattern FROM reach JOIN class ON class.id = class" + which,
        row ->
            byClass
                .computeIfAbsent(row.getString(1), c -> new HashMap<>())
                .put(row.getInt(2), patterns.get(row.getInt(3))));
    return byClass;
  }

  /** All tests, in the order in which they began. */
  public List<TestFigures> tests() {
    return someTests("1");
  }

  /** Some tests, by their numbers. */
  public List<TestFigures> tests(Set<Integer> numbers) {
    String all = numbers.stream().map(String::valueOf).collect(Collectors.joining(", "));
    return someTests("number IN (" + all + ")");
  }

  private List<TestFigures> someTests(String which) {
    return database.read(
        "SELECT number, id, name, verdict, milliseconds, overlapped, methods, lines, outcomes,"
            + " lines_only_here, outcomes_only_here, coalesce(kills, 0) FROM test LEFT JOIN"
            + " (SELECT noticed_by, count(*) AS kills FROM mutant GROUP BY noticed_by)"
            + " ON noticed_by = number WHERE "
            + which
            + " ORDER BY number",
        Rows::test);
  }

  /** The names of the tests that failed or did not finish. */
  public List<String> failedTests() {
    return database.read(
        "SELECT name FROM test WHERE verdict IN ('failed', 'unfinished') ORDER BY number",
        row -> row.getString(1));
  }

  /** How many tests there are. */
  public int countTests() {
    return database.read("SELECT count(*) FROM test", row -> row.getInt(1)).get(0);
  }

  /** The binary names of classes of a state. */
  public List<String> classes(ClassState state) {
    return database.read(
        "SELECT name FROM class WHERE state = '" + state.label() + "' ORDER BY id",
        row -> row.getString(1));
  }

  /** What could not be observed. */
  public List<NotObserved> notObserved() {
    return database.read(
        "SELECT reason, what, detail FROM not_observed ORDER BY rowid", Rows::notObserved);
  }

  /** Where it is. */
  public Path path() {
    return path;
  }

  /** The sources and class files of the observed code and of its tests, as they were. */
  public List<Stamp> allStamps() {
    List<Stamp> all = new ArrayList<>(stamps());
    database.query(
        "SELECT file, modified, hash, name FROM class_file WHERE is_test = 1",
        row ->
            all.add(
                new Stamp(
                    row.getString(1),
                    row.getLong(2),
                    row.getString(3),
                    List.of(row.getString(4)))));
    return all;
  }

  /** The sources and class files of the observed code, as they were. */
  public List<Stamp> stamps() {
    Map<String, List<String>> classesOf = new HashMap<>();
    database.query(
        "SELECT path, name FROM class WHERE path <> ''",
        row ->
            classesOf
                .computeIfAbsent(row.getString(1), p -> new ArrayList<>())
                .add(row.getString(2)));
    List<Stamp> stamps = new ArrayList<>();
    database.query(
        "SELECT path, modified, hash FROM source",
        row ->
            stamps.add(
                new Stamp(
                    row.getString(1),
                    row.getLong(2),
                    row.getString(3),
                    classesOf.getOrDefault(row.getString(1), List.of()))));
    database.query(
        "SELECT file, modified, hash, name FROM class_file WHERE is_test = 0",
        row ->
            stamps.add(
                new Stamp(
                    row.getString(1),
                    row.getLong(2),
                    row.getString(3),
                    List.of(row.getString(4)))));
    return stamps;
  }

  @Override
  public void close() {
    database.close();
  }
}
