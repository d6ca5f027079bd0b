package atalaya.ways.course;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Values;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.MethodCode.Edge;
import atalaya.ways.code.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** Goes on through a method as long as somebody chooses where control parts. */
public abstract class Forward implements Course {
  /** So many instructions are followed on one way, those of further calls not counted. */
  private static final int MOST_OF_WAY = 300;

  private final MethodCode code;
  private Path.Move last;
  private int followed;

  protected Forward(MethodCode code) {
    this.code = code;
  }

  @Override
  public final MethodCode code() {
    return code;
  }

  @Override
  public Optional<Path.Move> next(Edge taken) throws NotFollowed {
    if (++followed > MOST_OF_WAY) {
      throw new NotFollowed("too long", null);
    }
    int at = taken == null ? 0 : taken.to();
    int turn = last == null ? 0 : last.turn();
    turn += taken != null && code.graph().closesLoop(taken.from(), at) ? 1 : 0;
    Edge first =
        code.edges(at).stream()
            .filter(edge -> edge.thrown().isEmpty() || code.isCaught(at))
            .findFirst()
            .orElse(null);
    last = new Path.Move(at, first, turn);
    return Optional.of(last);
  }

  /** How often control came back to the begin of a loop. */
  protected final int turn() {
    return last.turn();
  }

  /** The edges that neither what is known without any input excludes, nor what holds already. */
  protected static List<Edge> possible(
      List<Edge> edges, Function<Edge, List<Constraint>> needed, List<Constraint> soFar) {
    return edges.stream().filter(edge -> isPossible(needed.apply(edge), soFar)).toList();
  }

  private static boolean isPossible(List<Constraint> needs, List<Constraint> soFar) {
    return Values.canBe(needs) && needs.stream().noneMatch(one -> isExcluded(one, soFar));
  }

  private static boolean isExcluded(Constraint one, List<Constraint> soFar) {
    return one instanceof Compared compared
        && soFar.stream()
            .anyMatch(
                known ->
                    known instanceof Compared before
                        && before.relation() == compared.relation().negated()
                        && before.left().equals(compared.left())
                        && before.right().equals(compared.right()));
  }
}
