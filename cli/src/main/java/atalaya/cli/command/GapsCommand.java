package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.again.ModelAgain;
import atalaya.cli.render.DecisionsView;
import atalaya.cli.render.GapsView;
import atalaya.core.code.CodeClass;
import atalaya.core.decide.Decision.Ruling;
import atalaya.core.figure.ClassSummary;
import atalaya.core.figure.MethodFigures;
import atalaya.core.gap.Gap;
import atalaya.core.gap.GapFinder;
import atalaya.core.naming.Target;
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

/** {@code atalaya gaps}. */
@Command(
    name = "gaps",
    description = "The places where the tests see too little, with what each opens up.",
    footer = {
      "",
      "A gap keeps its name while the code of its method stays the same. What stands behind",
      "another gap can't be reached before that one is closed. What is unused is a candidate to",
      "delete: never entered, and nothing in the project calls it.",
      "",
      "Example: the gaps of a class",
      "  atalaya gaps BerthTariff"
    })
public final class GapsCommand extends ReadingCommand {

  /** Takes the kinds. */
  static final class KindConverter extends LowerCase<Gap.Kind> {
    KindConverter() {
      super(Gap.Kind.class);
    }
  }

  @Mixin private Where where;

  @Option(
      names = "--kind",
      paramLabel = "K",
      converter = KindConverter.class,
      description =
          "Only method (never entered), unused (and never called), outcome, handler or loop.")
  private Gap.Kind kind;

  @Option(
      names = "--opened-by",
      paramLabel = "GAP",
      description = "Only those that stand behind this gap.")
  private String openedBy;

  @Option(names = "--decided", description = "The decisions, and how each stands in this run.")
  private boolean decided;

  @Option(
      names = "--limit",
      paramLabel = "N",
      defaultValue = "20",
      description = "How many to show (default: ${DEFAULT-VALUE}; json and csv: all).")
  private int limit;

  /** Made by the program's start. */
  public GapsCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    try (RunFile run = openRun()) {
      if (decided) {
        return decided(run);
      }
      Optional<Target> target = where.target();
      List<Gap> gaps =
          target.isEmpty() || openedBy != null ? run.gaps() : run.gaps(target.get()::mayMean);
      Set<String> opened = openedBy == null ? Set.of() : opened(run, gaps);
      Set<String> wanted = target.map(t -> methods(run, t)).orElse(null);
      Set<String> accepted = new HashSet<>();
      judgement(run)
          .holding()
          .forEach(
              (gap, ruling) -> accepted.addAll(ruling == Ruling.ACCEPT ? Set.of(gap) : Set.of()));
      List<Gap> shown =
          gaps.stream()
              .filter(gap -> wanted == null || wanted.contains(gap.qualifiedMethod()))
              .filter(gap -> kind == null || gap.kind() == kind)
              .filter(gap -> format(Format.TEXT) != Format.TEXT || !accepted.contains(gap.name()))
              .filter(gap -> openedBy == null || opened.contains(gap.name()))
              .toList();
      Format format = format(Format.TEXT);
      print(out -> print(run, shown, format, out));
      if (format == Format.TEXT && !printsToFile() && !shown.isEmpty()) {
        say("");
        say("Next: atalaya plan" + where.typed() + ", for the tests that close them");
      }
    }
    return ExitCode.DONE;
  }

  private int decided(RunFile run) throws IOException {
    DecisionsView view = new DecisionsView(judgement(run).standings());
    print(
        out -> {
          head(run).lines(paint(), width()).forEach(out::println);
          out.println();
          view.lines(paint()).forEach(out::println);
        });
    return ExitCode.DONE;
  }

  private Set<String> opened(RunFile run, List<Gap> gaps) {
    Gap outer =
        gaps.stream()
            .filter(gap -> gap.name().equals(openedBy))
            .findFirst()
            .orElseThrow(
                () ->
                    new Failure(ExitCode.INPUT, "this run has no gap named \"" + openedBy + "\""));
    List<ClassSummary> classes =
        run.allClasses().stream().filter(type -> type.name().equals(outer.className())).toList();
    Set<String> opened = new HashSet<>();
    for (CodeClass code : new ModelAgain(run).code(classes)) {
      GapFinder finder = new GapFinder(List.of(code), name -> run.reach(name).all());
      opened.addAll(finder.behind(0, openedBy));
    }
    return opened;
  }

  private static Set<String> methods(RunFile run, Target target) {
    Set<String> names = new HashSet<>();
    for (MethodFigures method : named(run, target)) {
      names.add(method.qualifiedName());
    }
    return names;
  }

  private void print(RunFile run, List<Gap> gaps, Format format, PrintWriter out)
      throws IOException {
    switch (format) {
      case TEXT -> {
        head(run).lines(paint(), width()).forEach(out::println);
        out.println();
        new GapsView(gaps, limit).lines(paint()).forEach(out::println);
      }
      case MD -> new GapsView(gaps, limit).markdown().forEach(out::println);
      case CSV -> CsvWriter.write(Tables.gaps(gaps, judgement(run).holding()), out);
      case JSON -> {
        Map<String, Object> things = new LinkedHashMap<>();
        things.put("gaps", Tables.gaps(gaps, judgement(run).holding()));
        json("gaps", run.info(), things, out);
      }
    }
  }
}
