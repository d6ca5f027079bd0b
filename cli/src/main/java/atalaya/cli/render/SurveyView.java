package atalaya.cli.render;

import atalaya.core.code.ClassState;
import atalaya.core.figure.Share;
import atalaya.core.figure.Totals;
import atalaya.core.figure.Unwatched;
import atalaya.core.run.NotObserved;
import atalaya.core.run.NotObserved.Reason;
import atalaya.core.survey.Survey;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** A survey in a terminal, or as Markdown. */
public final class SurveyView {
  private static final int BAR = 30;
  private static final int NAMES_SHOWN = 3;

  private final Survey survey;
  private final List<NotObserved> notObserved;
  private final int tests;

  /**
   * Of a survey.
   *
   * @param notObserved what to tell of what is missing
   */
  public SurveyView(Survey survey, List<NotObserved> notObserved, int tests) {
    this.survey = survey;
    this.notObserved = notObserved;
    this.tests = tests;
  }

  /** The lines for a terminal. */
  public List<String> lines(Paint paint, int width) {
    List<String> lines = new ArrayList<>(totals(paint));
    lines.add("");
    if (survey.parts().isEmpty()) {
      lines.add("no " + survey.by().label() + " to show here");
    } else {
      lines.addAll(
          Columns.widestThatFits(
              paint, width, Stream.of(Detail.values()).map(this::table).toList()));
    }
    if (survey.cut() > 0) {
      lines.add(paint.dim("... and " + survey.cut() + " with fewer unwatched paths"));
    }
    return lines;
  }

  /** The lines as Markdown. */
  public List<String> markdown() {
    List<String> lines = new ArrayList<>(table(Detail.ALL).markdown());
    lines.add("");
    lines.addAll(totals(Paint.none()).stream().map(line -> "    " + line).toList());
    return lines;
  }

  // ---- totals ----

  private List<String> totals(Paint paint) {
    Totals totals = survey.whole().totals();
    List<String> lines = new ArrayList<>();
    Columns columns = Columns.of("", ">reached", ">", "share");
    for (var row :
        List.of(
            new Row("lines", totals.lines()),
            new Row("branches", totals.outcomes()),
            new Row("methods", totals.methods()),
            new Row("classes", totals.classes()))) {
      columns.add(row.name(), Words.count(row.share()), Words.percent(row.share()), bar(row));
    }
    columns.lines(paint).forEach(line -> lines.add(RankView.withBars(line, paint)));
    lines.add(complexity());
    lines.add(unwatched(totals.unwatched()));
    lines.addAll(missing());
    return lines;
  }

  private record Row(String name, Share share) {}

  private static String bar(Row row) {
    if (row.share().whole() == 0) {
      return "";
    }
    int filled = (int) (BAR * row.share().value());
    return "█".repeat(filled) + "·".repeat(BAR - filled);
  }

  private String complexity() {
    String largest =
        survey
            .whole()
            .mostComplex()
            .map(
                m ->
                    ", the largest "
                        + m.complexity().value()
                        + " ("
                        + Words.plain(m.shortName())
                        + ")")
            .orElse("");
    return "complexity "
        + survey.whole().totals().complexity()
        + largest
        + "; "
        + Words.count(tests, "test", "tests");
  }

  private static String unwatched(Unwatched unwatched) {
    String notTried =
        unwatched.notTried() > 0 ? "; not tried " + Words.paths(unwatched.notTried()) : "";
    return "unwatched paths "
        + Words.paths(unwatched.total())
        + ": unreached "
        + Words.paths(unwatched.unreached())
        + ", unchecked "
        + Words.paths(unwatched.unchecked())
        + notTried;
  }

  private List<String> missing() {
    List<String> lines = new ArrayList<>();
    if (survey.leavesOut()) {
      lines.add(
          "left out: "
              + LeftOutWords.of(survey.leftOut().size(), survey.byNature())
              + "; with them lines "
              + figure(survey.withLeftOut().lines())
              + ", branches "
              + figure(survey.withLeftOut().outcomes()));
    }
    if (!survey.neverLoaded().isEmpty()) {
      lines.add(
          Words.count(survey.neverLoaded().size(), "class", "classes")
              + " never loaded, counted as not reached: "
              + names(survey.neverLoaded()));
    }
    for (Reason reason : Reason.values()) {
      List<String> of =
          notObserved.stream()
              .filter(problem -> problem.reason() == reason)
              .map(NotObserved::what)
              .toList();
      if (!of.isEmpty() && reason != Reason.NEVER_LOADED) {
        lines.add(
            of.size()
                + " "
                + reason.label()
                + " ("
                + reason.advice()
                + "), in no figure: "
                + names(of));
      }
    }
    return lines;
  }

  private static String names(List<String> names) {
    return Words.some(names.stream().map(Words::plain).toList(), NAMES_SHOWN);
  }

  private static String figure(Share share) {
    return Words.count(share) + " (" + Words.percent(share) + ")";
  }

  // ---- parts ----

  /** How much is said of a part. */
  private enum Detail {
    ALL,
    COUNTS,
    LEAST
  }

  private Columns table(Detail detail) {
    boolean ofMethods = survey.by() == Survey.By.METHOD;
    List<String> titles = new ArrayList<>(List.of(">unwatched"));
    if (detail != Detail.LEAST) {
      titles.add(">complexity");
      if (!ofMethods) {
        titles.add(">largest");
      }
    }
    titles.addAll(List.of(">lines", ">branches"));
    if (detail == Detail.ALL) {
      titles.addAll(List.of(">lines %", ">branches %"));
    }
    if (detail != Detail.LEAST) {
      titles.add(ofMethods ? ">tests" : ">methods");
    }
    titles.add(survey.by().label());
    Columns columns = Columns.of(titles.toArray(String[]::new));
    for (Survey.Part part : survey.parts()) {
      columns.add(cells(part, detail, ofMethods).toArray(String[]::new));
    }
    return columns;
  }

  private static List<String> cells(Survey.Part part, Detail detail, boolean ofMethods) {
    Totals totals = part.totals();
    List<String> cells = new ArrayList<>(List.of(Words.paths(totals.unwatched().total())));
    if (detail != Detail.LEAST) {
      cells.add(String.valueOf(totals.complexity()));
      if (!ofMethods) {
        cells.add(String.valueOf(part.largest()));
      }
    }
    cells.add(Words.count(totals.lines()));
    cells.add(Words.count(totals.outcomes()));
    if (detail == Detail.ALL) {
      cells.add(percent(totals.lines()));
      cells.add(percent(totals.outcomes()));
    }
    if (detail != Detail.LEAST) {
      cells.add(
          ofMethods
              ? String.valueOf(part.methods().get(0).tests())
              : Words.count(totals.methods()));
    }
    cells.add(name(part));
    return cells;
  }

  private static String percent(Share share) {
    return share.whole() == 0 ? "" : Words.percent(share);
  }

  private static String name(Survey.Part part) {
    String name = part.name().isEmpty() ? "(unnamed)" : part.name();
    return part.state().filter(state -> state == ClassState.NEVER_LOADED).isPresent()
        ? name + " (never loaded)"
        : name;
  }
}
