package atalaya.cli.command;

import com.github.difflib.patch.PatchFailedException;
import com.github.difflib.unifieddiff.UnifiedDiff;
import com.github.difflib.unifieddiff.UnifiedDiffFile;
import com.github.difflib.unifieddiff.UnifiedDiffReader;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** A change of files, in the unified format of diff. */
final class Patch {
  private Patch() {}

  /** Changes the files of a folder. */
  static void apply(Path patch, Path folder) throws IOException {
    try (InputStream from = Files.newInputStream(patch)) {
      UnifiedDiff diff = UnifiedDiffReader.parseUnifiedDiff(from);
      for (UnifiedDiffFile change : diff.getFiles()) {
        Path file = folder.resolve(change.getToFile());
        List<String> before = Files.exists(file) ? Files.readAllLines(file) : List.of();
        Files.createDirectories(file.getParent());
        Files.write(file, change.getPatch().applyTo(before));
      }
    } catch (PatchFailedException e) {
      throw new IOException(patch + " does not fit: " + e.getMessage(), e);
    }
  }
}
