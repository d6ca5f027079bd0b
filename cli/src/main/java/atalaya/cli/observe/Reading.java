package atalaya.cli.observe;

import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.core.figure.Totals;
import atalaya.core.kept.RunContents;
import atalaya.core.run.RunInfo;
import atalaya.java.ProjectModel;
import atalaya.launch.parts.Collected;
import atalaya.launch.parts.Collector;
import atalaya.launch.process.ObservedCommand;
import atalaya.launch.project.FoundClass;
import atalaya.launch.project.ProjectFiles;
import atalaya.store.runfile.RunFile;
import atalaya.store.runfile.RunFileWriter;
import atalaya.store.runfile.RunFolder;
import atalaya.store.runfile.UnreadableRun;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.stream.Stream;

/** Makes a run of what observed programs left in the folder of an observation. */
public final class Reading {
  /** In place of an exit code: nobody saw how the command ended. */
  public static final int UNKNOWN = -1;

  private final Path folder;
  private final Request request;
  private final RunFolder runs;
  private final String name;

  private Reading(Path folder, Request request) {
    this.folder = folder;
    this.request = request;
    this.runs = new RunFolder(request.project().home().resolve("runs"));
    this.name = runs.free(request.name());
  }

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
   * Begins.
   *
   * @throws Failure when the folder is none of an observation
   */
  public static Reading of(Path folder) throws IOException {
    try {
      return new Reading(folder, Request.read(folder));
    } catch (java.nio.file.NoSuchFileException e) {
      throw new Failure(
          ExitCode.INPUT, folder + " is no folder of an observation; see atalaya attach --help", e);
    }
  }

  /**
   * The newer JDK that must read the project, because its class files are newer than the Java that
   * runs this: that of an observed program.
   */
  public Optional<Path> newerJdk() throws IOException {
    int newest =
        ProjectFiles.classes(request.modules()).stream()
            .mapToInt(found -> JavaVersions.ofClassFile(found.bytes()))
            .max()
            .orElse(0);
    return newest <= Runtime.version().feature()
        ? Optional.empty()
        : JavaVersions.jdkThatReads(
            newest,
            Collector.collect(ObservedCommand.parts(folder)).jvms().stream()
                .map(ContentsBuilder::jvm)
                .toList());
  }

  /**
   * Writes the run file.
   *
   * @param ahead what was read while the command ran
   * @throws Failure when nothing could be observed; it has the exit code to end with
   */
  public Result read(Optional<ReadAhead> ahead) throws IOException {
    long began = System.nanoTime();
    CompletableFuture<Collected> collecting = CompletableFuture.supplyAsync(this::collect);
    Request.Ended ended = Request.readEnded(folder).orElse(lastSign());
    ProjectCode code = ProjectCode.of(request.modules());
    List<FoundClass> tests = ProjectFiles.testClasses(request.modules());
    ProjectModel model =
        ahead
            .map(of -> of.model(code))
            .orElseGet(() -> code.read(request.project(), new HashMap<>()));
    Collected collected = joined(collecting);
    checkObserved(collected, code.classes(), ended);
    RunInfo info = info(collected, ended);
    RunContents contents =
        new ContentsBuilder(request.project(), info, collected, code, model, tests).build();
    Optional<Earlier> before = earlierLike(info);
    Path file = runs.file(name);
    write(file, contents);
    return new Result(contents, before, file, (System.nanoTime() - began) / 1_000_000);
  }

  private Collected collect() {
    try {
      return Collector.collect(ObservedCommand.parts(folder));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static <T> T joined(CompletableFuture<T> future) throws IOException {
    try {
      return future.join();
    } catch (CompletionException e) {
      if (e.getCause() instanceof UncheckedIOException problem) {
        throw problem.getCause();
      }
      throw e;
    }
  }

  /** When something was written last, where nobody saw the end. */
  private Request.Ended lastSign() throws IOException {
    long last = request.started().toEpochMilli();
    try (Stream<Path> parts = Files.list(ObservedCommand.parts(folder))) {
      for (Path part : parts.toList()) {
        last = Math.max(last, Files.getLastModifiedTime(part).toMillis());
      }
    }
    int exitCode = request.command().isEmpty() ? 0 : UNKNOWN;
    return new Request.Ended(exitCode, last - request.started().toEpochMilli());
  }

  private void checkObserved(Collected collected, List<FoundClass> classes, Request.Ended ended) {
    if (!collected.reach().isEmpty()) {
      return;
    }
    if (request.command().isEmpty()) {
      throw new Failure(
          ExitCode.NOT_OBSERVED,
          "nothing was observed in " + folder + "; did the program start with the option?");
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

  private RunInfo info(Collected collected, Request.Ended ended) {
    return new RunInfo(
        name,
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
        request.detail(),
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
