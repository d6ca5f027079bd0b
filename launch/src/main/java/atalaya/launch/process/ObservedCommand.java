package atalaya.launch.process;

import atalaya.points.AgentOptions;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import sun.misc.Signal;
import sun.misc.SignalHandler;

/** Runs a command with the agent announced to every JVM that it starts. */
public final class ObservedCommand {
  /** A command that exists but can't be run, as shells say it. */
  public static final int CANNOT_RUN = 126;

  /** A command that was not found, as shells say it. */
  public static final int NOT_FOUND = 127;

  private static final String VARIABLE = "JAVA_TOOL_OPTIONS";

  private ObservedCommand() {}

  /**
   * How a command ended.
   *
   * @param exitCode 128 and the signal's number when a signal ended it
   * @param milliseconds how long it ran
   */
  public record Ended(int exitCode, long milliseconds) {}

  /** A command that could not be started. */
  public static final class NotStarted extends Exception {
    private static final long serialVersionUID = 1;
    private final int exitCode;

    NotStarted(String message, int exitCode) {
      super(message);
      this.exitCode = exitCode;
    }

    /** {@link #CANNOT_RUN} or {@link #NOT_FOUND}. */
    public int exitCode() {
      return exitCode;
    }
  }

  /**
   * Runs it to its end, on our own input and outputs.
   *
   * @param agent the agent's jar
   * @param scratch an existing folder for the agent's options and the part files
   * @param directory the working folder
   * @param classes what to observe; need not exist yet
   */
  public static Ended run(
      List<String> command, Path directory, Path agent, Path scratch, Path root, List<Path> classes)
      throws IOException, NotStarted {
    Path parts = Files.createDirectories(parts(scratch));
    Path options = scratch.resolve("options");
    new AgentOptions(parts.toFile(), root.toFile(), classes.stream().map(Path::toFile).toList())
        .write(options.toFile());
    ProcessBuilder builder = new ProcessBuilder(command).directory(directory.toFile()).inheritIO();
    announce(builder.environment(), "-javaagent:" + agent + "=" + options);
    long began = System.nanoTime();
    Process process = start(builder);
    int exitCode = waitFor(process);
    return new Ended(exitCode, TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - began));
  }

  /** Where the part files are. */
  public static Path parts(Path scratch) {
    return scratch.resolve("parts");
  }

  private static void announce(Map<String, String> environment, String option) {
    char quote = option.indexOf('"') < 0 ? '"' : '\'';
    String quoted = option.indexOf(' ') < 0 ? option : quote + option + quote;
    environment.merge(VARIABLE, quoted, (before, ours) -> before + " " + ours);
  }

  private static Process start(ProcessBuilder builder) throws NotStarted {
    String program = builder.command().get(0);
    try {
      return builder.start();
    } catch (IOException e) {
      boolean exists = program.contains(File.separator) && new File(program).exists();
      if (exists) {
        throw new NotStarted("can't run " + program + ": is it executable?", CANNOT_RUN);
      }
      throw new NotStarted("can't find the command " + program, NOT_FOUND);
    }
  }

  /** A Ctrl-C reaches the command as well as us: it ends, and we go on with what was observed. */
  private static int waitFor(Process process) {
    SignalHandler before = Signal.handle(new Signal("INT"), signal -> {});
    try {
      while (true) {
        try {
          return process.waitFor();
        } catch (InterruptedException e) {
          process.destroy();
        }
      }
    } finally {
      Signal.handle(new Signal("INT"), before);
    }
  }
}
