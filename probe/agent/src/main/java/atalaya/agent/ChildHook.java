package atalaya.agent;

import atalaya.points.PointVisitor;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** Has {@code atalaya.boot.Children} look at each process before it is started. */
final class ChildHook extends MethodVisitor {
  static final String STARTER = "java/lang/ProcessImpl";

  private static final String TAKES = "([Ljava/lang/String;Ljava/util/Map;";

  ChildHook(MethodVisitor to) {
    super(PointVisitor.ASM, to);
  }

  static boolean isAt(String type, String name, String descriptor) {
    return type.equals(STARTER) && name.equals("start") && descriptor.startsWith(TAKES);
  }

  /** The method is static: its first parameters are the command and the environment. */
  @Override
  public void visitCode() {
    super.visitCode();
    look("command", "[Ljava/lang/String;");
    look("environment", "Ljava/util/Map;");
    mv.visitVarInsn(Opcodes.ASTORE, 1);
    mv.visitVarInsn(Opcodes.ASTORE, 0);
  }

  private void look(String method, String gives) {
    mv.visitVarInsn(Opcodes.ALOAD, 0);
    mv.visitVarInsn(Opcodes.ALOAD, 1);
    mv.visitMethodInsn(
        Opcodes.INVOKESTATIC, "atalaya/boot/Children", method, TAKES + ")" + gives, false);
  }
}
