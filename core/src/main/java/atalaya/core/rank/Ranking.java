package atalaya.core.rank;

import atalaya.core.figure.Concentration;
import atalaya.core.figure.Level;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Totals;
import java.util.List;
import java.util.Optional;

/**
 * Methods with most unwatched paths first.
 *
 * @param rows the worst methods, cut as asked
 * @param beyond how many methods with unwatched paths were cut off
 * @param totals of all methods, cut or not
 */
public record Ranking(
    List<Row> rows,
    int beyond,
    Totals totals,
    Concentration concentration,
    Level.Thresholds thresholds) {

  /**
   * A ranked method.
   *
   * @param rank from 1
   */
  public record Row(int rank, MethodFigures method, Level level) {}

  public Ranking {
    rows = List.copyOf(rows);
  }

  /** The fixed order: most unwatched paths first, then by class, line and name. */
  private static int worstFirst(MethodFigures a, MethodFigures b) {
    int order = Double.compare(b.unwatched().total(), a.unwatched().total());
    order = order != 0 ? order : a.className().compareTo(b.className());
    order = order != 0 ? order : Integer.compare(a.firstLine(), b.firstLine());
    return order != 0 ? order : a.method().compareTo(b.method());
  }

  /**
   * Ranks methods.
   *
   * @param top how many rows at most, at least 0
   * @param least when given, only methods of this level or a worse one
   */
  public static Ranking of(
      List<MethodFigures> methods, int top, Optional<Level> least, Level.Thresholds thresholds) {
    List<MethodFigures> ordered =
        methods.stream()
            .filter(m -> least.isEmpty() || level(m, thresholds).compareTo(least.get()) <= 0)
            .sorted(Ranking::worstFirst)
            .toList();
    List<Row> rows = new java.util.ArrayList<>();
    for (MethodFigures method : ordered.subList(0, Math.min(top, ordered.size()))) {
      rows.add(new Row(rows.size() + 1, method, level(method, thresholds)));
    }
    int beyond =
        (int) ordered.stream().skip(rows.size()).filter(m -> m.unwatched().total() > 0).count();
    return new Ranking(
        rows, beyond, Totals.of(methods), Concentration.of(methods, thresholds), thresholds);
  }

  private static Level level(MethodFigures method, Level.Thresholds thresholds) {
    return thresholds.of(method.unwatched().total());
  }
}
