package atalaya.trial;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import atalaya.boot.Fault;
import atalaya.core.mutant.Mutant;
import atalaya.core.mutant.Operator;
import atalaya.java.ClassBytes;
import atalaya.java.SourceText;
import atalaya.trial.find.PlantableMutant;
import atalaya.trial.find.ProjectMutants;
import atalaya.trial.plant.ClassPlanter;
import atalaya.trial.plant.Planting;
import atalaya.trial.plant.Watched;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.SimpleJavaFileObject;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * A mutant is what the compiler makes of the changed source. That is asked of the compiler: the
 * source is changed as the mutant says, compiled, run, and compared with what was planted.
 */
@Execution(ExecutionMode.CONCURRENT)
class MutantsTest {
  private static final JavaCompiler COMPILER = ToolProvider.getSystemJavaCompiler();
  private static final String ENDLESS = "endless";
  private static final Set<Operator> MAY_NOT_COMPILE = EnumSet.of(Operator.EXD, Operator.SLE);

  @TempDir Path folder;
  private final List<Object> problems = new ArrayList<>();

  @ResourceLock("the fault that is on")
  @ParameterizedTest
  @ValueSource(ints = {8, 17})
  void areTheSamePlantedTogetherAndAlone(int release) throws Exception {
    String source = resource("Pier.java");
    Map<String, byte[]> classes = compile(List.of(source), release).orElseThrow();
    List<PlantableMutant> mutants = find(classes, source);
    Map<String, ClassPlanter.Planted> all = planted(classes, mutants);
    Map<String, byte[]> planted = each(all, ClassPlanter.Planted::mutated);
    String unmutated = run(classes);
    assertThat(run(planted)).isEqualTo(unmutated);
    Set<Integer> changing = changing(all, mutants.size(), unmutated);
    List<String> wrong = new ArrayList<>();
    for (int number = 0; number < mutants.size(); number++) {
      PlantableMutant mutant = mutants.get(number);
      String alone = run(alone(classes, mutant));
      boolean isMissed = !changing.contains(number) && !alone.equals(unmutated);
      if (isMissed || !runPlanted(planted, mutant, number).equals(alone)) {
        wrong.add(words(mutant));
      }
    }
    assertThat(wrong).isEmpty();
    assertThat(changing.size()).isBetween(mutants.size() / 2, mutants.size() - 10);
  }

  /** The mutants that would change something where they stand, told by an unmutated run. */
  private static Set<Integer> changing(
      Map<String, ClassPlanter.Planted> planted, int mutants, String unmutated) {
    Fault.watch(mutants);
    try {
      assertThat(run(each(planted, ClassPlanter.Planted::watching))).isEqualTo(unmutated);
      return planted.values().stream()
          .flatMap(type -> type.watched().stream())
          .filter(at -> at.sights().stream().anyMatch(s -> seen(at, s)))
          .map(Watched::mutant)
          .collect(Collectors.toSet());
    } finally {
      Fault.watchNoMore();
    }
  }

  private static boolean seen(Watched at, int sight) {
    return Fault.seen[Fault.SIGHTS * at.place() + sight];
  }

  @Test
  void areWhatTheCompilerMakesOfTheChangedSource() throws Exception {
    String source = resource("Pier.java");
    Map<String, byte[]> classes = compile(List.of(source), 17).orElseThrow();
    List<PlantableMutant> mutants = find(classes, source);
    String unmutated = run(classes);

    Map<PlantableMutant, Set<String>> compiled = compiled(source, mutants);
    List<String> wrong = new ArrayList<>();
    List<String> notCompiled = new ArrayList<>();
    int unnoticed = 0;
    for (PlantableMutant mutant : mutants) {
      String alone = run(alone(classes, mutant));
      Set<String> changed = compiled.get(mutant);
      if (changed.isEmpty()) {
        notCompiled.add(words(mutant));
      } else if (!changed.contains(alone)) {
        wrong.add(words(mutant));
      }
      unnoticed += alone.equals(unmutated) ? 1 : 0;
    }
    assertThat(wrong).isEmpty();
    // Without its exception, or with its labels exchanged, a source may be none.
    assertThat(notCompiled).allMatch(words -> words.startsWith("EXD") || words.startsWith("SLE"));
    assertThat(mutants)
        .extracting(m -> m.mutant().operator())
        .containsAll(EnumSet.allOf(Operator.class));
    assertThat(mutants).extracting(m -> m.mutant().name()).doesNotHaveDuplicates();
    assertThat(unnoticed).isLessThan(mutants.size() / 8);
  }

  @Test
  void saysWhatItChanges() throws Exception {
    String source = resource("Pier.java");
    List<PlantableMutant> mutants = find(compile(List.of(source), 17).orElseThrow(), source);
    Map<String, List<String>> told = new TreeMap<>();
    for (PlantableMutant mutant : mutants) {
      told.computeIfAbsent(mutant.mutant().method(), m -> new ArrayList<>()).add(words(mutant));
    }
    assertThat(told.get("both(boolean,boolean,int)"))
        .containsExactly(
            "COR 67: `a` -> `true`",
            "COR 67: `a` -> `false`",
            "COR 67: `b` -> `true`",
            "COR 67: `b` -> `false`",
            "ROR 67: `c > 2` -> `c >= 2`",
            "ROR 67: `c > 2` -> `c != 2`",
            "COR 67: `a` -> `true`",
            "COR 67: `a` -> `false`",
            "ROR 67: `c == 1` -> `c <= 1`",
            "ROR 67: `c == 1` -> `c >= 1`");
    assertThat(told.get("moor(String)"))
        .containsExactly(
            "ROR 162: `boat == null` -> `true`",
            "ROR 162: `boat == null` -> `false`",
            "EXD 162: `throw new NullPointerException(\"boat\");` -> `;`",
            "SDL 163: `log.add(boat);` -> `;`",
            "SDL 164: `note(boat, log.size());` -> `;`",
            "SDL 165: `closed = log.size() > 2;` -> `{ Object was = log.size() > 2; }`",
            "ROR 165: `log.size() > 2` -> `log.size() >= 2`",
            "ROR 165: `log.size() > 2` -> `log.size() != 2`",
            "ROR 165: `log.size() > 2` -> `(log.size() > 2 && false)`",
            "SDL 166: `tonnes = tonnes + 1;` -> `;`",
            "AOR 166: `tonnes + 1` -> `tonnes - 1`",
            "CRP 166: `1` -> `0`");
    // Less than nothing is no length, so that a comparison with 0 is a question of yes or no.
    assertThat(told.get("manned(String,int[])"))
        .filteredOn(words -> words.startsWith("ROR"))
        .extracting(words -> words.substring(words.indexOf('`')))
        .containsExactly(
            "`boat.length() > 0` -> `(boat.length() > 0 || true)`",
            "`boat.length() > 0` -> `(boat.length() > 0 && false)`",
            "`crew.length != 0` -> `true`");
    assertThat(told.get("kind(Kind)"))
        .contains("SLE 149: `case TUG` -> `case BARGE`", "CRP 147: `'x'` -> `'y'`");
    assertThat(told.get("last()"))
        .contains(
            "RVR 211: `return log.isEmpty() ? Optional.empty() : Optional.of(log.get(log.size() - 1));`"
                + " -> `{ Object was = log.isEmpty() ? Optional.empty() :"
                + " Optional.of(log.get(log.size() - 1)); return java.util.Optional.empty(); }`");
  }

  private static String words(PlantableMutant of) {
    Mutant mutant = of.mutant();
    return mutant.operator()
        + " "
        + mutant.line()
        + ": `"
        + mutant.original()
        + "` -> `"
        + mutant.mutated()
        + "`";
  }

  // ---- planting ----

  private static List<PlantableMutant> find(Map<String, byte[]> classes, String source) {
    List<ClassBytes> bytes =
        classes.entrySet().stream()
            .map(e -> new ClassBytes("m", e.getKey(), e.getValue()))
            .toList();
    SourceText text = new SourceText("m", "Pier.java", "Pier.java", source);
    return ProjectMutants.find(bytes, List.of(text)).values().stream()
        .flatMap(List::stream)
        .filter(mutant -> !mutant.mutant().method().matches("(run|ask|shown)\\(.*"))
        .toList();
  }

  private static Map<String, byte[]> each(
      Map<String, ClassPlanter.Planted> planted, Function<ClassPlanter.Planted, byte[]> part) {
    return planted.entrySet().stream()
        .collect(Collectors.toMap(Map.Entry::getKey, e -> part.apply(e.getValue())));
  }

  private static Map<String, ClassPlanter.Planted> planted(
      Map<String, byte[]> classes, List<PlantableMutant> mutants) {
    Map<String, List<Planting>> plantings = new HashMap<>();
    for (int number = 0; number < mutants.size(); number++) {
      plantings
          .computeIfAbsent(mutants.get(number).mutant().className(), c -> new ArrayList<>())
          .addAll(places(mutants.get(number), number));
    }
    Map<String, ClassPlanter.Planted> planted = new HashMap<>();
    classes.forEach(
        (name, bytes) -> {
          List<Planting> here = plantings.getOrDefault(name, List.of());
          Map<String, Integer> numbers = new HashMap<>();
          here.forEach(planting -> numbers.put(planting.code(), number(name, planting.code())));
          ClassPlanter.Planted all = ClassPlanter.all(bytes, 0, here, numbers);
          assertThat(all.left()).isEmpty();
          planted.put(name, all);
        });
    return planted;
  }

  private static int number(String type, String code) {
    return (type + (code.startsWith("<init>") ? "" : code)).hashCode() & 0xFFFF;
  }

  private static List<Planting> places(PlantableMutant mutant, int number) {
    return mutant.places().stream()
        .map(p -> new Planting(number, p.code(), p.instruction(), p.replacement()))
        .toList();
  }

  private static Map<String, byte[]> alone(Map<String, byte[]> classes, PlantableMutant mutant) {
    Map<String, byte[]> changed = new HashMap<>(classes);
    changed.computeIfPresent(
        mutant.mutant().className(), (n, bytes) -> ClassPlanter.alone(bytes, places(mutant, 0)));
    return changed;
  }

  private static String runPlanted(
      Map<String, byte[]> planted, PlantableMutant mutant, int number) {
    Fault.mutant = number;
    Fault.method = number(mutant.mutant().className(), mutant.places().get(0).code());
    try {
      return run(planted);
    } finally {
      Fault.mutant = Fault.NONE;
      Fault.method = Fault.NONE;
    }
  }

  // ---- compiling and running ----

  /** The source with the change, at each place of the line where the text stands. */
  private static List<String> changed(String source, Mutant mutant) {
    int start = 0;
    for (int line = 1; line < mutant.line(); line++) {
      start = source.indexOf('\n', start) + 1;
    }
    int end = source.indexOf('\n', start);
    List<String> changed = new ArrayList<>();
    for (int at = source.indexOf(mutant.original(), start);
        at >= 0 && at <= end;
        at = source.indexOf(mutant.original(), at + 1)) {
      String rest = source.substring(at + mutant.original().length());
      if (mutant.operator() == Operator.SLE) {
        rest = rest.replaceFirst(mutant.mutated() + "(?!\\w)", mutant.original());
      }
      changed.add(source.substring(0, at) + mutant.mutated() + rest);
    }
    return changed;
  }

  /** What the changed sources do, compiled many at a time, since that is many times faster. */
  private Map<PlantableMutant, Set<String>> compiled(String source, List<PlantableMutant> mutants)
      throws IOException {
    Map<PlantableMutant, Set<String>> told = new HashMap<>();
    Map<String, PlantableMutant> packages = new TreeMap<>();
    List<String> sure = new ArrayList<>();
    problems.clear();
    for (PlantableMutant mutant : mutants) {
      told.put(mutant, new HashSet<>());
      for (String changed : changed(source, mutant.mutant())) {
        String name = "p" + packages.size();
        String text = "package " + name + "; " + changed;
        packages.put(name, mutant);
        if (MAY_NOT_COMPILE.contains(mutant.mutant().operator())) {
          compile(List.of(text), 17).ifPresent(c -> told.get(mutant).add(run(c, name + ".Pier")));
        } else {
          sure.add(text);
        }
      }
    }
    Map<String, byte[]> all = compile(sure, 17).orElseThrow(() -> new AssertionError(problems));
    packages.forEach(
        (name, mutant) -> {
          if (all.containsKey(name + ".Pier")) {
            told.get(mutant).add(run(all, name + ".Pier"));
          }
        });
    return told;
  }

  private Optional<Map<String, byte[]>> compile(List<String> sources, int release)
      throws IOException {
    Path out = Files.createTempDirectory(folder, "out");
    List<SimpleJavaFileObject> files = new ArrayList<>();
    for (String source : sources) {
      String path = source.startsWith("package ") ? source.substring(8, source.indexOf(';')) : "";
      files.add(
          new SimpleJavaFileObject(
              URI.create("text:///" + path + "/Pier.java"),
              javax.tools.JavaFileObject.Kind.SOURCE) {
            @Override
            public CharSequence getCharContent(boolean ignoreEncodingErrors) {
              return source;
            }
          });
    }
    List<String> options =
        List.of(
            "--release", "" + release, "-d", out.toString(), "-nowarn", "-Xlint:-options", "-g");
    boolean compiled = COMPILER.getTask(null, null, problems::add, options, null, files).call();
    if (!compiled) {
      return Optional.empty();
    }
    try (Stream<Path> made = Files.walk(out)) {
      return Optional.of(
          made.filter(Files::isRegularFile)
              .collect(
                  Collectors.toMap(
                      f -> out.relativize(f).toString().replace(".class", "").replace('/', '.'),
                      MutantsTest::read)));
    }
  }

  private static byte[] read(Path file) {
    try {
      return Files.readAllBytes(file);
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  private static String run(Map<String, byte[]> classes) {
    return run(classes, "Pier");
  }

  private static String run(Map<String, byte[]> classes, String main) {
    ClassLoader loader =
        new ClassLoader(MutantsTest.class.getClassLoader()) {
          @Override
          protected Class<?> findClass(String name) throws ClassNotFoundException {
            byte[] bytes = classes.get(name);
            if (bytes == null) {
              throw new ClassNotFoundException(name);
            }
            return defineClass(name, bytes, 0, bytes.length);
          }
        };
    CompletableFuture<String> told = new CompletableFuture<>();
    Thread thread =
        new Thread(
            () -> {
              try {
                told.complete((String) loader.loadClass(main).getMethod("run").invoke(null));
              } catch (ReflectiveOperationException | LinkageError e) {
                told.complete(String.valueOf(e.getCause() == null ? e : e.getCause()));
              }
            });
    thread.setDaemon(true);
    thread.start();
    try {
      return told.get(3, TimeUnit.SECONDS);
    } catch (TimeoutException e) {
      return ENDLESS;
    } catch (InterruptedException | ExecutionException e) {
      throw new IllegalStateException(e);
    }
  }

  private static String resource(String name) throws IOException {
    try (var in = MutantsTest.class.getResourceAsStream("/mutants/" + name)) {
      return new String(in.readAllBytes(), UTF_8);
    }
  }
}
