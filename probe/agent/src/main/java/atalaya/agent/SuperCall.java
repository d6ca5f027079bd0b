package atalaya.agent;

import org.objectweb.asm.Opcodes;

/**
 * Finds a constructor's call of {@code this(...)} or {@code super(...)}: the first call of a
 * constructor that no NEW before it belongs to. Before it, an exception handler may not cover the
 * code. Code that was made by a program may have several, each on a way of its own.
 */
final class SuperCall {
  private int created;
  private final boolean isConstructor;
  private boolean past;
  private boolean repeated;

  SuperCall(String method) {
    isConstructor = method.equals("<init>");
    past = !isConstructor;
  }

  /** Whether the object is initialised by now; always in other methods. */
  boolean isPast() {
    return past;
  }

  /** Whether there is more than one, so that code behind the first may stand before another. */
  boolean isRepeated() {
    return repeated;
  }

  /** An instruction with a type was read. */
  void type(int opcode) {
    created += opcode == Opcodes.NEW ? 1 : 0;
  }

  /** A call was read: whether it is the first one. */
  boolean isThisCall(int opcode, String name) {
    if (!isConstructor || opcode != Opcodes.INVOKESPECIAL || !name.equals("<init>")) {
      return false;
    }
    if (created > 0) {
      created--;
      return false;
    }
    repeated = past;
    past = true;
    return !repeated;
  }
}
