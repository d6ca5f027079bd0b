package atalaya.cli.observe;

import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.Folders;
import atalaya.core.figure.Totals;
import atalaya.core.kept.RunContents;
import atalaya.core.run.RunInfo;
import atalaya.launch.parts.Collected;
import atalaya.launch.parts.Collector;
import atalaya.launch.process.ObservedCommand;
import atalaya.launch.project.FoundClass;
import atalaya.launch.project.FoundSource;
import atalaya.launch.project.Project;
import atalaya.launch.project.ProjectFiles;
import atalaya.launch.project.ProjectModule;
import atalaya.store.runfile.RunFile;
import atalaya.store.runfile.RunFileWriter;
import atalaya.store.runfile.RunFolder;
import atalaya.store.runfile.UnreadableRun;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/** One observation from the command to the run file. */
public final class Observation {
  private final Request request;
  private final RunFolder runs;

  /** Prepares it; nothing is done yet. */
  public Observation(Request request) {
    this.request = request;
    this.runs = new RunFolder(request.project().home().resolve("runs"));
  }

  /**
   * What is to be observed.
   *
   * @param ownCommand whether the command is the project's usual one, not one that was typed
   * @param directory the working folder of the command
   * @param agent the agent's jar
   */
  public record Request(
      Project project,
      List<ProjectModule> modules,
      List<String> command,
      boolean ownCommand,
      Path directory,
      String name,
      List<String> only,
      List<String> leaveOut,
      Optional<String> tests,
      Path agent,
      Instant started) {}

  /**
   * What came of it.
   *
   * @param before the newest earlier run that is like it
   * @param readingMillis how long Atalaya took after the command had ended
   */
  public record Result(
      RunContents contents, Optional<Earlier> before, Path file, long readingMillis) {}

  /** An earlier run and its totals. */
  public record Earlier(RunInfo info, Totals totals, int tests) {}

  /**
   * Runs the command and writes the run file.
   *
   * @throws Failure when nothing could be observed; it has the exit code to end with
   */
  public Result observe() throws IOException {
    Path scratch = scratch();
    try {
      ObservedCommand.Ended ended = run(scratch);
      long began = System.nanoTime();
      Collected collected = Collector.collect(ObservedCommand.parts(scratch));
      List<FoundClass> classes = ProjectFiles.classes(request.modules());
      checkObserved(collected, classes, ended);
      List<FoundClass> tests = ProjectFiles.testClasses(request.modules());
      List<FoundSource> sources = ProjectFiles.sources(request.modules());
      RunInfo info = info(collected, ended);
      RunContents contents =
          new ContentsBuilder(request.project(), info, collected, classes, tests, sources).build();
      Optional<Earlier> before = earlierLike(info);
      Path file = runs.file(request.name());
      write(file, contents);
      return new Result(contents, before, file, (System.nanoTime() - began) / 1_000_000);
    } finally {
      Folders.delete(scratch);
    }
  }

  private Path scratch() throws IOException {
    Path home = Files.createDirectories(request.project().home());
    Path ignore = home.resolve(".gitignore");
    if (!Files.exists(ignore)) {
      Files.writeString(ignore, "*\n");
    }
    return Files.createDirectories(home.resolve("tmp").resolve(UUID.randomUUID().toString()));
  }

  private ObservedCommand.Ended run(Path scratch) throws IOException {
    List<Path> classes =
        request.modules().stream().flatMap(module -> module.classes().stream()).toList();
    try {
      return ObservedCommand.run(
          request.command(),
          request.directory(),
          request.agent(),
          scratch,
          request.project().root(),
          classes);
    } catch (ObservedCommand.NotStarted e) {
      int exitCode = request.ownCommand() ? ExitCode.INPUT : e.exitCode();
      throw new Failure(exitCode, e.getMessage() + "; write another one after --", e);
    }
  }

  private void checkObserved(
      Collected collected, List<FoundClass> classes, ObservedCommand.Ended ended) {
    if (!collected.reach().isEmpty()) {
      return;
    }
    String command = String.join(" ", request.command());
    if (ended.exitCode() != 0) {
      throw new Failure(
          request.ownCommand() ? ExitCode.INPUT : ended.exitCode(),
          "nothing was observed: \""
              + command
              + "\" failed with exit code "
              + ended.exitCode()
              + " before it loaded any class of the project; does the project compile?");
    }
    if (classes.isEmpty()) {
      throw new Failure(
          ExitCode.INPUT,
          "no class files in "
              + places()
              + "; build the project, or name its class folders with --classes DIR");
    }
    throw new Failure(
        ExitCode.NOT_OBSERVED,
        "nothing was observed: no JVM that \""
            + command
            + "\" started loaded a class of "
            + places()
            + "; check that it runs the code, in a new JVM, from those folders");
  }

  private String places() {
    List<String> places =
        request.modules().stream()
            .flatMap(module -> module.classes().stream())
            .map(request.project()::relative)
            .toList();
    return places.size() > 3
        ? String.join(", ", places.subList(0, 3)) + " and " + (places.size() - 3) + " more folders"
        : String.join(", ", places);
  }

  private RunInfo info(Collected collected, ObservedCommand.Ended ended) {
    return new RunInfo(
        request.name(),
        UUID.randomUUID().toString(),
        request.project().name(),
        request.started(),
        ended.milliseconds(),
        request.command(),
        ended.exitCode(),
        collected.jvms().isEmpty() ? "" : collected.jvms().get(0).javaVersion,
        request.only(),
        request.leaveOut(),
        request.tests(),
        collected.complete());
  }

  private Optional<Earlier> earlierLike(RunInfo info) {
    for (Path file : runs.newestFirst()) {
      try (RunFile run = RunFile.open(file)) {
        RunInfo other = run.info();
        if (other.isLike(info)) {
          return Optional.of(new Earlier(other, Totals.of(run.methods()), run.countTests()));
        }
      } catch (UnreadableRun e) {
        // A damaged run is nothing to compare with; atalaya runs shows it as damaged.
        continue;
      }
    }
    return Optional.empty();
  }

  private void write(Path file, RunContents contents) {
    try {
      RunFileWriter.write(file, contents);
    } catch (IOException e) {
      throw new Failure(
          ExitCode.INPUT,
          "can't write the run file " + file + ": " + e.getMessage() + "; is the disk full?",
          e);
    }
  }
}
