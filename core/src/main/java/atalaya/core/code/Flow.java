package atalaya.core.code;

import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The control-flow graphs of one class, in one graph. Its nodes are the points of the class, the
 * entries of its methods, and places where ways meet. An exception is taken to leave from anywhere
 * within the reach of its handler; the body of a lambda comes right after the place where the
 * lambda is made.
 *
 * @param nodes how many there are
 * @param edges pairs of nodes, one after the other: from, to
 * @param nodeOfPoint the node of each point
 * @param entries the node of each method's entry, by name and descriptor; bodies of lambdas are
 *     none
 * @param calls those of classes of the project
 * @param supertypes the binary names of the class and interfaces that it extends
 * @param annotated the methods with annotations, by name and descriptor, for which a framework may
 *     look; all of them when the class has one
 * @param constants its string constants that could name a class or a method
 */
public record Flow(
    int nodes,
    int[] edges,
    int[] nodeOfPoint,
    Map<String, Integer> entries,
    List<Call> calls,
    List<String> supertypes,
    Set<String> annotated,
    Set<String> constants) {
  /** Of a class without code. */
  public static final Flow NONE =
      new Flow(0, new int[0], new int[0], Map.of(), List.of(), List.of(), Set.of(), Set.of());

  public Flow {
    entries = Map.copyOf(entries);
    calls = List.copyOf(calls);
    supertypes = List.copyOf(supertypes);
    annotated = Set.copyOf(annotated);
    constants = Set.copyOf(constants);
  }

  /** Follows its edges. */
  public Walk walk() {
    return new Walk(this);
  }

  /** The edges by the node where they begin. */
  public static final class Walk {
    private final Flow flow;
    private final int[] starts;
    private final int[] targets;

    private Walk(Flow flow) {
      this.flow = flow;
      this.starts = new int[flow.nodes + 1];
      this.targets = new int[flow.edges.length / 2];
      for (int i = 0; i < flow.edges.length; i += 2) {
        starts[flow.edges[i] + 1]++;
      }
      for (int i = 0; i < flow.nodes; i++) {
        starts[i + 1] += starts[i];
      }
      int[] next = starts.clone();
      for (int i = 0; i < flow.edges.length; i += 2) {
        targets[next[flow.edges[i]]++] = flow.edges[i + 1];
      }
    }

    /** The nodes that control can come to from any entry without passing these points. */
    public BitSet reachableWithout(BitSet points) {
      BitSet closed = new BitSet(flow.nodes);
      points.stream().forEach(point -> closed.set(flow.nodeOfPoint[point]));
      BitSet found = new BitSet(flow.nodes);
      int[] waiting = new int[flow.nodes];
      int count = 0;
      for (int entry : flow.entries.values()) {
        found.set(entry);
        waiting[count++] = entry;
      }
      while (count > 0) {
        int from = waiting[--count];
        for (int i = starts[from]; i < starts[from + 1]; i++) {
          int to = targets[i];
          if (!found.get(to) && !closed.get(to)) {
            found.set(to);
            waiting[count++] = to;
          }
        }
      }
      return found;
    }
  }
}
