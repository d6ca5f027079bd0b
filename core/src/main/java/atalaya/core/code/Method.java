package atalaya.core.code;

import java.util.List;

/**
 * A method that a person wrote, with what stands in it, lambdas included.
 *
 * @param name with simple parameter types: {@code quote(Vessel,Stay)}, {@code <init>(int)}, {@code
 *     <clinit>()}
 * @param firstLine the line of its declaration, or of its first code where the source is missing
 * @param lastLine at least {@code firstLine}
 * @param code name and descriptor of the method of the class file; empty when there is none of its
 *     own
 * @param lines in ascending order
 * @param conditions in the order of the source
 * @param handlers in the order of the source
 * @param loops in the order of the source
 */
public record Method(
    String name,
    String code,
    int firstLine,
    int lastLine,
    Complexity complexity,
    List<Line> lines,
    List<Condition> conditions,
    List<Handler> handlers,
    List<Loop> loops) {
  public Method {
    lines = List.copyOf(lines);
    conditions = List.copyOf(conditions);
    handlers = List.copyOf(handlers);
    loops = List.copyOf(loops);
    if (lastLine < firstLine) {
      throw new IllegalArgumentException(
          name + " must end at or after line " + firstLine + " (got " + lastLine + ")");
    }
  }

  /** The same method with other things in it. */
  public Method with(
      List<Line> lines, List<Condition> conditions, List<Handler> handlers, List<Loop> loops) {
    return new Method(
        name, code, firstLine, lastLine, complexity, lines, conditions, handlers, loops);
  }
}
