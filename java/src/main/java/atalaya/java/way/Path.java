package atalaya.java.way;

import java.util.BitSet;
import java.util.List;
import java.util.Map;

/**
 * A path through the code of a method, from its first instruction to an exit; or only how it
 * begins.
 *
 * @param lambdas the paths through lambdas, by the instruction that makes them
 */
record Path(MethodCode code, List<Move> moves, Map<Integer, Path> lambdas) {
  /**
   * An instruction and where control goes from there.
   *
   * @param edge null at the exit
   * @param turn how often the path went back to the begin of a loop before
   */
  record Move(int at, MethodCode.Edge edge, int turn) {
    /** The edge at this turn. */
    Taken taken() {
      return new Taken(edge, turn);
    }
  }

  /** An edge that is taken after so many turns of loops; after any number when that is -1. */
  record Taken(MethodCode.Edge edge, int turn) {
    static final int ANY = -1;

    /** The same after any number of turns. */
    Taken always() {
      return new Taken(edge, ANY);
    }
  }

  Path {
    moves = List.copyOf(moves);
    lambdas = Map.copyOf(lambdas);
  }

  /** Its first moves. */
  Path begin(int moves) {
    return new Path(code, this.moves.subList(0, moves), lambdas);
  }

  /** Whether it ends by a return, and not by an exception. */
  boolean isReturning() {
    int opcode = code.at(moves.get(moves.size() - 1).at()).getOpcode();
    return MethodCode.isReturn(opcode);
  }

  /** The points that it passes, in lambdas too. */
  BitSet passed() {
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
