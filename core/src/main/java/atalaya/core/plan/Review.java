package atalaya.core.plan;

import atalaya.core.figure.MethodFigures;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What became of a plan.
 *
 * @param rows one for each brief, in its order
 * @param promised unwatched paths that the briefs that were done were to buy
 * @param bought what the methods that they are for have lost of them since
 */
public record Review(List<Row> rows, double promised, double bought) {
  public Review {
    rows = List.copyOf(rows);
  }

  /** How far a brief got. */
  public enum State {
    /** What it is named after is closed. */
    DONE,
    /** Some of what it closes is closed. */
    PARTLY,
    /** Nothing is. */
    OPEN,
    /** Its method is no longer there. */
    GONE;

    /** In lower case. */
    public String label() {
      return name().toLowerCase(java.util.Locale.ROOT);
    }
  }

  /**
   * A brief and what became of it.
   *
   * @param closed how many of the gaps that it was to close are closed
   */
  public record Row(Brief brief, State state, int closed) {}

  /**
   * Looks back at a plan.
   *
   * @param before the methods of the run that was planned for, by qualified name
   * @param after the same of the run to look at
   * @param open the names of the gaps that the later run has
   */
  public static Review of(
      Plan plan,
      Map<String, MethodFigures> before,
      Map<String, MethodFigures> after,
      Set<String> open) {
    List<Row> rows = new ArrayList<>();
    Set<String> methods = new LinkedHashSet<>();
    double promised = 0;
    for (Brief brief : plan.briefs()) {
      int closed = (int) brief.closes().stream().filter(gap -> !open.contains(gap)).count();
      MethodFigures now = after.get(brief.method());
      boolean isEntered = now != null && now.lines().part() + now.outcomes().part() > 0;
      State state =
          now == null
              ? State.GONE
              : isEntered && !open.contains(brief.name())
                  ? State.DONE
                  : closed > 0 ? State.PARTLY : State.OPEN;
      rows.add(new Row(brief, state, closed));
      if (state == State.DONE) {
        promised += brief.gain();
        methods.addAll(brief.touches());
      }
    }
    double bought = 0;
    for (String method : methods) {
      if (before.containsKey(method) && after.containsKey(method)) {
        bought += before.get(method).unwatched().total() - after.get(method).unwatched().total();
      }
    }
    return new Review(rows, promised, bought);
  }
}
