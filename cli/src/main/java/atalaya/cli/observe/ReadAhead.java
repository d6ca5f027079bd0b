package atalaya.cli.observe;

import atalaya.java.ProjectModel;
import atalaya.java.SourceText;
import atalaya.java.source.SourceFile;
import atalaya.java.source.SourceParser;
import atalaya.launch.process.LowPriority;
import atalaya.launch.process.ObservedCommand;
import atalaya.launch.project.Project;
import atalaya.launch.project.ProjectFiles;
import atalaya.launch.project.ProjectModule;
import atalaya.trial.decide.IdleCores;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.ForkJoinTask;
import java.util.function.BooleanSupplier;
import java.util.function.LongToDoubleFunction;
import java.util.stream.Stream;

/**
 * Reads the project's code while the observed command still runs, in time that nobody else wants:
 * as a rule little has changed when the command has ended.
 */
public final class ReadAhead {
  /** Where its thread gives way; what its JVM's compiler and collector do for it does not. */
  private static final double SPARE_ASIDE = 0.5;

  /**
   * Where the thread has to share with the command: a core that is busy may slow down the one
   * beside it, so that one that is idle is too few.
   */
  private static final double SPARE_SHARED = 2;

  private static final long LOOK_EVERY_MILLIS = 200;

  /** So many files take no longer than one can wait for at the end. */
  private static final int AT_ONCE = 20;

  private final Project project;
  private final List<ProjectModule> modules;
  private final Path parts;
  private final BooleanSupplier isAside;
  private final LongToDoubleFunction idle;
  private final ForkJoinTask<?> work;
  private final Map<SourceText, SourceFile> parsed = new HashMap<>();
  private volatile boolean isOver;
  private ProjectCode code;
  private ProjectModel model;

  /**
   * Begins.
   *
   * @param parts the folder to which observed JVMs write
   * @param isAside whether its thread takes time only that nobody wants; asked in that thread
   * @param idle how many cores have nothing to do, by the time in nanoseconds
   */
  ReadAhead(
      Project project,
      List<ProjectModule> modules,
      Path parts,
      BooleanSupplier isAside,
      LongToDoubleFunction idle) {
    this.project = project;
    this.modules = modules;
    this.parts = parts;
    this.isAside = isAside;
    this.idle = idle;
    // What is done in parallel stays in the pool: all of it is done in its one thread.
    ForkJoinPool one = new ForkJoinPool(1);
    this.work = one.submit(this::work);
    one.shutdown();
  }

  /**
   * Begins.
   *
   * @param folder that of the observation
   */
  public static ReadAhead during(Request request, Path folder) {
    IdleCores idle = IdleCores.ofThisMachine();
    idle.forget(System.nanoTime());
    return new ReadAhead(
        request.project(),
        request.modules(),
        ObservedCommand.parts(folder),
        LowPriority::begin,
        idle::look);
  }

  /** Ends, and says what the code is as it is now: as far as that was right, what was read. */
  ProjectModel model(ProjectCode now) {
    isOver = true;
    work.join();
    return model != null && code.saysTheSame(now) ? model : now.read(project, parsed);
  }

  /** Whether it has read, or will not any more. */
  boolean isDone() {
    return work.isDone();
  }

  private void work() {
    double spare = isAside.getAsBoolean() ? SPARE_ASIDE : SPARE_SHARED;
    try {
      waitUntil(() -> idle.applyAsDouble(System.nanoTime()) > spare);
      List<SourceText> texts = ProjectCode.texts(project, ProjectFiles.sources(modules));
      for (int from = 0; from < texts.size() && !isOver; from += AT_ONCE) {
        int to = Math.min(from + AT_ONCE, texts.size());
        parsed.putAll(SourceParser.parse(texts.subList(from, to)));
      }
      // Before an observed JVM has begun, the code may still have to be compiled.
      waitUntil(this::isAnyObserved);
      if (!isOver) {
        code = ProjectCode.of(modules);
        model = code.read(project, parsed);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } catch (IOException | UncheckedIOException e) {
      // Files come and go while a command compiles; they are read again when it has ended.
      model = null;
    }
  }

  private void waitUntil(BooleanSupplier condition) throws InterruptedException {
    while (!isOver && !condition.getAsBoolean()) {
      Thread.sleep(LOOK_EVERY_MILLIS);
    }
  }

  private boolean isAnyObserved() {
    try (Stream<Path> files = Files.list(parts)) {
      return files.findAny().isPresent();
    } catch (IOException | UncheckedIOException e) {
      return false;
    }
  }
}
