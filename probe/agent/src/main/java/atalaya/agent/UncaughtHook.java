package atalaya.agent;

import atalaya.points.PointVisitor;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/**
 * Lets the JVM say which exceptions end threads: a call is put where it hands them to the thread's
 * handler. So no handler is set that the program could see.
 */
final class UncaughtHook extends MethodVisitor {
  static final String THREAD = "java/lang/Thread";

  UncaughtHook(MethodVisitor to) {
    super(PointVisitor.ASM, to);
  }

  static boolean isAt(String type, String name, String descriptor) {
    return type.equals(THREAD)
        && name.equals("dispatchUncaughtException")
        && descriptor.equals("(Ljava/lang/Throwable;)V");
  }

  @Override
  public void visitCode() {
    super.visitCode();
    mv.visitVarInsn(Opcodes.ALOAD, 0);
    mv.visitVarInsn(Opcodes.ALOAD, 1);
    mv.visitMethodInsn(
        Opcodes.INVOKESTATIC,
        "atalaya/boot/Tests",
        "uncaught",
        "(Ljava/lang/Thread;Ljava/lang/Throwable;)V",
        false);
  }
}
