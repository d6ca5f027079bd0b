package atalaya.cli.observe;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/** The process that makes a run of an observation's folder, while it lives. */
final class Owner {
  private static final String FILE = "owner";
  private static final String COMMAND = "command";

  private Owner() {}

  /** This process owns the folder. */
  static void write(Path folder) throws IOException {
    write(folder.resolve(FILE), ProcessHandle.current());
  }

  private static void write(Path file, ProcessHandle process) throws IOException {
    Files.write(
        file,
        List.of(String.valueOf(process.pid()), started(process).map(Instant::toString).orElse("")));
  }

  /** The command that runs in the folder's observation. */
  static void writeCommand(Path folder, ProcessHandle command) throws IOException {
    write(folder.resolve(COMMAND), command);
  }

  /** Whether the process that owns the folder is gone. */
  static boolean isGone(Path folder) throws IOException {
    return isGoneOf(folder.resolve(FILE));
  }

  /** Whether the command is gone; false when it is not known. */
  static boolean isCommandGone(Path folder) throws IOException {
    Path file = folder.resolve(COMMAND);
    return !Files.exists(file) || isGoneOf(file);
  }

  private static boolean isGoneOf(Path file) throws IOException {
    if (!Files.exists(file)) {
      return false;
    }
    List<String> lines = Files.readAllLines(file);
    if (lines.size() < 2 || !lines.get(0).matches("\\d{1,18}")) {
      return true;
    }
    Optional<ProcessHandle> owner = ProcessHandle.of(Long.parseLong(lines.get(0)));
    return owner.isEmpty()
        || !started(owner.get()).map(Instant::toString).orElse("").equals(lines.get(1));
  }

  private static Optional<Instant> started(ProcessHandle process) {
    return process.info().startInstant();
  }
}
