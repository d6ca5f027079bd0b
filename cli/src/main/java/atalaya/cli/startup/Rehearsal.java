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
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
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
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.ToolProvider;

/**
 * Runs the reading commands once on a made-up run, so that the classes they load can be put into an
 * archive of classes ({@code bin/atalaya} does that).
 */
public final class Rehearsal {
  private static final List<String> COMMANDS =
      List.of(
          "",
          "rank",
          "rank harbour --format json",
          "survey",
          "inspect Buoy",
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
      RunFileWriter.write(project.resolve(".atalaya/runs/rehearsal.run"), run(project));
      PrintWriter nowhere = new PrintWriter(Writer.nullWriter());
      Console process = Console.ofProcess();
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

  private static RunContents run(Path project) throws IOException {
    String text = source();
    Path source = Files.writeString(project.resolve("Buoy.java"), text);
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
    return MadeUpRun.of(
        info,
        compiled(source),
        List.of(new KeptSource("harbour", "harbour/Buoy.java", 0, "", text)),
        List.of(new Test(1, "lights", "BuoyTest.lights()", Verdict.PASSED, 1, false)),
        Map.of("harbour.Buoy", new ClassReach(Map.of(1, some), Map.of())));
  }

  private static String source() throws IOException {
    try (InputStream in = Rehearsal.class.getResourceAsStream("Buoy.java.txt")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  /** The classes of a source; none where there is no compiler. */
  private static List<KeptClass> compiled(Path source) throws IOException {
    JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
    List<KeptClass> classes = new ArrayList<>();
    if (compiler == null) {
      return classes;
    }
    Path folder = source.getParent();
    compiler.run(null, null, null, "-g", "-d", folder.toString(), source.toString());
    try (Stream<Path> files = Files.list(folder.resolve("harbour"))) {
      for (Path file : files.sorted().toList()) {
        String name = "harbour." + file.getFileName().toString().replace(".class", "");
        byte[] bytes = Files.readAllBytes(file);
        classes.add(new KeptClass("harbour", name, name, 0, "", false, bytes));
      }
    }
    return classes;
  }

  private static void delete(Path folder) throws IOException {
    try (Stream<Path> all = Files.walk(folder)) {
      for (Path file : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(file);
      }
    }
  }
}
