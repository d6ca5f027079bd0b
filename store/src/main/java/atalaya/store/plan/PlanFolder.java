package atalaya.store.plan;

import atalaya.core.plan.Planned;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;

/** Plans that were made, each by a key for all that it depends on. Any of them may be deleted. */
public final class PlanFolder {
  private static final int MOST_KEPT = 20;
  private static final String ENDING = ".plan";

  private final Path folder;

  /** A folder, which need not be there yet. */
  public PlanFolder(Path folder) {
    this.folder = folder;
  }

  private Path file(String key) {
    return folder.resolve(key + ENDING);
  }

  /** The plan with a key; empty where there is none, or it can't be read: it is made again then. */
  public Optional<Planned> find(String key) {
    if (!Files.isRegularFile(file(key))) {
      return Optional.empty();
    }
    try (DataInputStream in =
        new DataInputStream(
            new ByteArrayInputStream(
                new GZIPInputStream(Files.newInputStream(file(key))).readAllBytes()))) {
      return Optional.of((Planned) RecordBytes.read(Planned.class, in));
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  /**
   * Keeps a plan, and of the others those that were kept last.
   *
   * @throws IOException when the folder can't be written to; all that were kept are still there
   */
  public void keep(String key, Planned planned) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (DataOutputStream out = new DataOutputStream(new GZIPOutputStream(bytes))) {
      RecordBytes.write(Planned.class, planned, out);
    }
    Files.createDirectories(folder);
    Path unfinished = folder.resolve(key + "." + ProcessHandle.current().pid() + ".unfinished");
    try {
      Files.write(unfinished, bytes.toByteArray());
      Files.move(unfinished, file(key), StandardCopyOption.REPLACE_EXISTING);
    } finally {
      Files.deleteIfExists(unfinished);
    }
    for (Path old : newestFirst().stream().skip(MOST_KEPT).toList()) {
      Files.deleteIfExists(old);
    }
  }

  private List<Path> newestFirst() throws IOException {
    try (Stream<Path> all = Files.list(folder)) {
      return all.filter(file -> file.toString().endsWith(ENDING))
          .sorted(Comparator.comparingLong((Path file) -> file.toFile().lastModified()).reversed())
          .toList();
    }
  }
}
