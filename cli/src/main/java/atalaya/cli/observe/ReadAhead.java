package atalaya.cli.observe;

import atalaya.java.ProjectModel;
import atalaya.launch.process.ObservedCommand;
import atalaya.launch.project.Project;
import atalaya.launch.project.ProjectModule;
import atalaya.trial.decide.IdleCores;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.ForkJoinPool;
import java.util.function.LongToDoubleFunction;
import java.util.stream.Stream;

/**
 * Reads the project's code while the observed command still runs, once cores of the machine have
 * nothing to do: as a rule nothing has changed when the command has ended.
 */
public final class ReadAhead {
  /** A core that is busy may slow down the one beside it, so that one that is idle is too few. */
  private static final double SPARE_CORES = 2;

  private static final long LOOK_EVERY_MILLIS = 200;

  private final Project project;
  private final List<ProjectModule> modules;
  private final Path parts;
  private final LongToDoubleFunction idle;
  private final Thread thread = new Thread(this::work, "atalaya-ahead");
  private volatile boolean isOver;
  private ProjectCode code;
  private ProjectModel model;

  /**
   * Begins.
   *
   * @param parts the folder to which observed JVMs write
   * @param idle how many cores have nothing to do, by the time in nanoseconds
   */
  ReadAhead(Project project, List<ProjectModule> modules, Path parts, LongToDoubleFunction idle) {
    this.project = project;
    this.modules = modules;
    this.parts = parts;
    this.idle = idle;
    thread.setDaemon(true);
    thread.start();
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
        request.project(), request.modules(), ObservedCommand.parts(folder), idle::look);
  }

  /** What the code is as it is now: read ahead, if that was right. */
  ProjectModel model(ProjectCode now) {
    isOver = true;
    try {
      thread.join();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return now.read(project);
    }
    return model != null && code.saysTheSame(now) ? model : now.read(project);
  }

  /** Whether it has read, or will not any more. */
  boolean isDone() {
    return !thread.isAlive();
  }

  private void work() {
    while (!isOver) {
      try {
        Thread.sleep(LOOK_EVERY_MILLIS);
      } catch (InterruptedException e) {
        return;
      }
      // Before an observed JVM has begun, the code may still have to be compiled.
      if (idle.applyAsDouble(System.nanoTime()) > SPARE_CORES && isAnyObserved()) {
        read();
        return;
      }
    }
  }

  private boolean isAnyObserved() {
    try (Stream<Path> files = Files.list(parts)) {
      return files.findAny().isPresent();
    } catch (IOException | UncheckedIOException e) {
      return false;
    }
  }

  /** In one thread: the others are the command's. */
  private void read() {
    ForkJoinPool one = new ForkJoinPool(1);
    try {
      one.submit(this::readAll).join();
    } catch (UncheckedIOException e) {
      // Files come and go while a command compiles; they are read again when it has ended.
      model = null;
    } finally {
      one.shutdown();
    }
  }

  private void readAll() {
    try {
      code = ProjectCode.of(modules);
      model = code.read(project);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
