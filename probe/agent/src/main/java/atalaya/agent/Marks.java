package atalaya.agent;

import org.objectweb.asm.ConstantDynamic;
import org.objectweb.asm.Handle;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** Code that gets at the marks of a class: as a constant of the class, or among those of many. */
final class Marks {
  private static final String DESCRIPTOR =
      "(Ljava/lang/invoke/MethodHandles$Lookup;Ljava/lang/String;Ljava/lang/Class;I)";

  private static final String REACH = "atalaya/boot/Reach";
  private static final String SHARED = "atalaya/boot/SharedMarks";
  private static final String SHARED_COUNTS = "atalaya/boot/SharedCounts";

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

  /** Sets that of a point. */
  void set(MethodVisitor to, int point) {
    load(to);
    pushPoint(to, point);
    set(to);
  }

  /** Puts them on the stack. */
  void load(MethodVisitor to) {
    if (constant) {
      String method = counts ? "counts" : "marks";
      Handle handle = new Handle(Opcodes.H_INVOKESTATIC, REACH, method, DESCRIPTOR + type, false);
      to.visitLdcInsn(new ConstantDynamic(method, type, handle, index));
    } else {
      to.visitFieldInsn(Opcodes.GETSTATIC, counts ? SHARED_COUNTS : SHARED, "ALL", type);
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
