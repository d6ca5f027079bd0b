package atalaya.cli.render;

import atalaya.core.plan.Review;
import java.util.ArrayList;
import java.util.List;

/** What became of a plan, in a terminal or as Markdown. */
public final class ReviewView {
  private final Review review;

  /** Of a review. */
  public ReviewView(Review review) {
    this.review = review;
  }

  /** The lines for a terminal. */
  public List<String> lines(Paint paint) {
    List<String> lines = new ArrayList<>(columns().lines(paint));
    lines.add("");
    lines.add(paint.bold(sum()));
    return lines;
  }

  /** The lines as Markdown. */
  public List<String> markdown() {
    List<String> lines = new ArrayList<>(columns().markdown());
    lines.add("");
    lines.add(sum());
    return lines;
  }

  private Columns columns() {
    Columns columns = Columns.of(">#", "state", ">promised", "gaps closed", "brief", "test of");
    int number = 0;
    for (Review.Row row : review.rows()) {
      number++;
      columns.add(
          String.valueOf(number),
          row.state().label(),
          Words.paths(row.brief().gain()),
          row.closed() + "/" + row.brief().closes().size(),
          row.brief().name(),
          row.brief().shortMethod());
    }
    return columns;
  }

  private String sum() {
    long done = review.rows().stream().filter(r -> r.state() == Review.State.DONE).count();
    return done
        + " of "
        + Words.count(review.rows().size(), "brief", "briefs")
        + " done"
        + (done == 0
            ? ""
            : "; promised "
                + Words.paths(review.promised())
                + " unwatched paths, bought "
                + Words.paths(review.bought()));
  }
}
