package atalaya.launch.process;

import atalaya.boot.Children;
import atalaya.points.AgentOptions;
import atalaya.points.Hash;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import sun.misc.Signal;
import sun.misc.SignalHandler;

/** Runs a command with the agent announced to every JVM that it starts. */
public final class ObservedCommand {
  /** A command that exists but can't be run, as shells say it. */
  public static final int CANNOT_RUN = 126;

  /** A command that was not found, as shells say it. */
  public static final int NOT_FOUND = 127;

  private static final int LONGEST_END_SECONDS = 10;

  private static final String VARIABLE = "JAVA_TOOL_OPTIONS";

  /**
   * A daemon of an earlier build has the environment of that one, and so have the JVMs it forks.
   */
  private static final String GRADLE_VARIABLE = "GRADLE_OPTS";

  private static final String WITHOUT_DAEMON = "-Dorg.gradle.daemon=false";

  private static final String OF_RARE_CALLS = "-XX:MaxInlineSize=70";

  /**
   * With its marks a method is about twice as long. So that HotSpot compiles and inlines the same
   * ones: it compiles none of more than 8,000 bytes, and inlines none of more than 325, or 35 where
   * it is not called often. Where paths meet, a local of ours says which was passed; that is one
   * more than the three values that the optimising compiler chooses without a jump. (JVMs that are
   * not servers do not know that option.) A command may set other limits.
   *
   * <p>Before Java 16 the limit of 35 is also that of the fast compiler, for which inlining more
   * costs more than it gains: it is left as it is there.
   */
  public static final List<String> COMPILER_OPTIONS = compilerOptions();

  private static final int FIRST_WITH_TWO_LIMITS = 16;

  private static List<String> compilerOptions() {
    List<String> options =
        List.of("-XX:-DontCompileHugeMethods", "-XX:FreqInlineSize=650", OF_RARE_CALLS);
    boolean isServer = System.getProperty("java.vm.name").contains("Server");
    return isServer
        ? Stream.concat(options.stream(), Stream.of("-XX:ConditionalMoveLimit=4")).toList()
        : options;
  }

  private ObservedCommand() {}

  /**
   * How a command ended.
   *
   * @param exitCode 128 and the signal's number when a signal ended it
   * @param milliseconds how long it ran
   */
  public record Ended(int exitCode, long milliseconds) {}

  /** Told of the process of a command. */
  public interface Started {
    /** It runs. */
    void with(ProcessHandle process) throws IOException;
  }

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
   * Prepares a folder for what observed programs write.
   *
   * @param agent the agent's jar
   * @param folder an existing folder, for the agent's options and the part files
   * @param classes what to observe; need not exist yet
   * @param kept the folder for planted classes, or null to keep none
   * @param environment which observed JVMs need not tell of; empty where they need not tell of any
   * @return the option with which a JVM is observed
   */
  public static String prepare(
      Path agent,
      Path folder,
      Path root,
      List<Path> classes,
      AgentOptions.Detail detail,
      Path kept,
      Map<String, String> environment)
      throws IOException {
    Path parts = Files.createDirectories(parts(folder));
    Path options = folder.resolve("options");
    new AgentOptions(
            parts.toFile(),
            root.toFile(),
            classes.stream().map(Path::toFile).toList(),
            detail,
            kept == null ? null : kept.toFile(),
            environment.entrySet().stream().map(Hash::ofVariable).collect(Collectors.toSet()))
        .write(options.toFile());
    return "-javaagent:" + agent + "=" + options;
  }

  /**
   * Runs it to its end, on our own input and outputs.
   *
   * @param directory the working folder
   * @param option with which JVMs are observed
   * @param whenStarted is told the process
   */
  public static Ended run(List<String> command, Path directory, String option, Started whenStarted)
      throws IOException, NotStarted {
    ProcessBuilder builder = observed(command, option).directory(directory.toFile()).inheritIO();
    long began = System.nanoTime();
    Process process = start(builder);
    whenStarted.with(process.toHandle());
    int exitCode = waitFor(process);
    return new Ended(exitCode, TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - began));
  }

  /** Where the part files are. */
  public static Path parts(Path scratch) {
    return scratch.resolve("parts");
  }

  /** A JVM gets the options as arguments, so that it says nothing of them (see there). */
  private static ProcessBuilder observed(List<String> command, String option) {
    Map<String, String> announced = new HashMap<>(System.getenv());
    OptionalInt java = CommandJava.feature(command, announced);
    boolean hasTwoLimits = java.orElse(FIRST_WITH_TWO_LIMITS) >= FIRST_WITH_TWO_LIMITS;
    announce(announced, option, hasTwoLimits);
    String[] words = command.toArray(String[]::new);
    ProcessBuilder builder = new ProcessBuilder(Children.command(words, announced));
    Map<String, String> environment = Children.environment(words, announced);
    builder.environment().keySet().retainAll(environment.keySet());
    builder.environment().putAll(environment);
    return builder;
  }

  private static void announce(
      Map<String, String> environment, String option, boolean hasTwoLimits) {
    char quote = option.indexOf('"') < 0 ? '"' : '\'';
    String quoted = option.indexOf(' ') < 0 ? option : quote + option + quote;
    Stream<String> ofCompilers =
        COMPILER_OPTIONS.stream().filter(one -> hasTwoLimits || !one.equals(OF_RARE_CALLS));
    String all = Stream.concat(Stream.of(quoted), ofCompilers).collect(Collectors.joining(" "));
    environment.merge(VARIABLE, all, (before, ours) -> before + " " + ours);
    environment.merge(GRADLE_VARIABLE, WITHOUT_DAEMON, (before, ours) -> before + " " + ours);
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

  /**
   * A Ctrl-C at a terminal reaches the command as well as us; a signal that was sent to us alone is
   * passed on. Either way the command ends, and we go on with what was observed.
   */
  private static int waitFor(Process process) {
    Signal interrupt = new Signal("INT");
    Signal terminate = new Signal("TERM");
    SignalHandler interrupted =
        Signal.handle(interrupt, signal -> passOn(process, System.console() == null));
    SignalHandler terminated = Signal.handle(terminate, signal -> passOn(process, true));
    try {
      while (true) {
        try {
          int exitCode = process.waitFor();
          awaitRest();
          return exitCode;
        } catch (InterruptedException e) {
          process.destroy();
        }
      }
    } finally {
      Signal.handle(interrupt, interrupted);
      Signal.handle(terminate, terminated);
    }
  }

  /** Programs that the command started and that were told to end, while we wait for them. */
  private static final List<ProcessHandle> ENDING = new CopyOnWriteArrayList<>();

  private static void passOn(Process process, boolean onlyWeKnow) {
    if (onlyWeKnow) {
      process.descendants().forEach(ENDING::add);
      ENDING.forEach(ProcessHandle::destroy);
      process.destroy();
    }
  }

  /** A shell that was told to end does not wait for what it started. */
  private static void awaitRest() throws InterruptedException {
    long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(LONGEST_END_SECONDS);
    while (ENDING.stream().anyMatch(ProcessHandle::isAlive) && System.nanoTime() < until) {
      Thread.sleep(20);
    }
  }
}
