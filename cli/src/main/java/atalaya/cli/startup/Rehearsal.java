package atalaya.cli.startup;

import atalaya.cli.Atalaya;
import atalaya.cli.Console;
import atalaya.cli.observe.MadeUpRun;
import atalaya.core.kept.KeptClass;
import atalaya.core.kept.KeptSource;
import atalaya.core.kept.RunContents;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Detail;
import atalaya.core.run.RunInfo;
import atalaya.core.run.Test;
import atalaya.core.run.Verdict;
import atalaya.store.runfile.RunFileWriter;
import java.io.File;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.ToolProvider;

/**
 * Runs the reading commands once on a made-up run of the demo project, so that the classes they
 * load, and those the JVM makes for them, can be put into an archive of classes ({@code
 * bin/atalaya} does that).
 */
public final class Rehearsal {
  private static final List<String> COMMANDS =
      List.of(
          "",
          "rank",
          "rank harbour --format json",
          "survey",
          "inspect TideWindow",
          "gaps",
          "suite",
          "plan",
          "plan --full",
          "export lines",
          "export outcomes",
          "runs");

  private Rehearsal() {}

  /** Takes no arguments. */
  public static void main(String[] arguments) throws IOException {
    Path project = Files.createTempDirectory("atalaya-rehearsal");
    try {
      Files.writeString(project.resolve("pom.xml"), "<project/>");
      Console process = Console.ofProcess();
      Path sources = process.home().resolve("demo/harbour/src/main/java");
      RunFileWriter.write(project.resolve(".atalaya/runs/rehearsal.run"), run(sources, project));
      PrintWriter nowhere = new PrintWriter(Writer.nullWriter());
      Console console =
          new Console(
              nowhere,
              nowhere,
              project,
              process.home(),
              process.clock(),
              OptionalInt.of(120),
              process.wantsNoColour());
      for (String command : COMMANDS) {
        Atalaya.run(command.isEmpty() ? new String[0] : command.split(" "), console);
      }
    } finally {
      delete(project);
    }
  }

  private static RunContents run(Path folder, Path project) throws IOException {
    RunInfo info =
        new RunInfo(
            "rehearsal",
            "0",
            "harbour",
            Instant.EPOCH,
            1,
            List.of("mvn", "test"),
            0,
            "17",
            List.of(),
            List.of(),
            Optional.empty(),
            Detail.LINES,
            true);
    BitSet some = new BitSet();
    some.set(0, 4);
    ClassReach reach = new ClassReach(Map.of(1, some), Map.of());
    List<Path> files = files(folder, ".java");
    List<KeptSource> sources = new ArrayList<>();
    for (Path file : files) {
      String name = name(folder, file);
      sources.add(new KeptSource("harbour", name, 0, "", Files.readString(file)));
    }
    List<KeptClass> classes = compiled(files, project.resolve("classes"));
    return MadeUpRun.of(
        info,
        List.of(),
        classes,
        sources,
        List.of(new Test(1, "lights", "BuoyTest.lights()", Verdict.PASSED, 1, false)),
        classes.stream().collect(Collectors.toMap(KeptClass::name, type -> reach)));
  }

  /** The classes of some sources; none where there is no compiler. */
  private static List<KeptClass> compiled(List<Path> sources, Path into) throws IOException {
    JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
    List<KeptClass> classes = new ArrayList<>();
    if (compiler == null) {
      return classes;
    }
    List<String> arguments = new ArrayList<>(List.of("-g", "-d", into.toString()));
    sources.forEach(source -> arguments.add(source.toString()));
    compiler.run(null, null, null, arguments.toArray(String[]::new));
    for (Path file : files(into, ".class")) {
      String name = name(into, file).replace(".class", "").replace('/', '.');
      classes.add(new KeptClass("harbour", name, name, 0, "", false, Files.readAllBytes(file)));
    }
    return classes;
  }

  private static List<Path> files(Path folder, String ending) throws IOException {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (Stream<Path> all = Files.walk(folder)) {
      return all.filter(file -> file.toString().endsWith(ending)).sorted().toList();
    }
  }

  private static String name(Path folder, Path file) {
    return folder.relativize(file).toString().replace(File.separatorChar, '/');
  }

  private static void delete(Path folder) throws IOException {
    try (Stream<Path> all = Files.walk(folder)) {
      for (Path file : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(file);
      }
    }
  }
}
