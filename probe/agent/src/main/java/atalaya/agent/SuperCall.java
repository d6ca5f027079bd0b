package atalaya.agent;

import org.objectweb.asm.Opcodes;

/**
 * Finds a constructor's call of {@code this(...)} or {@code super(...)}: the first call of a
 * constructor that no NEW before it belongs to. Before it, an exception handler may not cover the
 * code.
 */
final class SuperCall {
  private int created;
  private boolean past;

  SuperCall(String method) {
    past = !method.equals("<init>");
  }

  /** Whether the object is initialised by now; always in other methods. */
  boolean isPast() {
    return past;
  }

  /** An instruction with a type was read. */
  void type(int opcode) {
    created += opcode == Opcodes.NEW ? 1 : 0;
  }

  /** A call was read: whether it is the one. */
  boolean isThisCall(int opcode, String name) {
    if (past || opcode != Opcodes.INVOKESPECIAL || !name.equals("<init>")) {
      return false;
    }
    past = created == 0;
    created -= past ? 0 : 1;
    return past;
  }
}
