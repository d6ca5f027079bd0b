package atalaya.cli.plan;

import atalaya.core.figure.MethodFigures;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Predicate;

/**
 * Which methods one test may well call one after the other ({@code docs/measures.md}, section 9).
 */
final class Together {
  /** Methods with more than one condition are tested each by itself. */
  private static final int MOST_COMPLEXITY = 2;

  /** So many methods of one name, or more, are tested apart from the others of their class. */
  private static final int OVERLOADS = 3;

  private Together() {}

  /**
   * The small methods that nothing entered, by class; those of one name by themselves.
   *
   * @param isOpen whether a test can make an object and call a method itself
   * @return groups of at least two
   */
  static List<List<MethodFigures>> of(
      List<MethodFigures> lacking, Predicate<MethodFigures> isOpen) {
    Map<String, List<MethodFigures>> byClass = new TreeMap<>();
    Map<String, List<MethodFigures>> byName = new TreeMap<>();
    for (MethodFigures method : lacking) {
      boolean isSmall =
          method.complexity().value() <= MOST_COMPLEXITY
              && !Planning.isEntered(method)
              && !method.method().startsWith("<");
      if (isSmall && isOpen.test(method)) {
        byName.computeIfAbsent(withoutParameters(method), name -> new ArrayList<>()).add(method);
      }
    }
    byName.values().stream()
        .filter(of -> of.size() < OVERLOADS)
        .flatMap(Collection::stream)
        .forEach(m -> byClass.computeIfAbsent(m.className(), c -> new ArrayList<>()).add(m));
    byName.values().removeIf(of -> of.size() < OVERLOADS);
    List<List<MethodFigures>> groups = new ArrayList<>(byClass.values());
    groups.addAll(byName.values());
    groups.removeIf(of -> of.size() < 2);
    return groups;
  }

  private static String withoutParameters(MethodFigures method) {
    return method.qualifiedName().substring(0, method.qualifiedName().indexOf('('));
  }
}
