package atalaya.launch.project;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.jar.JarEntry;
import java.util.jar.JarFile;
import java.util.stream.Stream;

/** Reads the class files and sources of modules. */
public final class ProjectFiles {
  private ProjectFiles() {}

  /** The class files of the code to observe, in the order of modules and names. */
  public static List<FoundClass> classes(List<ProjectModule> modules) throws IOException {
    List<FoundClass> found = new ArrayList<>();
    for (ProjectModule module : modules) {
      for (Path place : module.classes()) {
        collect(module, place, found::add);
      }
    }
    return found;
  }

  /** The class files of the tests, in the order of modules and names. */
  public static List<FoundClass> testClasses(List<ProjectModule> modules) throws IOException {
    List<FoundClass> found = new ArrayList<>();
    for (ProjectModule module : modules) {
      for (Path place : module.testClasses()) {
        collect(module, place, found::add);
      }
    }
    return found;
  }

  private static void collect(ProjectModule module, Path place, Consumer<FoundClass> to)
      throws IOException {
    if (Files.isRegularFile(place)) {
      collectJar(module, place, to);
      return;
    }
    for (Path file : files(place, ".class")) {
      String path = place.relativize(file).toString().replace('\\', '/');
      if (isCode(path)) {
        long modified = Files.getLastModifiedTime(file).toMillis();
        to.accept(new FoundClass(module, name(path), file, modified, Files.readAllBytes(file)));
      }
    }
  }

  private static void collectJar(ProjectModule module, Path jar, Consumer<FoundClass> to)
      throws IOException {
    try (JarFile file = new JarFile(jar.toFile())) {
      for (JarEntry entry : file.stream().toList()) {
        String path = entry.getName();
        if (path.endsWith(".class") && isCode(path)) {
          byte[] bytes = file.getInputStream(entry).readAllBytes();
          to.accept(new FoundClass(module, name(path), jar, entry.getTime(), bytes));
        }
      }
    }
  }

  /** Not a description of a module or package, nor a variant for one version of Java. */
  private static boolean isCode(String path) {
    return !path.startsWith("META-INF/")
        && !path.endsWith("module-info.class")
        && !path.endsWith("package-info.class");
  }

  private static String name(String path) {
    return path.substring(0, path.length() - ".class".length()).replace('/', '.');
  }

  /** The Java sources of the code to observe, in the order of modules and paths. */
  public static List<FoundSource> sources(List<ProjectModule> modules) throws IOException {
    List<FoundSource> found = new ArrayList<>();
    for (ProjectModule module : modules) {
      for (Path folder : module.sources()) {
        for (Path file : files(folder, ".java")) {
          String path = folder.relativize(file).toString().replace('\\', '/');
          long modified = Files.getLastModifiedTime(file).toMillis();
          String text = new String(Files.readAllBytes(file), StandardCharsets.UTF_8);
          found.add(new FoundSource(module, file, path, modified, text));
        }
      }
    }
    return found;
  }

  private static List<Path> files(Path folder, String ending) throws IOException {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (Stream<Path> all = Files.walk(folder)) {
      return all.filter(f -> f.toString().endsWith(ending) && Files.isRegularFile(f))
          .sorted()
          .toList();
    } catch (java.io.UncheckedIOException e) {
      throw e.getCause();
    }
  }
}
