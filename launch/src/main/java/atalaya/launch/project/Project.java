package atalaya.launch.project;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A project on disk.
 *
 * @param root its topmost folder, absolute and without links
 */
public record Project(Path root, Build build) {

  /**
   * The project that a folder belongs to: the nearest one upwards that holds {@code atalaya.yaml},
   * a build or {@code .git}, and from there the topmost build that it is a module of.
   *
   * @throws NoProject when there is none
   */
  public static Project around(Path folder) {
    Path start = real(folder);
    for (Path at = start; at != null; at = at.getParent()) {
      if (Files.exists(at.resolve("atalaya.yaml"))) {
        return new Project(at, Build.of(at));
      }
      if (Build.of(at) != Build.OTHER) {
        return new Project(topmost(at), Build.of(at));
      }
      if (Files.exists(at.resolve(".git"))) {
        return new Project(at, Build.OTHER);
      }
    }
    throw new NoProject(
        "no project here: neither "
            + start
            + " nor a folder above it holds a build or .git;"
            + " name one with --project DIR");
  }

  /**
   * The project with this root.
   *
   * @throws NoProject when there is no such folder
   */
  public static Project at(Path root) {
    if (!Files.isDirectory(root)) {
      throw new NoProject("no folder " + root + "; name the project's with --project DIR");
    }
    Path real = real(root);
    return new Project(real, Build.of(real));
  }

  private static Path real(Path folder) {
    try {
      return folder.toRealPath();
    } catch (IOException e) {
      return folder.toAbsolutePath().normalize();
    }
  }

  private static Path topmost(Path folder) {
    Path top = folder;
    for (Path up = folder.getParent(); up != null; up = up.getParent()) {
      boolean holdsIt =
          switch (Build.of(up)) {
            case MAVEN -> MavenModules.under(up).contains(top);
            case GRADLE -> Build.of(folder) == Build.GRADLE;
            case OTHER -> false;
          };
      if (holdsIt) {
        top = up;
      }
    }
    return top;
  }

  /** The name of its folder. */
  public String name() {
    return String.valueOf(root.getFileName());
  }

  /** Where Atalaya keeps its runs and logs. */
  public Path home() {
    return root.resolve(".atalaya");
  }

  /** A path from the root, with slashes; a path outside of the root stays absolute. */
  public String relative(Path path) {
    Path normal = path.toAbsolutePath().normalize();
    Path shown = normal.startsWith(root) ? root.relativize(normal) : normal;
    return shown.toString().replace('\\', '/');
  }

  /** All modules of the build; none when Atalaya does not know it. */
  public List<ProjectModule> modules() {
    return switch (build) {
      case MAVEN -> MavenModules.of(this);
      case GRADLE -> GradleModules.of(this);
      case OTHER -> List.of();
    };
  }

  /**
   * The command that runs the project's tests.
   *
   * @param pattern what to cut the tests to
   * @return empty when Atalaya does not know it
   */
  public Optional<List<String>> testCommand(Optional<String> pattern) {
    if (build != Build.MAVEN) {
      return Optional.empty();
    }
    boolean windows = System.getProperty("os.name", "").startsWith("Windows");
    Path wrapper = root.resolve(windows ? "mvnw.cmd" : "mvnw");
    List<String> command = new ArrayList<>();
    if (Files.isExecutable(wrapper)) {
      command.add(wrapper.toString());
    } else {
      command.add(windows ? "mvn.cmd" : "mvn");
    }
    command.add("test");
    pattern.ifPresent(
        p -> {
          command.add("-Dtest=" + p);
          command.add("-Dsurefire.failIfNoSpecifiedTests=false");
        });
    return Optional.of(command);
  }
}
