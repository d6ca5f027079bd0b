package atalaya.agent;

import java.lang.instrument.ClassFileTransformer;
import java.lang.instrument.Instrumentation;
import java.lang.instrument.UnmodifiableClassException;
import java.security.ProtectionDomain;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** Puts calls of {@code atalaya.boot} into classes of the JDK, which may be loaded already. */
final class JdkHooks implements ClassFileTransformer {
  private static final String THREAD = "java/lang/Thread";
  private static final String DISPATCH = "dispatchUncaughtException(Ljava/lang/Throwable;)V";
  private static final String STARTER = "java/lang/ProcessImpl";
  private static final String STARTED = "([Ljava/lang/String;Ljava/util/Map;";

  private JdkHooks() {}

  static void install(Instrumentation instrumentation) {
    JdkHooks hooks = new JdkHooks();
    instrumentation.addTransformer(hooks, true);
    try {
      Class<?> starter = Class.forName(STARTER.replace('/', '.'), false, null);
      instrumentation.retransformClasses(Thread.class, starter);
    } catch (ClassNotFoundException
        | UnmodifiableClassException
        | RuntimeException
        | LinkageError e) {
      System.err.println(
          "atalaya: exceptions that end threads and programs that are started are not seen: " + e);
    } finally {
      instrumentation.removeTransformer(hooks);
    }
  }

  @Override
  public byte[] transform(
      ClassLoader loader, String name, Class<?> type, ProtectionDomain domain, byte[] original) {
    if (THREAD.equals(name)) {
      return AtEntry.in(original, at -> at.equals(DISPATCH) ? JdkHooks::uncaught : null);
    }
    return STARTER.equals(name)
        ? AtEntry.in(original, at -> at.startsWith("start" + STARTED) ? JdkHooks::start : null)
        : null;
  }

  /**
   * Which exceptions end threads is told where the JVM hands them to the thread's handler. So no
   * handler is set that the program could see.
   */
  private static void uncaught(MethodVisitor to) {
    to.visitVarInsn(Opcodes.ALOAD, 0);
    to.visitVarInsn(Opcodes.ALOAD, 1);
    call(to, "Tests", "uncaught", "(Ljava/lang/Thread;Ljava/lang/Throwable;)V");
  }

  /** The method is static: its first parameters are the command and the environment. */
  private static void start(MethodVisitor to) {
    looked(to, "command", "[Ljava/lang/String;");
    looked(to, "environment", "Ljava/util/Map;");
    to.visitVarInsn(Opcodes.ASTORE, 1);
    to.visitVarInsn(Opcodes.ASTORE, 0);
  }

  private static void looked(MethodVisitor to, String method, String gives) {
    to.visitVarInsn(Opcodes.ALOAD, 0);
    to.visitVarInsn(Opcodes.ALOAD, 1);
    call(to, "Children", method, STARTED + ")" + gives);
  }

  private static void call(MethodVisitor to, String type, String method, String descriptor) {
    to.visitMethodInsn(Opcodes.INVOKESTATIC, "atalaya/boot/" + type, method, descriptor, false);
  }
}
