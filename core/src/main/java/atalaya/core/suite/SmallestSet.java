package atalaya.core.suite;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.TreeSet;

/**
 * Looks for a small set of tests that reaches all that the whole suite reaches. The smallest one
 * can't be found in sensible time; this is the greedy one, at most {@code ln n} times as large
 * (Chvatal 1979), with what it chose in vain taken out again.
 */
final class SmallestSet {
  private final Map<Integer, Map<String, BitSet>> reach;
  private final Map<String, BitSet> covered = new HashMap<>();

  private SmallestSet(Map<Integer, Map<String, BitSet>> reach) {
    this.reach = reach;
  }

  private record Candidate(int test, long gain) {}

  /**
   * Chooses tests.
   *
   * @param reach the points by class, by the number of the test
   */
  static Set<Integer> of(Map<Integer, Map<String, BitSet>> reach) {
    SmallestSet set = new SmallestSet(reach);
    return set.withoutNeedless(set.greedy());
  }

  private List<Integer> greedy() {
    PriorityQueue<Candidate> queue =
        new PriorityQueue<>(
            Comparator.comparingLong(Candidate::gain).reversed().thenComparingInt(Candidate::test));
    reach.keySet().forEach(test -> queue.add(new Candidate(test, gain(test))));
    List<Integer> chosen = new ArrayList<>();
    while (!queue.isEmpty()) {
      Candidate best = queue.poll();
      long gain = gain(best.test());
      if (gain < best.gain()) {
        queue.add(new Candidate(best.test(), gain));
      } else if (gain > 0) {
        chosen.add(best.test());
        reach
            .get(best.test())
            .forEach((type, points) -> covered.computeIfAbsent(type, t -> new BitSet()).or(points));
      }
    }
    return chosen;
  }

  private long gain(int test) {
    long gain = 0;
    for (Map.Entry<String, BitSet> of : reach.get(test).entrySet()) {
      BitSet known = covered.get(of.getKey());
      if (known == null) {
        gain += of.getValue().cardinality();
      } else {
        BitSet fresh = (BitSet) of.getValue().clone();
        fresh.andNot(known);
        gain += fresh.cardinality();
      }
    }
    return gain;
  }

  /** A test chosen early may be covered by those chosen after it. */
  private Set<Integer> withoutNeedless(List<Integer> chosen) {
    Map<String, Map<Integer, Integer>> times = new LinkedHashMap<>();
    for (int test : chosen) {
      reach
          .get(test)
          .forEach(
              (type, points) -> {
                Map<Integer, Integer> of = times.computeIfAbsent(type, t -> new HashMap<>());
                points.stream().forEach(point -> of.merge(point, 1, Integer::sum));
              });
    }
    Set<Integer> kept = new TreeSet<>(chosen);
    for (int test : chosen) {
      boolean needless =
          reach.get(test).entrySet().stream()
              .allMatch(
                  of ->
                      of.getValue().stream()
                          .allMatch(point -> times.get(of.getKey()).get(point) > 1));
      if (needless) {
        kept.remove(test);
        reach
            .get(test)
            .forEach(
                (type, points) ->
                    points.stream().forEach(p -> times.get(type).merge(p, -1, Integer::sum)));
      }
    }
    return kept;
  }
}
