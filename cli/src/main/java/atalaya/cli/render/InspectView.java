package atalaya.cli.render;

import atalaya.core.decide.Decision.Ruling;
import atalaya.core.figure.Footing;
import atalaya.core.figure.Level;
import atalaya.core.figure.LineFigures;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.figure.Unwatched;
import atalaya.core.gap.Gap;
import atalaya.core.inspect.MethodInside;
import atalaya.core.inspect.MethodInside.SourceLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** The inside of methods in a terminal. */
public final class InspectView {
  private static final int TESTS_SHOWN = 3;
  private static final String UNDER_THE_SOURCE = " ".repeat(21);

  private final List<MethodInside> methods;
  private final Level.Thresholds thresholds;
  private final Map<String, Ruling> rulings;

  /**
   * Of methods.
   *
   * @param rulings those that hold, by the name of the gap
   */
  public InspectView(
      List<MethodInside> methods, Level.Thresholds thresholds, Map<String, Ruling> rulings) {
    this.methods = methods;
    this.thresholds = thresholds;
    this.rulings = rulings;
  }

  /** The methods of a class beside each other. */
  public List<String> outline(Paint paint) {
    Columns columns =
        Columns.of(
            ">unwatched", ">complexity", ">lines", ">branches", ">tests", "footing", "method");
    for (MethodInside method : methods) {
      MethodFigures figures = method.figures();
      columns.add(
          Words.paths(figures.unwatched().total()),
          String.valueOf(figures.complexity().value()),
          Words.count(figures.lines()),
          Words.count(figures.outcomes()),
          String.valueOf(figures.tests()),
          Footing.of(figures).label(),
          figures.shortName() + " :" + figures.firstLine());
    }
    return columns.lines(paint);
  }

  /** What stands beside the source. */
  public String legend(Paint paint) {
    return paint.dim(
        "Beside each line: how many tests reach it; \"outside\" when it ran, but in no test;"
            + " \"never\".");
  }

  /**
   * The source of the methods.
   *
   * @param from the first line wanted
   * @param to the last line wanted
   */
  public List<String> source(Paint paint, int width, int from, int to) {
    List<String> lines = new ArrayList<>();
    for (MethodInside method : methods) {
      if (!lines.isEmpty()) {
        lines.add("");
      }
      lines.addAll(about(method, paint, width));
      for (SourceLine line : method.lines()) {
        if (line.number() >= from && line.number() <= to) {
          lines.add(text(line, paint));
          missing(line.gaps(), paint, lines);
        }
      }
    }
    return lines;
  }

  private List<String> about(MethodInside method, Paint paint, int width) {
    MethodFigures figures = method.figures();
    Unwatched unwatched = figures.unwatched();
    List<String> lines = new ArrayList<>();
    String place =
        figures.path().isEmpty() ? "no source" : figures.path() + ":" + figures.firstLine();
    lines.add(paint.bold(Words.plain(figures.shortName())) + "  " + Words.plain(place));
    lines.add(
        "  lines "
            + Words.count(figures.lines())
            + ", branches "
            + Words.count(figures.outcomes())
            + (method.handlers().whole() > 0
                ? ", handlers entered " + Words.count(method.handlers())
                : "")
            + (method.loops().whole() > 0
                ? ", loops repeated " + Words.count(method.loops())
                : ""));
    String paths =
        "unwatched paths "
            + Words.paths(unwatched.total())
            + ", level "
            + thresholds.of(unwatched.total()).label()
            + " (high from "
            + Words.paths(thresholds.high())
            + ", medium from "
            + Words.paths(thresholds.medium())
            + "): complexity "
            + figures.complexity().value()
            + " x (1 - reach "
            + Words.paths(figures.reach())
            + ")"
            + unchecked(figures);
    lines.addAll(Words.wrapped(paths, "  ", width));
    Footing footing = Footing.of(figures);
    String change = "footing to change it: " + footing.label() + "; " + footing.reason();
    lines.addAll(Words.wrapped(change, "  ", width));
    tests(method, lines);
    return lines;
  }

  private static String unchecked(MethodFigures figures) {
    if (figures.notice().isEmpty()) {
      return "";
    }
    return " unreached, and "
        + figures.complexity().value()
        + " x reach x (1 - notice "
        + Words.paths(figures.notice().getAsDouble())
        + ") unchecked; "
        + figures.mutants().killed()
        + " of "
        + Words.count(figures.mutants().killed() + figures.mutants().survived(), "fault", "faults")
        + " noticed";
  }

  private static void tests(MethodInside method, List<String> lines) {
    List<TestFigures> tests = method.tests();
    if (tests.isEmpty()) {
      boolean ran = method.figures().reach() > 0;
      lines.add(ran ? "  only reached outside of tests" : "  no test reaches it");
      return;
    }
    lines.add(
        "  "
            + Words.count(tests.size(), "test reaches it", "tests reach it")
            + "; the closest, by how many methods each reaches:");
    Columns columns = Columns.of(">methods", "test");
    for (TestFigures test : tests.stream().limit(TESTS_SHOWN).toList()) {
      columns.add(String.valueOf(test.methods()), test.test().name());
    }
    columns.lines(Paint.none()).stream().skip(1).forEach(line -> lines.add("  " + line));
  }

  private static String text(SourceLine line, Paint paint) {
    String mark = line.marked().map(InspectView::mark).orElse("");
    boolean never = line.marked().map(f -> !f.reached()).orElse(false);
    String gutter = pad(String.valueOf(line.number()), 6) + pad(mark, 12) + (never ? " > " : " | ");
    String text = Words.plain(line.text().replace("\t", "    ")).stripTrailing();
    return never ? paint.bold(gutter + text) : paint.dim(gutter) + text;
  }

  private static String mark(LineFigures line) {
    if (!line.reached()) {
      return "never";
    }
    String hits = line.hits().isPresent() ? line.hits().getAsLong() + "x " : "";
    return hits + (line.tests() > 0 ? Words.count(line.tests(), "test", "tests") : "outside");
  }

  /** Both outcomes of a condition that was never evaluated are said in one line. */
  private void missing(List<Gap> gaps, Paint paint, List<String> lines) {
    for (int i = 0; i < gaps.size(); i++) {
      Gap gap = gaps.get(i);
      boolean isPair =
          i + 1 < gaps.size()
              && gap.kind() == Gap.Kind.OUTCOME
              && !gap.evaluated()
              && gap.outcome().equals("true")
              && gaps.get(i + 1).outcome().equals("false")
              && gaps.get(i + 1).condition().equals(gap.condition());
      if (isPair) {
        Gap other = gaps.get(++i);
        String text = "`" + Words.plain(gap.condition()) + "` never evaluated";
        lines.add(
            UNDER_THE_SOURCE
                + paint.accent("^ " + text)
                + paint.dim("  true: " + ruled(gap) + "  false: " + ruled(other)));
      } else {
        lines.add(missing(gap, paint));
      }
    }
  }

  private String ruled(Gap gap) {
    Ruling ruling = rulings.get(gap.name());
    return GapWords.name(gap) + (ruling == null ? "" : " (decided: " + ruling.label() + ")");
  }

  private String missing(Gap gap, Paint paint) {
    String opens = GapWords.opens(gap.opens());
    return UNDER_THE_SOURCE
        + paint.accent("^ " + GapWords.missing(gap))
        + (opens.isEmpty() ? "" : ", opens up " + opens)
        + paint.dim("  " + ruled(gap));
  }

  private static String pad(String text, int width) {
    return " ".repeat(Math.max(0, width - text.length())) + text;
  }
}
