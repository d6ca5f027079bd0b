package atalaya.cli;

import java.io.IOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.Set;

/** Copies and deletes whole folders. */
public final class Folders {
  private Folders() {}

  /**
   * Copies a folder.
   *
   * @param without names of folders right in it that are not copied
   */
  public static void copy(Path from, Path to, Set<String> without) throws IOException {
    Files.walkFileTree(
        from,
        new SimpleFileVisitor<>() {
          @Override
          public FileVisitResult preVisitDirectory(Path folder, BasicFileAttributes attributes)
              throws IOException {
            String relative = from.relativize(folder).toString();
            if (without.contains(relative)) {
              return FileVisitResult.SKIP_SUBTREE;
            }
            Files.createDirectories(to.resolve(relative));
            return FileVisitResult.CONTINUE;
          }

          @Override
          public FileVisitResult visitFile(Path file, BasicFileAttributes attributes)
              throws IOException {
            Files.copy(file, to.resolve(from.relativize(file).toString()));
            return FileVisitResult.CONTINUE;
          }
        });
  }

  /** Deletes a folder and all in it. */
  public static void delete(Path folder) throws IOException {
    Files.walkFileTree(
        folder,
        new SimpleFileVisitor<>() {
          @Override
          public FileVisitResult visitFile(Path file, BasicFileAttributes attributes)
              throws IOException {
            Files.deleteIfExists(file);
            return FileVisitResult.CONTINUE;
          }

          @Override
          public FileVisitResult postVisitDirectory(Path done, IOException problem)
              throws IOException {
            Files.deleteIfExists(done);
            return FileVisitResult.CONTINUE;
          }
        });
  }
}
