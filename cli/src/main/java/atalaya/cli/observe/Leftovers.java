package atalaya.cli.observe;

import atalaya.cli.Failure;
import atalaya.cli.Folders;
import atalaya.launch.project.Project;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Observations whose Atalaya was killed before it made runs of them. */
public final class Leftovers {
  private static final long QUIET_MILLIS = 1_500;

  private Leftovers() {}

  /**
   * Makes runs of them, and removes their folders.
   *
   * @return what was done, in lines to show
   */
  public static List<String> recover(Project project) throws IOException {
    Path unfinished = Observation.unfinished(project);
    if (!Files.isDirectory(unfinished)) {
      return List.of();
    }
    List<Path> folders;
    try (Stream<Path> all = Files.list(unfinished)) {
      folders = all.filter(Files::isDirectory).sorted().toList();
    }
    List<String> done = new ArrayList<>();
    for (Path folder : folders) {
      if (Owner.isGone(folder)) {
        done.addAll(recover(folder));
      }
    }
    return done;
  }

  private static List<String> recover(Path folder) throws IOException {
    if (!Owner.isCommandGone(folder) || isStillWritten(folder)) {
      return List.of(
          "A program that Atalaya observed when it was killed still runs; once it ended, the next"
              + " command makes a run of it");
    }
    try {
      Reading.Result result = Reading.of(folder).read(Optional.empty());
      return List.of(
          "Recovered run "
              + result.contents().info().name()
              + ": what was observed before Atalaya was killed");
    } catch (Failure e) {
      return List.of("Nothing to recover of an observation that was killed: " + e.getMessage());
    } finally {
      Folders.delete(folder);
    }
  }

  private static boolean isStillWritten(Path folder) throws IOException {
    long newest = 0;
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.toList()) {
        newest = Math.max(newest, Files.getLastModifiedTime(file).toMillis());
      }
    }
    return System.currentTimeMillis() - newest < QUIET_MILLIS;
  }
}
