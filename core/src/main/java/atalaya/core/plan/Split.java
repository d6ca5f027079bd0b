package atalaya.core.plan;

import atalaya.core.code.Condition;
import atalaya.core.code.Line;
import atalaya.core.code.Method;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Share;
import atalaya.core.figure.Unwatched;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A method in two: a part of it as a method of its own.
 *
 * @param part what would be extracted
 * @param complexity of the part
 * @param rest complexity of what is left
 * @param before unwatched paths of the method
 * @param ofPart unwatched paths of the part
 * @param ofRest unwatched paths of what is left
 */
public record Split(
    Part part, int complexity, int rest, double before, double ofPart, double ofRest) {
  /** From this complexity on a method is too complex to be held by tests. */
  public static final int TOO_COMPLEX = 11;

  /**
   * A statement that control enters and leaves once.
   *
   * @param decisions what it adds to complexity, at least 1
   */
  public record Part(int firstLine, int lastLine, int decisions) {
    private boolean has(int line) {
      return firstLine <= line && line <= lastLine;
    }
  }

  /**
   * The most even split of a method; empty when it is simple enough, or nothing can be taken out.
   */
  public static Optional<Split> of(
      MethodFigures figures, Method method, List<Part> parts, BitSet reached) {
    int complexity = figures.complexity().value();
    if (complexity < TOO_COMPLEX) {
      return Optional.empty();
    }
    return parts.stream()
        .filter(p -> figures.firstLine() <= p.firstLine() && p.lastLine() <= figures.lastLine())
        .filter(p -> p.decisions() < complexity - 1)
        .min(
            Comparator.comparingInt(
                    (Part p) -> Math.max(p.decisions() + 1, complexity - p.decisions()))
                .thenComparingInt(Part::firstLine))
        .map(part -> split(figures, method, part, reached));
  }

  private static Split split(MethodFigures figures, Method method, Part part, BitSet reached) {
    Share inside = Share.NONE;
    Share outside = Share.NONE;
    for (Line line : method.lines()) {
      Share one = new Share(line.points().intersects(reached) ? 1 : 0, 1);
      boolean isInside = part.has(line.number());
      inside = isInside ? inside.plus(one) : inside;
      outside = isInside ? outside : outside.plus(one);
    }
    for (Condition condition : method.conditions()) {
      int count =
          (int) condition.outcomes().stream().filter(o -> o.points().intersects(reached)).count();
      Share one = new Share(count, condition.outcomes().size());
      boolean isInside = part.has(condition.line());
      inside = isInside ? inside.plus(one) : inside;
      outside = isInside ? outside : outside.plus(one);
    }
    int ofPart = part.decisions() + 1;
    int ofRest = figures.complexity().value() - part.decisions();
    OptionalDouble notice = figures.notice();
    return new Split(
        part,
        ofPart,
        ofRest,
        figures.unwatched().total(),
        Unwatched.of(ofPart, share(inside), notice).total(),
        Unwatched.of(ofRest, share(outside), notice).total());
  }

  private static double share(Share share) {
    return share.whole() == 0 ? 1 : share.value();
  }
}
