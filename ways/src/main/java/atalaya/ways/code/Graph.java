package atalaya.ways.code;

import atalaya.ways.code.MethodCode.Edge;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.objectweb.asm.tree.FieldInsnNode;
import org.objectweb.asm.tree.InvokeDynamicInsnNode;
import org.objectweb.asm.tree.MethodInsnNode;

/**
 * The instructions of a method in an order in which loops show, which are in loops, and in blocks
 * that control goes through from begin to end (basic blocks).
 */
public final class Graph {
  private final MethodCode code;
  private final int[] order;
  private final int[] rank;
  private final BitSet inLoop = new BitSet();
  private final boolean loops;
  private final List<Block> blocks = new ArrayList<>();
  private final Map<Integer, Block> byFirst = new HashMap<>();
  private final List<Integer> lambdas = new ArrayList<>();

  /**
   * Instructions that follow each other.
   *
   * @param points what control passes from the first to the last, what is between them included
   * @param uses how many of them call something or look at a field
   * @param isInLoop whether they are in a loop
   */
  record Block(int first, int last, int[] all, BitSet points, int uses, boolean isInLoop) {}

  Graph(MethodCode code) {
    this.code = code;
    this.order = postOrder();
    this.rank = new int[code.size()];
    Arrays.fill(rank, -1);
    for (int i = 0; i < order.length; i++) {
      rank[order[i]] = i;
    }
    this.loops = findLoops();
    findBlocks();
    for (int i = 0; i < code.size(); i++) {
      if (code.at(i) instanceof InvokeDynamicInsnNode) {
        lambdas.add(i);
      }
    }
  }

  /** The instructions that make lambdas. */
  List<Integer> lambdas() {
    return lambdas;
  }

  /** The one that begins with an instruction, to which control comes from where it parts. */
  Block block(int first) {
    return byFirst.get(first);
  }

  /** Each after all that it leads to but for the begin of loops. */
  List<Block> blocks() {
    return blocks;
  }

  private void findBlocks() {
    int[] leadingTo = new int[code.size()];
    for (int from : order) {
      for (Edge edge : code.edges(from)) {
        boolean goesOn =
            code.edges(from).size() == 1
                && edge.thrown().isEmpty()
                && !closesLoop(from, edge.to())
                && inLoop.get(from) == inLoop.get(edge.to());
        leadingTo[edge.to()] += goesOn ? 1 : 2;
      }
    }
    leadingTo[0]++;
    for (int at : order) {
      boolean isFirst = at == 0 || leadingTo[at] != 1;
      if (isFirst) {
        Block block = block(at, leadingTo);
        blocks.add(block);
        byFirst.put(at, block);
      }
    }
  }

  private Block block(int first, int[] leadingTo) {
    BitSet points = (BitSet) code.points(first).clone();
    List<Integer> all = new ArrayList<>(List.of(first));
    int at = first;
    while (code.edges(at).size() == 1 && leadingTo[code.edges(at).get(0).to()] == 1) {
      Edge only = code.edges(at).get(0);
      if (only.point() >= 0) {
        points.set(only.point());
      }
      at = only.to();
      points.or(code.points(at));
      all.add(at);
    }
    int[] indices = all.stream().mapToInt(Integer::intValue).toArray();
    int uses = (int) all.stream().filter(this::isUse).count();
    return new Block(first, at, indices, points, uses, inLoop.get(first));
  }

  private boolean isUse(int at) {
    return code.at(at) instanceof MethodInsnNode || code.at(at) instanceof FieldInsnNode;
  }

  /** What control comes to, each after all that it leads to but for the begin of loops. */
  int[] order() {
    return order;
  }

  public boolean hasLoops() {
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
  public boolean closesLoop(int from, int to) {
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
