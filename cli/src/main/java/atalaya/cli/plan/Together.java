package atalaya.cli.plan;

import atalaya.core.figure.MethodFigures;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * Which methods one test may well call one after the other ({@code docs/measures.md}, section 9).
 */
final class Together {
  /** Methods with more than one condition are tested each by itself. */
  private static final int MOST_COMPLEXITY = 2;

  /** So many methods of one name, or more, are tested apart from the others of their class. */
  private static final int OVERLOADS = 3;

  /** What more methods of a class use than these does not make them belong together. */
  private static final int MOST_USERS = 6;

  private Together() {}

  /**
   * The small methods that nothing entered: of a class those that are about the same fields, or use
   * each other; of one name, where there are several, by themselves.
   *
   * @param isOpen whether a test can make an object and call a method itself
   * @param about the fields and methods of its class that a method is about
   * @return groups of at least two
   */
  static List<List<MethodFigures>> of(
      List<MethodFigures> lacking,
      Predicate<MethodFigures> isOpen,
      Function<MethodFigures, Set<String>> about) {
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
    List<List<MethodFigures>> groups = new ArrayList<>();
    byClass.values().forEach(of -> groups.addAll(aboutTheSame(of, about)));
    groups.addAll(byName.values());
    groups.removeIf(of -> of.size() < 2);
    return groups;
  }

  /**
   * Of a class with many such methods those that are about the same things, each time from one to
   * the next; at last the others.
   */
  private static List<List<MethodFigures>> aboutTheSame(
      List<MethodFigures> methods, Function<MethodFigures, Set<String>> about) {
    if (methods.size() <= Planning.MOST_TOGETHER) {
      return List.of(methods);
    }
    Map<MethodFigures, Set<String>> things = new HashMap<>();
    Map<String, List<MethodFigures>> users = new HashMap<>();
    for (MethodFigures method : methods) {
      things.put(method, about.apply(method));
      things
          .get(method)
          .forEach(it -> users.computeIfAbsent(it, i -> new ArrayList<>()).add(method));
    }
    users.values().removeIf(of -> of.size() > MOST_USERS);
    List<List<MethodFigures>> groups = new ArrayList<>();
    List<MethodFigures> others = new ArrayList<>();
    Set<MethodFigures> left = new LinkedHashSet<>(methods);
    while (!left.isEmpty()) {
      List<MethodFigures> group = new ArrayList<>(List.of(left.iterator().next()));
      left.removeAll(group);
      for (int i = 0; i < group.size(); i++) {
        for (String it : things.get(group.get(i))) {
          users.getOrDefault(it, List.of()).stream().filter(left::remove).forEach(group::add);
        }
      }
      if (group.size() > 1) {
        groups.add(group);
      } else {
        others.addAll(group);
      }
    }
    groups.add(others);
    return groups;
  }

  private static String withoutParameters(MethodFigures method) {
    return method.qualifiedName().substring(0, method.qualifiedName().indexOf('('));
  }
}
