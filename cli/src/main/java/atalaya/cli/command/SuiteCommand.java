package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.again.SuiteAgain;
import atalaya.cli.render.KindsView;
import atalaya.cli.render.SuiteView;
import atalaya.core.figure.TestFigures;
import atalaya.core.naming.Target;
import atalaya.core.suite.Kinds;
import atalaya.core.suite.Suite;
import atalaya.core.table.Tables;
import atalaya.store.runfile.RunFile;
import atalaya.store.table.CsvWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code atalaya suite}. */
@Command(
    name = "suite",
    description = "What each test reaches, alone and in all; tests that check or add nothing.",
    footer = {
      "",
      "Example: the tests that reach a method",
      "  atalaya suite --on BerthTariff#quote"
    })
public final class SuiteCommand extends ReadingCommand {
  @Parameters(
      arity = "0..1",
      paramLabel = "PATTERN",
      description = "Only tests with this in their name or id.")
  private String pattern;

  @Option(names = "--idle", description = "Only tests in which no check was found.")
  private boolean idle;

  @Option(
      names = "--redundant",
      description = "Only tests without which, all at once, everything is still reached.")
  private boolean redundant;

  @Option(
      names = "--on",
      paramLabel = "TARGET",
      description = "Only tests that reach this, the closest first.")
  private String on;

  @Option(
      names = "--by-kind",
      description = "The kinds of tests that atalaya.yaml names, beside each other.")
  private boolean byKind;

  @Option(
      names = "--top",
      paramLabel = "N",
      defaultValue = "20",
      description = "How many to show (default: ${DEFAULT-VALUE}; json and csv: all).")
  private int top;

  /** Made by the program's start. */
  public SuiteCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    try (RunFile run = openRun()) {
      SuiteAgain again = new SuiteAgain(run);
      if (byKind) {
        return byKind(run, again);
      }
      Suite suite = again.suite();
      Set<Integer> reaching = on == null ? null : reaching(run, again, Target.parse(on));
      Comparator<TestFigures> order =
          on == null
              ? Comparator.comparingInt((TestFigures t) -> -only(t))
              : Comparator.comparingInt(TestFigures::methods);
      List<TestFigures> shown =
          suite.tests().stream()
              .filter(t -> reaching == null || reaching.contains(t.test().number()))
              .filter(t -> pattern == null || matches(t))
              .filter(t -> !idle || suite.isIdle(t))
              .filter(t -> !redundant || suite.isRedundant(t))
              .sorted(order.thenComparingInt(t -> t.test().number()))
              .toList();
      Format format = format(Format.TEXT);
      print(out -> print(run, suite, shown, format, out));
      if (format == Format.TEXT && !printsToFile()) {
        next(suite);
      }
    }
    return ExitCode.DONE;
  }

  private int byKind(RunFile run, SuiteAgain again) throws IOException {
    Kinds kinds = configuration().kinds();
    if (kinds.patterns().isEmpty()) {
      throw new Failure(
          ExitCode.INPUT,
          "atalaya.yaml names no kinds of tests; as in kinds: {integration: \"*IT.\"}");
    }
    List<Kinds.Figures> figures = again.kinds(kinds);
    Format format = format(Format.TEXT);
    print(
        out -> {
          switch (format) {
            case TEXT -> {
              head(run).lines(paint(), width()).forEach(out::println);
              out.println();
              new KindsView(figures).columns().lines(paint()).forEach(out::println);
            }
            case MD -> new KindsView(figures).columns().markdown().forEach(out::println);
            case CSV -> CsvWriter.write(Tables.kinds(figures), out);
            case JSON -> json("suite", run.info(), Map.of("kinds", Tables.kinds(figures)), out);
          }
        });
    return ExitCode.DONE;
  }

  private void next(Suite suite) {
    say("");
    if (!idle && !suite.idle().isEmpty()) {
      say("Next: atalaya suite --idle, and let those tests check something");
    } else if (redundant) {
      say("Reached is not checked: look at what each of them checks before you delete it");
    } else if (!suite.redundant().isEmpty()) {
      say("Next: atalaya suite --redundant");
    }
  }

  private static Set<Integer> reaching(RunFile run, SuiteAgain again, Target target) {
    return again.reaching(target, named(run, target));
  }

  private static int only(TestFigures test) {
    return test.linesOnlyHere() + test.outcomesOnlyHere();
  }

  private boolean matches(TestFigures test) {
    String wanted = pattern.toLowerCase(Locale.ROOT);
    return test.test().name().toLowerCase(Locale.ROOT).contains(wanted)
        || test.test().id().toLowerCase(Locale.ROOT).contains(wanted);
  }

  private void print(
      RunFile run, Suite suite, List<TestFigures> shown, Format format, PrintWriter out)
      throws IOException {
    SuiteView view = new SuiteView(suite, shown, top);
    switch (format) {
      case TEXT -> {
        head(run).lines(paint(), width()).forEach(out::println);
        out.println();
        view.lines(paint()).forEach(out::println);
      }
      case MD -> view.markdown().forEach(out::println);
      case CSV -> CsvWriter.write(Tables.tests(shown, configuration().kinds()), out);
      case JSON -> {
        Map<String, Object> things = new LinkedHashMap<>();
        things.put("tests", Tables.tests(shown, configuration().kinds()));
        things.put("noCheckFound", ids(suite, suite::isIdle));
        things.put("redundant", ids(suite, suite::isRedundant));
        things.put("redundantMilliseconds", suite.milliseconds(suite::isRedundant));
        json("suite", run.info(), things, out);
      }
    }
  }

  private static List<Object> ids(Suite suite, java.util.function.Predicate<TestFigures> which) {
    return suite.tests().stream().filter(which).map(t -> (Object) t.test().id()).toList();
  }
}
