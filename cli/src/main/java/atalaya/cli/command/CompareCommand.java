package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.render.CompareView;
import atalaya.cli.render.UseView;
import atalaya.core.compare.Comparison;
import atalaya.core.compare.MethodPair;
import atalaya.core.compare.RunSide;
import atalaya.core.compare.Use;
import atalaya.core.figure.Level;
import atalaya.core.run.RunInfo;
import atalaya.core.table.Table;
import atalaya.core.table.Tables;
import atalaya.store.runfile.RunFile;
import atalaya.store.table.CsvWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code atalaya compare}. */
@Command(
    name = "compare",
    description = "Before and after: whether two runs are alike, and what was gained and lost.",
    footer = {
      "",
      "Without names: the newest run against the last one before it that was made alike.",
      "",
      "Example: what the tests miss of what a day of real use reached",
      "  atalaya compare --use monday"
    })
public final class CompareCommand extends ReadingCommand {
  @Parameters(
      arity = "0..2",
      paramLabel = "RUN",
      description = "The run before, and the run after (default: the newest).")
  private List<String> names = List.of();

  @Option(
      names = "--use",
      paramLabel = "RUN",
      description = "A run of real use to compare the tests with.")
  private String use;

  /** Made by the program's start. */
  public CompareCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    try (RunFile after = names.size() == 2 ? open(names.get(1)) : openRun();
        RunFile other = use != null ? open(use) : before(after)) {
      sameProject(after.info(), other.info());
      Format format = format(Format.TEXT);
      if (use != null) {
        print(out -> print(after, Use.of(after.methods(), other.methods()), format, out));
        return ExitCode.DONE;
      }
      Comparison comparison = Comparison.of(side(other), side(after));
      print(out -> print(comparison, other.info(), after.info(), format, out));
      if (format == Format.TEXT && !printsToFile()) {
        next(comparison);
      }
    }
    return ExitCode.DONE;
  }

  private RunFile before(RunFile after) throws IOException {
    return names.isEmpty() ? runBefore(after) : open(names.get(0));
  }

  private static void sameProject(RunInfo one, RunInfo other) {
    if (!one.project().equals(other.project())) {
      throw new Failure(
          ExitCode.INPUT,
          other.name() + " is a run of " + other.project() + ", not of " + one.project());
    }
  }

  private static RunSide side(RunFile run) {
    Map<String, String> tests = new LinkedHashMap<>();
    run.tests().forEach(test -> tests.put(test.test().id(), test.test().name()));
    return new RunSide(run.info(), run.methods(), run.gaps(), tests, run.hashes());
  }

  private void print(RunFile run, Use compared, Format format, PrintWriter out) throws IOException {
    Table untested = Tables.methods(compared.untested(), Level.Thresholds.USUAL);
    switch (format) {
      case TEXT, MD -> {
        head(run).lines(paint(), width()).forEach(out::println);
        out.println();
        new UseView(compared).lines(paint()).forEach(out::println);
      }
      case CSV -> CsvWriter.write(untested, out);
      case JSON -> {
        Map<String, Object> things = new LinkedHashMap<>();
        things.put("usedNotTested", untested);
        things.put("neither", Tables.methods(compared.idle(), Level.Thresholds.USUAL));
        json("compare", run.info(), things, out);
      }
    }
  }

  private void print(
      Comparison comparison, RunInfo before, RunInfo after, Format format, PrintWriter out)
      throws IOException {
    CompareView view = new CompareView(comparison, before, after, console().clock().instant());
    switch (format) {
      case TEXT -> view.lines(paint(), width()).forEach(out::println);
      case MD -> view.markdown().forEach(out::println);
      case CSV -> CsvWriter.write(changes(comparison), out);
      case JSON -> {
        Map<String, Object> things = new LinkedHashMap<>();
        things.put("before", before.name());
        things.put(
            "differences", comparison.differences().stream().map(CompareCommand::json).toList());
        things.put("totalsBefore", RankCommand.totals(comparison.before()));
        things.put("totals", RankCommand.totals(comparison.after()));
        things.put("methods", changes(comparison));
        things.put("gapsClosed", Tables.gaps(comparison.closed(), Map.of()));
        things.put("gapsOpened", Tables.gaps(comparison.opened(), Map.of()));
        json("compare", after, things, out);
      }
    }
  }

  private static Map<String, Object> json(Comparison.Difference difference) {
    Map<String, Object> object = new LinkedHashMap<>();
    object.put("what", difference.what());
    object.put("text", difference.text());
    object.put("names", difference.names());
    return object;
  }

  private static Table changes(Comparison comparison) {
    return new Table(
        "methods",
        List.of(
            "path",
            "class",
            "method",
            "state",
            "lines_before",
            "lines_reached_before",
            "lines",
            "lines_reached",
            "outcomes_before",
            "outcomes_reached_before",
            "outcomes",
            "outcomes_reached",
            "unwatched_before",
            "unwatched"),
        comparison.methods().stream().map(CompareCommand::row).toList());
  }

  private static List<Object> row(MethodPair pair) {
    var then = pair.before();
    var now = pair.after();
    String state =
        then.isEmpty() ? "new" : now.isEmpty() ? "gone" : pair.moved() ? "moved" : "same";
    return Table.row(
        pair.either().path(),
        pair.either().className(),
        pair.either().method(),
        state,
        then.map(m -> m.lines().whole()).orElse(null),
        then.map(m -> m.lines().part()).orElse(null),
        now.map(m -> m.lines().whole()).orElse(null),
        now.map(m -> m.lines().part()).orElse(null),
        then.map(m -> m.outcomes().whole()).orElse(null),
        then.map(m -> m.outcomes().part()).orElse(null),
        now.map(m -> m.outcomes().whole()).orElse(null),
        now.map(m -> m.outcomes().part()).orElse(null),
        then.map(m -> m.unwatched().total()).orElse(null),
        now.map(m -> m.unwatched().total()).orElse(null));
  }

  private void next(Comparison comparison) {
    say("");
    say(
        comparison.opened().isEmpty()
            ? "Next: atalaya rank"
            : "Next: atalaya inspect "
                + comparison.opened().get(0).className()
                + ", where a gap was opened");
  }
}
