package atalaya.core.inspect;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Method;
import atalaya.core.figure.ClassFigures;
import atalaya.core.figure.HandlerFigures;
import atalaya.core.figure.LineFigures;
import atalaya.core.figure.LoopFigures;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Share;
import atalaya.core.figure.TestFigures;
import atalaya.core.gap.Gap;
import atalaya.core.run.ClassReach;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;

/** Lays what was reached of a class beside its source. */
public final class Inside {
  private final CodeClass code;
  private final ClassFigures figures;
  private final ClassReach reach;
  private final List<String> source;
  private final NavigableMap<Integer, Integer> beginnings;
  private final Map<Integer, TestFigures> tests = new HashMap<>();

  /**
   * A source.
   *
   * @param beginnings for each line that goes on with a statement the line where that begins
   */
  public record Source(String text, NavigableMap<Integer, Integer> beginnings) {
    /** Where there is none. */
    public static final Source NONE = new Source("", Collections.emptyNavigableMap());
  }

  /**
   * The inside of a class.
   *
   * @param figures of the class, its gaps included
   * @param reach of the class, by whom
   * @param tests of the run
   */
  public Inside(
      CodeClass code,
      ClassFigures figures,
      ClassReach reach,
      Source source,
      List<TestFigures> tests) {
    this.code = code;
    this.figures = figures;
    this.reach = reach;
    this.source = source.text().lines().toList();
    this.beginnings = source.beginnings();
    tests.forEach(test -> this.tests.put(test.test().number(), test));
  }

  /** Its methods, in the order of the source. */
  public List<MethodInside> methods() {
    List<MethodInside> methods = new ArrayList<>();
    for (int i = 0; i < code.methods().size(); i++) {
      methods.add(method(code.methods().get(i), figures.methods().get(i)));
    }
    return methods;
  }

  private MethodInside method(Method method, MethodFigures of) {
    Share handlers = Share.NONE;
    for (HandlerFigures handler : figures.handlers()) {
      if (handler.method().equals(of.method())) {
        handlers = handlers.plus(new Share(handler.reached() ? 1 : 0, 1));
      }
    }
    Share loops = Share.NONE;
    for (LoopFigures loop : figures.loops()) {
      if (loop.method().equals(of.method())) {
        loops = loops.plus(new Share(loop.more() ? 1 : 0, 1));
      }
    }
    return new MethodInside(of, handlers, loops, closest(method), lines(of));
  }

  private List<TestFigures> closest(Method method) {
    BitSet points = new BitSet();
    method.lines().forEach(line -> points.or(line.points()));
    method.conditions().forEach(c -> c.outcomes().forEach(o -> points.or(o.points())));
    return reach.byTest().entrySet().stream()
        .filter(e -> e.getKey() > 0 && e.getValue().intersects(points))
        .map(e -> tests.get(e.getKey()))
        .sorted(
            Comparator.comparingInt(TestFigures::methods)
                .thenComparingInt(TestFigures::lines)
                .thenComparingInt(test -> test.test().number()))
        .toList();
  }

  private List<MethodInside.SourceLine> lines(MethodFigures of) {
    Map<Integer, LineFigures> figured = new HashMap<>();
    figures.lines().stream()
        .filter(line -> line.method().equals(of.method()))
        .forEach(line -> figured.put(line.line(), line));
    List<Gap> gaps =
        figures.gaps().stream().filter(gap -> gap.method().equals(of.method())).toList();
    int first = figured.keySet().stream().reduce(of.firstLine(), Math::min);
    int last = figured.keySet().stream().reduce(of.lastLine(), Math::max);
    List<MethodInside.SourceLine> lines = new ArrayList<>();
    for (int number = first; number <= last; number++) {
      int at = number;
      String text = number <= source.size() ? source.get(number - 1) : "";
      boolean shown = number >= of.firstLine() && number <= of.lastLine();
      List<Gap> here = gaps.stream().filter(gap -> gap.line() == at).toList();
      if (shown || figured.containsKey(number) || !here.isEmpty()) {
        lines.add(
            new MethodInside.SourceLine(
                number,
                text,
                Optional.ofNullable(figured.get(number)),
                Optional.ofNullable(figured.get(marking(number, figured))),
                here));
      }
    }
    return lines;
  }

  /** The line whose mark this one takes: its own, or the last one above it in its statement. */
  private int marking(int number, Map<Integer, LineFigures> figured) {
    int first = beginnings.getOrDefault(number, number);
    boolean asksItself =
        code.methods().stream()
            .flatMap(method -> method.conditions().stream())
            .anyMatch(condition -> condition.line() == number);
    int at = number;
    while (!asksItself && at > first && !figured.containsKey(at)) {
      at--;
    }
    return at;
  }
}
