package atalaya.trial.decide;

import atalaya.worker.Checksum;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** A folder from which workers take planted classes. */
public final class PlantedFolder {
  private final Path folder;
  private final List<String> index = new ArrayList<>();

  /** In an existing folder. */
  PlantedFolder(Path folder) {
    this.folder = folder;
  }

  /** Adds a class by its binary name. */
  public void add(String name, byte[] original, byte[] planted) throws IOException {
    String file = index.size() + ".class";
    Files.write(folder.resolve(file), planted);
    index.add(name.replace('.', '/') + " " + Checksum.of(original) + " " + file);
  }

  /** Makes the folder ready for workers. */
  void finish() throws IOException {
    Files.write(folder.resolve("index"), index);
  }

  Path path() {
    return folder;
  }
}
