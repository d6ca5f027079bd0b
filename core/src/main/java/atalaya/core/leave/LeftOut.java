package atalaya.core.leave;

import atalaya.core.code.Line;
import atalaya.core.code.Outcome;
import atalaya.core.figure.Share;
import java.util.BitSet;
import java.util.List;

/**
 * What was left out for its nature.
 *
 * @param counts of it
 */
public record LeftOut(Nature nature, Counts counts) {
  static final Counts METHOD = new Counts(1, Share.NONE, Share.NONE);

  /**
   * How much.
   *
   * @param methods those left out as a whole
   * @param lines reached, of those left out
   * @param outcomes reached, of those left out
   */
  public record Counts(int methods, Share lines, Share outcomes) {
    /** None. */
    public static final Counts NONE = new Counts(0, Share.NONE, Share.NONE);

    /** Both added up. */
    public Counts plus(Counts other) {
      return new Counts(
          methods + other.methods, lines.plus(other.lines), outcomes.plus(other.outcomes));
    }
  }

  /** All of it together. */
  public static Counts sum(List<LeftOut> all) {
    return all.stream().map(LeftOut::counts).reduce(Counts.NONE, Counts::plus);
  }

  LeftOut plus(LeftOut other) {
    return new LeftOut(nature, counts.plus(other.counts));
  }

  static Counts line(Line line, BitSet reached) {
    return new Counts(0, share(line.points(), reached), Share.NONE);
  }

  static Counts outcome(Outcome outcome, BitSet reached) {
    return new Counts(0, Share.NONE, share(outcome.points(), reached));
  }

  private static Share share(BitSet points, BitSet reached) {
    return new Share(points.intersects(reached) ? 1 : 0, 1);
  }
}
