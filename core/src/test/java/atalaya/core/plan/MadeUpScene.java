package atalaya.core.plan;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Complexity;
import atalaya.core.code.Condition;
import atalaya.core.code.Flow;
import atalaya.core.code.Line;
import atalaya.core.code.Method;
import atalaya.core.code.Outcome;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Mutants;
import atalaya.core.figure.Share;
import atalaya.core.figure.TestFigures;
import atalaya.core.gap.Gap;
import atalaya.core.gap.Opened;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Test;
import atalaya.core.run.Verdict;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/** A run with a class or two, as text. */
final class MadeUpScene implements Scene {
  private final Map<String, CodeClass> classes = new HashMap<>();
  private final Map<String, Map<Integer, BitSet>> reached = new HashMap<>();
  private final Map<Integer, TestFigures> tests = new TreeMap<>();
  private final Map<String, List<Gap>> gaps = new HashMap<>();
  private final Set<String> homes = new HashSet<>();

  /** Points as numbers with blanks between them. */
  static BitSet points(String numbers) {
    BitSet points = new BitSet();
    Arrays.stream(numbers.split(" "))
        .filter(n -> !n.isEmpty())
        .forEach(n -> points.set(Integer.parseInt(n)));
    return points;
  }

  /**
   * A method: its lines as {@code line:point} and its conditions as {@code line:text:point of
   * true:point of false}, each on a row of its own.
   */
  static Method method(String name, int complexity, String lines, String... conditions) {
    List<Line> all = new ArrayList<>();
    for (String line : lines.split(" ")) {
      String[] parts = line.split(":");
      all.add(new Line(Integer.parseInt(parts[0]), points(parts[1])));
    }
    List<Condition> asked = new ArrayList<>();
    for (String condition : conditions) {
      String[] parts = condition.split(":");
      asked.add(
          new Condition(
              Integer.parseInt(parts[0]),
              parts[1],
              true,
              List.of(
                  new Outcome("true", points(parts[2])), new Outcome("false", points(parts[3])))));
    }
    return new Method(
        name,
        name.replaceAll("\\(.*", "()V"),
        all.get(0).number(),
        all.get(all.size() - 1).number(),
        new Complexity(complexity, Complexity.Origin.SOURCE),
        all,
        asked,
        List.of(),
        List.of());
  }

  MadeUpScene with(String type, Method... methods) {
    classes.put(type, new CodeClass(type, "m", "Buoy.java", List.of(methods), 0, 0, Flow.NONE));
    return this;
  }

  MadeUpScene withTestClassOf(String type) {
    homes.add(type);
    return this;
  }

  /** A test that passed, how many methods it reaches, and the points of a class that it does. */
  MadeUpScene withTest(int number, String name, int methods, String type, String points) {
    Test test = new Test(number, "id" + number, name, Verdict.PASSED, 1, false);
    tests.put(number, new TestFigures(test, methods, 1, 1, 0, 0, 0));
    return withReach(number, type, points);
  }

  MadeUpScene withReach(int number, String type, String points) {
    reached.computeIfAbsent(type, t -> new HashMap<>()).put(number, points(points));
    return this;
  }

  MadeUpScene withGap(Gap gap) {
    gaps.computeIfAbsent(gap.className(), t -> new ArrayList<>()).add(gap);
    return this;
  }

  @Override
  public Optional<CodeClass> code(String className) {
    return Optional.ofNullable(classes.get(className));
  }

  @Override
  public ClassReach reach(String className) {
    return new ClassReach(reached.getOrDefault(className, Map.of()), Map.of());
  }

  @Override
  public Optional<MethodFigures> figures(String method) {
    String type = method.substring(0, method.indexOf('#'));
    return code(type).stream()
        .flatMap(code -> code.methods().stream())
        .filter(m -> method.equals(type + "#" + m.name()))
        .findFirst()
        .map(m -> figures(type, m));
  }

  private MethodFigures figures(String type, Method method) {
    BitSet all = reach(type).all();
    Share lines = Share.NONE;
    for (Line line : method.lines()) {
      lines = lines.plus(new Share(line.points().intersects(all) ? 1 : 0, 1));
    }
    Share outcomes = Share.NONE;
    for (Condition condition : method.conditions()) {
      for (Outcome outcome : condition.outcomes()) {
        outcomes = outcomes.plus(new Share(outcome.points().intersects(all) ? 1 : 0, 1));
      }
    }
    return new MethodFigures(
        "Buoy.java",
        type,
        method.name(),
        method.firstLine(),
        method.lastLine(),
        method.complexity(),
        lines,
        outcomes,
        tests.size(),
        Mutants.NOT_TRIED);
  }

  @Override
  public List<Gap> gaps(String className) {
    return gaps.getOrDefault(className, List.of());
  }

  @Override
  public Optional<Opened> accepted(String method) {
    return Optional.empty();
  }

  @Override
  public double weight(String path) {
    return 2;
  }

  @Override
  public Optional<TestFigures> test(int number) {
    return Optional.ofNullable(tests.get(number));
  }

  @Override
  public TestHome home(String className) {
    return new TestHome(className + "Test", homes.contains(className));
  }

  @Override
  public String classOf(TestFigures test) {
    return test.test().name().replaceAll("\\..*", "");
  }
}
