package atalaya.dist;

import atalaya.cli.plan.Planning;
import atalaya.core.plan.Brief;
import atalaya.core.plan.Limits;
import atalaya.core.plan.Plan;
import atalaya.core.plan.Way;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Verdict;
import atalaya.store.runfile.RunFile;
import atalaya.store.runfile.RunFolder;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.tools.ToolProvider;

/**
 * Writes a test for each way that a plan has values for, runs them all, and tells how many take the
 * way, and end as it does. {@code bench/ways} runs it.
 */
final class WayCheck {
  /** Classes of the platform that code may name; of all their packages a name may mean others. */
  private static final List<String> OTHERS =
      List.of(
          "java.net.URI",
          "java.net.Socket",
          "java.net.InetAddress",
          "java.net.InetSocketAddress",
          "java.text.SimpleDateFormat",
          "java.text.DecimalFormat",
          "javax.net.ssl.SSLContext");

  private static final Pattern IMPORT =
      Pattern.compile(
          "^import\\s+(?:([\\w.]*\\.[A-Z]\\w*)|static\\s+([\\w.]+)\\.[\\w*]+)\\s*;",
          Pattern.MULTILINE);
  private static final Pattern NAME = Pattern.compile("(?<![.\\w])[A-Z]\\w*\\b");

  private final Map<String, String> importsByName = new HashMap<>();
  private final Path project;
  private final String classPath;
  private final Map<String, List<String>> typesByName = new HashMap<>();

  private WayCheck(Path project, RunFile run) {
    this.project = project;
    this.classPath =
        Stream.concat(
                Stream.of(
                    project.resolve("target/classes").toString(),
                    System.getProperty("java.class.path")),
                run.jvms().stream().flatMap(jvm -> jvm.classPath().stream()))
            .collect(Collectors.joining(File.pathSeparator));
    run.hashes()
        .keySet()
        .forEach(
            name ->
                typesByName
                    .computeIfAbsent(name.replaceAll(".*[.$]", ""), n -> new ArrayList<>())
                    .add(name));
  }

  /**
   * Checks ways.
   *
   * @param arguments the run file, a copy of the project that may be written to, the distribution,
   *     how many briefs
   */
  public static void main(String[] arguments) throws IOException {
    try (RunFile run = RunFile.open(Path.of(arguments[0]))) {
      new WayCheck(Path.of(arguments[1]), run)
          .check(run, arguments[2], Integer.parseInt(arguments[3]));
    }
  }

  private void check(RunFile run, String home, int count) throws IOException {
    List<Way> ways;
    try (Planning planning = new Planning(run, run.methods(), Map.of(), path -> 1)) {
      Plan plan = planning.forMethods(run.methods(), Limits.ofTests(count), Set.of());
      ways = plan.briefs().stream().map(Brief::way).flatMap(Optional::stream).toList();
    }
    if (Files.isDirectory(sources())) {
      readImports();
    }
    Map<String, Way> written = new LinkedHashMap<>();
    int open = 0;
    int broken = 0;
    for (Way way : ways) {
      if (way.setUp().code().isEmpty()) {
        open += way.setUp().open().isEmpty() ? 0 : 1;
        continue;
      }
      String name = "Way" + (written.size() + 1) + "Check";
      if (write(name, way)) {
        written.put(name, way);
      } else {
        broken++;
      }
    }
    int complete = written.size() + broken;
    System.out.println(ways.size() + " ways");
    System.out.println(complete + " with all values, " + broken + " of which do not compile");
    System.out.println(
        (ways.size() - complete - open) + " with values for all but a double, a state or a result");
    System.out.println(open + " with conditions left open");
    if (!written.isEmpty()) {
      observe(home);
      count(written);
    }
  }

  private boolean write(String name, Way way) throws IOException {
    String entry = way.entry();
    String type = entry.substring(0, entry.indexOf('#'));
    int dot = type.lastIndexOf('.');
    String inPackage = dot < 0 ? "" : type.substring(0, dot);
    String code = String.join("\n      ", way.setUp().code());
    Set<String> imports =
        new TreeSet<>(
            Set.of(
                "java.lang.reflect.*",
                "java.util.*",
                "java.util.concurrent.*",
                "java.util.concurrent.atomic.*",
                "java.util.function.*",
                "java.time.*",
                "java.math.*",
                "java.io.*",
                "java.nio.*",
                "java.nio.charset.*",
                "java.nio.file.*",
                "java.util.regex.*",
                "org.junit.jupiter.api.Test"));
    imports.addAll(importsOf(type));
    OTHERS.stream()
        .filter(other -> code.matches("(?s).*\\b" + other.replaceFirst(".*\\.", "") + "\\b.*"))
        .filter(other -> !typesByName.containsKey(other.replaceFirst(".*\\.", "")))
        .forEach(imports::add);
    Matcher names = NAME.matcher(code);
    while (names.find()) {
      List<String> types = typesByName.getOrDefault(names.group(), List.of());
      String simple = "." + names.group();
      boolean isHere =
          types.contains(inPackage + simple) || imports.stream().anyMatch(i -> i.endsWith(simple));
      types.stream()
          .filter(t -> !isHere && (types.size() == 1 || t.startsWith(inPackage)))
          .findFirst()
          .ifPresent(t -> imports.add(t.replace('$', '.')));
      if (types.isEmpty() && imports.stream().noneMatch(i -> i.endsWith(simple))) {
        Optional.ofNullable(importsByName.get(names.group())).ifPresent(imports::add);
      }
    }
    StringBuilder source = new StringBuilder();
    source.append(inPackage.isEmpty() ? "" : "package " + inPackage + ";\n");
    imports.forEach(i -> source.append("import ").append(i).append(";\n"));
    source.append("class ").append(name).append(" {\n  @Test\n");
    source.append("  void takesTheWay() throws Throwable {\n");
    source.append("    try {\n      ").append(code);
    source.append(
        way.result().thrown().isEmpty() ? "" : "\n      throw new Error(\"nothing is thrown\");");
    source.append("\n    } catch (Throwable e) {\n");
    source.append(
        "      String thrown = e.getClass().getName();\n      if (!thrown.matches(\".*[.$]");
    source.append(way.result().thrown()).append("\")) {\n        throw e;\n      }\n");
    source.append("    }\n  }\n}\n");
    Path folder = project.resolve("src/test/java").resolve(inPackage.replace('.', '/'));
    Files.createDirectories(folder);
    Path file = Files.writeString(folder.resolve(name + ".java"), source);
    Path out = Files.createTempDirectory("ways");
    ByteArrayOutputStream errors = new ByteArrayOutputStream();
    int failed =
        ToolProvider.getSystemJavaCompiler()
            .run(
                null,
                errors,
                errors,
                "-proc:none",
                "-d",
                out.toString(),
                "-cp",
                classPath,
                file.toString());
    if (failed != 0) {
      System.out.println("does not compile: " + entry + "  " + code);
      errors
          .toString()
          .lines()
          .filter(line -> line.contains("error:") || line.contains("symbol:"))
          .forEach(System.out::println);
      Files.delete(file);
    }
    return failed == 0;
  }

  /** What its source imports by name. */
  private Set<String> importsOf(String type) throws IOException {
    Path file = sources().resolve(type.replaceAll("\\$.*", "").replace('.', '/') + ".java");
    return Files.isRegularFile(file) ? importsOf(file) : Set.of();
  }

  private static Set<String> importsOf(Path file) throws IOException {
    Matcher imports = IMPORT.matcher(Files.readString(file, StandardCharsets.ISO_8859_1));
    return imports
        .results()
        .map(found -> found.group(1) == null ? found.group(2) : found.group(1))
        .collect(Collectors.toSet());
  }

  private Path sources() {
    return project.resolve("src/main/java");
  }

  /** What the project's sources import by name, as far as they are there. */
  private void readImports() throws IOException {
    try (Stream<Path> files = Files.walk(sources())) {
      for (Path file : files.filter(f -> f.toString().endsWith(".java")).sorted().toList()) {
        importsOf(file).forEach(i -> importsByName.putIfAbsent(i.replaceAll(".*\\.", ""), i));
      }
    }
    importsByName.put("Proxy", "java.lang.reflect.Proxy"); // There are others; doubles are of this.
  }

  private void observe(String home) {
    Shipped.Result result =
        Shipped.runIn(Path.of(home), project, Map.of(), "observe", "--tests", "Way*Check");
    boolean isObserved = result.err().contains("Observed as run"); // Also when tests fail.
    if (!isObserved) {
      throw new AssertionError(result.out() + result.err());
    }
  }

  private void count(Map<String, Way> written) throws IOException {
    Path file = new RunFolder(project.resolve(".atalaya/runs")).newest().orElseThrow();
    int certain = 0;
    int right = 0;
    int assumed = 0;
    int rightlyAssumed = 0;
    try (RunFile run = RunFile.open(file)) {
      Map<String, atalaya.core.run.Test> tests = new HashMap<>();
      run.tests().forEach(t -> tests.put(t.test().name().replaceAll("[.#].*", ""), t.test()));
      for (Map.Entry<String, Way> one : written.entrySet()) {
        Way way = one.getValue();
        List<String> missed = missed(run, way, tests.get(one.getKey()));
        boolean isCertain = way.setUp().assumed().isEmpty();
        certain += isCertain ? 1 : 0;
        assumed += isCertain ? 0 : 1;
        if (!missed.isEmpty()) {
          System.out.println(
              (isCertain ? "not taken: " : "assumed wrongly: ")
                  + way.method()
                  + " by "
                  + way.setUp().code()
                  + ": "
                  + missed.get(0));
        } else if (isCertain) {
          right++;
        } else {
          rightlyAssumed++;
        }
      }
    }
    System.out.println(right + " of " + certain + " tests take their way");
    System.out.println(
        rightlyAssumed + " of " + assumed + " whose code rests on how calls end take theirs");
  }

  private static List<String> missed(RunFile run, Way way, atalaya.core.run.Test test) {
    if (test == null) {
      return List.of("its test did not run");
    }
    List<String> missed = new ArrayList<>();
    for (Way.Step step : way.steps()) {
      ClassReach reach = run.reach(step.className());
      BitSet reached = reach.byTest().getOrDefault(test.number(), new BitSet());
      BitSet outside = reach.byTest().getOrDefault(ClassReach.OUTSIDE, new BitSet());
      if (!reached.get(step.point()) && !outside.get(step.point())) {
        missed.add("line " + step.line() + " " + step.condition() + " " + step.outcome());
      }
    }
    boolean isFollowed =
        Stream.concat(Stream.of(way), way.also().stream()).allMatch(w -> w.result().isFollowed());
    if (isFollowed && test.verdict() != Verdict.PASSED) {
      missed.add("ends otherwise");
    }
    return missed;
  }
}
