package atalaya.core.plan;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Method;
import java.util.BitSet;
import java.util.List;

/**
 * A method with all points of what stands in it, so that what a way does not touch need not be
 * looked at.
 */
public record MethodPoints(Method method, BitSet points) {
  /** The methods of a class, in its order. */
  public static List<MethodPoints> of(CodeClass code) {
    return code.methods().stream().map(MethodPoints::of).toList();
  }

  private static MethodPoints of(Method method) {
    BitSet points = new BitSet();
    method.lines().forEach(line -> points.or(line.points()));
    method.conditions().forEach(c -> c.outcomes().forEach(o -> points.or(o.points())));
    method.handlers().forEach(handler -> points.or(handler.points()));
    return new MethodPoints(method, points);
  }
}
