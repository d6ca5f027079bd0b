package atalaya.launch.process;

import atalaya.points.Hash;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.stream.Stream;

/**
 * The folder in which observed JVMs keep classes with points in them for each other. Each agent has
 * its own, since another one may plant otherwise.
 */
public final class KeptClasses {
  private static final int LETTERS = 16;
  private static final int LONGEST_DAYS = 14;

  private KeptClasses() {}

  /**
   * The folder for an agent, without what is old in it. Those of other agents are removed.
   *
   * @param home the project's own folder for Atalaya
   * @param agent the agent's jar
   */
  public static Path folder(Path home, Path agent) throws IOException {
    Path all = Files.createDirectories(home.resolve("planted"));
    Path own = all.resolve(Hash.of(Files.readAllBytes(agent)).substring(0, LETTERS));
    for (Path folder : entries(all)) {
      removeOld(folder, !folder.equals(own));
    }
    return Files.createDirectories(own);
  }

  private static List<Path> entries(Path folder) throws IOException {
    try (Stream<Path> entries = Files.list(folder)) {
      return entries.toList();
    }
  }

  private static void removeOld(Path folder, boolean whole) throws IOException {
    Instant oldest = Instant.now().minus(LONGEST_DAYS, ChronoUnit.DAYS);
    for (Path file : entries(folder)) {
      if (whole || Files.getLastModifiedTime(file).toInstant().isBefore(oldest)) {
        Files.deleteIfExists(file);
      }
    }
    if (whole) {
      Files.deleteIfExists(folder);
    }
  }
}
