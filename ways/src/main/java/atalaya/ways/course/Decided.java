package atalaya.ways.course;

import atalaya.core.term.Constraint;
import atalaya.core.term.Values;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.MethodCode.Edge;
import java.util.List;
import java.util.function.Function;

/** Goes where control has to go by what is known, as through a loop over a known array. */
public final class Decided extends Forward {
  private final Values known;

  /**
   * Through a method.
   *
   * @param known what inputs are, as far as that is known
   */
  public Decided(MethodCode code, Values known) {
    super(code);
    this.known = known;
  }

  @Override
  public Edge chosen(
      List<Edge> edges, Function<Edge, List<Constraint>> needed, List<Constraint> soFar)
      throws NotFollowed {
    List<Edge> possible =
        possible(edges, needed, soFar).stream()
            .filter(edge -> needed.apply(edge).stream().noneMatch(this::isBroken))
            .toList();
    if (possible.size() != 1) {
      throw new NotFollowed("undecided", null);
    }
    return possible.get(0);
  }

  private boolean isBroken(Constraint one) {
    return Boolean.FALSE.equals(known.holds(one));
  }
}
