package atalaya.core.code;

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

  /** What control comes to only through certain points. */
  public Dominance dominance() {
    return new Dominance(this);
  }
}
