package atalaya.agent;

import atalaya.points.PointVisitor;
import java.util.function.Function;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.MethodVisitor;

/** Puts calls at the entry of methods of classes that are not observed. */
final class AtEntry extends MethodVisitor {
  private final Call call;

  private AtEntry(MethodVisitor to, Call call) {
    super(PointVisitor.ASM, to);
    this.call = call;
  }

  /** Writes a call. */
  interface Call {
    void emit(MethodVisitor to);
  }

  /**
   * A class with calls in it.
   *
   * @param callAt what to write in a method, by its name and descriptor; null for nothing
   */
  static byte[] in(byte[] original, Function<String, Call> callAt) {
    ClassReader reader = new ClassReader(original);
    ClassWriter writer = new ClassWriter(reader, ClassWriter.COMPUTE_MAXS);
    reader.accept(
        new ClassVisitor(PointVisitor.ASM, writer) {
          @Override
          public MethodVisitor visitMethod(
              int access, String name, String descriptor, String signature, String[] thrown) {
            MethodVisitor to = super.visitMethod(access, name, descriptor, signature, thrown);
            Call call = callAt.apply(name + descriptor);
            return call == null ? to : new AtEntry(to, call);
          }
        },
        0);
    return writer.toByteArray();
  }

  @Override
  public void visitCode() {
    super.visitCode();
    call.emit(mv);
  }
}
