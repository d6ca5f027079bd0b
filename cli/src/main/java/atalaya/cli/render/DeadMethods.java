package atalaya.cli.render;

import atalaya.core.plan.Remedy;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** What could be deleted, class by class. */
final class DeadMethods {
  private static final int NAMED_IN_BRIEF = 3;

  private DeadMethods() {}

  /**
   * The classes of which most could go first: {@code Buoy: drain(), lift(int) (-2.00)}.
   *
   * @param inFull whether all methods are named, of which short lists only tell how many they are
   */
  static List<String> of(List<Remedy> dead, boolean inFull) {
    Map<String, List<Remedy>> byClass = new LinkedHashMap<>();
    dead.forEach(
        remedy ->
            byClass.computeIfAbsent(typeOf(remedy.method()), t -> new ArrayList<>()).add(remedy));
    return byClass.entrySet().stream()
        .sorted(Comparator.comparingDouble(of -> -sum(of.getValue())))
        .map(of -> told(of.getKey(), of.getValue(), inFull))
        .toList();
  }

  private static String told(String type, List<Remedy> methods, boolean inFull) {
    String first = Words.shortMethod(methods.get(0).method());
    String gain = " (-" + Words.paths(sum(methods)) + ")";
    if (methods.size() == 1) {
      return first + gain;
    }
    String shortType = first.substring(0, first.indexOf('#'));
    return inFull || methods.size() <= NAMED_IN_BRIEF
        ? shortType
            + ": "
            + methods.stream()
                .map(one -> one.method().substring(type.length() + 1))
                .collect(Collectors.joining(", "))
            + gain
        : methods.size() + " methods of " + shortType + gain;
  }

  private static String typeOf(String method) {
    return method.substring(0, method.indexOf('#'));
  }

  private static double sum(List<Remedy> methods) {
    return methods.stream().mapToDouble(Remedy::unwatched).sum();
  }
}
