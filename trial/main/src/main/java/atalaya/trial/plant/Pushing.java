package atalaya.trial.plant;

import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;

/** Puts values on the stack and takes them away. */
final class Pushing {
  private Pushing() {}

  static void constant(MethodVisitor to, Object value) {
    if (value instanceof Integer number) {
      integer(to, number);
    } else {
      to.visitLdcInsn(value);
    }
  }

  static void integer(MethodVisitor to, int value) {
    if (value >= -1 && value <= 5) {
      to.visitInsn(Opcodes.ICONST_0 + value);
    } else if (value == (byte) value) {
      to.visitIntInsn(Opcodes.BIPUSH, value);
    } else if (value == (short) value) {
      to.visitIntInsn(Opcodes.SIPUSH, value);
    } else {
      to.visitLdcInsn(value);
    }
  }

  static void pop(MethodVisitor to, Type type) {
    to.visitInsn(type.getSize() == 2 ? Opcodes.POP2 : Opcodes.POP);
  }

  /** Zero, false or null of a type; nothing for no value. */
  static void nothing(MethodVisitor to, Type type) {
    switch (type.getSort()) {
      case Type.VOID -> to.visitInsn(Opcodes.NOP);
      case Type.LONG -> to.visitInsn(Opcodes.LCONST_0);
      case Type.FLOAT -> to.visitInsn(Opcodes.FCONST_0);
      case Type.DOUBLE -> to.visitInsn(Opcodes.DCONST_0);
      case Type.ARRAY, Type.OBJECT -> to.visitInsn(Opcodes.ACONST_NULL);
      default -> to.visitInsn(Opcodes.ICONST_0);
    }
  }
}
