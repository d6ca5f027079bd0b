package atalaya.java.way;

import atalaya.java.way.MethodCode.Edge;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The instructions of a method in an order in which loops show, and which are in loops. */
final class Graph {
  private final MethodCode code;
  private final int[] order;
  private final int[] rank;
  private final BitSet inLoop = new BitSet();
  private final boolean loops;

  Graph(MethodCode code) {
    this.code = code;
    this.order = postOrder();
    this.rank = new int[code.size()];
    Arrays.fill(rank, -1);
    for (int i = 0; i < order.length; i++) {
      rank[order[i]] = i;
    }
    this.loops = findLoops();
  }

  /** What control comes to, each after all that it leads to but for the begin of loops. */
  int[] order() {
    return order;
  }

  boolean hasLoops() {
    return loops;
  }

  BitSet inLoop() {
    return inLoop;
  }

  private int[] postOrder() {
    int[] found = new int[code.size()];
    int count = 0;
    int[] next = new int[code.size()];
    BitSet seen = new BitSet();
    List<Integer> stack = new ArrayList<>(List.of(0));
    seen.set(0);
    while (!stack.isEmpty()) {
      int at = stack.get(stack.size() - 1);
      List<Edge> edges = code.edges(at);
      if (next[at] < edges.size()) {
        int to = edges.get(next[at]++).to();
        if (!seen.get(to)) {
          seen.set(to);
          stack.add(to);
        }
      } else {
        found[count++] = at;
        stack.remove(stack.size() - 1);
      }
    }
    return Arrays.copyOf(found, count);
  }

  /** Whether control goes back there. */
  boolean closesLoop(int from, int to) {
    return rank[to] >= rank[from];
  }

  private boolean findLoops() {
    Map<Integer, List<Integer>> before = new HashMap<>();
    Map<Integer, Set<Integer>> closing = new HashMap<>();
    for (int from : order) {
      for (Edge edge : code.edges(from)) {
        before.computeIfAbsent(edge.to(), b -> new ArrayList<>()).add(from);
        if (closesLoop(from, edge.to())) {
          closing.computeIfAbsent(edge.to(), b -> new HashSet<>()).add(from);
        }
      }
    }
    closing.forEach(
        (head, ends) -> {
          BitSet body = new BitSet();
          body.set(head);
          List<Integer> waiting = new ArrayList<>(ends);
          while (!waiting.isEmpty()) {
            int at = waiting.remove(waiting.size() - 1);
            if (!body.get(at)) {
              body.set(at);
              waiting.addAll(before.getOrDefault(at, List.of()));
            }
          }
          inLoop.or(body);
        });
    return !closing.isEmpty();
  }
}
