package atalaya.cli.challenge;

import atalaya.core.figure.MethodFigures;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** The order in which mutants are decided where there may not be time for all of them. */
final class Sample {
  private static final long SEED = 20_130_318L;
  private static final double LEAST_WEIGHT = 0.1;

  private Sample() {}

  /**
   * At random within each method, always the same; the methods in turn, those with more paths not
   * tried more often.
   *
   * @param open the mutants by number
   */
  static List<Integer> order(Map<Integer, Candidate> open, List<MethodFigures> methods) {
    Map<String, Double> weight = new HashMap<>();
    methods.forEach(m -> weight.put(m.qualifiedName(), m.complexity().value() * m.reach()));
    Map<String, List<Integer>> byMethod = new LinkedHashMap<>();
    open.forEach(
        (number, c) -> byMethod.computeIfAbsent(c.method(), m -> new ArrayList<>()).add(number));
    Map<Integer, Double> turn = new HashMap<>();
    byMethod.forEach(
        (method, numbers) -> {
          Collections.shuffle(numbers, new Random(SEED ^ method.hashCode()));
          double share = Math.max(LEAST_WEIGHT, weight.getOrDefault(method, 1.0));
          for (int i = 0; i < numbers.size(); i++) {
            turn.put(numbers.get(i), (i + 0.5) / share);
          }
        });
    return turn.entrySet().stream()
        .sorted(
            Comparator.comparingDouble((Map.Entry<Integer, Double> e) -> e.getValue())
                .thenComparingInt(Map.Entry::getKey))
        .map(Map.Entry::getKey)
        .toList();
  }
}
