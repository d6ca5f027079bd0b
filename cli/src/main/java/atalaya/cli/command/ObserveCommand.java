package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.observe.Observation;
import atalaya.cli.render.ObservedView;
import atalaya.core.naming.PathPatterns;
import atalaya.launch.project.Build;
import atalaya.launch.project.Project;
import atalaya.launch.project.ProjectModule;
import atalaya.store.runfile.RunFolder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code atalaya observe}. */
@Command(
    name = "observe",
    description = "Runs a command and keeps what it executed, test by test, as a run.",
    footer = {
      "",
      "Without a command it runs the project's own tests. Its output and exit code are the",
      "command's; totals go to standard error.",
      "",
      "Example: one test class of a Maven project",
      "  atalaya observe --tests BerthTariffTest",
      "Example: any command, with what to observe",
      "  atalaya observe --classes out --sources src -- ./run-tests.sh"
    })
public final class ObserveCommand extends BaseCommand {
  private static final DateTimeFormatter NAME =
      DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss").withZone(ZoneId.systemDefault());

  @Option(names = "--name", paramLabel = "N", description = "The run's name (default: the time).")
  private String name;

  @Option(
      names = "--classes",
      paramLabel = "DIR-OR-JAR",
      split = ",",
      description = "Where the classes to observe are (default: of every module of the build).")
  private List<Path> classes = new ArrayList<>();

  @Option(
      names = "--sources",
      paramLabel = "DIR",
      split = ",",
      description = "Where their sources are (default: of every module of the build).")
  private List<Path> sources = new ArrayList<>();

  @Option(
      names = "--only",
      paramLabel = "GLOB",
      description = "Leave out all code but this; source paths from the project's root.")
  private List<String> only = new ArrayList<>();

  @Option(
      names = "--leave-out",
      paramLabel = "GLOB",
      description = "Leave out this code; it is counted apart.")
  private List<String> leaveOut = new ArrayList<>();

  @Option(
      names = "--tests",
      paramLabel = "PATTERN",
      description = "Run only these tests, in the words of the project's build.")
  private String tests;

  @Parameters(
      arity = "0..*",
      paramLabel = "-- COMMAND",
      description = "What to run (default: the project's tests).")
  private List<String> command = new ArrayList<>();

  @Spec private CommandSpec spec;

  /** Made by the program's start. */
  public ObserveCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    boolean ownCommand = command.isEmpty();
    if (!ownCommand && tests != null) {
      throw usage("--tests cuts the project's own tests; cut those of your command there");
    }
    if (name != null && !RunFolder.isName(name)) {
      throw usage("--name takes letters, digits, '.', '_' and '-' (got " + name + ")");
    }
    checkPatterns();
    Project project = project();
    Instant started = console().clock().instant();
    Observation.Request request =
        new Observation.Request(
            project,
            modules(project),
            ownCommand ? testCommand(project) : command,
            ownCommand,
            ownCommand ? project.root() : console().directory(),
            runName(project, started),
            only,
            leaveOut,
            Optional.ofNullable(tests),
            agent(),
            started);
    Observation.Result result = new Observation(request).observe();
    new ObservedView(result, isVerbose()).lines(paint()).forEach(this::say);
    say("Next: atalaya rank");
    return result.contents().info().exitCode();
  }

  private ParameterException usage(String message) {
    return new ParameterException(spec.commandLine(), message);
  }

  private void checkPatterns() {
    try {
      PathPatterns.of(only);
      PathPatterns.of(leaveOut);
    } catch (IllegalArgumentException e) {
      throw usage("a path pattern can't be read: " + e.getMessage());
    }
  }

  private List<String> testCommand(Project project) {
    return project
        .testCommand(Optional.ofNullable(tests))
        .orElseThrow(
            () ->
                new Failure(
                    ExitCode.INPUT,
                    "the build of "
                        + project.root()
                        + " is not Maven: write the command that runs its tests, as in "
                        + (project.build() == Build.GRADLE
                            ? "atalaya observe -- ./gradlew --no-daemon cleanTest test"
                            : "atalaya observe --classes DIR --sources DIR -- ./run-tests.sh")));
  }

  private List<ProjectModule> modules(Project project) {
    List<Path> sourceFolders = sources.stream().map(this::existing).toList();
    if (!classes.isEmpty()) {
      List<Path> places = classes.stream().map(this::absolute).toList();
      return List.of(new ProjectModule(project.name(), places, List.of(), sourceFolders));
    }
    List<ProjectModule> modules = project.modules();
    if (modules.isEmpty()) {
      throw new Failure(
          ExitCode.INPUT,
          "Atalaya does not know the build of "
              + project.root()
              + "; name its class folders with --classes DIR and its sources with --sources DIR");
    }
    return modules.stream().map(module -> withSources(module, sourceFolders)).toList();
  }

  private static ProjectModule withSources(ProjectModule module, List<Path> more) {
    List<Path> sources = new ArrayList<>(module.sources());
    sources.addAll(more);
    return new ProjectModule(module.name(), module.classes(), module.testClasses(), sources);
  }

  private Path absolute(Path path) {
    return console().directory().resolve(path).normalize();
  }

  private Path existing(Path path) {
    Path folder = absolute(path);
    if (!Files.isDirectory(folder)) {
      throw new Failure(ExitCode.INPUT, "no source folder " + folder + "; see --sources");
    }
    return folder;
  }

  private String runName(Project project, Instant started) {
    RunFolder runs = new RunFolder(project.home().resolve("runs"));
    if (name == null) {
      String base = NAME.format(started);
      String free = base;
      for (int i = 2; Files.exists(runs.file(free)); i++) {
        free = base + "-" + i;
      }
      return free;
    }
    if (Files.exists(runs.file(name))) {
      throw new Failure(
          ExitCode.INPUT,
          "a run named "
              + name
              + " is there already; choose another name, or remove it first: atalaya runs --remove "
              + name);
    }
    return name;
  }

  private Path agent() {
    Path agent = console().home().resolve("lib").resolve("probe").resolve("atalaya-agent.jar");
    if (!Files.isRegularFile(agent)) {
      throw new Failure(
          ExitCode.INPUT, "the installation lacks " + agent + "; unpack the distribution again");
    }
    return agent;
  }
}
