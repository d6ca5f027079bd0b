package atalaya.cli.render;

import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Share;
import atalaya.core.figure.Totals;
import atalaya.core.rank.Ranking;
import java.util.ArrayList;
import java.util.List;

/** Where one stands: totals, and the worst methods. */
public final class StandingView {
  private final Ranking ranking;

  /** Of a ranking. */
  public StandingView(Ranking ranking) {
    this.ranking = ranking;
  }

  /** The lines. */
  public List<String> lines(Paint paint) {
    Totals totals = ranking.totals();
    List<String> lines = new ArrayList<>();
    lines.add(figure("lines", totals.lines()) + ", " + figure("branches", totals.outcomes()));
    lines.add(
        "unwatched paths "
            + Words.paths(totals.unwatched().total())
            + " of complexity "
            + totals.complexity());
    lines.add("");
    Columns columns = Columns.of(">unwatched", "level", "method");
    for (Ranking.Row row : ranking.rows()) {
      MethodFigures method = row.method();
      columns.add(Words.paths(method.unwatched().total()), row.level().label(), method.shortName());
    }
    lines.addAll(columns.lines(paint));
    lines.add(
        paint.dim(
            "high from "
                + Words.paths(ranking.thresholds().high())
                + ", medium from "
                + Words.paths(ranking.thresholds().medium())));
    return lines;
  }

  private static String figure(String name, Share share) {
    return name + " " + Words.count(share) + " (" + Words.percent(share) + ")";
  }
}
