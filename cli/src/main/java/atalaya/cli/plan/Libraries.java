package atalaya.cli.plan;

import atalaya.core.kept.ObservedJvm;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/** The class files of what the observed programs used, as far as the jars are still there. */
final class Libraries implements AutoCloseable {
  private final Set<Path> jars = new LinkedHashSet<>();
  private List<ZipFile> open;

  Libraries(List<ObservedJvm> jvms) {
    jvms.forEach(jvm -> jars.addAll(jars(jvm)));
  }

  /** The jars that a JVM was started with; they may be gone by now. */
  static List<Path> jars(ObservedJvm jvm) {
    Path directory = Path.of(jvm.workingDirectory());
    return jvm.classPath().stream()
        .filter(entry -> entry.endsWith(".jar"))
        .map(entry -> directory.resolve(entry).normalize())
        .toList();
  }

  /**
   * The class file of a class.
   *
   * @param type its internal name
   * @return empty for what is in none of the jars, and for what can't be read there
   */
  synchronized Optional<byte[]> classFile(String type) {
    for (ZipFile jar : opened()) {
      ZipEntry entry = jar.getEntry(type + ".class");
      if (entry != null) {
        try (InputStream in = jar.getInputStream(entry)) {
          return Optional.of(in.readAllBytes());
        } catch (IOException e) {
          return Optional.empty(); // What it does stays open then, as that of any code not seen.
        }
      }
    }
    return Optional.empty();
  }

  private List<ZipFile> opened() {
    if (open == null) {
      open = new ArrayList<>();
      for (Path jar : jars) {
        try {
          if (Files.isRegularFile(jar)) {
            open.add(new ZipFile(jar.toFile()));
          }
        } catch (IOException e) {
          continue; // No jar that a class could come from.
        }
      }
    }
    return open;
  }

  @Override
  public synchronized void close() {
    for (ZipFile jar : open == null ? List.<ZipFile>of() : open) {
      try {
        jar.close();
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
    open = null;
  }
}
