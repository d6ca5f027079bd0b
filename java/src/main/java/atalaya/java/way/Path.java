package atalaya.java.way;

import java.util.List;
import java.util.Map;

/**
 * A path through the code of a method, from its first instruction to an exit.
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
}
