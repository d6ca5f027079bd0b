package atalaya.core.code;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class DominanceTest {
  /** Node 0 is the entry; every node is a point. */
  @ParameterizedTest
  @CsvSource(
      nullValues = "none",
      value = {
        "both ways of a condition meet, 0>1 0>2 1>3 2>3, 1, 1",
        "what follows one way alone,    0>1 0>2 1>3 2>4 3>4, 1, 1 3",
        "where all labels meet,         0>1 0>2 0>3 1>4 2>4 3>5 4>5, 1 2, 1 2 4",
        "one label is not enough,       0>1 0>2 1>4 2>4, 1, 1",
        "a loop behind two labels,      0>1 0>2 0>6 1>3 2>3 3>4 4>3 4>5 6>5, 1 2, 1 2 3 4",
        "the loop's way back,           0>1 1>2 2>1 2>3, 2, 2 3",
        "all there is,                  0>1 1>2, 0, 0 1 2",
        "what nothing leads to,         0>1 2>1, 2, none",
        "two heads of a loop,           0>1 0>2 0>5 1>3 2>4 3>4 4>3 5>6, 1 2, 1 2 3 4",
      })
  void findsWhatControlComesToOnlyThroughThem(
      String what, String edges, String through, String expected) {
    List<int[]> pairs = new ArrayList<>();
    for (String edge : edges.split(" ")) {
      String[] ends = edge.split(">");
      pairs.add(new int[] {Integer.parseInt(ends[0]), Integer.parseInt(ends[1])});
    }
    Dominance dominance = new Dominance(flow(7, Set.of(0), pairs));
    assertThat(dominance.onlyThrough(set(through))).as(what).isEqualTo(set(expected));
  }

  static IntStream seeds() {
    return IntStream.range(0, 300);
  }

  /** The definition itself, in graphs of any shape: what can't be come to without passing them. */
  @ParameterizedTest
  @MethodSource("seeds")
  void agreesWithTheDefinition(int seed) {
    Random random = new Random(seed);
    int nodes = 2 + random.nextInt(14);
    List<int[]> edges = new ArrayList<>();
    for (int i = random.nextInt(3 * nodes); i >= 0; i--) {
      edges.add(new int[] {random.nextInt(nodes), random.nextInt(nodes)});
    }
    Set<Integer> entries = Set.of(0, random.nextInt(nodes) / 4 + nodes / 2);
    Dominance dominance = new Dominance(flow(nodes, entries, edges));
    for (int i = 0; i < 20; i++) {
      BitSet through = new BitSet();
      for (int j = random.nextInt(3); j >= 0; j--) {
        through.set(random.nextInt(nodes));
      }
      BitSet expected = reachable(entries, edges, new BitSet());
      expected.andNot(reachable(entries, edges, through));
      assertThat(dominance.onlyThrough(through)).as("through " + through).isEqualTo(expected);
    }
  }

  private static BitSet reachable(Set<Integer> entries, List<int[]> edges, BitSet closed) {
    BitSet found = new BitSet();
    entries.stream().filter(entry -> !closed.get(entry)).forEach(found::set);
    boolean grows = true;
    while (grows) {
      grows = false;
      for (int[] edge : edges) {
        if (found.get(edge[0]) && !found.get(edge[1]) && !closed.get(edge[1])) {
          found.set(edge[1]);
          grows = true;
        }
      }
    }
    return found;
  }

  private static Flow flow(int nodes, Set<Integer> entries, List<int[]> edges) {
    int[] pairs = edges.stream().flatMapToInt(IntStream::of).toArray();
    int[] nodeOfPoint = IntStream.range(0, nodes).toArray();
    Map<String, Integer> byName = new HashMap<>();
    entries.forEach(entry -> byName.put("m" + entry + "()V", entry));
    return new Flow(nodes, pairs, nodeOfPoint, byName, List.of(), List.of(), Set.of(), Set.of());
  }

  private static BitSet set(String numbers) {
    BitSet set = new BitSet();
    if (numbers != null) {
      for (String number : numbers.split(" ")) {
        set.set(Integer.parseInt(number));
      }
    }
    return set;
  }
}
