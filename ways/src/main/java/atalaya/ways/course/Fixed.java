package atalaya.ways.course;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.MethodCode.Edge;
import java.util.BitSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/**
 * What no test can change: a condition about nothing else comes out as it always did when it was
 * observed.
 */
public final class Fixed {
  private final Function<String, BitSet> seen;
  private final Set<String> names = new LinkedHashSet<>();

  /**
   * For a way.
   *
   * @param seen the points of a class, by binary name, that were reached
   */
  public Fixed(Function<String, BitSet> seen) {
    this.seen = seen;
  }

  /** What decided where the way can't go. */
  public Set<String> names() {
    return names;
  }

  /** What an edge needs; what can't hold where such a condition never leads there. */
  public List<Constraint> orNever(MethodCode code, Edge edge, List<Constraint> needed) {
    if (edge.point() < 0) {
      return needed;
    }
    BitSet reached = seen.apply(code.ref().type().replace('/', '.'));
    boolean wentElsewhere =
        !reached.get(edge.point())
            && code.edges(edge.from()).stream()
                .anyMatch(other -> other.point() >= 0 && reached.get(other.point()));
    if (!wentElsewhere) {
      return needed;
    }
    if (needed.stream().anyMatch(one -> one.hasInput(input -> !isFixed(input)))) {
      return needed;
    }
    Set<Term.Input> inputs = new LinkedHashSet<>();
    needed.forEach(one -> inputs.addAll(one.inputs()));
    if (inputs.isEmpty()) {
      return needed;
    }
    inputs.forEach(input -> names.add(input.name()));
    return List.of(new Compared(Term.of(1), Relation.EQUAL, Term.of(0), needed.get(0).reason()));
  }

  private static boolean isFixed(Term.Input input) {
    return input.source() == Term.Source.FIXED;
  }
}
