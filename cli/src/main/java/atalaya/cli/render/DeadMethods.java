package atalaya.cli.render;

import atalaya.core.plan.Remedy;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

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
    Map<String, Integer> called = new HashMap<>();
    byClass.keySet().forEach(type -> called.merge(simple(type), 1, Integer::sum));
    return byClass.entrySet().stream()
        .sorted(Comparator.comparingDouble(of -> -sum(of.getValue())))
        .map(of -> told(named(of.getKey(), called), of.getValue(), inFull))
        .toList();
  }

  private static String told(String type, List<Remedy> methods, boolean inFull) {
    String gain = " (-" + Words.paths(sum(methods)) + ")";
    List<String> names =
        methods.stream().map(one -> one.method().substring(one.method().indexOf('#') + 1)).toList();
    if (names.size() == 1) {
      return type + "#" + names.get(0) + gain;
    }
    return inFull || names.size() <= NAMED_IN_BRIEF
        ? type + ": " + String.join(", ", names) + gain
        : names.size() + " methods of " + type + gain;
  }

  /** With the package only where others are called the same. */
  private static String named(String type, Map<String, Integer> called) {
    return called.get(simple(type)) > 1 ? type : simple(type);
  }

  private static String simple(String type) {
    return type.substring(type.lastIndexOf('.') + 1);
  }

  private static String typeOf(String method) {
    return method.substring(0, method.indexOf('#'));
  }

  private static double sum(List<Remedy> methods) {
    return methods.stream().mapToDouble(Remedy::unwatched).sum();
  }
}
