package atalaya.java.way.course;

import atalaya.core.term.Constraint;
import atalaya.java.way.code.MethodCode;
import atalaya.java.way.code.MethodCode.Edge;
import java.util.List;
import java.util.function.Function;

/** Goes where control has to go by what is known, as through a loop over a known array. */
public final class Decided extends Forward {
  public Decided(MethodCode code) {
    super(code);
  }

  @Override
  public Edge chosen(
      List<Edge> edges, Function<Edge, List<Constraint>> needed, List<Constraint> soFar)
      throws NotFollowed {
    List<Edge> possible = possible(edges, needed, soFar);
    if (possible.size() != 1) {
      throw new NotFollowed("undecided", null);
    }
    return possible.get(0);
  }
}
