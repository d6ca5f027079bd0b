package atalaya.cli.render;

import atalaya.core.figure.TestFigures;
import atalaya.core.suite.Suite;
import java.util.ArrayList;
import java.util.List;

/** Tests in a terminal, or as Markdown. */
public final class SuiteView {
  private final Suite suite;
  private final List<TestFigures> shown;
  private final int top;

  /**
   * Of a suite.
   *
   * @param shown which of its tests to show
   * @param top how many of them at most
   */
  public SuiteView(Suite suite, List<TestFigures> shown, int top) {
    this.suite = suite;
    this.shown = shown;
    this.top = top;
  }

  /** The lines for a terminal. */
  public List<String> lines(Paint paint) {
    List<String> lines = new ArrayList<>();
    if (shown.isEmpty()) {
      lines.add("no such test");
    } else {
      lines.addAll(table().lines(paint));
      if (shown.size() > top) {
        lines.add(paint.dim("... and " + (shown.size() - top) + " more; --top shows them"));
      }
    }
    lines.add("");
    lines.addAll(sums(paint));
    return lines;
  }

  /** The lines as Markdown. */
  public List<String> markdown() {
    return table().markdown();
  }

  private Columns table() {
    List<String> titles =
        new ArrayList<>(List.of(">only here: lines", ">branches", ">in all: lines", ">branches"));
    boolean isChallenged = suite.tests().stream().anyMatch(test -> test.kills() > 0);
    if (isChallenged) {
      titles.add(">faults noticed first");
    }
    titles.addAll(List.of(">time", "test"));
    Columns columns = Columns.of(titles.toArray(String[]::new));
    for (TestFigures test : shown.stream().limit(top).toList()) {
      boolean known = !test.test().overlapped();
      List<String> cells = new ArrayList<>();
      for (int figure :
          List.of(test.linesOnlyHere(), test.outcomesOnlyHere(), test.lines(), test.outcomes())) {
        cells.add(known ? String.valueOf(figure) : "?");
      }
      if (isChallenged) {
        cells.add(String.valueOf(test.kills()));
      }
      cells.add(Words.time(test.test().milliseconds()));
      cells.add(test.test().name() + note(test));
      columns.add(cells.toArray(String[]::new));
    }
    return columns;
  }

  private String note(TestFigures test) {
    List<String> notes = new ArrayList<>();
    switch (test.test().verdict()) {
      case FAILED, SKIPPED, UNFINISHED -> notes.add(test.test().verdict().label());
      case PASSED -> {}
    }
    if (test.test().overlapped()) {
      notes.add("ran beside others");
    }
    if (suite.isIdle(test)) {
      notes.add("no check found");
    }
    return notes.isEmpty() ? "" : "  (" + String.join(", ", notes) + ")";
  }

  private List<String> sums(Paint paint) {
    List<String> lines = new ArrayList<>();
    lines.add(
        paint.bold(Words.count(suite.tests().size(), "test", "tests"))
            + " in "
            + Words.time(suite.milliseconds(test -> true))
            + " of test time");
    lines.add(
        "no check found in "
            + suite.idle().size()
            + ": no assertion, verified double, expected exception or throw, helpers included");
    lines.add(
        "without "
            + Words.count(suite.redundant().size(), "test", "tests")
            + " everything would still be reached, in "
            + Words.time(suite.milliseconds(suite::isRedundant))
            + " less");
    return lines;
  }
}
