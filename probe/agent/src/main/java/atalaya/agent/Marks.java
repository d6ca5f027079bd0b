package atalaya.agent;

import java.util.List;
import org.objectweb.asm.ConstantDynamic;
import org.objectweb.asm.Handle;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** Code that gets at the marks of a class: as a constant of the class, or in a local. */
final class Marks {
  private static final String TYPE = "[Z";
  private static final String REACH = "atalaya/boot/Reach";

  private static final Handle FETCH =
      new Handle(
          Opcodes.H_INVOKESTATIC,
          REACH,
          "marks",
          "(Ljava/lang/invoke/MethodHandles$Lookup;Ljava/lang/String;Ljava/lang/Class;I)" + TYPE,
          false);

  private final int index;
  private final boolean constant;

  /**
   * The marks of a class.
   *
   * @param index where they stand in {@code Reach.table}
   * @param constant whether the class can have them as a constant
   */
  Marks(int index, boolean constant) {
    this.index = index;
    this.constant = constant;
  }

  /** How many locals of our own they need. */
  int locals() {
    return constant ? 0 : 1;
  }

  /** The types of those locals, for a stack map frame. */
  void addTypes(List<Object> types) {
    if (!constant) {
      types.add(TYPE);
    }
  }

  /** At the method's entry. */
  void fetch(MethodVisitor to, int local) {
    if (!constant) {
      to.visitFieldInsn(Opcodes.GETSTATIC, REACH, "table", "[" + TYPE);
      push(to, index);
      to.visitInsn(Opcodes.AALOAD);
      to.visitVarInsn(Opcodes.ASTORE, local);
    }
  }

  /** Puts them on the stack. */
  void load(MethodVisitor to, int local) {
    if (constant) {
      to.visitLdcInsn(new ConstantDynamic("marks", TYPE, FETCH, index));
    } else {
      to.visitVarInsn(Opcodes.ALOAD, local);
    }
  }

  /** Sets one; they and its number are on the stack. */
  void set(MethodVisitor to) {
    to.visitInsn(Opcodes.ICONST_1);
    to.visitInsn(Opcodes.BASTORE);
  }

  /**
   * Sets the one whose number is on the stack, where that is rare: while a constant was never
   * needed, the JVM does not compile methods that have it in a handler.
   */
  void setByNumber(MethodVisitor to) {
    push(to, index);
    to.visitMethodInsn(Opcodes.INVOKESTATIC, REACH, "mark", "(II)V", false);
  }

  /** Puts a number on the stack, from 0. */
  static void push(MethodVisitor to, int value) {
    if (value <= 5) {
      to.visitInsn(Opcodes.ICONST_0 + value);
    } else if (value <= Byte.MAX_VALUE) {
      to.visitIntInsn(Opcodes.BIPUSH, value);
    } else if (value <= Short.MAX_VALUE) {
      to.visitIntInsn(Opcodes.SIPUSH, value);
    } else {
      to.visitLdcInsn(value);
    }
  }
}
