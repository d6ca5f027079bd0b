package atalaya.ways.course;

import atalaya.core.term.Constraint;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.MethodCode.Edge;
import atalaya.ways.code.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** How control goes through a method, move by move. */
public interface Course {
  /** The method's code. */
  MethodCode code();

  /**
   * The next move; empty when nobody says where it goes on.
   *
   * @param taken the edge by which control left the last one; null before the first
   */
  Optional<Path.Move> next(Edge taken) throws NotFollowed;

  /**
   * The edge that is taken where control parts.
   *
   * @param edges those there are, the one that the move says first
   * @param needed what has to hold for one
   * @param soFar what has to hold already
   */
  Edge chosen(List<Edge> edges, Function<Edge, List<Constraint>> needed, List<Constraint> soFar)
      throws NotFollowed;

  /** The path through the lambda that an instruction makes. */
  default Optional<Path> lambda(int at) {
    return Optional.empty();
  }

  /** Along a path, or as near to it as can be. */
  final class Planned implements Course {
    private final Steering steering;
    private final int level;
    private Path path;
    private int at = -1;

    /**
     * A course.
     *
     * @param level how many methods stand before its own on the route
     */
    public Planned(Path path, Steering steering, int level) {
      this.path = path;
      this.steering = steering;
      this.level = level;
    }

    @Override
    public MethodCode code() {
      return path.code();
    }

    @Override
    public Optional<Path.Move> next(Edge taken) throws NotFollowed {
      List<Path.Move> moves = path.moves();
      if (taken != null && taken != moves.get(at).edge()) {
        List<Path.Move> begun = new ArrayList<>(moves.subList(0, at));
        begun.add(new Path.Move(moves.get(at).at(), taken, moves.get(at).turn()));
        path =
            steering
                .goOn(level, begun)
                .orElseThrow(() -> new NotFollowed("nothing goes on from there", null));
      }
      at++;
      return at < path.moves().size() ? Optional.of(path.moves().get(at)) : Optional.empty();
    }

    @Override
    public Edge chosen(
        List<Edge> edges, Function<Edge, List<Constraint>> needed, List<Constraint> soFar) {
      return edges.stream()
          .filter(edge -> steering.allows(soFar, needed.apply(edge)))
          .findFirst()
          .orElse(edges.get(0));
    }

    @Override
    public Optional<Path> lambda(int making) {
      return Optional.ofNullable(path.lambdas().get(making));
    }
  }
}
