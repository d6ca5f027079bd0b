package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.render.RankView;
import atalaya.core.figure.Concentration;
import atalaya.core.figure.Level;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Totals;
import atalaya.core.rank.Ranking;
import atalaya.core.table.Tables;
import atalaya.store.runfile.RunFile;
import atalaya.store.table.CsvWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;

/** {@code atalaya rank}. */
@Command(
    name = "rank",
    description = "The methods with most unwatched paths, and how concentrated the risk is.",
    footer = {
      "",
      "Unwatched paths: how many of a method's independent paths could break without",
      "any test noticing. docs/measures.md says how they are computed.",
      "",
      "Example: the twenty riskiest methods of a package",
      "  atalaya rank harbour.tariff --top 20"
    })
public final class RankCommand extends ReadingCommand {

  /** Takes the levels. */
  static final class LevelConverter extends LowerCase<Level> {
    LevelConverter() {
      super(Level.class);
    }
  }

  @Mixin private Where where;

  @Option(
      names = "--top",
      paramLabel = "N",
      defaultValue = "10",
      description = "How many methods (default: ${DEFAULT-VALUE}; json and csv: all).")
  private int top;

  @Option(
      names = "--level",
      paramLabel = "L",
      converter = LevelConverter.class,
      description = "Only methods of this level or a worse one: high, medium or low.")
  private Level level;

  /** Made by the program's start. */
  public RankCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    if (top < 1) {
      throw new ParameterException(
          spec.commandLine(), "--top must be at least 1 (got " + top + ")");
    }
    try (RunFile run = openRun()) {
      List<MethodFigures> methods = methods(run);
      if (where.target().isPresent()) {
        methods = where.target().get().in(methods);
      }
      Format format = format(Format.TEXT);
      boolean cut = format == Format.TEXT || format == Format.MD || isTopGiven();
      Ranking ranking =
          Ranking.of(
              methods,
              cut ? top : Integer.MAX_VALUE,
              Optional.ofNullable(level),
              configuration().thresholds());
      print(out -> print(run, ranking, format, out));
      if (format == Format.TEXT && !printsToFile()) {
        next(ranking);
      }
    }
    return ExitCode.DONE;
  }

  private boolean isTopGiven() {
    return spec.commandLine().getParseResult().hasMatchedOption("--top");
  }

  private void print(RunFile run, Ranking ranking, Format format, PrintWriter out)
      throws IOException {
    List<MethodFigures> ranked = ranking.rows().stream().map(Ranking.Row::method).toList();
    switch (format) {
      case TEXT -> {
        head(run).lines(paint(), width()).forEach(out::println);
        out.println();
        new RankView(ranking).lines(paint(), width()).forEach(out::println);
      }
      case MD -> new RankView(ranking).markdown().forEach(out::println);
      case CSV -> CsvWriter.write(Tables.methods(ranked, ranking.thresholds()), out);
      case JSON -> {
        Map<String, Object> things = new LinkedHashMap<>();
        things.put("levels", levels(ranking));
        things.put("totals", totals(ranking.totals()));
        things.put("concentration", concentration(ranking.concentration()));
        things.put("methods", Tables.methods(ranked, ranking.thresholds()));
        json("rank", run.info(), things, out);
      }
    }
  }

  private static Map<String, Object> levels(Ranking ranking) {
    Map<String, Object> levels = new LinkedHashMap<>();
    levels.put("high", ranking.thresholds().high());
    levels.put("medium", ranking.thresholds().medium());
    return levels;
  }

  static Map<String, Object> totals(Totals of) {
    Map<String, Object> totals = new LinkedHashMap<>();
    totals.put("methods", of.methods().whole());
    totals.put("methodsReached", of.methods().part());
    totals.put("lines", of.lines().whole());
    totals.put("linesReached", of.lines().part());
    totals.put("outcomes", of.outcomes().whole());
    totals.put("outcomesReached", of.outcomes().part());
    totals.put("complexity", of.complexity());
    totals.put("unreached", of.unwatched().unreached());
    totals.put("unchecked", of.unwatched().unchecked());
    totals.put("notTried", of.unwatched().notTried());
    totals.put("unwatched", of.unwatched().total());
    return totals;
  }

  private static Map<String, Object> concentration(Concentration concentration) {
    Map<String, Object> object = new LinkedHashMap<>();
    object.put("methods", concentration.fewest());
    object.put("held", concentration.held());
    List<Object> bands = new ArrayList<>();
    for (Concentration.Band band : concentration.bands()) {
      Map<String, Object> of = new LinkedHashMap<>();
      of.put("level", band.level().label());
      of.put("methods", band.methods());
      of.put("shareOfMethods", band.ofMethods());
      of.put("shareOfLines", band.ofLines());
      of.put("unwatched", band.unwatched());
      of.put("shareOfUnwatched", band.ofUnwatched());
      bands.add(of);
    }
    object.put("bands", bands);
    return object;
  }

  private void next(Ranking ranking) {
    if (!ranking.rows().isEmpty() && ranking.rows().get(0).method().unwatched().total() > 0) {
      MethodFigures worst = ranking.rows().get(0).method();
      String method = worst.shortName().replaceAll("\\(.*", "");
      say("");
      say("Next: atalaya inspect '" + method + "' shows what is missing there");
    }
  }
}
