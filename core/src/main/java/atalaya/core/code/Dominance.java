package atalaya.core.code;

import java.util.Arrays;
import java.util.BitSet;

/**
 * What control comes to only through certain points of a class: the nodes that they dominate
 * (Cooper, Harvey, Kennedy 2001, "A simple, fast dominance algorithm").
 */
public final class Dominance {
  private static final int NONE = -1;

  private final Flow flow;

  /** The node in front of all entries. */
  private final int root;

  private final Edges after;
  private final Edges before;

  /** Nodes, each after all that it leads to but for where control goes back. */
  private final int[] postOrder;

  private final int[] rank;
  private final int[] dominator;

  /** Of each node, where it and what it dominates stand in {@link #inTree}. */
  private final int[] from;

  private final int[] to;
  private final int[] inTree;
  private final boolean reducible;

  Dominance(Flow flow) {
    this.flow = flow;
    this.root = flow.nodes();
    int[] pairs = Arrays.copyOf(flow.edges(), flow.edges().length + 2 * flow.entries().size());
    int at = flow.edges().length;
    for (int entry : flow.entries().values()) {
      pairs[at++] = root;
      pairs[at++] = entry;
    }
    this.after = Edges.of(pairs, root + 1, 0);
    this.before = Edges.of(pairs, root + 1, 1);
    this.rank = new int[root + 1];
    this.postOrder = postOrder();
    this.dominator = dominators();
    this.from = new int[root + 1];
    this.to = new int[root + 1];
    this.inTree = new int[postOrder.length];
    layOutTree();
    this.reducible = isReducible();
  }

  /** Edges by the node at one of their ends. */
  private record Edges(int[] starts, int[] others) {
    static Edges of(int[] pairs, int nodes, int end) {
      int[] starts = new int[nodes + 1];
      for (int i = end; i < pairs.length; i += 2) {
        starts[pairs[i] + 1]++;
      }
      for (int i = 0; i < nodes; i++) {
        starts[i + 1] += starts[i];
      }
      int[] next = starts.clone();
      int[] others = new int[pairs.length / 2];
      for (int i = end; i < pairs.length; i += 2) {
        others[next[pairs[i]]++] = pairs[i ^ 1];
      }
      return new Edges(starts, others);
    }
  }

  private int[] postOrder() {
    Arrays.fill(rank, NONE);
    int[] order = new int[root + 1];
    int count = 0;
    int[] next = after.starts.clone();
    int[] stack = new int[root + 1];
    BitSet seen = new BitSet(root + 1);
    seen.set(root);
    stack[0] = root;
    int depth = 1;
    while (depth > 0) {
      int at = stack[depth - 1];
      if (next[at] < after.starts[at + 1]) {
        int to = after.others[next[at]++];
        if (!seen.get(to)) {
          seen.set(to);
          stack[depth++] = to;
        }
      } else {
        rank[at] = count;
        order[count++] = at;
        depth--;
      }
    }
    return Arrays.copyOf(order, count);
  }

  private int[] dominators() {
    int[] found = new int[root + 1];
    Arrays.fill(found, NONE);
    found[root] = root;
    boolean changes = true;
    while (changes) {
      changes = false;
      for (int i = postOrder.length - 2; i >= 0; i--) {
        int node = postOrder[i];
        int common = NONE;
        for (int e = before.starts[node]; e < before.starts[node + 1]; e++) {
          int from = before.others[e];
          if (found[from] != NONE) {
            common = common == NONE ? from : common(found, from, common);
          }
        }
        changes |= found[node] != common;
        found[node] = common;
      }
    }
    return found;
  }

  private int common(int[] found, int one, int other) {
    int a = one;
    int b = other;
    while (a != b) {
      while (rank[a] < rank[b]) {
        a = found[a];
      }
      while (rank[b] < rank[a]) {
        b = found[b];
      }
    }
    return a;
  }

  /** A node's place is followed by the places of all that it dominates. */
  private void layOutTree() {
    int[] sizes = new int[root + 1];
    for (int node : postOrder) {
      sizes[node]++;
      if (node != root) {
        sizes[dominator[node]] += sizes[node];
      }
    }
    int[] free = new int[root + 1];
    for (int i = postOrder.length - 1; i >= 0; i--) {
      int node = postOrder[i];
      from[node] = node == root ? 0 : free[dominator[node]];
      to[node] = from[node] + sizes[node];
      free[node] = from[node] + 1;
      if (node != root) {
        free[dominator[node]] += sizes[node];
      }
      inTree[from[node]] = node;
    }
  }

  /** Whether control goes back only to nodes that dominate where it comes from. */
  private boolean isReducible() {
    for (int node : postOrder) {
      for (int e = after.starts[node]; e < after.starts[node + 1]; e++) {
        int to = after.others[e];
        if (rank[to] >= rank[node] && !dominates(to, node)) {
          return false;
        }
      }
    }
    return true;
  }

  private boolean isReachable(int node) {
    return rank[node] != NONE;
  }

  private boolean dominates(int node, int other) {
    return from[node] <= from[other] && from[other] < to[node];
  }

  /** The nodes that control can come to from an entry, but only through one of some points. */
  public BitSet onlyThrough(BitSet points) {
    BitSet through = new BitSet(root);
    points.stream().map(point -> flow.nodeOfPoint()[point]).forEach(through::set);
    if (through.cardinality() > 1 && !reducible) {
      return notReachableWithout(through);
    }
    BitSet found = new BitSet(root);
    through.stream().filter(this::isReachable).forEach(node -> addTree(node, found));
    if (through.cardinality() > 1) {
      addWhereAllMeet(found);
    }
    return found;
  }

  private void addTree(int node, BitSet found) {
    for (int i = from[node]; i < to[node]; i++) {
      found.set(inTree[i]);
    }
  }

  /** A node where only ways meet that come from what was found already. */
  private void addWhereAllMeet(BitSet found) {
    boolean grows = true;
    while (grows) {
      grows = false;
      for (int node = found.nextSetBit(0); node >= 0; node = found.nextSetBit(node + 1)) {
        for (int e = after.starts[node]; e < after.starts[node + 1]; e++) {
          int to = after.others[e];
          if (!found.get(to) && comesOnlyFrom(found, to)) {
            addTree(to, found);
            grows = true;
          }
        }
      }
    }
  }

  private boolean comesOnlyFrom(BitSet found, int node) {
    for (int e = before.starts[node]; e < before.starts[node + 1]; e++) {
      int from = before.others[e];
      if (isReachable(from) && !found.get(from) && !dominates(node, from)) {
        return false;
      }
    }
    return true;
  }

  private BitSet notReachableWithout(BitSet closed) {
    BitSet seen = new BitSet(root + 1);
    int[] waiting = new int[root + 1];
    waiting[0] = root;
    seen.set(root);
    for (int count = 1; count > 0; ) {
      int node = waiting[--count];
      for (int e = after.starts[node]; e < after.starts[node + 1]; e++) {
        int to = after.others[e];
        if (!seen.get(to) && !closed.get(to)) {
          seen.set(to);
          waiting[count++] = to;
        }
      }
    }
    BitSet found = new BitSet(root);
    for (int node : postOrder) {
      if (!seen.get(node)) {
        found.set(node);
      }
    }
    return found;
  }
}
