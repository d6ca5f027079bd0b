package atalaya.agent;

import org.objectweb.asm.Opcodes;

/** What instructions may do besides their work. */
final class Instructions {
  private Instructions() {}

  /** Whether other code of the program may run, or the thread wait, before the next one. */
  static boolean mayCall(int opcode) {
    return opcode >= Opcodes.INVOKEVIRTUAL && opcode <= Opcodes.NEW
        || opcode == Opcodes.GETSTATIC
        || opcode == Opcodes.PUTSTATIC
        || opcode == Opcodes.MONITORENTER;
  }

  /** Whether it may throw an exception. */
  static boolean mayThrow(int opcode) {
    return opcode >= Opcodes.IALOAD && opcode <= Opcodes.SALOAD
        || opcode >= Opcodes.IASTORE && opcode <= Opcodes.SASTORE
        || opcode == Opcodes.IDIV
        || opcode == Opcodes.LDIV
        || opcode == Opcodes.IREM
        || opcode == Opcodes.LREM
        || opcode == Opcodes.LDC
        || opcode >= Opcodes.GETSTATIC && opcode <= Opcodes.MONITOREXIT
        || opcode == Opcodes.MULTIANEWARRAY;
  }
}
