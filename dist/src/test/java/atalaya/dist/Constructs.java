package atalaya.dist;

import atalaya.core.figure.HandlerFigures;
import atalaya.core.figure.LoopFigures;
import atalaya.store.runfile.RunFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The sources of the table of constructs as one program, {@code Drive}, in a folder. */
record Constructs(Path folder, List<Path> files, Path jdk) {
  private static final Pattern RELEASES = Pattern.compile("// (javac )?(since|until) (\\d+).*");

  private static final Path TABLE = Path.of("src/test/resources/constructs");

  /** Compiles it into {@code out}, from {@code src}, with the JDK that runs this. */
  static Constructs compiledIn(Path folder) throws IOException {
    return compiledIn(
        folder, Path.of(System.getProperty("java.home")), Runtime.version().feature());
  }

  /** Compiles what there is of it at a release, with a JDK. */
  static Constructs compiledIn(Path folder, Path jdk, int release) throws IOException {
    List<Path> files;
    try (var all = Files.list(TABLE)) {
      files = all.filter(file -> isIn(jdk, release, file)).sorted().toList();
    }
    Path sources = Files.createDirectories(folder.resolve("src"));
    StringBuilder main = new StringBuilder("public class Drive {\n");
    main.append("  public static void main(String[] a) throws Exception {\n");
    for (Path file : files) {
      Files.copy(file, sources.resolve(file.getFileName()));
      main.append("    ").append(name(file)).append(".drive();\n");
    }
    Files.writeString(sources.resolve("Drive.java"), main.append("  }\n}\n"));
    Path classes = Files.createDirectories(folder.resolve("out"));
    List<String> command = new ArrayList<>(List.of(jdk.resolve("bin/javac").toString()));
    command.addAll(List.of("-J-XX:TieredStopAtLevel=1", "-g", "-nowarn"));
    command.addAll(Shipped.release(jdk, release));
    command.addAll(List.of("-d", classes.toString(), sources.resolve("Drive.java").toString()));
    files.forEach(file -> command.add(sources.resolve(file.getFileName()).toString()));
    Shipped.Result compiled = Shipped.process(folder, Map.of(), command);
    if (compiled.exitCode() != 0) {
      throw new AssertionError(compiled.err());
    }
    Files.writeString(folder.resolve("atalaya.yaml"), "");
    return new Constructs(folder, files, jdk);
  }

  /** Whether a release, or its compiler, has what is in a file, as its first line may say. */
  private static boolean isIn(Path jdk, int release, Path file) {
    try (var lines = Files.lines(file)) {
      Matcher only = RELEASES.matcher(lines.findFirst().orElse(""));
      if (!only.matches()) {
        return true;
      }
      int asked = only.group(1) == null ? release : Shipped.feature(jdk);
      int said = Integer.parseInt(only.group(3));
      return only.group(2).equals("since") ? asked >= said : asked <= said;
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  static String name(Path file) {
    return file.getFileName().toString().replace(".java", "");
  }

  Shipped.Result observe(String... options) {
    List<String> words = new ArrayList<>(List.of("observe"));
    words.addAll(List.of(options));
    words.addAll(List.of("--classes", "out", "--sources", "src", "--"));
    words.addAll(List.of(jdk.resolve("bin/java").toString(), "-ea", "-cp", "out", "Drive"));
    return Shipped.run(folder, words.toArray(String[]::new));
  }

  /** What it prints of a target of its newest run. */
  Shipped.Result inspect(String target) {
    return Shipped.run(folder, "inspect", target);
  }

  /** The handlers of its only run. */
  List<HandlerFigures> handlers() throws IOException {
    return inRun(RunFile::handlers);
  }

  /** The loops of its only run. */
  List<LoopFigures> loops() throws IOException {
    return inRun(RunFile::loops);
  }

  private <T> T inRun(Function<RunFile, T> read) throws IOException {
    try (var runs = Files.list(folder.resolve(".atalaya/runs"));
        RunFile run = RunFile.open(runs.findFirst().orElseThrow())) {
      return read.apply(run);
    }
  }

  /** The cells of a table, row by row, the titles first. */
  List<List<String>> export(String table) {
    return Debugger.rows(Shipped.ask(folder, "export", table).out());
  }
}
