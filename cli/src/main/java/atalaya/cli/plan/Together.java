package atalaya.cli.plan;

import atalaya.core.figure.MethodFigures;
import atalaya.core.plan.Task;
import java.util.ArrayList;
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
  /** Methods with more than one condition are tested each by itself, where others were entered. */
  private static final int MOST_COMPLEXITY = 2;

  /** So many methods of one name, or of the same parameters, are tested apart from others. */
  private static final int ALIKE = 3;

  /** What more methods of a class use than these does not make them belong together. */
  private static final int MOST_USERS = 6;

  private Together() {}

  /**
   * The methods that nothing entered: small ones of a class that are about the same fields, or use
   * each other, of a class of which nothing was entered longer ones, too; of one name, where there
   * are several, by themselves.
   *
   * @param isNew whether no method of a class was entered
   * @param isOpen whether a test can make an object and call a method itself
   * @param about the fields and methods of its class that a method is about
   * @return groups of at least two
   */
  static List<List<MethodFigures>> of(
      List<MethodFigures> lacking,
      Predicate<String> isNew,
      Predicate<MethodFigures> isOpen,
      Function<MethodFigures, Set<String>> about) {
    Map<String, List<MethodFigures>> alike = new TreeMap<>();
    Map<String, List<MethodFigures>> byClass = new TreeMap<>();
    List<MethodFigures> all =
        lacking.stream()
            .filter(m -> !Planning.isEntered(m) && !m.method().startsWith("<"))
            .filter(isOpen)
            .toList();
    List<MethodFigures> others = apart(all, m -> m.className() + name(m), alike);
    Predicate<MethodFigures> isOfClass =
        m -> m.complexity().value() <= MOST_COMPLEXITY || isNew.test(m.className());
    others.stream()
        .filter(isOfClass)
        .forEach(m -> byClass.computeIfAbsent(m.className(), c -> new ArrayList<>()).add(m));
    apart(
        others.stream().filter(m -> !isOfClass.test(m) && !parameters(m).equals("()")).toList(),
        m -> m.className() + parameters(m),
        alike);
    List<List<MethodFigures>> groups = new ArrayList<>();
    byClass.values().forEach(of -> groups.addAll(aboutTheSame(of, about)));
    groups.addAll(alike.values());
    groups.removeIf(of -> of.size() < 2);
    return groups;
  }

  /** Notes those of which there are several under one key, and gives the others. */
  private static List<MethodFigures> apart(
      List<MethodFigures> methods,
      Function<MethodFigures, String> key,
      Map<String, List<MethodFigures>> alike) {
    Map<String, List<MethodFigures>> byKey = new TreeMap<>();
    methods.forEach(m -> byKey.computeIfAbsent(key.apply(m), k -> new ArrayList<>()).add(m));
    List<MethodFigures> others = new ArrayList<>();
    byKey.forEach(
        (k, of) -> {
          if (of.size() < ALIKE) {
            others.addAll(of);
          } else {
            alike.put(k, of);
          }
        });
    return others;
  }

  /**
   * Of a class with many such methods those that are about the same things, each time from one to
   * the next; at last the others.
   */
  private static List<List<MethodFigures>> aboutTheSame(
      List<MethodFigures> methods, Function<MethodFigures, Set<String>> about) {
    if (methods.size() <= Task.MOST_WAYS) {
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

  private static String name(MethodFigures method) {
    return method.method().substring(0, method.method().indexOf('('));
  }

  private static String parameters(MethodFigures method) {
    return method.method().substring(method.method().indexOf('('));
  }
}
