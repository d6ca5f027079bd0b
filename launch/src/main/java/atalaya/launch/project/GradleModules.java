package atalaya.launch.project;

import java.io.IOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Finds the modules of a Gradle build by its usual layout. */
final class GradleModules {
  private static final Set<String> NOT_LOOKED_INTO =
      Set.of("build", "src", "node_modules", "target", "out");
  private static final List<String> LANGUAGES = List.of("java", "kotlin", "groovy", "scala");

  private GradleModules() {}

  static List<ProjectModule> of(Project project) {
    List<ProjectModule> modules = new ArrayList<>();
    for (Path folder : folders(project.root())) {
      String name = folder.equals(project.root()) ? project.name() : project.relative(folder);
      modules.add(
          new ProjectModule(
              name,
              each(folder, "build/classes/", "/main"),
              each(folder, "build/classes/", "/test"),
              each(folder, "src/main/", "")));
    }
    return modules;
  }

  private static List<Path> each(Path folder, String before, String after) {
    return LANGUAGES.stream().map(l -> folder.resolve(before + l + after)).toList();
  }

  private static List<Path> folders(Path root) {
    List<Path> found = new ArrayList<>();
    try {
      Files.walkFileTree(
          root,
          new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult preVisitDirectory(Path folder, BasicFileAttributes attributes) {
              String name = String.valueOf(folder.getFileName());
              if (!folder.equals(root)
                  && (name.startsWith(".") || NOT_LOOKED_INTO.contains(name))) {
                return FileVisitResult.SKIP_SUBTREE;
              }
              if (Build.of(folder) == Build.GRADLE) {
                found.add(folder);
              }
              return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFileFailed(Path file, IOException e) {
              return FileVisitResult.CONTINUE;
            }
          });
    } catch (IOException e) {
      throw new NoProject("can't read " + root + ": " + e.getMessage());
    }
    return found;
  }
}
