package atalaya.store.runfile;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The runs of one project. */
public final class RunFolder {
  private static final String ENDING = ".run";
  private static final String NAME = "[A-Za-z0-9][A-Za-z0-9._-]{0,99}";

  private final Path folder;

  /** The runs in a folder, which need not exist. */
  public RunFolder(Path folder) {
    this.folder = folder;
  }

  /** Whether a run may have this name. */
  public static boolean isName(String name) {
    return name.matches(NAME);
  }

  /** The file of the run with this name, there or not. */
  public Path file(String name) {
    return folder.resolve(name + ENDING);
  }

  /** All run files, the newest first. */
  public List<Path> newestFirst() {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (Stream<Path> all = Files.list(folder)) {
      List<Path> files = new ArrayList<>(all.filter(f -> f.toString().endsWith(ENDING)).toList());
      files.sort(RunFolder::newestFirst);
      return files;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The newest run file. */
  public Optional<Path> newest() {
    return newestFirst().stream().findFirst();
  }

  private static int newestFirst(Path a, Path b) {
    int order = Long.compare(modified(b), modified(a));
    return order != 0 ? order : b.compareTo(a);
  }

  private static long modified(Path file) {
    try {
      return Files.getLastModifiedTime(file).toMillis();
    } catch (IOException e) {
      return 0;
    }
  }

  /** The name, or the first like it with a number behind that no run has yet. */
  public String free(String name) {
    String free = name;
    for (int i = 2; Files.exists(file(free)); i++) {
      free = name + "-" + i;
    }
    return free;
  }
}
