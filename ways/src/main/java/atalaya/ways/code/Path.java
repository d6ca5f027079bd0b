package atalaya.ways.code;

import java.util.BitSet;
import java.util.List;
import java.util.Map;

/**
 * A path through the code of a method, from its first instruction to an exit; or only how it
 * begins.
 *
 * @param lambdas the paths through lambdas, by the instruction that makes them
 */
public record Path(MethodCode code, List<Move> moves, Map<Integer, Path> lambdas) {
  /**
   * An instruction and where control goes from there.
   *
   * @param edge null at the exit
   * @param turn how often the path went back to the begin of a loop before
   */
  public record Move(int at, MethodCode.Edge edge, int turn) {
    /** The edge at this turn. */
    public Taken taken() {
      return new Taken(edge, turn);
    }
  }

  /** An edge that is taken after so many turns of loops; after any number when that is -1. */
  public record Taken(MethodCode.Edge edge, int turn) {
    static final int ANY = -1;

    /** The same after any number of turns. */
    public Taken always() {
      return new Taken(edge, ANY);
    }
  }

  public Path {
    moves = List.copyOf(moves);
    lambdas = Map.copyOf(lambdas);
  }

  /** Its first moves. */
  public Path begin(int moves) {
    return new Path(code, this.moves.subList(0, moves), lambdas);
  }

  /** The same, and lambdas as they are called. */
  public Path withoutLambdas() {
    return new Path(code, moves, Map.of());
  }

  /** Whether it ends by a return, and not by an exception. */
  public boolean isReturning() {
    int opcode = code.at(moves.get(moves.size() - 1).at()).getOpcode();
    return MethodCode.isReturn(opcode);
  }

  /** The points that it passes, in lambdas too. */
  public BitSet passed() {
    BitSet passed = new BitSet();
    for (Move move : moves) {
      passed.or(code.points(move.at()));
      if (move.edge() != null && move.edge().point() >= 0) {
        passed.set(move.edge().point());
      }
    }
    lambdas.values().forEach(lambda -> passed.or(lambda.passed()));
    return passed;
  }
}
