package atalaya.ways.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.Term;
import atalaya.core.term.Values;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.MethodCode.Edge;
import atalaya.ways.code.Path;
import atalaya.ways.code.PathSearch;
import atalaya.ways.course.Forward;
import atalaya.ways.course.NotFollowed;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Queue;
import java.util.function.Function;

/**
 * What a called method with loops, or with very many ways, gives case by case, as far as its
 * arguments leave several: where control can go on in more than one way each is followed, those
 * with fewest such places first (symbolic execution; King 1976).
 */
final class Exploration {
  private static final int MOST_CASES = 12;
  private static final int MOST_FOLLOWED = 16;

  /** A loop is gone through so often where the way itself does not say how often. */
  private static final int TURNS = 2;

  private static final int MOST_INSTRUCTIONS = 600;

  private final MethodCode code;
  private final Queue<List<Edge>> waiting = new ArrayDeque<>(List.of(List.<Edge>of()));
  private final List<Term.Case> cases = new ArrayList<>();
  private int followed;
  private int size;
  private boolean isComplete = true;

  private Exploration(MethodCode code) {
    this.code = code;
  }

  /**
   * The cases that were found, of which there may be more.
   *
   * @return none where in all that were found something is thrown, and there may be others
   */
  static List<Term.Case> cases(Walker walker, MethodCode code, List<Term> arguments) {
    Exploration exploration = new Exploration(code);
    for (int i = 0; i < MOST_FOLLOWED && !exploration.isFull(); i++) {
      exploration.follow(walker, arguments);
    }
    boolean isAll = exploration.isComplete && exploration.waiting.isEmpty();
    boolean returns = exploration.cases.stream().anyMatch(one -> one.thrown().isEmpty());
    return isAll || returns ? exploration.cases : List.of();
  }

  private boolean isFull() {
    return waiting.isEmpty() || cases.size() == MOST_CASES || followed > MOST_INSTRUCTIONS;
  }

  private void follow(Walker walker, List<Term> arguments) {
    One one = new One(waiting.remove());
    State during = walker.state.fork();
    try {
      Walker.End end = walker.apart(during, one, arguments);
      if (Values.canBe(during.constraints)) {
        add(end.inCase(during.constraints));
      }
    } catch (NotFollowed e) {
      isComplete &= one.isImpossible;
    }
  }

  /** What would make too large a term of them all is left out, and no other is looked for. */
  private void add(Term.Case one) {
    size += one.size();
    if (size < Term.LARGEST) {
      cases.add(one);
    } else {
      isComplete = false;
      waiting.clear();
    }
  }

  /** Goes one of the ways; where others part from it is noted. */
  private final class One extends Forward {
    private final List<Edge> decided;
    private final List<Edge> chosen = new ArrayList<>();
    private boolean isImpossible;

    /** The last turn of which it was said that it has to be gone. */
    private int said = -1;

    One(List<Edge> decided) {
      super(Exploration.this.code);
      this.decided = decided;
    }

    @Override
    public Optional<Path.Move> next(Edge taken) throws NotFollowed {
      followed++;
      return super.next(taken);
    }

    @Override
    public Edge chosen(
        List<Edge> edges, Function<Edge, List<Constraint>> needed, List<Constraint> soFar)
        throws NotFollowed {
      List<Edge> possible = possible(edges, needed, soFar);
      if (possible.isEmpty()) {
        isImpossible = true;
        throw new NotFollowed("nothing can be", null);
      }
      if (possible.size() == 1) {
        boolean goesOn = code.loops().get(possible.get(0).to());
        said = goesOn && PathSearch.steersLoop(code, edges.get(0).from()) ? turn() : said;
        return possible.get(0);
      }
      int known = chosen.size();
      if (known < decided.size()) {
        chosen.add(decided.get(known));
        return decided.get(known);
      }
      Edge edge = outwards(possible);
      boolean isEnough = turn() >= TURNS && said < turn() && code.loops().get(edge.from());
      isComplete &= !isEnough;
      for (Edge other : possible) {
        if (other != edge && !isEnough) {
          List<Edge> begun = new ArrayList<>(chosen);
          begun.add(other);
          waiting.add(begun);
        }
      }
      chosen.add(edge);
      return edge;
    }

    /** Out of a loop, where that can be. */
    private Edge outwards(List<Edge> possible) {
      return possible.stream()
          .filter(edge -> !code.loops().get(edge.to()))
          .findFirst()
          .orElse(possible.get(0));
    }
  }
}
