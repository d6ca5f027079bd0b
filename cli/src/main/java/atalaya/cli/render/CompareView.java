package atalaya.cli.render;

import atalaya.core.compare.Comparison;
import atalaya.core.compare.MethodPair;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Share;
import atalaya.core.gap.Gap;
import atalaya.core.run.RunInfo;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** Two runs beside each other, in a terminal or as Markdown. */
public final class CompareView {
  private static final int LONGEST_COMMAND = 48;

  private static final int METHODS_SHOWN = 15;
  private static final int GAPS_SHOWN = 10;
  private static final int NAMES_SHOWN = 3;

  private final Comparison comparison;
  private final RunInfo before;
  private final RunInfo after;
  private final Instant now;

  /** Of a comparison. */
  public CompareView(Comparison comparison, RunInfo before, RunInfo after, Instant now) {
    this.comparison = comparison;
    this.before = before;
    this.after = after;
    this.now = now;
  }

  /** The lines for a terminal. */
  public List<String> lines(Paint paint, int width) {
    List<String> lines = new ArrayList<>();
    lines.add(paint.bold("before ") + run(before));
    lines.add(paint.bold("after  ") + run(after));
    lines.addAll(differences(width));
    lines.add("");
    lines.addAll(totals().lines(paint));
    lines.add("");
    if (comparison.methods().isEmpty()) {
      lines.add("no method is different");
    } else {
      lines.addAll(methods().lines(paint));
      int more = comparison.methods().size() - METHODS_SHOWN;
      if (more > 0) {
        lines.add(paint.dim("... and " + Words.count(more, "more method", "more methods")));
      }
    }
    gaps(lines, paint, "closed", comparison.closed());
    gaps(lines, paint, "opened", comparison.opened());
    return lines;
  }

  /** The lines as Markdown, for a review. */
  public List<String> markdown() {
    List<String> lines = new ArrayList<>();
    lines.add("Before: " + run(before) + "  ");
    lines.add("After: " + run(after) + "  ");
    differences(Integer.MAX_VALUE).forEach(line -> lines.add(line.strip() + "  "));
    lines.add("");
    lines.addAll(totals().markdown());
    lines.add("");
    if (!comparison.methods().isEmpty()) {
      lines.addAll(methods().markdown());
      lines.add("");
    }
    lines.add(
        Words.count(comparison.closed().size(), "gap", "gaps")
            + " closed, "
            + comparison.opened().size()
            + " opened.");
    return lines;
  }

  private String run(RunInfo info) {
    return Words.plain(info.name())
        + ", "
        + Words.age(info.started(), now)
        + ": "
        + Words.command(info.commandLine(), LONGEST_COMMAND);
  }

  private List<String> differences(int width) {
    List<String> lines = new ArrayList<>();
    if (comparison.differences().isEmpty()) {
      lines.add("made alike: same command, code, tests and settings");
      return lines;
    }
    lines.add("different in how they were made:");
    for (Comparison.Difference difference : comparison.differences()) {
      List<String> names = difference.names().stream().map(Words::plain).toList();
      String text =
          difference.what()
              + ": "
              + Words.plain(difference.text())
              + (names.isEmpty() ? "" : " (" + Words.some(names, NAMES_SHOWN) + ")");
      lines.addAll(Words.wrapped(text, "  ", width));
    }
    return lines;
  }

  private Columns totals() {
    Columns columns = Columns.of("", ">before", ">after", ">change");
    share(columns, "lines", c -> c.lines());
    share(columns, "branches", c -> c.outcomes());
    share(columns, "methods", c -> c.methods());
    double then = comparison.before().unwatched().total();
    double now = comparison.after().unwatched().total();
    columns.add("unwatched paths", Words.paths(then), Words.paths(now), Words.change(now - then));
    columns.add(
        "complexity",
        String.valueOf(comparison.before().complexity()),
        String.valueOf(comparison.after().complexity()),
        Words.change(comparison.after().complexity() - comparison.before().complexity()));
    return columns;
  }

  private void share(
      Columns columns, String name, Function<atalaya.core.figure.Totals, Share> figure) {
    Share then = figure.apply(comparison.before());
    Share now = figure.apply(comparison.after());
    columns.add(
        name,
        Words.count(then) + " " + Words.percent(then),
        Words.count(now) + " " + Words.percent(now),
        Words.change(now.part() - then.part()));
  }

  private Columns methods() {
    Columns columns = Columns.of(">unwatched", ">lines", ">branches", "method", "");
    for (MethodPair pair : comparison.methods().stream().limit(METHODS_SHOWN).toList()) {
      columns.add(
          Words.change(pair.unwatched()),
          change(pair, MethodFigures::lines),
          change(pair, MethodFigures::outcomes),
          pair.either().shortName(),
          note(pair));
    }
    return columns;
  }

  private static String change(MethodPair pair, Function<MethodFigures, Share> figure) {
    Optional<Share> then = pair.before().map(figure);
    Optional<Share> now = pair.after().map(figure);
    return then.map(Words::count).orElse("-") + " > " + now.map(Words::count).orElse("-");
  }

  private static String note(MethodPair pair) {
    if (pair.before().isEmpty()) {
      return "new";
    }
    if (pair.after().isEmpty()) {
      return "gone";
    }
    return pair.moved() ? "was " + pair.before().get().shortName() : "";
  }

  private static void gaps(List<String> lines, Paint paint, String what, List<Gap> gaps) {
    if (gaps.isEmpty()) {
      return;
    }
    lines.add("");
    lines.add(paint.bold(Words.count(gaps.size(), "gap ", "gaps ") + what));
    for (Gap gap : gaps.stream().limit(GAPS_SHOWN).toList()) {
      lines.add(
          "  "
              + GapWords.name(gap)
              + "  "
              + GapWords.missing(gap)
              + paint.dim("  " + Words.plain(gap.path()) + ":" + gap.line()));
    }
    if (gaps.size() > GAPS_SHOWN) {
      lines.add(paint.dim("  ... and " + (gaps.size() - GAPS_SHOWN) + " more"));
    }
  }
}
