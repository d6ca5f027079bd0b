package atalaya.dist;

import atalaya.dist.made.MadeUpProgram;
import atalaya.dist.made.Observed;
import atalaya.store.runfile.RunFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

/** Compares what is observed of made-up programs with what they log. */
final class MadeUpCheck {
  private static final Path HELPERS = Path.of("src/test/resources/made");

  private MadeUpCheck() {}

  /**
   * Checks programs, and prints where they differ: {@code bench/programs} runs it.
   *
   * @param arguments the first seed, how many programs, the release, the home of a JDK
   */
  public static void main(String[] arguments) throws IOException {
    int first = Integer.parseInt(arguments[0]);
    int programs = Integer.parseInt(arguments[1]);
    int compared = 0;
    int differing = 0;
    for (int seed = first; seed < first + programs; seed++) {
      Path folder = Files.createTempDirectory("made");
      System.out.print("seed " + seed + ", " + folder + ": ");
      try {
        List<String> differences =
            differences(folder, Path.of(arguments[3]), seed, 5, Integer.parseInt(arguments[2]));
        System.out.println(differences.size() + " differences");
        differences.forEach(difference -> System.out.println("  " + difference));
        compared++;
        differing += differences.isEmpty() ? 0 : 1;
      } catch (NotCompiled e) {
        System.out.println("not compiled, " + e.getMessage());
      }
    }
    System.out.println(differing + " of " + compared + " compared programs differ");
  }

  /** A program that is too large for compilers, with all that it logs. */
  private static final class NotCompiled extends RuntimeException {
    private static final long serialVersionUID = 1;

    NotCompiled(String why) {
      super(why.lines().findFirst().orElse(""));
    }
  }

  /**
   * What differs for one program.
   *
   * @param jdk whose compiler and Java are used
   */
  static List<String> differences(Path folder, Path jdk, long seed, int classes, int release)
      throws IOException {
    MadeUpProgram program = new MadeUpProgram(seed, classes, release);
    Path plain = write(folder.resolve("plain"), program.plain());
    Path logging = write(folder.resolve("logging"), program.logging());
    String java = jdk.resolve("bin/java").toString();
    compile(jdk, plain, release);
    compile(jdk, logging, release);
    Map<Integer, Set<String>> log =
        log(
            done(
                Shipped.process(
                    logging, Map.of(), List.of(java, "-ea", "-cp", "out", "made.Main"))));
    Files.writeString(plain.resolve("atalaya.yaml"), "");
    done(
        Shipped.run(
            plain,
            Stream.of("observe --classes out --sources src -- " + java + " -ea -cp out made.Main")
                .flatMap(words -> Stream.of(words.split(" ")))
                .toArray(String[]::new)));

    List<String> differences = new ArrayList<>();
    Set<String> lines = Observed.lines(table(plain, "lines"));
    Set<String> expectedLines = program.lines(log);
    expectedLines.removeIf(program::isJump);
    expectedLines.retainAll(withBoth(lines));
    lines.retainAll(withBoth(expectedLines));
    compare(expectedLines, lines, differences);
    compare(program.conditions(log), Observed.conditions(table(plain, "outcomes")), differences);
    try (RunFile run = onlyRun(plain)) {
      compare(List.of(program.handlers(log)), List.of(Observed.handlers(run)), differences);
      compare(List.of(program.decisions()), List.of(Observed.decisions(run)), differences);
      Set<String> repeated = Observed.loops(run, true);
      // Loops that can't be told apart are left out.
      Set<String> missing = program.repeated(log, true);
      missing.retainAll(Observed.loops(run, false));
      missing.removeAll(repeated);
      missing.forEach(loop -> differences.add("not observed: repeated " + loop));
      repeated.removeAll(program.repeated(log, false));
      repeated.forEach(loop -> differences.add("observed: repeated " + loop));
    }
    return differences;
  }

  /** With every line in both ways, so that only those are compared that both sides have. */
  private static Set<String> withBoth(Set<String> lines) {
    Set<String> both = new TreeSet<>();
    for (String line : lines) {
      String bare = line.substring(0, line.length() - 1);
      both.add(bare + "+");
      both.add(bare + "-");
    }
    return both;
  }

  private static void compare(
      Collection<?> expected, Collection<?> found, List<String> differences) {
    List<Object> missing = new ArrayList<>(expected);
    found.forEach(missing::remove);
    List<Object> more = new ArrayList<>(found);
    expected.forEach(more::remove);
    missing.forEach(what -> differences.add("not observed: " + what));
    more.forEach(what -> differences.add("observed: " + what));
  }

  private static Path write(Path folder, Map<String, String> sources) throws IOException {
    Path made = Files.createDirectories(folder.resolve("src/made"));
    for (Map.Entry<String, String> source : sources.entrySet()) {
      Files.writeString(made.resolve(source.getKey() + ".java"), source.getValue());
    }
    for (String helper : List.of("Quay.java", "Log.java")) {
      Files.copy(HELPERS.resolve(helper), made.resolve(helper));
    }
    return folder;
  }

  private static void compile(Path jdk, Path folder, int release) throws IOException {
    Files.createDirectories(folder.resolve("out"));
    List<String> command = new ArrayList<>(List.of(jdk.resolve("bin/javac").toString()));
    command.addAll(List.of("-J-XX:TieredStopAtLevel=1", "-g", "-nowarn", "-d", "out"));
    command.addAll(Shipped.release(jdk, release));
    try (Stream<Path> all = Files.list(folder.resolve("src/made"))) {
      all.map(Path::toString).forEach(command::add);
    }
    Shipped.Result compiled = Shipped.process(folder, Map.of(), command);
    if (compiled.exitCode() != 0) {
      throw new NotCompiled(compiled.err());
    }
  }

  private static String done(Shipped.Result result) {
    if (result.exitCode() != 0) {
      throw new AssertionError(result.err());
    }
    return result.out();
  }

  private static Map<Integer, Set<String>> log(String out) {
    Map<Integer, Set<String>> log = new HashMap<>();
    for (String line : out.split("\\R")) {
      int blank = line.indexOf(' ');
      log.computeIfAbsent(Integer.parseInt(line.substring(0, blank)), place -> new TreeSet<>())
          .add(line.substring(blank + 1));
    }
    return log;
  }

  private static List<List<String>> table(Path folder, String name) {
    return Debugger.rows(done(Shipped.ask(folder, "export", name)));
  }

  private static RunFile onlyRun(Path folder) throws IOException {
    try (Stream<Path> runs = Files.list(folder.resolve(".atalaya/runs"))) {
      return RunFile.open(runs.findFirst().orElseThrow());
    }
  }
}
