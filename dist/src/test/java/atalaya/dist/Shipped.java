package atalaya.dist;

import atalaya.cli.Atalaya;
import atalaya.cli.Console;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.tools.ToolProvider;

/** Runs the distribution as it is shipped. */
final class Shipped {
  static final Path HOME = Path.of(System.getProperty("atalaya.home"));

  /** What a command did. */
  record Result(int exitCode, String out, String err) {
    /** The one line on standard error. */
    String errLine() {
      String[] lines = err.strip().split("\n");
      if (lines.length != 1) {
        throw new AssertionError("not one line but: " + err);
      }
      return lines[0];
    }
  }

  private Shipped() {}

  /** Runs a command in a process of its own, as people do. */
  static Result run(Path directory, String... words) {
    return runIn(HOME, directory, Map.of(), words);
  }

  /**
   * Runs a command in the JVM of the tests: for those that only read, or fail, whose start takes
   * most of their time. DemoTest and the tour have each of them in a process too.
   */
  static Result ask(Path directory, String... words) {
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    Console console =
        new Console(
            new PrintWriter(out),
            new PrintWriter(err),
            directory,
            HOME,
            Clock.systemUTC(),
            OptionalInt.empty(),
            true);
    int exitCode = Atalaya.run(words, console);
    console.out().flush();
    console.err().flush();
    return new Result(exitCode, out.toString(), err.toString());
  }

  static Result runIn(Path home, Path directory, Map<String, String> more, String... words) {
    List<String> command = new ArrayList<>(List.of(home.resolve("bin/atalaya").toString()));
    command.addAll(List.of(words));
    return process(directory, more, command);
  }

  /** The same with the network cut off, where this machine can do that for a single command. */
  static Result withoutNetwork(Path directory, Map<String, String> more, String... words) {
    List<String> command = new ArrayList<>();
    if (Files.isExecutable(Path.of("/usr/bin/unshare"))
        && process(directory, Map.of(), List.of("unshare", "-rn", "true")).exitCode() == 0) {
      command.addAll(List.of("unshare", "-rn"));
    }
    command.add(HOME.resolve("bin/atalaya").toString());
    command.addAll(List.of(words));
    return process(directory, more, command);
  }

  static Result process(Path directory, Map<String, String> environment, List<String> command) {
    try {
      Path out = Files.createTempFile("atalaya-out", ".txt");
      Path err = Files.createTempFile("atalaya-err", ".txt");
      ProcessBuilder builder = new ProcessBuilder(command).directory(directory.toFile());
      builder.redirectOutput(out.toFile()).redirectError(err.toFile());
      builder.environment().remove("JAVA_TOOL_OPTIONS");
      // A short build is done sooner by code that is not compiled well.
      builder.environment().put("MAVEN_OPTS", "-XX:TieredStopAtLevel=1 -XX:+UseSerialGC");
      builder.environment().putAll(environment);
      Process process = builder.start();
      process.getOutputStream().close();
      if (!process.waitFor(5, TimeUnit.MINUTES)) {
        process.destroyForcibly();
        throw new AssertionError("still running: " + command);
      }
      Result result = new Result(process.exitValue(), Files.readString(out), Files.readString(err));
      Files.delete(out);
      Files.delete(err);
      return result;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      throw new AssertionError(e);
    }
  }

  /** Compiles every source below a folder into another one. */
  static void compile(Path sources, Path classes, String... options) throws IOException {
    List<String> arguments = new ArrayList<>(List.of(options));
    arguments.addAll(List.of("-d", classes.toString()));
    try (var files = Files.walk(sources)) {
      files.filter(f -> f.toString().endsWith(".java")).forEach(f -> arguments.add(f.toString()));
    }
    Files.createDirectories(classes);
    var problems = new java.io.ByteArrayOutputStream();
    int code =
        ToolProvider.getSystemJavaCompiler()
            .run(null, problems, problems, arguments.toArray(String[]::new));
    if (code != 0) {
      throw new AssertionError(problems.toString(StandardCharsets.UTF_8));
    }
  }

  /** The homes of all JDKs that stand beside the one that runs this, that one first. */
  static Set<Path> jdks() throws IOException {
    Path own = Path.of(System.getProperty("java.home")).toRealPath();
    Set<Path> homes = new LinkedHashSet<>(List.of(own));
    try (Stream<Path> beside = Files.list(own.getParent())) {
      for (Path home : beside.sorted().toList()) {
        if (Files.isExecutable(home.resolve("bin/javac"))) {
          homes.add(home.toRealPath());
        }
      }
    }
    return homes;
  }

  /** The newest release that a JDK makes class files for. */
  static int feature(Path jdk) {
    if (Files.exists(jdk.resolve("lib/tools.jar"))) {
      return 8;
    }
    try {
      String said = Files.readString(jdk.resolve("release"));
      Matcher version = Pattern.compile("JAVA_VERSION=\"(\\d+)").matcher(said);
      return version.find() ? Integer.parseInt(version.group(1)) : 0;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** What makes the {@code javac} of a JDK compile for a release. */
  static List<String> release(Path jdk, int release) {
    return feature(jdk) > 8
        ? List.of("--release", String.valueOf(release))
        : List.of("-source", "8", "-target", "8");
  }

  static Path java() {
    return Path.of(System.getProperty("java.home"), "bin", "java");
  }
}
