package atalaya.cli.render;

import atalaya.core.figure.Concentration;
import atalaya.core.figure.Level;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Unwatched;
import atalaya.core.rank.Ranking;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** A ranking in a terminal, or as Markdown. */
public final class RankView {
  private static final int BAR = 30;
  private static final Pattern FILLED = Pattern.compile("█+");

  private final Ranking ranking;
  private final List<Ranking.Row> rows;

  /** Of a ranking: methods without unwatched paths are no risk, and not shown. */
  public RankView(Ranking ranking) {
    this.ranking = ranking;
    this.rows =
        ranking.rows().stream().filter(row -> row.method().unwatched().total() > 0).toList();
  }

  /** The lines for a terminal. */
  public List<String> lines(Paint paint, int width) {
    List<String> lines = new ArrayList<>();
    if (ranking.rows().isEmpty()) {
      lines.add("no method to rank here");
      return lines;
    }
    if (!rows.isEmpty()) {
      lines.addAll(
          Columns.widestThatFits(
              paint, width, Stream.of(Where.values()).map(this::table).toList()));
    }
    if (ranking.beyond() > 0) {
      lines.add(
          paint.dim(
              "... and "
                  + Words.count(ranking.beyond(), "more method", "more methods")
                  + " with unwatched paths"));
    }
    if (!rows.isEmpty()) {
      lines.add("");
    }
    lines.addAll(concentration(paint));
    return lines;
  }

  /** The lines as Markdown. */
  public List<String> markdown() {
    List<String> lines = new ArrayList<>(table(Where.PATH).markdown());
    lines.add("");
    lines.add(sum() + " " + levels());
    return lines;
  }

  /** How much is said of where a method stands. */
  private enum Where {
    PATH,
    FILE,
    NOTHING
  }

  private Columns table(Where where) {
    List<String> titles =
        new ArrayList<>(
            List.of(
                ">#",
                ">unwatched",
                "level",
                ">complexity",
                ">lines",
                ">branches",
                ">tests",
                "method"));
    if (where != Where.NOTHING) {
      titles.add("where");
    }
    Columns columns = Columns.of(titles.toArray(String[]::new));
    for (Ranking.Row row : rows) {
      columns.add(cells(row, where).toArray(String[]::new));
    }
    return columns;
  }

  private static List<String> cells(Ranking.Row row, Where where) {
    MethodFigures method = row.method();
    List<String> cells =
        new ArrayList<>(
            List.of(
                String.valueOf(row.rank()),
                Words.paths(method.unwatched().total()),
                row.level().label(),
                String.valueOf(method.complexity().value()),
                Words.count(method.lines()),
                Words.count(method.outcomes()),
                String.valueOf(method.tests()),
                method.shortName()));
    if (where != Where.NOTHING) {
      int name = where == Where.FILE ? method.path().lastIndexOf('/') + 1 : 0;
      String place = method.path().substring(name);
      cells.add(place.isEmpty() ? "" : place + ":" + method.firstLine());
    }
    return cells;
  }

  private List<String> concentration(Paint paint) {
    List<String> lines = new ArrayList<>();
    lines.add(paint.bold(sum()));
    if (!rows.isEmpty()) {
      lines.addAll(bands(paint));
    }
    Unwatched unwatched = ranking.totals().unwatched();
    if (unwatched.notTried() > 0) {
      lines.add(
          "Not tried: "
              + Words.paths(unwatched.notTried())
              + " reached paths. Whether a test would notice a fault there, atalaya challenge tells.");
    }
    return lines;
  }

  private String sum() {
    Concentration concentration = ranking.concentration();
    double all = ranking.totals().unwatched().total();
    int methods = ranking.totals().methods().whole();
    if (concentration.fewest() == 0) {
      return "No unwatched paths in " + Words.count(methods, "method", "methods") + ".";
    }
    return concentration.fewest()
        + " of "
        + Words.count(methods, "method", "methods")
        + (concentration.fewest() == 1 ? " holds " : " hold ")
        + Words.percent(concentration.held())
        + " of all "
        + Words.paths(all)
        + " unwatched paths.";
  }

  private String levels() {
    Level.Thresholds thresholds = ranking.thresholds();
    return "Levels: high from "
        + Words.paths(thresholds.high())
        + ", medium from "
        + Words.paths(thresholds.medium())
        + ", low below.";
  }

  private List<String> bands(Paint paint) {
    Columns columns =
        Columns.of("level", ">from", "share of all unwatched paths", ">", ">methods", ">of lines");
    for (Concentration.Band band : ranking.concentration().bands()) {
      int filled = (int) Math.round(BAR * band.ofUnwatched());
      columns.add(
          band.level().label(),
          from(band.level()),
          "█".repeat(filled) + "·".repeat(BAR - filled),
          Words.percent(band.ofUnwatched()),
          String.valueOf(band.methods()),
          Words.percent(band.ofLines()));
    }
    return columns.lines(paint).stream().map(line -> "  " + withBars(line, paint)).toList();
  }

  static String withBars(String line, Paint paint) {
    return FILLED.matcher(line).replaceAll(bar -> paint.accent(bar.group()));
  }

  private String from(Level level) {
    Level.Thresholds thresholds = ranking.thresholds();
    return switch (level) {
      case HIGH -> Words.paths(thresholds.high());
      case MEDIUM -> Words.paths(thresholds.medium());
      case LOW -> "0";
    };
  }
}
