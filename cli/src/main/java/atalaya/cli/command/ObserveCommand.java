package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.Folders;
import atalaya.cli.observe.Merging;
import atalaya.cli.observe.NeedsNewerJava;
import atalaya.cli.observe.Observation;
import atalaya.cli.observe.ReadAhead;
import atalaya.cli.observe.Request;
import atalaya.cli.render.Words;
import atalaya.core.merge.Merger.NotMergeable;
import atalaya.core.run.Detail;
import atalaya.launch.project.Build;
import atalaya.launch.project.Project;
import atalaya.launch.project.ProjectModule;
import atalaya.store.runfile.RunFile;
import atalaya.store.runfile.RunFileWriter;
import atalaya.store.runfile.RunFolder;
import atalaya.store.yaml.Configuration;
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
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;

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
public final class ObserveCommand extends ObservingCommand {
  static final DateTimeFormatter NAME =
      DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss").withZone(ZoneId.systemDefault());

  @Option(names = "--name", paramLabel = "N", description = "The run's name (default: the time).")
  private String name;

  @Option(
      names = "--add",
      negatable = true,
      description = "Add to the newest run instead of starting afresh, or not.")
  private Boolean add;

  @Mixin private Scope scope;

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
    Detail detail = scope.detail();
    Project project = project();
    Configuration configuration = Configuration.of(project.root());
    boolean configured = ownCommand && !configuration.testCommand().isEmpty();
    if (configured && tests != null) {
      throw usage("--tests cuts the build's own command; atalaya.yaml has another one");
    }
    List<ProjectModule> modules = scope.modules(project, console().directory());
    Instant started = console().clock().instant();
    Request request =
        new Request(
            project,
            modules,
            configured ? configuration.testCommand() : ownCommand ? testCommand(project) : command,
            ownCommand,
            ownCommand ? project.root() : console().directory(),
            runName(project, started),
            scope.only(configuration),
            scope.leaveOut(configuration),
            Optional.ofNullable(tests),
            detail,
            started);
    recover(project);
    Path folder = Observation.newFolder(project);
    try {
      ReadAhead ahead = ReadAhead.during(request, folder);
      Observation.run(request, agent(), folder);
      Optional<Path> earlier =
          (add == null ? configuration.add() : add)
              ? new RunFolder(project.home().resolve("runs")).newest()
              : Optional.empty();
      int exitCode = makeRun(folder, Optional.of(ahead));
      if (earlier.isPresent()) {
        addTo(earlier.get(), new RunFolder(project.home().resolve("runs")).file(request.name()));
      }
      return exitCode;
    } finally {
      Folders.delete(folder);
    }
  }

  private void addTo(Path earlier, Path file) throws IOException {
    try (RunFile before = RunFile.open(earlier);
        RunFile now = RunFile.open(file)) {
      merge(before, now);
    } catch (NotMergeable e) {
      throw new Failure(ExitCode.INPUT, "can't be added: " + e.getMessage(), e);
    }
    try (RunFile before = RunFile.open(earlier);
        RunFile sum = RunFile.open(file)) {
      say(
          "Added to run "
              + before.info().name()
              + ": this run now holds "
              + Words.count(sum.whole().recordings().size(), "recording", "recordings")
              + " and "
              + Words.count(sum.countTests(), "test", "tests"));
    }
  }

  private void merge(RunFile before, RunFile now) throws IOException {
    String name = now.info().name();
    try {
      RunFileWriter.write(now.path(), Merging.of(List.of(before.whole(), now.whole()), name));
    } catch (NeedsNewerJava e) {
      Path jdk = e.jdk().orElseThrow(() -> new Failure(ExitCode.INPUT, e.getMessage(), e));
      String into = now.path().toString();
      List<String> merge =
          List.of("merge", before.path().toString(), into, "--out", into, "--name", name);
      int exitCode = OtherJava.silently(jdk, merge, console());
      if (exitCode != ExitCode.DONE) {
        throw new Failure(exitCode, "can't be added to run " + before.info().name(), e);
      }
    }
  }

  private ParameterException usage(String message) {
    return new ParameterException(spec.commandLine(), message);
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
                            ? "atalaya observe -- ./gradlew cleanTest test"
                            : "atalaya observe --classes DIR --sources DIR -- ./run-tests.sh")));
  }

  private String runName(Project project, Instant started) {
    RunFolder runs = new RunFolder(project.home().resolve("runs"));
    if (name == null) {
      return runs.free(NAME.format(started));
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
}
