package atalaya.ways;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Line;
import atalaya.core.code.Method;
import atalaya.core.code.Outcome;
import atalaya.core.plan.Way;
import atalaya.java.ClassBytes;
import atalaya.java.ProjectReader;
import atalaya.java.SourceText;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The values that are found for ways lead there: the code is run to see it. */
class WaysTest {
  private static final String ASSUMED = "as long as ";

  private static final Pattern METHOD =
      Pattern.compile("  (?:private )?(?:static )?(?:<.*> )?void (\\w+)\\(.*");

  /**
   * A place to come to.
   *
   * @param cannot why no way leads there, that it stays open, or on what the code rests; mostly
   *     empty
   */
  record Place(String type, String method, int line, String cannot) {
    @Override
    public String toString() {
      return type + " " + method;
    }
  }

  /** What a double has to do. */
  private static final Map<String, List<String>> DOUBLES =
      Map.of(
          "givesUp",
              List.of(
                  "link = a double of Ways.Link",
                  "link.send(String) throws Ways.Down = true a double does",
                  "link.send(String) the second time throws Ways.Down = true a double does",
                  "link.send(String) the third time throws Ways.Down = true a double does"),
          "anyTariff",
              List.of(
                  "tariff = a double of Chores.Tariff", "tariff.fee(int) = 101 a double answers"),
          "office",
              List.of(
                  "office = a double of Chores.Office",
                  "office.isOpen(LocalDateTime) = true a double answers"),
          "tested",
              List.of(
                  "isDeep = a double of IntPredicate", "isDeep.test(int) = true a double answers"),
          "supplied",
              List.of("name = a double of Supplier", "name.get() = \"Nele\" a double answers"),
          "gauged",
              List.of(
                  "gauge = a double of Chores.Gauge",
                  "gauge.depth() = 8 a double answers",
                  "gauge.isFrozen(String) = true a double answers"),
          "heaved",
              List.of("sack = a double of Chores.Sack", "sack.weight() = 40 a double answers"),
          "rewritten", List.of("names = a double of ListIterator"),
          "refusedOrder",
              List.of(
                  "tug = a double of Chores.Tug",
                  "tug.pull() throws IOException = true a double does"),
          "feesDiffer",
              List.of(
                  "tariff = a double of Chores.Tariff",
                  "tariff.fee(int) = 1 a double answers",
                  "tariff.fee(int) the second time = 2 a double answers"));

  /** Where a person has to write a double, or be there. */
  private static final Set<String> BY_HAND =
      Set.of("full", "twofold", "chosen", "feesDiffer", "asksSomebody", "rises");

  /** What these throw is taken by who calls them, so that nothing is said of the end. */
  private static final Set<String> TAKEN = Set.of("moor");

  private static final List<String> TABLES =
      List.of(
          "Ways",
          "Errands",
          "Chores",
          "Makings",
          "Holds",
          "Shows",
          "Fillings",
          "Refusals",
          "Functions");

  private static final String SEEN = "// seen: ";
  private static final Pattern SHOWN = Pattern.compile("  (?:static )?[\\w.]+ (\\w+)\\(.*");
  private static final Pattern HELD = Pattern.compile("what `(\\w+)` holds, now (\".*\")");

  @TempDir static Path folder;
  private static CodeBase base;
  private static Map<String, CodeClass> models;
  private static WayFinder finder;

  @BeforeAll
  static void compile() throws IOException {
    compile("Checks");
    Map<String, byte[]> library = new HashMap<>();
    for (String type :
        List.of("Checks", "Checks$Gate", "Checks$Paper", "Checks$Pass", "Checks$Permit")) {
      library.put(type, Files.readAllBytes(folder.resolve(type + ".class")));
    }
    TABLES.forEach(WaysTest::compile);
    Map<String, byte[]> bytes = new HashMap<>();
    List<ClassBytes> classes = new ArrayList<>();
    try (Stream<Path> files = Files.list(folder)) {
      for (Path at :
          files
              .filter(f -> f.toString().matches(".*(" + String.join("|", TABLES) + ").*\\.class"))
              .sorted()
              .toList()) {
        String name = at.getFileName().toString().replace(".class", "");
        bytes.put(name, Files.readAllBytes(at));
        classes.add(new ClassBytes("m", name, bytes.get(name)));
      }
    }
    List<SourceText> sources =
        TABLES.stream()
            .map(name -> new SourceText("m", name + ".java", name + ".java", source(name)))
            .toList();
    models = new HashMap<>();
    ProjectReader.read(classes, sources).classes().forEach(c -> models.put(c.name(), c));
    base = CodeBase.of(bytes, type -> Optional.ofNullable(library.get(type)));
    finder =
        new WayFinder(
            base,
            name -> Optional.ofNullable(models.get(name)),
            type -> new BitSet(),
            method -> false,
            input -> List.of());
  }

  private static void compile(String name) {
    Path file = write(name, source(name));
    String[] arguments = {"-g", "-cp", folder.toString(), "-d", folder.toString(), file.toString()};
    assertThat(ToolProvider.getSystemJavaCompiler().run(null, null, null, arguments)).isZero();
  }

  private static Path write(String name, String source) {
    try {
      return Files.writeString(folder.resolve(name + ".java"), source);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String source(String name) {
    try (InputStream in = WaysTest.class.getResourceAsStream("/ways/" + name + ".java")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static Stream<Place> places() {
    return TABLES.stream().flatMap(WaysTest::placesOf);
  }

  private static Stream<Place> placesOf(String type) {
    List<Place> places = new ArrayList<>();
    List<String> lines = source(type).lines().toList();
    String method = "";
    for (int i = 0; i < lines.size(); i++) {
      Matcher declared = METHOD.matcher(lines.get(i));
      method = declared.matches() ? declared.group(1) : method;
      int thrown = lines.get(i).indexOf("throw new Here();");
      if (thrown >= 0) {
        int comment = lines.get(i).indexOf("// ");
        places.add(
            new Place(type, method, i + 1, comment < 0 ? "" : lines.get(i).substring(comment + 3)));
      }
    }
    return places.stream();
  }

  @ParameterizedTest
  @MethodSource("places")
  void leadThere(Place place) throws Exception {
    CodeClass code =
        models.values().stream()
            .filter(c -> c.name().equals(place.type()) || c.name().startsWith(place.type() + "$"))
            .filter(c -> c.methods().stream().anyMatch(m -> has(m, place.line())))
            .findFirst()
            .orElseThrow();
    Method method =
        code.methods().stream().filter(m -> has(m, place.line())).findFirst().orElseThrow();
    Line line =
        method.lines().stream().filter(l -> l.number() == place.line()).findFirst().orElseThrow();
    WayFinder.Answer answer =
        finder.towards(new Ref(code.name(), method.code()), type -> new BitSet(), line.points());
    if (DOUBLES.containsKey(place.method())) {
      isBroughtAboutByADouble(answer, DOUBLES.get(place.method()));
    }
    if (BY_HAND.contains(place.method())) {
      assertThat(((WayFinder.Answer.Found) answer).way().setUp().code()).isEmpty();
      return;
    }
    if (place.cannot().equals("open")) {
      isSaidToBeOpen(answer);
      return;
    }
    boolean isAssumed = place.cannot().startsWith(ASSUMED);
    if (!place.cannot().isEmpty() && !isAssumed) {
      assertThat(answer).isEqualTo(new WayFinder.Answer.Impossible(place.cannot()));
      return;
    }
    assertThat(answer).isInstanceOf(WayFinder.Answer.Found.class);
    Way way = ((WayFinder.Answer.Found) answer).way();
    assertThat(way.setUp().code()).as("open: " + way.setUp()).isNotEmpty();
    assertThat(way.setUp().assumed())
        .isEqualTo(isAssumed ? List.of(place.cannot().substring(ASSUMED.length())) : List.of());
    assertThat(way.method()).isEqualTo(code.name() + "#" + method.name());
    boolean isTaken = TAKEN.contains(place.method());
    String ending = returnedBy(place.type(), way.setUp().code());
    assertThat(ending)
        .as(way.setUp().code().toString())
        .isEqualTo(isTaken ? "java.lang.IllegalStateException" : place.type() + "$Here");
    assertThat(way.result().thrown()).isEqualTo(isTaken ? "" : place.type() + ".Here");
  }

  private static boolean has(Method method, int line) {
    return method.lines().stream().anyMatch(l -> l.number() == line);
  }

  private static Method method(String type, String name) {
    return models.get(type).methods().stream()
        .filter(m -> m.name().startsWith(name + "("))
        .findFirst()
        .orElseThrow();
  }

  static Stream<Place> sights() {
    List<Place> places = new ArrayList<>();
    List<String> lines = source("Shows").lines().toList();
    String method = "";
    for (int i = 0; i < lines.size(); i++) {
      Matcher declared = SHOWN.matcher(lines.get(i));
      method = declared.matches() ? declared.group(1) : method;
      int seen = lines.get(i).indexOf(SEEN);
      if (seen >= 0) {
        places.add(new Place("Shows", method, i + 1, lines.get(i).substring(seen + SEEN.length())));
      }
    }
    return places.stream();
  }

  /** What is said to be seen in the end is what a test that runs the code finds. */
  @ParameterizedTest
  @MethodSource("sights")
  void showWhatTheySay(Place place) throws Exception {
    Method method = method("Shows", place.method());
    Line line =
        method.lines().stream().filter(l -> l.number() == place.line()).findFirst().orElseThrow();
    WayFinder.Answer answer =
        finder.towards(new Ref("Shows", method.code()), type -> new BitSet(), line.points());
    Way way = ((WayFinder.Answer.Found) answer).way();
    assertThat(String.join("; ", way.result().asserts())).isEqualTo(place.cannot());
    Matcher held = HELD.matcher(place.cannot());
    List<String> code = new ArrayList<>(way.setUp().code());
    if (held.matches()) {
      code.add("if (true) return \"\\\"\" + " + held.group(1) + " + \"\\\"\";");
      assertThat(returnedBy("Shows", code)).isEqualTo(held.group(2));
    } else {
      assertThat(returnedBy("Shows", code)).isEmpty();
    }
  }

  /** A test makes the object: its constructor is on the way, and no other one. */
  @Test
  void reachWhatMakesTheObject() {
    String type = "Errands$Ballast";
    Method method = method(type, "isFilled");
    WayFinder.Answer answer =
        finder.best(new Wanted(new Ref(type, method.code()), name -> new BitSet(), -1));
    Way way = ((WayFinder.Answer.Found) answer).way();
    assertThat(way.setUp().code().get(0)).contains("new Errands.Ballast(");
    assertThat(
            models.get(type).methods().stream()
                .filter(m -> m.lines().get(0).points().intersects(way.points().get(type)))
                .map(Method::name))
        .containsExactly("<init>(int)", "isFilled()");
  }

  /** What a library's check refuses is reached by a test that sees the exception. */
  @Test
  void endWhereALibraryThrows() {
    Method method = method("Ways", "checked");
    int refused =
        method.conditions().get(0).outcomes().stream()
            .filter(outcome -> outcome.name().equals("false"))
            .mapToInt(outcome -> outcome.points().nextSetBit(0))
            .findFirst()
            .orElseThrow();
    WayFinder.Answer answer =
        finder.best(new Wanted(new Ref("Ways", method.code()), type -> new BitSet(), refused));
    Way way = ((WayFinder.Answer.Found) answer).way();
    assertThat(way.setUp().code()).containsExactly("Ways.checked(5);");
    assertThat(way.result().thrown()).isEqualTo("IllegalArgumentException");
  }

  /** What a handler is for has to stay away; no code is written for that, and it is told. */
  @Test
  void tellWhatTheyRestOn() {
    Method method = method("Holds", "dated");
    Line last = method.lines().get(method.lines().size() - 1);
    WayFinder.Answer answer =
        finder.towards(new Ref("Holds", method.code()), type -> new BitSet(), last.points());
    Way.SetUp setUp = ((WayFinder.Answer.Found) answer).way().setUp();
    assertThat(setUp.code()).isEmpty();
    assertThat(setUp.assumed())
        .containsExactly("SimpleDateFormat.parse(..) throws no ParseException");
  }

  /** A condition that no test can change comes out as it did in the run. */
  @Test
  void staysWhatItIs() {
    Method method = method("Chores", "elsewhere");
    List<Outcome> outcomes =
        Stream.of(method, method("Chores", "isElsewhere"))
            .flatMap(m -> m.conditions().stream())
            .flatMap(condition -> condition.outcomes().stream())
            .toList();
    BitSet seen = new BitSet();
    outcomes.stream().filter(o -> o.name().equals("false")).forEach(o -> seen.or(o.points()));
    BitSet wanted = outcomes.get(0).points();
    WayFinder inRun =
        new WayFinder(
            base,
            name -> Optional.ofNullable(models.get(name)),
            t -> seen,
            m -> false,
            input -> List.of());
    assertThat(inRun.towards(new Ref("Chores", method.code()), type -> new BitSet(), wanted))
        .isEqualTo(
            new WayFinder.Answer.Impossible(
                "`isElsewhere()` true at line "
                    + method.conditions().get(0).line()
                    + " cannot happen there while File.separatorChar is what it is"));
  }

  /** What is not known is not claimed. */
  private static void isSaidToBeOpen(WayFinder.Answer answer) {
    if (answer instanceof WayFinder.Answer.Found found) {
      assertThat(found.way().setUp().code()).isEmpty();
    } else {
      assertThat(answer).isInstanceOf(WayFinder.Answer.NotFound.class);
    }
  }

  private static void isBroughtAboutByADouble(WayFinder.Answer answer, List<String> givens) {
    Way way = ((WayFinder.Answer.Found) answer).way();
    assertThat(way.doubles()).isEqualTo(1);
    assertThat(way.setUp().givens())
        .filteredOn(given -> !given.how().isEmpty() || given.value().startsWith("a double"))
        .extracting(given -> (given.name() + " = " + given.value() + " " + given.how()).trim())
        .containsExactlyElementsOf(givens);
  }

  /** The name of the class of what some code throws, or what it returns. */
  private static String returnedBy(String type, List<String> code) throws Exception {
    String source =
        "import java.util.*; import java.io.*; import java.net.*; import java.lang.reflect.Proxy; import java.nio.file.*;"
            + " import java.nio.charset.*; import java.util.concurrent.atomic.*; import java.util.stream.*; import java.time.*; import java.math.*; public class Run extends "
            + type
            + " {"
            + " public static String run() {\n try {\n"
            + String.join("\n", code)
            + "\n return \"\"; } catch (Throwable e) { return e.getClass().getName(); } } }";
    Path file = write("Run", source);
    int failed =
        ToolProvider.getSystemJavaCompiler()
            .run(null, null, null, "-cp", folder.toString(), file.toString());
    assertThat(failed).as(source).isZero();
    try (URLClassLoader loader = new URLClassLoader(new URL[] {folder.toUri().toURL()})) {
      return (String) loader.loadClass("Run").getMethod("run").invoke(null);
    }
  }
}
