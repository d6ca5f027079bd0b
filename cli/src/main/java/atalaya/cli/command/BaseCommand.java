package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.Version;
import atalaya.cli.observe.Leftovers;
import atalaya.cli.observe.NeedsNewerJava;
import atalaya.cli.render.Paint;
import atalaya.core.naming.Target.NoSuchTarget;
import atalaya.launch.project.NoProject;
import atalaya.launch.project.Project;
import atalaya.store.runfile.UnreadableRun;
import atalaya.store.yaml.UnreadableYaml;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;

/** What all commands share: their common options, and how what goes wrong is told. */
public abstract class BaseCommand implements Callable<Integer> {
  /** Where it is not known how wide the terminal is, or there is none. */
  private static final int WIDTH = 100;

  private static final int CANDIDATES_SHOWN = 12;

  /** Takes the three values of {@code --colour}. */
  static final class ColourConverter extends LowerCase<Paint.When> {
    ColourConverter() {
      super(Paint.When.class);
    }
  }

  @Option(
      names = "--project",
      paramLabel = "DIR",
      description = "The project's folder (default: the one around this folder).")
  private Path projectFolder;

  @Option(
      names = {"--colour", "--color"},
      paramLabel = "WHEN",
      defaultValue = "auto",
      converter = ColourConverter.class,
      description = "auto, always or never.")
  private Paint.When colour;

  @Option(names = "--quiet", description = "No progress, warnings or advice.")
  private boolean quiet;

  @Option(names = "--verbose", description = "More about what is done, and about failures.")
  private boolean verbose;

  @Option(
      names = {"-h", "--help"},
      usageHelp = true,
      description = "This text.")
  private boolean help;

  /** What was asked for, on the command line. */
  @Spec CommandSpec spec;

  private final Console console;

  BaseCommand(Console console) {
    this.console = console;
  }

  /** Does the work and returns the exit code. */
  protected abstract int execute() throws IOException;

  @Override
  public final Integer call() {
    try {
      return execute();
    } catch (ParameterException e) {
      throw e;
    } catch (NeedsNewerJava e) {
      return again(e);
    } catch (Failure e) {
      return fail(e.exitCode(), e.getMessage(), e);
    } catch (NoSuchTarget e) {
      return fail(ExitCode.INPUT, e.getMessage() + candidates(e.candidates()), e);
    } catch (NoProject | UnreadableRun | UnreadableYaml e) {
      return fail(ExitCode.INPUT, e.getMessage(), e);
    } catch (IOException e) {
      return fail(ExitCode.INPUT, e.getClass().getSimpleName() + ": " + e.getMessage(), e);
    } catch (RuntimeException | Error e) {
      return fault(e);
    }
  }

  /** The same with a newer Java; nothing has been printed yet. */
  private int again(NeedsNewerJava needs) {
    if (needs.jdk().isEmpty()) {
      return fail(ExitCode.INPUT, needs.getMessage(), needs);
    }
    List<String> arguments = spec.root().commandLine().getParseResult().originalArgs();
    try {
      return OtherJava.run(needs.jdk().get(), arguments, console);
    } catch (IOException e) {
      return fail(ExitCode.INPUT, needs.getMessage(), e);
    }
  }

  private static String candidates(List<String> candidates) {
    if (candidates.isEmpty()) {
      return "";
    }
    List<String> shown = candidates.subList(0, Math.min(CANDIDATES_SHOWN, candidates.size()));
    int more = candidates.size() - shown.size();
    return ": " + String.join(", ", shown) + (more > 0 ? " and " + more + " more" : "");
  }

  private int fail(int exitCode, String message, Throwable cause) {
    console.out().flush();
    console.err().println("atalaya: " + message.replaceAll("\\p{Cntrl}+", " "));
    if (verbose) {
      cause.printStackTrace(console.err());
    }
    return exitCode;
  }

  private int fault(Throwable cause) {
    String where;
    try {
      Path folder = Files.createDirectories(project().home().resolve("log"));
      Path file = folder.resolve("fault-" + console.clock().millis() + ".log");
      try (PrintWriter log = new PrintWriter(Files.newBufferedWriter(file))) {
        log.println("atalaya " + Version.TEXT + ", Java " + System.getProperty("java.version"));
        cause.printStackTrace(log);
      }
      where = "; please send " + file;
    } catch (IOException | RuntimeException e) {
      where = "; --verbose shows where";
    }
    return fail(ExitCode.FAULT, "a fault of Atalaya's own: " + cause + where, cause);
  }

  Console console() {
    return console;
  }

  boolean isQuiet() {
    return quiet;
  }

  boolean isVerbose() {
    return verbose;
  }

  Paint paint() {
    return Paint.of(colour, console.columns().isPresent(), console.wantsNoColour());
  }

  /** How wide what is printed may be, in columns. */
  final int width() {
    return console.columns().orElse(WIDTH);
  }

  Project project() {
    return projectFolder == null
        ? Project.around(console.directory())
        : Project.at(console.directory().resolve(projectFolder));
  }

  /** Makes runs of observations whose Atalaya was killed. */
  void recover(Project project) throws IOException {
    Leftovers.recover(project).forEach(this::say);
  }

  /** A line of advice or warning, unless it was asked not to. */
  void say(String line) {
    if (!quiet) {
      console.out().flush();
      console.err().println(line);
      console.err().flush();
    }
  }
}
