package atalaya.core.figure;

import java.util.Collection;

/**
 * The figures of many methods together.
 *
 * @param methods those with any line or outcome reached, of all
 * @param complexity the sum
 */
public record Totals(
    Share classes,
    Share methods,
    Share lines,
    Share outcomes,
    int complexity,
    Unwatched unwatched) {

  /** The same with more lines and outcomes. */
  public Totals with(Share moreLines, Share moreOutcomes) {
    return new Totals(
        classes,
        methods,
        lines.plus(moreLines),
        outcomes.plus(moreOutcomes),
        complexity,
        unwatched);
  }

  /** Adds up methods, in any order. */
  public static Totals of(Collection<MethodFigures> methods) {
    Share entered = Share.NONE;
    Share lines = Share.NONE;
    Share outcomes = Share.NONE;
    int complexity = 0;
    Unwatched unwatched = Unwatched.NONE;
    var classes = new java.util.HashMap<String, Boolean>();
    for (MethodFigures method : methods) {
      boolean reached = method.reach() > 0;
      entered = entered.plus(new Share(reached ? 1 : 0, 1));
      lines = lines.plus(method.lines());
      outcomes = outcomes.plus(method.outcomes());
      complexity += method.complexity().value();
      unwatched = unwatched.plus(method.unwatched());
      classes.merge(method.className(), method.lines().part() > 0, Boolean::logicalOr);
    }
    int classesReached = (int) classes.values().stream().filter(r -> r).count();
    return new Totals(
        new Share(classesReached, classes.size()), entered, lines, outcomes, complexity, unwatched);
  }
}
