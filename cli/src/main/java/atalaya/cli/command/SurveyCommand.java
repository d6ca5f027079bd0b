package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.render.SurveyView;
import atalaya.core.figure.ClassSummary;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Totals;
import atalaya.core.leave.LeftOut;
import atalaya.core.naming.Target;
import atalaya.core.run.NotObserved;
import atalaya.core.survey.Survey;
import atalaya.core.table.Table;
import atalaya.core.table.Tables;
import atalaya.store.runfile.RunFile;
import atalaya.store.table.CsvWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** {@code atalaya survey}. */
@Command(
    name = "survey",
    description = "The whole: totals, then the parts of the code beside each other.",
    footer = {
      "",
      "Example: the classes of a package, the most complex first",
      "  atalaya survey harbour.tariff --by class --sort complexity"
    })
public final class SurveyCommand extends ReadingCommand {

  /** Takes what a part may be. */
  static final class ByConverter extends LowerCase<Survey.By> {
    ByConverter() {
      super(Survey.By.class);
    }
  }

  /** Takes what to sort by. */
  static final class OrderConverter extends LowerCase<Survey.Order> {
    OrderConverter() {
      super(Survey.Order.class);
    }
  }

  @Mixin private Where where;

  @Option(
      names = "--by",
      paramLabel = "PART",
      converter = ByConverter.class,
      description = "module, package, class or method (default: the finest with up to 40 rows).")
  private Survey.By by;

  @Option(
      names = "--sort",
      paramLabel = "FIGURE",
      defaultValue = "unwatched",
      converter = OrderConverter.class,
      description =
          "unwatched, lines or branches (most missing first), complexity or name (default:"
              + " ${DEFAULT-VALUE}).")
  private Survey.Order order;

  @Option(
      names = "--least",
      paramLabel = "N",
      defaultValue = "0",
      description = "Only parts with at least so many unwatched paths.")
  private double least;

  /** Made by the program's start. */
  public SurveyCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    try (RunFile run = openRun()) {
      List<ClassSummary> classes = classes(run);
      if (where.target().isPresent()) {
        classes = only(classes, where.target().get());
      }
      List<LeftOut> natures = where.target().isEmpty() ? run.leftOut() : List.of();
      Survey survey = Survey.of(classes, natures, Optional.ofNullable(by), order, least);
      Format format = format(Format.TEXT);
      List<ClassSummary> named = classes;
      print(out -> print(run, survey, named, format, out));
      if (format == Format.TEXT && !printsToFile()) {
        next(survey);
      }
    }
    return ExitCode.DONE;
  }

  private static List<ClassSummary> only(List<ClassSummary> classes, Target target) {
    List<MethodFigures> all = classes.stream().flatMap(c -> c.methods().stream()).toList();
    Set<MethodFigures> wanted = new HashSet<>(target.in(all));
    return classes.stream()
        .map(c -> c.with(c.methods().stream().filter(wanted::contains).toList()))
        .filter(c -> !c.methods().isEmpty())
        .toList();
  }

  private void print(
      RunFile run, Survey survey, List<ClassSummary> classes, Format format, PrintWriter out)
      throws IOException {
    List<NotObserved> notObserved = where.target().isEmpty() ? run.notObserved() : List.of();
    SurveyView view = new SurveyView(survey, notObserved, run.countTests());
    switch (format) {
      case TEXT -> {
        head(run).lines(paint(), width()).forEach(out::println);
        out.println();
        view.lines(paint(), width()).forEach(out::println);
      }
      case MD -> view.markdown().forEach(out::println);
      case CSV -> CsvWriter.write(table(survey, classes), out);
      case JSON -> {
        Table table = table(survey, classes);
        Map<String, Object> things = new LinkedHashMap<>();
        things.put("totals", RankCommand.totals(survey.whole().totals()));
        if (survey.leavesOut()) {
          things.put("totalsWithLeftOut", RankCommand.totals(survey.withLeftOut()));
        }
        if (!survey.byNature().isEmpty()) {
          things.put(
              "leftOutByNature", survey.byNature().stream().map(SurveyCommand::json).toList());
        }
        things.put(table.name(), table);
        json("survey", run.info(), things, out);
      }
    }
  }

  private static Map<String, Object> json(LeftOut leftOut) {
    Map<String, Object> object = new LinkedHashMap<>();
    object.put("nature", leftOut.nature().label());
    object.put("methods", leftOut.counts().methods());
    object.put("lines", leftOut.counts().lines().whole());
    object.put("linesReached", leftOut.counts().lines().part());
    object.put("outcomes", leftOut.counts().outcomes().whole());
    object.put("outcomesReached", leftOut.counts().outcomes().part());
    return object;
  }

  private Table table(Survey survey, List<ClassSummary> classes) throws IOException {
    return switch (survey.by()) {
      case METHOD ->
          Tables.methods(
              survey.parts().stream().flatMap(p -> p.methods().stream()).toList(),
              configuration().thresholds());
      case CLASS -> {
        Map<String, ClassSummary> byName = new LinkedHashMap<>();
        classes.forEach(type -> byName.put(type.name(), type));
        yield Tables.classes(survey.parts().stream().map(p -> byName.get(p.name())).toList());
      }
      default -> Tables.parts(survey.by(), survey.parts());
    };
  }

  private void next(Survey survey) {
    Totals totals = survey.whole().totals();
    if (totals.unwatched().total() > 0) {
      say("");
      say("Next: atalaya rank" + where.typed() + ", then atalaya inspect on what it names");
    }
  }
}
