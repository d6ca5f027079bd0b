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

/** Puts calls of {@code atalaya.boot} into classes of the JDK, which may be loaded already. */
final class JdkHooks implements ClassFileTransformer {
  private JdkHooks() {}

  static void install(Instrumentation instrumentation) {
    JdkHooks hooks = new JdkHooks();
    instrumentation.addTransformer(hooks, true);
    try {
      instrumentation.retransformClasses(
          Thread.class, Class.forName(ChildHook.STARTER.replace('/', '.'), false, null));
    } catch (ClassNotFoundException
        | UnmodifiableClassException
        | RuntimeException
        | LinkageError e) {
      System.err.println("atalaya: uncaught exceptions are not kept: " + e);
    } finally {
      instrumentation.removeTransformer(hooks);
    }
  }

  @Override
  public byte[] transform(
      ClassLoader loader, String type, Class<?> redefined, ProtectionDomain domain, byte[] from) {
    if (!UncaughtHook.THREAD.equals(type) && !ChildHook.STARTER.equals(type)) {
      return null;
    }
    ClassReader reader = new ClassReader(from);
    ClassWriter writer = new ClassWriter(reader, ClassWriter.COMPUTE_MAXS);
    reader.accept(
        new ClassVisitor(PointVisitor.ASM, writer) {
          @Override
          public MethodVisitor visitMethod(
              int access, String name, String descriptor, String signature, String[] thrown) {
            MethodVisitor to = super.visitMethod(access, name, descriptor, signature, thrown);
            return UncaughtHook.isAt(type, name, descriptor)
                ? new UncaughtHook(to)
                : ChildHook.isAt(type, name, descriptor) ? new ChildHook(to) : to;
          }
        },
        0);
    return writer.toByteArray();
  }
}
