package atalaya.points;

import java.util.HashMap;
import java.util.Map;
import org.objectweb.asm.Label;
import org.objectweb.asm.Opcodes;

/**
 * Where control enters the code of a line in the middle of an entry of the line table. Compilers
 * make one entry of what follows each other on a line, though its first part may be passed by: the
 * jump at the end of a block and the {@code else if} behind its brace, the last condition of
 * several and the statement behind it, one {@code case} and the next.
 *
 * <p>It is told of a method's code in its order. A jump from another line to where a statement may
 * begin is such a place; where a value is on the stack already, none does.
 */
final class Reentries {
  private static final int NONE = -1;
  private static final int SEVERAL = -2;

  private final Map<Label, Integer> jumpsFrom = new HashMap<>();
  private int line = NONE;
  private int last = NONE;
  private int lastButOne = NONE;
  private boolean mayBegin;
  private boolean isPending;

  /** Whether a constant has come that may be all there is of the value of a condition. */
  private boolean isHeld;

  void line(int line) {
    this.line = line;
    isPending = false;
    isHeld = false;
  }

  void jump(Label target) {
    jumpsFrom.merge(target, line, (one, other) -> one.equals(other) ? one : (Integer) SEVERAL);
  }

  void label(Label label) {
    Integer from = jumpsFrom.get(label);
    if (from != null) {
      isPending = !isHeld && isPending || line != NONE && from != line && mayBegin;
      isHeld = false;
    }
  }

  /** An instruction comes: whether control may have entered the line in front of it. */
  boolean isBefore(int opcode) {
    if (!isPending) {
      return false;
    }
    if (!isHeld && isTruth(opcode)) {
      isHeld = true;
      return false;
    }
    isPending = false;
    isHeld = false;
    return opcode != Opcodes.GOTO;
  }

  int line() {
    return line;
  }

  /**
   * An instruction came.
   *
   * @param leavesNothing whether it is a call without a value that is not part of making an object
   */
  void passed(int opcode, boolean leavesNothing) {
    lastButOne = last;
    last = opcode;
    mayBegin = leavesNothing || endsStatement();
  }

  private boolean endsStatement() {
    switch (last) {
      case Opcodes.GOTO:
      case Opcodes.IRETURN:
        return !isTruth(lastButOne);
      case Opcodes.POP:
      case Opcodes.POP2:
      case Opcodes.ATHROW:
      case Opcodes.TABLESWITCH:
      case Opcodes.LOOKUPSWITCH:
        return true;
      default:
        return last > Opcodes.IRETURN && last <= Opcodes.RETURN || isConditional();
    }
  }

  private boolean isConditional() {
    return last >= Opcodes.IFEQ && last <= Opcodes.IF_ACMPNE
        || last == Opcodes.IFNULL
        || last == Opcodes.IFNONNULL;
  }

  private static boolean isTruth(int opcode) {
    return opcode == Opcodes.ICONST_0 || opcode == Opcodes.ICONST_1;
  }
}
