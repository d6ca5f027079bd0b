package atalaya.points;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.IntSupplier;
import org.objectweb.asm.Label;

/**
 * Finds the loops of one method. It is told of the method's labels and jumps in the order of the
 * code, and looks only at labels that matter to the flow of control, so that all who read the same
 * code find the same loops, whatever else they have labelled.
 */
final class LoopFinder {
  private static final int LABEL = 0;
  private static final int OUTCOME = 1;
  private static final int LEAP = 2;
  private static final int RETURN = 3;
  private static final int END = 4;
  private static final int HANDLER = 5;

  private static final int ENTRY = 0;
  private static final int OUTSIDE = -1;

  private final Map<Label, Integer> ids = new HashMap<>();
  private final List<Label> labels = new ArrayList<>();
  private final BitSet seen = new BitSet();
  private final BitSet matters = new BitSet();
  private final Map<Integer, List<Integer>> guardedFrom = new HashMap<>();
  private final Map<Integer, List<Integer>> guardedTo = new HashMap<>();
  private int[] steps = new int[64];
  private int length;
  private boolean hasLoops;
  private boolean unusual;

  private int id(Label label) {
    return ids.computeIfAbsent(
        label,
        l -> {
          labels.add(l);
          return labels.size() - 1;
        });
  }

  private void step(int kind, int point, int label) {
    if (length + 3 > steps.length) {
      steps = Arrays.copyOf(steps, 2 * steps.length);
    }
    steps[length++] = kind;
    steps[length++] = point;
    steps[length++] = label;
  }

  private int target(Label label) {
    int id = id(label);
    matters.set(id);
    hasLoops |= seen.get(id);
    return id;
  }

  void guard(Label start, Label end, Label handler) {
    int caught = target(handler);
    guardedFrom.computeIfAbsent(target(start), l -> new ArrayList<>()).add(caught);
    guardedTo.computeIfAbsent(target(end), l -> new ArrayList<>()).add(caught);
  }

  void label(Label label) {
    int id = id(label);
    seen.set(id);
    step(LABEL, 0, id);
  }

  void handler(int point) {
    step(HANDLER, point, 0);
  }

  void outcome(int point, Label target) {
    step(OUTCOME, point, target(target));
  }

  /** The outcome of a conditional jump that does not jump. */
  void next(int point) {
    step(OUTCOME, point, OUTSIDE);
  }

  void leap(Label target) {
    step(LEAP, 0, target(target));
  }

  void returns() {
    step(RETURN, 0, 0);
  }

  /** Control does not go on from here to the next instruction. */
  void end() {
    step(END, 0, 0);
  }

  /** The method has subroutines of its own, whose flow of control is not followed. */
  void unusual() {
    unusual = true;
  }

  /**
   * The loops, in the order of their heads.
   *
   * @param points gives three numbers of points, and says the first
   */
  List<Loop> find(IntSupplier points) {
    return hasLoops && !unusual ? new Graph().loops(points) : new ArrayList<>();
  }

  /** An edge of the graph. */
  private static final class Step {
    final int from;
    final int to;
    final Loop.Edge edge;

    Step(int from, int to, Loop.Edge edge) {
      this.from = from;
      this.to = to;
      this.edge = edge;
    }
  }

  /** The flow of control between the labels that matter. */
  private final class Graph {
    private final List<Step> edges = new ArrayList<>();
    private final List<int[]> thrown = new ArrayList<>();
    private final Map<Integer, Integer> nodeOfLabel = new HashMap<>();
    private final Map<Integer, Integer> labelOfNode = new HashMap<>();
    private final Map<Integer, Integer> pointOfHandler = new HashMap<>();
    private final Set<Integer> guards = new TreeSet<>();
    private int nodes = 1;
    private int at = ENTRY;
    private int leaps;

    Graph() {
      for (int i = 0; i < length; i += 3) {
        take(steps[i], steps[i + 1], steps[i + 2]);
      }
    }

    private int node(int label) {
      return nodeOfLabel.computeIfAbsent(
          label,
          l -> {
            labelOfNode.put(nodes, l);
            return nodes++;
          });
    }

    private void begin(int node) {
      at = node;
      for (int handler : guards) {
        thrown.add(new int[] {node, node(handler)});
      }
    }

    private void take(int kind, int point, int label) {
      switch (kind) {
        case LABEL:
          if (matters.get(label)) {
            arrive(label);
          }
          break;
        case HANDLER:
          pointOfHandler.put(at, point);
          break;
        case OUTCOME:
          int to = label == OUTSIDE ? nodes++ : node(label);
          step(to, point, Loop.Edge.ELSEWHERE, null);
          if (label == OUTSIDE) {
            begin(to);
          }
          break;
        case LEAP:
        case RETURN:
          int target = kind == LEAP ? node(label) : OUTSIDE;
          step(target, Loop.Edge.ELSEWHERE, leaps++, null);
          at = OUTSIDE;
          break;
        default:
          at = OUTSIDE;
      }
    }

    private void step(int to, int outcome, int leap, Label label) {
      edges.add(new Step(at, to, new Loop.Edge(outcome, leap, label)));
    }

    private void arrive(int label) {
      guards.removeAll(guardedTo.getOrDefault(label, new ArrayList<>()));
      guards.addAll(guardedFrom.getOrDefault(label, new ArrayList<>()));
      int node = node(label);
      if (at != OUTSIDE) {
        step(node, Loop.Edge.ELSEWHERE, Loop.Edge.ELSEWHERE, labels.get(label));
      }
      begin(node);
    }

    List<Loop> loops(IntSupplier points) {
      Map<Integer, BitSet> bodies = new TreeMap<>();
      Map<Integer, BitSet> sources = retreating();
      List<List<Integer>> before = before();
      sources.forEach(
          (head, from) -> {
            BitSet body = body(head, from, before);
            if (!body.get(ENTRY) && !isHandler(head)) {
              bodies.put(position(head), body);
            }
          });
      List<Loop> loops = new ArrayList<>();
      List<BitSet> earlier = new ArrayList<>();
      bodies.forEach(
          (position, body) -> {
            int slot = freeSlot(body, earlier, loops);
            loops.add(loop(steps[position + 2], body, points, slot));
            earlier.add(body);
          });
      return loops;
    }

    private int freeSlot(BitSet body, List<BitSet> earlier, List<Loop> loops) {
      BitSet taken = new BitSet();
      for (int i = 0; i < loops.size(); i++) {
        if (earlier.get(i).intersects(body)) {
          taken.set(loops.get(i).slot);
        }
      }
      return taken.nextClearBit(0);
    }

    /** Who comes there by an exception enters or goes on: nobody knows which. */
    private boolean isHandler(int head) {
      return thrown.stream().anyMatch(edge -> edge[1] == head);
    }

    private int position(int head) {
      int label = labelOfNode.get(head);
      for (int i = 0; ; i += 3) {
        if (steps[i] == LABEL && steps[i + 2] == label) {
          return i;
        }
      }
    }

    private Loop loop(int label, BitSet body, IntSupplier points, int slot) {
      int head = node(label);
      int thrownFrom = points.getAsInt();
      List<Loop.Edge> entries = new ArrayList<>();
      List<Loop.Edge> backs = new ArrayList<>();
      List<Loop.Exit> exits = new ArrayList<>();
      for (Step edge : edges) {
        if (edge.from == OUTSIDE || !body.get(edge.from)) {
          if (edge.from != OUTSIDE && edge.to == head) {
            entries.add(edge.edge);
          }
        } else if (edge.to == head) {
          backs.add(edge.edge);
        } else if (edge.to == OUTSIDE || !body.get(edge.to)) {
          exits.add(new Loop.Exit(edge.edge, points.getAsInt()));
        }
      }
      Set<Integer> handlers = new HashSet<>();
      for (int[] edge : thrown) {
        if (body.get(edge[0]) && !body.get(edge[1]) && pointOfHandler.containsKey(edge[1])) {
          handlers.add(pointOfHandler.get(edge[1]));
        }
      }
      int[] code = hull(body);
      return new Loop(
          labels.get(label),
          labels.get(steps[code[0] + 2]),
          code[1] < length ? labels.get(steps[code[1] + 2]) : null,
          entries,
          backs,
          exits,
          thrownFrom,
          handlers,
          slot);
    }

    /**
     * Of the steps those of the first label with code of it, and of the next one after its code.
     */
    private int[] hull(BitSet body) {
      int first = length;
      int after = length;
      for (int i = 0; i < length; i += 3) {
        boolean isNode = steps[i] == LABEL && matters.get(steps[i + 2]);
        if (isNode && body.get(node(steps[i + 2]))) {
          first = Math.min(first, i);
          after = length;
        } else if (isNode && first < length) {
          after = Math.min(after, i);
        }
      }
      return new int[] {first, after};
    }

    private List<List<Integer>> before() {
      List<List<Integer>> before = new ArrayList<>();
      for (int i = 0; i < nodes; i++) {
        before.add(new ArrayList<>());
      }
      for (Step edge : edges) {
        if (edge.to != OUTSIDE && edge.from != OUTSIDE) {
          before.get(edge.to).add(edge.from);
        }
      }
      for (int[] edge : thrown) {
        before.get(edge[1]).add(edge[0]);
      }
      return before;
    }

    /** All from which control can come to these nodes without passing the head. */
    private BitSet body(int head, BitSet from, List<List<Integer>> before) {
      BitSet body = new BitSet(nodes);
      body.set(head);
      Deque<Integer> waiting = new ArrayDeque<>();
      from.stream().forEach(waiting::add);
      while (!waiting.isEmpty()) {
        int node = waiting.pop();
        if (!body.get(node)) {
          body.set(node);
          waiting.addAll(before.get(node));
        }
      }
      return body;
    }

    /**
     * The edges that lead back to a node on the way to them, by depth-first search: for each such
     * node where they begin. Only those that are jumps or go on by themselves; an exception is
     * none.
     */
    private Map<Integer, BitSet> retreating() {
      List<List<int[]>> after = new ArrayList<>();
      for (int i = 0; i < nodes; i++) {
        after.add(new ArrayList<>());
      }
      for (Step edge : edges) {
        if (edge.to != OUTSIDE && edge.from != OUTSIDE) {
          after.get(edge.from).add(new int[] {edge.to, 1});
        }
      }
      for (int[] edge : thrown) {
        after.get(edge[0]).add(new int[] {edge[1], 0});
      }
      Map<Integer, BitSet> found = new HashMap<>();
      BitSet entered = new BitSet(nodes);
      BitSet onWay = new BitSet(nodes);
      int[] next = new int[nodes];
      Deque<Integer> way = new ArrayDeque<>();
      way.push(ENTRY);
      entered.set(ENTRY);
      onWay.set(ENTRY);
      while (!way.isEmpty()) {
        int node = way.peek();
        if (next[node] == after.get(node).size()) {
          onWay.clear(way.pop());
          continue;
        }
        int[] edge = after.get(node).get(next[node]++);
        if (!entered.get(edge[0])) {
          entered.set(edge[0]);
          onWay.set(edge[0]);
          way.push(edge[0]);
        } else if (onWay.get(edge[0]) && edge[1] == 1) {
          found.computeIfAbsent(edge[0], n -> new BitSet()).set(node);
        }
      }
      return found;
    }
  }
}
