package atalaya.core.gap;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Condition;
import atalaya.core.code.Dominance;
import atalaya.core.code.Handler;
import atalaya.core.code.Line;
import atalaya.core.code.Loop;
import atalaya.core.code.Method;
import atalaya.core.code.Outcome;
import atalaya.core.code.PlaceName;
import atalaya.core.flow.CallGraph;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;

/** Finds the gaps of a run. */
public final class GapFinder {
  private final List<CodeClass> classes;
  private final Function<String, BitSet> reached;
  private final CallGraph calls;
  private final Set<String> neverEntered = new HashSet<>();

  /**
   * Looks at a project.
   *
   * @param classes all of it
   * @param reached the points of a class, by its binary name, that anything reached
   */
  public GapFinder(List<CodeClass> classes, Function<String, BitSet> reached) {
    this.classes = classes;
    this.reached = reached;
    this.calls = CallGraph.of(classes);
    for (CodeClass code : classes) {
      BitSet points = reached.apply(code.name());
      for (Method method : code.methods()) {
        if (!isEntered(method, points)) {
          neverEntered.add(CallGraph.name(code.name(), method.code()));
        }
      }
    }
  }

  private static boolean isEntered(Method method, BitSet reached) {
    return method.lines().stream().anyMatch(line -> line.points().intersects(reached))
        || method.conditions().stream()
            .flatMap(condition -> condition.outcomes().stream())
            .anyMatch(outcome -> outcome.points().intersects(reached));
  }

  /**
   * The gaps of one class, by method, in the order of the source.
   *
   * @param index of the class
   */
  public List<Gap> of(int index) {
    CodeClass code = classes.get(index);
    BitSet points = reached.apply(code.name());
    List<Gap> gaps = new ArrayList<>();
    Dominance dominance = code.flow().dominance();
    for (Method method : code.methods()) {
      gaps.addAll(new InMethod(index, method, points, dominance).gaps());
    }
    return gaps;
  }

  /**
   * The lines and outcomes that leave the figures when gaps are accepted: what each opens up, and
   * the missing outcomes themselves, each counted once.
   *
   * @param names of the gaps
   * @return by qualified name of the method; those without any are not there
   */
  public Map<String, Opened> openedBy(int index, Set<String> names) {
    CodeClass code = classes.get(index);
    BitSet points = reached.apply(code.name());
    Dominance dominance = code.flow().dominance();
    Map<String, Opened> opened = new HashMap<>();
    for (Method method : code.methods()) {
      Opened here = new InMethod(index, method, points, dominance).openedBy(names);
      if (!here.lines().isEmpty() || !here.outcomes().isEmpty()) {
        opened.put(code.name() + "#" + method.name(), here);
      }
    }
    return opened;
  }

  /**
   * The names of the gaps of a class that can't be closed before this one.
   *
   * @param name of a gap of the class
   */
  public Set<String> behind(int index, String name) {
    CodeClass code = classes.get(index);
    BitSet points = reached.apply(code.name());
    Dominance dominance = code.flow().dominance();
    Set<String> behind = new HashSet<>();
    for (Method method : code.methods()) {
      behind.addAll(new InMethod(index, method, points, dominance).behind(name));
    }
    return behind;
  }

  /** A gap before it is known what stands behind it. */
  private record Found(
      Gap.Kind kind,
      int line,
      String text,
      String outcome,
      boolean evaluated,
      BitSet points,
      BitSet opened) {}

  private final class InMethod {
    private final int index;
    private final CodeClass code;
    private final Method method;
    private final BitSet reached;
    private final Dominance dominance;
    private final Map<String, Integer> alike = new HashMap<>();

    InMethod(int index, Method method, BitSet reached, Dominance dominance) {
      this.index = index;
      this.code = classes.get(index);
      this.method = method;
      this.reached = reached;
      this.dominance = dominance;
    }

    List<Gap> gaps() {
      if (!isEntered(method, reached)) {
        return List.of(ofMethod());
      }
      List<Found> found = found();
      return named(found);
    }

    Opened openedBy(Set<String> names) {
      if (!isEntered(method, reached)) {
        boolean accepted = names.contains(ofMethod().name());
        return opened(line -> accepted, outcome -> accepted);
      }
      List<Found> found = found();
      List<Gap> gaps = named(found);
      BitSet opened = new BitSet();
      Set<BitSet> missing = new HashSet<>();
      for (int i = 0; i < found.size(); i++) {
        if (names.contains(gaps.get(i).name())) {
          opened.or(found.get(i).opened());
          missing.add(found.get(i).points());
        }
      }
      return opened(
          line -> isIn(line, opened),
          outcome -> missing.contains(outcome.points()) || isIn(outcome.points(), opened));
    }

    Set<String> behind(String name) {
      List<Found> found = isEntered(method, reached) ? found() : List.of();
      List<Gap> gaps = named(found);
      Set<String> behind = new HashSet<>();
      for (int outer = 0; outer < gaps.size(); outer++) {
        for (int inner = 0; inner < gaps.size(); inner++) {
          boolean isOpened = isIn(found.get(inner).points(), found.get(outer).opened());
          if (gaps.get(outer).name().equals(name) && isOpened && inner != outer) {
            behind.add(gaps.get(inner).name());
          }
        }
      }
      return behind;
    }

    private Opened opened(Predicate<Line> isOpened, Predicate<Outcome> isOutcomeOpened) {
      Opened opened = new Opened(new BitSet(), new BitSet());
      method.lines().stream().filter(isOpened).forEach(line -> opened.lines().set(line.number()));
      int place = 0;
      for (Condition condition : method.conditions()) {
        for (Outcome outcome : condition.outcomes()) {
          opened.outcomes().set(place++, isOutcomeOpened.test(outcome));
        }
      }
      return opened;
    }

    private List<Found> found() {
      List<Found> found = new ArrayList<>();
      for (Condition condition : method.conditions()) {
        boolean evaluated =
            condition.outcomes().stream().anyMatch(o -> o.points().intersects(reached));
        for (Outcome outcome : condition.outcomes()) {
          if (!outcome.points().intersects(reached)) {
            found.add(
                new Found(
                    Gap.Kind.OUTCOME,
                    condition.line(),
                    condition.text(),
                    outcome.name(),
                    evaluated,
                    outcome.points(),
                    dominance.onlyThrough(outcome.points())));
          }
        }
      }
      for (Handler handler : method.handlers()) {
        if (!handler.points().intersects(reached)) {
          found.add(
              new Found(
                  Gap.Kind.HANDLER,
                  handler.line(),
                  handler.text(),
                  "",
                  true,
                  handler.points(),
                  dominance.onlyThrough(handler.points())));
        }
      }
      for (Loop loop : method.loops()) {
        if (loop.once().intersects(reached) && !loop.more().intersects(reached)) {
          found.add(
              new Found(
                  Gap.Kind.LOOP, loop.line(), loop.text(), "", true, loop.more(), new BitSet()));
        }
      }
      found.sort(Comparator.comparingInt(Found::line));
      return found;
    }

    private Gap ofMethod() {
      int outcomes = method.conditions().stream().mapToInt(c -> c.outcomes().size()).sum();
      BitSet nodes = new BitSet();
      method.lines().forEach(line -> nodes.or(nodesOf(line.points())));
      method
          .conditions()
          .forEach(c -> c.outcomes().forEach(outcome -> nodes.or(nodesOf(outcome.points()))));
      Integer entry = code.flow().entries().get(method.code());
      if (entry != null) {
        nodes.set(entry);
      }
      int methods = calls.calledOnlyFrom(index, nodes, neverEntered).size();
      boolean unused = calls.isUnused(CallGraph.name(code.name(), method.code()));
      return gap(
          unused ? Gap.Kind.UNUSED : Gap.Kind.METHOD,
          method.firstLine(),
          "",
          "",
          true,
          new Gap.Opens(method.lines().size(), outcomes, methods));
    }

    private List<Gap> named(List<Found> found) {
      List<Gap> gaps = new ArrayList<>();
      for (Found one : found) {
        int lines = (int) method.lines().stream().filter(line -> isIn(line, one.opened())).count();
        int outcomes =
            (int)
                method.conditions().stream()
                    .flatMap(condition -> condition.outcomes().stream())
                    .filter(
                        outcome ->
                            !outcome.points().equals(one.points())
                                && isIn(outcome.points(), one.opened()))
                    .count();
        int methods = calls.calledOnlyFrom(index, one.opened(), neverEntered).size();
        gaps.add(
            gap(
                one.kind(),
                one.line(),
                one.text(),
                one.outcome(),
                one.evaluated(),
                new Gap.Opens(lines, outcomes, methods)));
      }
      return withBehind(found, gaps);
    }

    /** Of several gaps that open one up, the outermost opens the others as well. */
    private List<Gap> withBehind(List<Found> found, List<Gap> gaps) {
      List<Gap> all = new ArrayList<>();
      for (int i = 0; i < gaps.size(); i++) {
        int outermost = i;
        for (int j = 0; j < gaps.size(); j++) {
          BitSet inner = found.get(outermost).points();
          BitSet outer = found.get(j).points();
          if (!outer.equals(inner) && isIn(inner, found.get(j).opened())) {
            outermost = j;
          }
        }
        all.add(outermost == i ? gaps.get(i) : gaps.get(i).behind(gaps.get(outermost).name()));
      }
      return all;
    }

    private Gap gap(
        Gap.Kind kind, int line, String text, String outcome, boolean evaluated, Gap.Opens opens) {
      int ordinal = alike.merge(kind + text + "\n" + outcome, 1, Integer::sum) - 1;
      return new Gap(
          PlaceName.of(code.name(), method.name(), kind.lasting().label(), text, outcome, ordinal),
          kind,
          code.path(),
          code.name(),
          method.name(),
          line,
          text,
          outcome,
          evaluated,
          opens,
          "");
    }

    private boolean isIn(Line line, BitSet nodes) {
      return isIn(line.points(), nodes);
    }

    private boolean isIn(BitSet points, BitSet nodes) {
      int point = points.nextSetBit(0);
      if (point < 0) {
        return false;
      }
      while (point >= 0 && nodes.get(nodeOf(point))) {
        point = points.nextSetBit(point + 1);
      }
      return point < 0;
    }

    private int nodeOf(int point) {
      return code.flow().nodeOfPoint()[point];
    }

    private BitSet nodesOf(BitSet points) {
      BitSet nodes = new BitSet();
      points.stream().forEach(p -> nodes.set(nodeOf(p)));
      return nodes;
    }
  }
}
