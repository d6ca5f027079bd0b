package atalaya.core.figure;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Line;
import atalaya.core.code.Method;
import java.util.BitSet;
import java.util.List;

/** The model of a class of which only the entries of its methods were observed. */
public final class MethodEntries {
  private MethodEntries() {}

  /** Each method with one line, its first, and no conditions. */
  public static CodeClass of(CodeClass code) {
    return new CodeClass(
        code.name(),
        code.module(),
        code.path(),
        code.methods().stream().map(MethodEntries::entry).toList(),
        0,
        0,
        code.flow());
  }

  private static Method entry(Method method) {
    BitSet points = new BitSet();
    method.lines().forEach(line -> points.or(line.points()));
    List<Line> first =
        method.lines().isEmpty()
            ? List.of()
            : List.of(new Line(method.lines().get(0).number(), points));
    return method.with(first, List.of(), List.of(), List.of());
  }
}
