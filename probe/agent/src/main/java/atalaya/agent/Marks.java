package atalaya.agent;

import java.util.List;
import org.objectweb.asm.ConstantDynamic;
import org.objectweb.asm.Handle;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** Code that gets at the marks of a class: as a constant of the class, or in a local. */
final class Marks {
  private static final String DESCRIPTOR =
      "(Ljava/lang/invoke/MethodHandles$Lookup;Ljava/lang/String;Ljava/lang/Class;I)";

  private static final String REACH = "atalaya/boot/Reach";

  private final int index;
  private final boolean constant;
  private final int base;
  private final boolean counts;
  private final String type;

  /**
   * The marks of a class.
   *
   * @param index stands for where they are in {@code Reach.table}
   * @param base stands for where they begin in the array that is there, and the numbers after it
   *     for the marks after it; see {@link Planted}
   * @param constant whether the class can have them as a constant
   * @param counts whether they count
   */
  Marks(int index, int base, boolean constant, boolean counts) {
    this.index = index;
    this.base = base;
    this.constant = constant;
    this.counts = counts;
    this.type = counts ? "[J" : "[Z";
  }

  /** How many locals of our own they need. */
  int locals() {
    return constant ? 0 : 1;
  }

  /** The types of those locals, for a stack map frame. */
  void addTypes(List<Object> types) {
    if (!constant) {
      types.add(type);
    }
  }

  /** At the method's entry. */
  void fetch(MethodVisitor to, int local) {
    if (!constant) {
      fetch(to);
      to.visitVarInsn(Opcodes.ASTORE, local);
    }
  }

  private void fetch(MethodVisitor to) {
    to.visitFieldInsn(Opcodes.GETSTATIC, REACH, counts ? "counts" : "table", "[" + type);
    to.visitLdcInsn(index);
    to.visitInsn(Opcodes.AALOAD);
  }

  /** Sets one, without a local. */
  void setAlone(MethodVisitor to, int point) {
    if (constant) {
      load(to, 0);
    } else {
      fetch(to);
    }
    pushPoint(to, point);
    set(to);
  }

  /** Puts them on the stack. */
  void load(MethodVisitor to, int local) {
    if (constant) {
      String method = counts ? "counts" : "marks";
      Handle handle = new Handle(Opcodes.H_INVOKESTATIC, REACH, method, DESCRIPTOR + type, false);
      to.visitLdcInsn(new ConstantDynamic(method, type, handle, index));
    } else {
      to.visitVarInsn(Opcodes.ALOAD, local);
    }
  }

  /** Sets one; they and its number are on the stack. */
  void set(MethodVisitor to) {
    if (counts) {
      to.visitInsn(Opcodes.DUP2);
      to.visitInsn(Opcodes.LALOAD);
      to.visitInsn(Opcodes.LCONST_1);
      to.visitInsn(Opcodes.LADD);
      to.visitInsn(Opcodes.LASTORE);
    } else {
      to.visitInsn(Opcodes.ICONST_1);
      to.visitInsn(Opcodes.BASTORE);
    }
  }

  /**
   * Sets the one whose number is on the stack, where that is rare: while a constant was never
   * needed, the JVM does not compile methods that have it in a handler.
   */
  void setByNumber(MethodVisitor to) {
    to.visitLdcInsn(index);
    to.visitMethodInsn(Opcodes.INVOKESTATIC, REACH, counts ? "count" : "mark", "(II)V", false);
  }

  /** Puts the number of a point's mark on the stack. */
  void pushPoint(MethodVisitor to, int point) {
    to.visitLdcInsn(base + point);
  }
}
