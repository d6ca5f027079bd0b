package atalaya.cli.startup;

import atalaya.cli.Atalaya;
import atalaya.cli.Console;
import atalaya.core.code.ClassState;
import atalaya.core.code.Complexity;
import atalaya.core.figure.ClassFigures;
import atalaya.core.figure.LineFigures;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Mutants;
import atalaya.core.figure.OutcomeFigures;
import atalaya.core.figure.Share;
import atalaya.core.figure.TestFigures;
import atalaya.core.kept.KeptClass;
import atalaya.core.kept.KeptSource;
import atalaya.core.kept.RunContents;
import atalaya.core.run.Detail;
import atalaya.core.run.RunInfo;
import atalaya.core.run.Test;
import atalaya.core.run.Verdict;
import atalaya.store.runfile.RunFileWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;

/**
 * Runs the reading commands once on a made-up run, so that the classes they load can be put into an
 * archive of classes ({@code bin/atalaya} does that).
 */
public final class Rehearsal {
  private Rehearsal() {}

  /** Takes no arguments. */
  public static void main(String[] arguments) throws IOException {
    Path project = Files.createTempDirectory("atalaya-rehearsal");
    Path file = project.resolve(".atalaya").resolve("runs").resolve("rehearsal.run");
    Files.writeString(project.resolve("pom.xml"), "<project/>");
    Files.writeString(project.resolve("Buoy.java"), "");
    RunFileWriter.write(file, run());
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
    for (String command :
        new String[] {
          "", "rank", "rank harbour --format json", "export lines", "export outcomes", "runs"
        }) {
      Atalaya.run(command.isEmpty() ? new String[0] : command.split(" "), console);
    }
    for (Path done :
        List.of(
            file,
            file.getParent(),
            file.getParent().getParent(),
            project.resolve("pom.xml"),
            project.resolve("Buoy.java"),
            project)) {
      Files.delete(done);
    }
  }

  private static RunContents run() {
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
    String path = "Buoy.java";
    String type = "harbour.Buoy";
    String method = "light()";
    MethodFigures figures =
        new MethodFigures(
            path,
            type,
            method,
            1,
            9,
            new Complexity(7, Complexity.Origin.SOURCE),
            new Share(1, 2),
            new Share(1, 4),
            1,
            Mutants.NOT_TRIED);
    ClassFigures ofClass =
        new ClassFigures(
            type,
            "harbour",
            path,
            ClassState.REACHED,
            new Share(2, 2),
            List.of(figures),
            List.of(new LineFigures(path, type, method, 1, true, OptionalLong.empty(), 1)),
            List.of(
                new OutcomeFigures(
                    path, type, method, 1, "dark", "true", true, OptionalLong.empty(), 1)),
            List.of(),
            List.of(),
            List.of());
    Test test = new Test(1, "lights", "BuoyTest.lights()", Verdict.FAILED, 1, false);
    return new RunContents(
        info,
        List.of(),
        List.of(new KeptClass("harbour", type, "Buoy.class", 0, "", false, new byte[0])),
        List.of(new KeptSource("harbour", path, 0, "", "")),
        Map.of(),
        List.of(ofClass),
        List.of(new TestFigures(test, 1, 1, 1, 0, 0, 0)),
        List.of(),
        List.of(),
        List.of());
  }
}
