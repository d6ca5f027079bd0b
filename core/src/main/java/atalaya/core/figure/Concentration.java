package atalaya.core.figure;

import java.util.ArrayList;
import java.util.List;

/**
 * How few methods hold how much of all unwatched paths ({@code docs/measures.md}, section 7).
 *
 * @param bands one for each level, the worst first
 * @param fewest the smallest number of methods that hold at least half of all unwatched paths; 0
 *     when there are none
 * @param held the share that these hold, 0 to 1
 */
public record Concentration(List<Band> bands, int fewest, double held) {

  /**
   * The methods of one level.
   *
   * @param ofMethods their share of all methods, 0 to 1
   * @param ofLines their share of all lines, 0 to 1
   * @param unwatched their unwatched paths
   * @param ofUnwatched their share of all unwatched paths, 0 to 1
   */
  public record Band(
      Level level,
      int methods,
      double ofMethods,
      double ofLines,
      double unwatched,
      double ofUnwatched) {}

  public Concentration {
    bands = List.copyOf(bands);
  }

  /** Of these methods, in any order; a share of nothing is 0. */
  public static Concentration of(List<MethodFigures> methods, Level.Thresholds thresholds) {
    double all = methods.stream().mapToDouble(m -> m.unwatched().total()).sum();
    int lines = methods.stream().mapToInt(m -> m.lines().whole()).sum();
    List<Band> bands = new ArrayList<>();
    for (Level level : Level.values()) {
      List<MethodFigures> of =
          methods.stream().filter(m -> thresholds.of(m.unwatched().total()) == level).toList();
      double held = of.stream().mapToDouble(m -> m.unwatched().total()).sum();
      int ofLines = of.stream().mapToInt(m -> m.lines().whole()).sum();
      bands.add(
          new Band(
              level,
              of.size(),
              share(of.size(), methods.size()),
              share(ofLines, lines),
              held,
              share(held, all)));
    }
    double[] ascending =
        methods.stream().mapToDouble(m -> m.unwatched().total()).sorted().toArray();
    int fewest = 0;
    double held = 0;
    while (fewest < ascending.length && held < all / 2) {
      held += ascending[ascending.length - ++fewest];
    }
    return new Concentration(bands, fewest, share(held, all));
  }

  private static double share(double part, double whole) {
    return whole == 0 ? 0 : part / whole;
  }
}
