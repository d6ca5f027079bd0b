package atalaya.cli.render;

import atalaya.cli.observe.Reading;
import atalaya.core.code.ClassState;
import atalaya.core.figure.ClassFigures;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Share;
import atalaya.core.figure.TestFigures;
import atalaya.core.figure.Totals;
import atalaya.core.kept.RunContents;
import atalaya.core.leave.LeftOut;
import atalaya.core.run.Detail;
import atalaya.core.run.NotObserved;
import atalaya.core.run.NotObserved.Reason;
import atalaya.core.run.Verdict;
import java.util.ArrayList;
import java.util.List;

/** What an observation ends with. */
public final class ObservedView {
  private static final int NAMES_SHOWN = 4;
  private static final int NAMES_SHOWN_MORE = 1000;

  private final Reading.Result result;
  private final RunContents run;
  private final boolean verbose;

  /**
   * Of an observation.
   *
   * @param verbose whether to name everything that was not observed
   */
  public ObservedView(Reading.Result result, boolean verbose) {
    this.result = result;
    this.run = result.contents();
    this.verbose = verbose;
  }

  /** The lines. */
  public List<String> lines(Paint paint) {
    List<MethodFigures> methods =
        run.figures().stream()
            .filter(ClassFigures::counts)
            .flatMap(c -> c.methods().stream())
            .toList();
    Totals totals = Totals.of(methods);
    List<String> lines = new ArrayList<>();
    lines.add("");
    lines.add(paint.bold("Observed as run " + run.info().name()) + ": " + tests());
    lines.add(
        "  the command took "
            + Words.time(run.info().milliseconds())
            + ", reading what it reached "
            + Words.time(result.readingMillis()));
    boolean onlyEntries = run.info().detail() == Detail.METHODS;
    lines.add(
        "  "
            + (onlyEntries
                ? "only the entries of methods were observed: "
                : figure("lines", totals.lines())
                    + ", "
                    + figure("branches", totals.outcomes())
                    + ", ")
            + figure("methods", totals.methods())
            + ", "
            + figure("classes", totals.classes()));
    lines.add(
        "  unwatched paths "
            + Words.paths(totals.unwatched().total())
            + " of complexity "
            + totals.complexity()
            + "; not tried "
            + Words.paths(totals.unwatched().notTried()));
    if (!onlyEntries) {
      lines.add("  " + matched());
    }
    uncaught(lines);
    leftOut(totals, lines);
    change(totals, lines);
    notObserved(lines, paint);
    return lines;
  }

  private String tests() {
    List<String> parts = new ArrayList<>();
    parts.add(Words.count(run.tests().size(), "test", "tests"));
    for (Verdict verdict : new Verdict[] {Verdict.FAILED, Verdict.SKIPPED, Verdict.UNFINISHED}) {
      long count = run.tests().stream().filter(t -> t.test().verdict() == verdict).count();
      if (count > 0) {
        parts.add(count + " " + verdict.label());
      }
    }
    long overlapped =
        run.tests().stream().map(TestFigures::test).filter(t -> t.overlapped()).count();
    if (overlapped > 0) {
      parts.add(overlapped + " ran side by side, so what each of them reached is not known");
    }
    return String.join(", ", parts);
  }

  private static String figure(String name, Share share) {
    return name + " " + Words.count(share) + " (" + Words.percent(share) + ")";
  }

  private String matched() {
    Share jumps = run.figures().stream().map(ClassFigures::jumps).reduce(Share.NONE, Share::plus);
    String rest =
        switch (jumps.missing()) {
          case 0 -> "";
          case 1 -> "; the other one is named by its line";
          default -> "; the other " + jumps.missing() + " are named by their line";
        };
    return jumps.whole() == 0
        ? "no conditional jumps in this code"
        : Words.count(jumps)
            + " conditional jumps ("
            + Words.percent(jumps)
            + ") matched to conditions of the source"
            + rest;
  }

  private void uncaught(List<String> lines) {
    if (run.uncaught().isEmpty()) {
      return;
    }
    List<String> all =
        run.uncaught().stream().map(e -> Words.plain(e.type() + " at " + e.place())).toList();
    lines.add(
        "  "
            + Words.count(all.size(), "thread", "threads")
            + " ended by an exception: "
            + Words.some(
                all.stream().distinct().toList(), verbose ? NAMES_SHOWN_MORE : NAMES_SHOWN));
  }

  private void leftOut(Totals totals, List<String> lines) {
    List<ClassFigures> left = run.figures().stream().filter(c -> !c.counts()).toList();
    if (left.isEmpty() && run.leftOut().isEmpty()) {
      return;
    }
    LeftOut.Counts natures = LeftOut.sum(run.leftOut());
    Totals whole =
        Totals.of(run.figures().stream().flatMap(c -> c.methods().stream()).toList())
            .with(natures.lines(), natures.outcomes());
    lines.add(
        "  left out: "
            + LeftOutWords.of(left.size(), run.leftOut())
            + "; with them "
            + figure("lines", whole.lines())
            + ", "
            + figure("branches", whole.outcomes()));
  }

  private void change(Totals now, List<String> lines) {
    if (result.before().isEmpty()) {
      lines.add("  no earlier run like it to compare with");
      return;
    }
    Reading.Earlier before = result.before().get();
    lines.add(
        "  since run "
            + Words.plain(before.info().name())
            + ": lines "
            + change(before.totals().lines(), now.lines())
            + ", branches "
            + change(before.totals().outcomes(), now.outcomes())
            + ", unwatched paths "
            // Only one of the two may have been challenged: what that found is no change.
            + Words.change(now.unwatched().unreached() - before.totals().unwatched().unreached())
            + ", tests "
            + Words.change(run.tests().size() - before.tests()));
  }

  private static String change(Share before, Share now) {
    String reached = Words.change(now.part() - before.part());
    int grown = now.whole() - before.whole();
    return grown == 0 ? reached : reached + " of " + Words.change(grown);
  }

  private void notObserved(List<String> lines, Paint paint) {
    int loaded =
        (int)
            run.figures().stream()
                .filter(c -> c.counts() && c.state() != ClassState.NEVER_LOADED)
                .count();
    if (run.notObserved().isEmpty()) {
      lines.add("Not observed: nothing; every class with code was loaded");
      return;
    }
    lines.add(
        paint.bold("Not observed")
            + " (classes with code that were loaded: "
            + loaded
            + " of "
            + run.figures().stream().filter(ClassFigures::counts).count()
            + ")");
    for (Reason reason : Reason.values()) {
      List<NotObserved> of = run.notObserved().stream().filter(p -> p.reason() == reason).toList();
      if (!of.isEmpty()) {
        lines.add(
            "  " + of.size() + " " + reason.label() + " (" + reason.advice() + "): " + names(of));
      }
    }
  }

  private String names(List<NotObserved> problems) {
    List<String> names =
        problems.stream()
            .map(p -> p.detail().isEmpty() ? p.what() : p.what() + " (" + p.detail() + ")")
            .map(Words::plain)
            .distinct()
            .toList();
    return Words.some(names, verbose ? NAMES_SHOWN_MORE : NAMES_SHOWN);
  }
}
