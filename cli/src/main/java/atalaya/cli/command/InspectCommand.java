package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.again.ModelAgain;
import atalaya.cli.render.InspectView;
import atalaya.cli.render.Words;
import atalaya.core.decide.Decision.Ruling;
import atalaya.core.figure.ClassSummary;
import atalaya.core.figure.Footing;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.gap.Gap;
import atalaya.core.inspect.MethodInside;
import atalaya.core.inspect.MethodInside.SourceLine;
import atalaya.core.naming.Target;
import atalaya.core.table.Tables;
import atalaya.store.runfile.RunFile;
import atalaya.store.table.CsvWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import picocli.CommandLine.Command;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.TypeConversionException;

/** {@code atalaya inspect}. */
@Command(
    name = "inspect",
    description =
        "A class or a method with its source: what was reached, by whom, what is missing.",
    footer = {
      "",
      "What is missing stands under its line, with what it opens up and the name of the gap.",
      "",
      "Example: one method",
      "  atalaya inspect BerthTariff#quote"
    })
public final class InspectCommand extends ReadingCommand {
  private static final int LONGEST_CLASS = 120;

  /** Lines from and to, inclusive. */
  record Span(int from, int to) {
    static final Span ALL = new Span(1, Integer.MAX_VALUE);
  }

  /** Takes {@code 40-60} or {@code 41}. */
  static final class SpanConverter implements ITypeConverter<Span> {
    @Override
    public Span convert(String text) {
      if (!text.matches("[1-9]\\d{0,8}(-[1-9]\\d{0,8})?")) {
        throw new TypeConversionException("must be lines as 40-60 (got " + text + ")");
      }
      String[] ends = text.split("-");
      return new Span(Integer.parseInt(ends[0]), Integer.parseInt(ends[ends.length - 1]));
    }
  }

  @Parameters(paramLabel = "TARGET", description = "A Class, Class#method or Class:line.")
  private String target;

  @Option(
      names = "--test",
      paramLabel = "ID",
      description = "Only what this test reaches: its id, or a part of its name.")
  private String test;

  @Option(
      names = "--lines",
      paramLabel = "A-B",
      converter = SpanConverter.class,
      description = "Only these lines.")
  private Span span;

  /** Made by the program's start. */
  public InspectCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    try (RunFile run = openRun()) {
      Target named = Target.parse(target);
      Set<MethodFigures> wanted = new HashSet<>(named(run, named));
      List<ClassSummary> classes =
          run.someClasses(named::mayMean).stream()
              .filter(type -> type.methods().stream().anyMatch(wanted::contains))
              .toList();
      ModelAgain model = new ModelAgain(run);
      Optional<TestFigures> only = Optional.ofNullable(test).map(t -> test(model.tests(), t));
      Set<String> names = new HashSet<>();
      wanted.forEach(method -> names.add(method.qualifiedName() + ":" + method.firstLine()));
      List<MethodInside> methods =
          model.insides(classes, only.map(t -> t.test().number())).stream()
              .flatMap(inside -> inside.methods().stream())
              .filter(
                  m -> names.contains(m.figures().qualifiedName() + ":" + m.figures().firstLine()))
              .toList();
      Format format = format(Format.TEXT);
      print(out -> print(run, methods, only, format, out));
      if (format == Format.TEXT && !printsToFile()) {
        next(methods);
      }
    }
    return ExitCode.DONE;
  }

  private static TestFigures test(List<TestFigures> tests, String wanted) {
    List<TestFigures> exact =
        tests.stream()
            .filter(t -> t.test().id().equals(wanted) || t.test().name().equals(wanted))
            .toList();
    List<TestFigures> found =
        exact.isEmpty()
            ? tests.stream().filter(t -> t.test().name().contains(wanted)).toList()
            : exact;
    if (found.size() == 1) {
      return found.get(0);
    }
    List<String> names = found.stream().map(t -> Words.plain(t.test().name())).toList();
    throw new Failure(
        ExitCode.INPUT,
        found.isEmpty()
            ? "no test of this run is named \"" + wanted + "\"; atalaya suite lists them"
            : "\"" + wanted + "\" may mean " + found.size() + " tests: " + Words.some(names, 5));
  }

  private void print(
      RunFile run,
      List<MethodInside> methods,
      Optional<TestFigures> only,
      Format format,
      PrintWriter out)
      throws IOException {
    switch (format) {
      case TEXT, MD -> {
        head(run).lines(paint(), width()).forEach(out::println);
        only.ifPresent(
            t -> out.println("only what this test reaches: " + Words.plain(t.test().name())));
        out.println();
        text(methods, judgement(run).holding(), out);
      }
      case CSV -> CsvWriter.write(Tables.lines(lines(methods), judgement(run).accepted()), out);
      case JSON -> {
        Map<String, Object> things = new LinkedHashMap<>();
        things.put("methods", methods.stream().map(this::json).toList());
        json("inspect", run.info(), things, out);
      }
    }
  }

  private void text(List<MethodInside> methods, Map<String, Ruling> rulings, PrintWriter out)
      throws IOException {
    InspectView view = new InspectView(methods, configuration().thresholds(), rulings);
    Span lines = span == null ? Span.ALL : span;
    int length = methods.stream().mapToInt(m -> m.lines().size()).sum();
    if (methods.size() > 1) {
      view.outline(paint()).forEach(out::println);
      out.println();
    }
    if (span == null && methods.size() > 1 && length > LONGEST_CLASS) {
      List<MethodInside> lacking = methods.stream().filter(m -> !m.gaps().isEmpty()).toList();
      out.println("The source of the " + lacking.size() + " methods with gaps:");
      out.println();
      view = new InspectView(lacking, configuration().thresholds(), rulings);
    }
    out.println(view.legend(paint()));
    out.println();
    view.source(paint(), width(), lines.from(), lines.to()).forEach(out::println);
  }

  private static List<atalaya.core.figure.LineFigures> lines(List<MethodInside> methods) {
    return methods.stream()
        .flatMap(method -> method.lines().stream())
        .flatMap(line -> line.figures().stream())
        .toList();
  }

  private Map<String, Object> json(MethodInside method) {
    MethodFigures figures = method.figures();
    Map<String, Object> object = new LinkedHashMap<>();
    object.put("path", figures.path());
    object.put("class", figures.className());
    object.put("method", figures.method());
    object.put("firstLine", figures.firstLine());
    object.put("lastLine", figures.lastLine());
    object.put("complexity", figures.complexity().value());
    object.put("reach", figures.reach());
    object.put("unwatched", figures.unwatched().total());
    object.put("footing", Footing.of(figures).label());
    object.put("handlers", method.handlers().whole());
    object.put("handlersEntered", method.handlers().part());
    object.put("loops", method.loops().whole());
    object.put("loopsRepeated", method.loops().part());
    object.put("tests", method.tests().stream().map(t -> t.test().id()).toList());
    List<Object> lines = new ArrayList<>();
    for (SourceLine line : method.lines()) {
      Map<String, Object> of = new LinkedHashMap<>();
      of.put("line", line.number());
      of.put("text", line.text());
      of.put("reached", line.figures().map(f -> (Object) f.reached()).orElse(null));
      of.put(
          "hits",
          line.figures()
              .filter(f -> f.hits().isPresent())
              .map(f -> (Object) f.hits().getAsLong())
              .orElse(null));
      of.put("tests", line.figures().map(f -> (Object) f.tests()).orElse(null));
      of.put("gaps", line.gaps().stream().map(Gap::name).toList());
      lines.add(of);
    }
    object.put("lines", lines);
    return object;
  }

  private void next(List<MethodInside> methods) {
    methods.stream()
        .flatMap(method -> method.gaps().stream())
        .filter(gap -> gap.behind().isEmpty() && gap.kind() != Gap.Kind.LOOP)
        .max(java.util.Comparator.comparingInt(gap -> gap.opens().sum()))
        .ifPresent(
            gap -> {
              say("");
              say("Next: atalaya plan " + gap.name() + " --full, for a test that comes there");
            });
  }
}
