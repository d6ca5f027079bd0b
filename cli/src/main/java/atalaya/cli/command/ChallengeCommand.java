package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.Folders;
import atalaya.cli.challenge.Challenge;
import atalaya.cli.challenge.Shard;
import atalaya.cli.observe.Freshness;
import atalaya.cli.render.ChallengeView;
import atalaya.cli.render.ProgressLine;
import atalaya.cli.render.Words;
import atalaya.core.figure.MethodFigures;
import atalaya.core.mutant.BasedVerdict;
import atalaya.core.mutant.TriedMutant;
import atalaya.core.naming.Target;
import atalaya.core.table.Tables;
import atalaya.launch.project.Project;
import atalaya.store.runfile.RunFile;
import atalaya.store.runfile.UnreadableRun;
import atalaya.store.runfile.VerdictWriter;
import atalaya.store.table.CsvWriter;
import atalaya.trial.decide.WorkerKit;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;

/** {@code atalaya challenge}. */
@Command(
    name = "challenge",
    description = "Plants faults one at a time, and sees which of them no test notices.",
    footer = {
      "",
      "Only tests that reach a fault are run, in JVMs set up as when they were observed. Each",
      "verdict is kept in the run file as it falls: rank, inspect and the others use it.",
      "",
      "Example: a package, for ten minutes at most",
      "  atalaya challenge harbour.tariff --budget 10m",
      "Example: the second of four equal parts, for four machines",
      "  atalaya challenge --shard 2/4"
    })
public final class ChallengeCommand extends ReadingCommand {
  private static final Pattern TIME = Pattern.compile("(\\d{1,6})\\s*(s|m|h)");
  private static final int NAMES_SHOWN = 3;
  private static final int SURVIVORS_SHOWN = 20;

  @Parameters(
      arity = "0..1",
      paramLabel = "TARGET",
      description = "A package, Class, Class#method or Class:line (default: all code).")
  private String target;

  @Option(
      names = "--budget",
      paramLabel = "TIME",
      description = "At most so long: 90s, 10m, 2h (default: as long as it takes).")
  private String budget;

  @Option(
      names = "--workers",
      paramLabel = "N",
      description = "How many JVMs may run at once (default: one for each processor).")
  private Integer workers;

  @Option(
      names = "--shard",
      paramLabel = "K/N",
      description = "Only the K-th of N equal parts; merge puts them together.")
  private String shard;

  @Option(names = "--resume", description = "Go on where an interrupted challenge stopped.")
  private boolean resume;

  @Option(names = "--all", description = "Show all survivors, not only the first 20.")
  private boolean showAll;

  /** Made by the program's start. */
  public ChallengeCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    Format format = format(Format.TEXT);
    long budgetNanos = budgetNanos();
    Shard part = shard();
    if (workers != null && workers < 1) {
      throw usage("--workers must be at least 1 (got " + workers + ")");
    }
    try (RunFile run = openRun()) {
      Project project = project();
      check(run, project);
      List<MethodFigures> methods =
          target == null ? run.methods() : named(run, Target.parse(target));
      String state = (target == null ? "" : target) + " " + part;
      checkState(run, state);
      Path scratch = Files.createTempDirectory(scratchFolder(project), "challenge");
      Challenge.Settings settings =
          new Challenge.Settings(
              run.path(),
              methods,
              budgetNanos,
              workers == null ? Runtime.getRuntime().availableProcessors() : workers,
              part,
              resume,
              resume ? Map.of() : earlier(run),
              kit(),
              scratch);
      ProgressLine progress = new ProgressLine(console(), isQuiet(), budgetNanos);
      Challenge.Outcome outcome;
      try (VerdictWriter verdicts = VerdictWriter.open(run.path())) {
        verdicts.about(Map.of("state", state, "complete", "0"));
      }
      try {
        outcome = new Challenge(run, project, settings, progress).decide();
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        throw new Failure(ExitCode.INPUT, "interrupted; go on with --resume", e);
      } finally {
        progress.end();
        Folders.delete(scratch);
      }
      show(run, methods, part, outcome, format);
    }
    return ExitCode.DONE;
  }

  private void show(
      RunFile run,
      List<MethodFigures> methods,
      Shard part,
      Challenge.Outcome outcome,
      Format format)
      throws IOException {
    Set<String> wanted = new HashSet<>();
    methods.forEach(method -> wanted.add(method.qualifiedName()));
    List<TriedMutant> mutants =
        run.mutants().stream().filter(m -> wanted.contains(m.mutant().qualifiedName())).toList();
    Map<Integer, String> names = new HashMap<>();
    run.tests().forEach(test -> names.put(test.test().number(), test.test().name()));
    ChallengeView view =
        new ChallengeView(mutants, outcome, names, showAll ? Integer.MAX_VALUE : SURVIVORS_SHOWN);
    switch (format) {
      case TEXT -> {
        print(
            out -> {
              head(run).lines(paint(), width()).forEach(out::println);
              view.lines(paint(), width()).forEach(out::println);
            });
        if (isVerbose()) {
          view.timeLines().forEach(this::say);
        }
        if (view.next().isPresent()) {
          say("");
          say(view.next().get());
        }
      }
      case CSV -> print(out -> CsvWriter.write(Tables.mutants(mutants), out));
      case JSON -> print(out -> json("challenge", run.info(), view.json(), out));
      default -> throw usage("challenge has no Markdown; write --format text, json or csv");
    }
  }

  private ParameterException usage(String message) {
    return new ParameterException(spec.commandLine(), message);
  }

  private long budgetNanos() {
    if (budget == null) {
      return Long.MAX_VALUE;
    }
    Matcher time = TIME.matcher(budget);
    if (!time.matches() || time.group(1).matches("0+")) {
      throw usage("--budget takes a time such as 90s, 10m or 2h (got " + budget + ")");
    }
    long seconds =
        Long.parseLong(time.group(1))
            * switch (time.group(2)) {
              case "s" -> 1;
              case "m" -> 60;
              default -> 3_600;
            };
    return seconds * 1_000_000_000L;
  }

  private Shard shard() {
    if (shard == null) {
      return Shard.WHOLE;
    }
    return Shard.parse(shard)
        .orElseThrow(
            () ->
                new Failure(
                    ExitCode.INPUT, "--shard takes K/N with 1 <= K <= N (got " + shard + ")"));
  }

  private WorkerKit kit() {
    Path folder = console().home().resolve("lib").resolve("probe");
    WorkerKit kit =
        new WorkerKit(folder.resolve("atalaya-worker.jar"), folder.resolve("atalaya-boot.jar"));
    if (!Files.isRegularFile(kit.worker()) || !Files.isRegularFile(kit.boot())) {
      throw new Failure(
          ExitCode.INPUT, "the installation lacks " + kit.worker() + "; unpack it again");
    }
    return kit;
  }

  private static Path scratchFolder(Project project) throws IOException {
    return Files.createDirectories(project.home().resolve("tmp"));
  }

  /** The run must have tests, and the code must be what it was. */
  private void check(RunFile run, Project project) {
    if (run.countTests() == 0) {
      throw new Failure(
          ExitCode.INPUT, "the run has no tests; observe some, as in: atalaya observe");
    }
    List<String> changed =
        Freshness.changedClasses(run.allStamps(), project)
            .orElseThrow(
                () ->
                    new Failure(
                        ExitCode.INPUT,
                        "the classes of the run are not here; challenge it where it was observed"));
    if (!changed.isEmpty()) {
      throw new Failure(
          ExitCode.INPUT,
          Words.count(changed.size(), "class has", "classes have")
              + " changed since: "
              + Words.some(changed, NAMES_SHOWN)
              + "; observe again");
    }
  }

  private void checkState(RunFile run, String state) {
    String before = run.challenge().get("state");
    if (resume && !state.equals(before)) {
      throw new Failure(
          ExitCode.INPUT,
          before == null
              ? "there is no challenge of this run to go on with"
              : "the challenge to go on with had another target or shard ("
                  + before.strip()
                  + "); give the same");
    }
  }

  /** The verdicts of the last run before this one that has any. */
  private Map<String, BasedVerdict> earlier(RunFile run) throws IOException {
    for (Path file : runs().newestFirst()) {
      try (RunFile other = RunFile.open(file)) {
        boolean isEarlier =
            !other.info().id().equals(run.info().id())
                && other.info().started().isBefore(run.info().started());
        Map<String, BasedVerdict> verdicts = isEarlier ? other.verdicts() : Map.of();
        if (!verdicts.isEmpty()) {
          return verdicts;
        }
      } catch (UnreadableRun e) {
        say(e.getMessage() + "; nothing is taken over from it");
      }
    }
    return Map.of();
  }
}
