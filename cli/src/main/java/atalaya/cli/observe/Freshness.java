package atalaya.cli.observe;

import atalaya.core.kept.Stamp;
import atalaya.launch.project.Project;
import atalaya.points.Hash;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/** Whether the code is still what a run observed. */
public final class Freshness {
  private Freshness() {}

  /**
   * The classes whose source or class file is another one now, or gone.
   *
   * @return empty when none of the files is there, so that nothing can be said
   */
  public static Optional<List<String>> changedClasses(List<Stamp> stamps, Project project) {
    TreeSet<String> changed = new TreeSet<>();
    boolean anyHere = false;
    for (Stamp stamp : stamps) {
      Path file = project.root().resolve(stamp.path()).normalize();
      boolean here = file.startsWith(project.root()) && Files.isRegularFile(file);
      anyHere |= here;
      if (!here || isChanged(file, stamp)) {
        changed.addAll(stamp.classes());
      }
    }
    return anyHere ? Optional.of(List.copyOf(changed)) : Optional.empty();
  }

  private static boolean isChanged(Path file, Stamp stamp) {
    try {
      return Files.getLastModifiedTime(file).toMillis() != stamp.modified()
          && !file.toString().endsWith(".jar")
          && !Hash.of(Files.readAllBytes(file)).equals(stamp.hash());
    } catch (IOException e) {
      return true;
    }
  }
}
