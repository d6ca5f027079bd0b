package atalaya.java.bytecode;

import atalaya.points.Loop;
import java.util.BitSet;
import java.util.List;
import java.util.Map;

/** Something in the code of a method that has to do with the source. */
public sealed interface CodeItem
    permits CodeItem.LineEntry,
        CodeItem.HandlerEntry,
        CodeItem.Jump,
        CodeItem.Choice,
        CodeItem.LoopHead,
        CodeItem.LambdaMade,
        CodeOperation {
  /** What a jump looks at that the compiler put on the stack a moment before. */
  String CONSTANT = "1";

  /** The line that the line table gives it, or 0. */
  int line();

  /** An instruction by which control enters a line. */
  record LineEntry(int point, int line, First first) implements CodeItem {
    /** What that instruction is. */
    public enum First {
      /** A return without a value. */
      RETURN,

      /** An unconditional jump to code behind it. */
      LEAP,

      /** Anything else. */
      OTHER
    }
  }

  /**
   * The first instruction of an exception handler.
   *
   * @param types the simple names of what it catches, in alphabetical order; empty for anything
   */
  record HandlerEntry(int point, int line, List<String> types) implements CodeItem {}

  /**
   * A conditional jump: {@code point} when it jumps, {@code point + 1} when it does not.
   *
   * @param evidence what the jump looks at: {@code name()} of a call, the name of a field, {@code
   *     instanceof}, {@link #CONSTANT}, or empty
   * @param compilerMade whether the class file alone shows that nobody wrote it
   */
  record Jump(int point, int line, int opcode, String evidence, boolean compilerMade)
      implements CodeItem {
    Jump madeByCompiler() {
      return new Jump(point, line, opcode, evidence, true);
    }
  }

  /**
   * A switch: {@code point + i} when it chooses {@code keys[i]}, then its default.
   *
   * @param targets for each key a number that is larger the further behind its target stands
   * @param target the same for the default
   * @param enumMap what turns enum constants into keys, an array or their order, or empty
   * @param byNumber whether the keys count the labels, of a switch on strings or on types
   * @param passed the points by which control came to the code of a label, for each label that asks
   *     more than its key; by key
   * @param compilerMade whether the class file alone shows that nobody wrote it
   */
  record Choice(
      int point,
      int line,
      int[] keys,
      int[] targets,
      int target,
      String enumMap,
      boolean byNumber,
      Map<Integer, BitSet> passed,
      boolean compilerMade)
      implements CodeItem {}

  /** A loop begins its turns here. */
  record LoopHead(int line, Loop loop) implements CodeItem {}

  /**
   * A lambda is made.
   *
   * @param body name and descriptor of the method that holds its body
   */
  record LambdaMade(int line, String body) implements CodeItem {}
}
