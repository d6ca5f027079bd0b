package atalaya.core.decide;

import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Share;
import atalaya.core.gap.Opened;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Methods without what was accepted.
 *
 * @param methods those that are left, with what is left of them
 * @param accepted what was taken out of them, all together
 */
public record Judged(List<MethodFigures> methods, Accepted accepted) {

  /**
   * What was accepted.
   *
   * @param decisions how many decisions it comes from
   * @param methods never entered, accepted as a whole
   * @param lines never reached, those of such methods included
   * @param outcomes missing, those of such methods included
   * @param faults that pass and were accepted, or ruled equivalent
   */
  public record Accepted(int decisions, int methods, int lines, int outcomes, int faults) {
    /** Nothing. */
    public static final Accepted NONE = new Accepted(0, 0, 0, 0, 0);
  }

  public Judged {
    methods = List.copyOf(methods);
  }

  /** Where nothing was accepted. */
  public static Judged asTheyAre(List<MethodFigures> methods) {
    return new Judged(methods, Accepted.NONE);
  }

  /**
   * Takes out what was accepted.
   *
   * @param removed by qualified name of the method: lines and outcomes that were never reached
   * @param decisions how many were applied
   * @param faults how many survivors were taken out already
   */
  public static Judged of(
      List<MethodFigures> methods, Map<String, Opened> removed, int decisions, int faults) {
    List<MethodFigures> left = new ArrayList<>();
    int whole = 0;
    int lines = 0;
    int outcomes = 0;
    for (MethodFigures method : methods) {
      Opened here = removed.get(method.qualifiedName());
      if (here == null) {
        left.add(method);
        continue;
      }
      lines += here.lines().cardinality();
      outcomes += here.outcomes().cardinality();
      if (here.lines().cardinality() == method.lines().whole()) {
        whole++;
      } else {
        left.add(without(method, here));
      }
    }
    return new Judged(left, new Accepted(decisions, whole, lines, outcomes, faults));
  }

  private static MethodFigures without(MethodFigures method, Opened removed) {
    return new MethodFigures(
        method.path(),
        method.className(),
        method.method(),
        method.firstLine(),
        method.lastLine(),
        method.complexity(),
        less(method.lines(), removed.lines().cardinality()),
        less(method.outcomes(), removed.outcomes().cardinality()),
        method.tests(),
        method.mutants());
  }

  private static Share less(Share share, int removed) {
    return new Share(share.part(), share.whole() - removed);
  }
}
