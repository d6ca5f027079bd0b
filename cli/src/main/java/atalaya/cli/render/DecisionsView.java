package atalaya.cli.render;

import atalaya.core.decide.Decision;
import atalaya.core.decide.Decision.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Decisions in a terminal. */
public final class DecisionsView {
  private final Map<Decision, Standing> standings;

  /** Of decisions and how each stands. */
  public DecisionsView(Map<Decision, Standing> standings) {
    this.standings = standings;
  }

  /** The lines. */
  public List<String> lines(Paint paint) {
    List<String> lines = new ArrayList<>();
    if (standings.isEmpty()) {
      lines.add("nothing was decided yet; atalaya decide does it");
    }
    standings.forEach(
        (decision, standing) -> {
          lines.add(
              paint.bold(Words.plain(decision.gap()))
                  + "  "
                  + decision.ruling().label()
                  + ", "
                  + standing.label()
                  + paint.dim("  " + Words.plain(decision.place())));
          String until = decision.until().map(date -> ", until " + date).orElse("");
          lines.add(
              "    "
                  + Words.plain(decision.missing())
                  + "; "
                  + Words.plain(decision.author())
                  + ", "
                  + decision.date()
                  + until
                  + ": "
                  + Words.plain(decision.because()));
        });
    return lines;
  }
}
