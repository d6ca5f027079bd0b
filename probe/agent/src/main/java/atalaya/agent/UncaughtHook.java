package atalaya.agent;

import atalaya.points.PointVisitor;
import java.lang.instrument.ClassFileTransformer;
import java.lang.instrument.Instrumentation;
import java.lang.instrument.UnmodifiableClassException;
import java.security.ProtectionDomain;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/**
 * Lets the JVM say which exceptions end threads: a call is put where it hands them to the thread's
 * handler. So no handler is set that the program could see.
 */
final class UncaughtHook implements ClassFileTransformer {
  private static final String THREAD = "java/lang/Thread";

  private UncaughtHook() {}

  static void install(Instrumentation instrumentation) {
    UncaughtHook hook = new UncaughtHook();
    instrumentation.addTransformer(hook, true);
    try {
      instrumentation.retransformClasses(Thread.class);
    } catch (UnmodifiableClassException | RuntimeException | LinkageError e) {
      System.err.println("atalaya: uncaught exceptions are not kept: " + e);
    } finally {
      instrumentation.removeTransformer(hook);
    }
  }

  @Override
  public byte[] transform(
      ClassLoader loader, String name, Class<?> type, ProtectionDomain domain, byte[] original) {
    if (!THREAD.equals(name)) {
      return null;
    }
    ClassReader reader = new ClassReader(original);
    ClassWriter writer = new ClassWriter(reader, ClassWriter.COMPUTE_MAXS);
    reader.accept(
        new ClassVisitor(PointVisitor.ASM, writer) {
          @Override
          public MethodVisitor visitMethod(
              int access, String name, String descriptor, String signature, String[] thrown) {
            MethodVisitor to = super.visitMethod(access, name, descriptor, signature, thrown);
            boolean dispatches =
                name.equals("dispatchUncaughtException")
                    && descriptor.equals("(Ljava/lang/Throwable;)V");
            return dispatches ? new Telling(to) : to;
          }
        },
        0);
    return writer.toByteArray();
  }

  private static final class Telling extends MethodVisitor {
    Telling(MethodVisitor to) {
      super(PointVisitor.ASM, to);
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
}
