package atalaya.agent;

import atalaya.points.PointVisitor;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.MethodTooLargeException;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** Plants points into a class file. No member is added, so that reflection sees no difference. */
final class Planter {

  /** A class with points in it. */
  static final class Planted {
    /** The class file to load instead. */
    final byte[] bytes;

    /** How many points the class has. */
    final int points;

    /** Methods that would have grown too large, left as they were; name and descriptor. */
    final Set<String> leftAlone;

    Planted(byte[] bytes, int points, Set<String> leftAlone) {
      this.bytes = bytes;
      this.points = points;
      this.leftAlone = leftAlone;
    }
  }

  /**
   * Class files of Java 7 and newer are raised to the version of Java 11, the first to have such
   * constants: both are verified by their stack map frames, which older ones need not have.
   */
  private static final int OLDEST_TO_RAISE = Opcodes.V1_7;

  private static final boolean JVM_HAS_CONSTANTS =
      !System.getProperty("java.specification.version", "1.8").matches("1\\..*|9|10");

  private Planter() {}

  /**
   * Plants all points of a class.
   *
   * @param index where the class finds its marks in {@code Reach.table}
   * @throws IllegalArgumentException when the class file is of a version that ASM does not know
   */
  static Planted plant(byte[] original, int index) {
    ClassReader reader = new ClassReader(original);
    Map<String, Integer> locals = locals(reader);
    int major = reader.readUnsignedShort(6);
    boolean asConstant = JVM_HAS_CONSTANTS && major >= OLDEST_TO_RAISE;
    Set<String> leaveAlone = new HashSet<>();
    while (true) {
      ClassWriter writer = new ClassWriter(reader, 0);
      PointVisitor.Counter counter = new PointVisitor.Counter();
      reader.accept(
          new ClassVisitor(PointVisitor.ASM, writer) {
            @Override
            public void visit(
                int version,
                int access,
                String name,
                String signature,
                String superName,
                String[] interfaces) {
              int raised = asConstant && major < Opcodes.V11 ? Opcodes.V11 : version;
              super.visit(raised, access, name, signature, superName, interfaces);
            }

            @Override
            public MethodVisitor visitMethod(
                int access, String name, String descriptor, String signature, String[] thrown) {
              MethodVisitor to = super.visitMethod(access, name, descriptor, signature, thrown);
              String method = name + descriptor;
              Integer maxLocals = locals.get(method);
              if (maxLocals == null) {
                return to;
              }
              return leaveAlone.contains(method)
                  ? new UnplantedMethod(to, counter)
                  : new PlantedMethod(to, counter, index, asConstant, maxLocals);
            }
          },
          ClassReader.EXPAND_FRAMES);
      try {
        return new Planted(writer.toByteArray(), counter.count(), leaveAlone);
      } catch (MethodTooLargeException e) {
        if (!leaveAlone.add(e.getMethodName() + e.getDescriptor())) {
          throw e;
        }
      }
    }
  }

  /** The number of local slots of each method that has code. */
  private static Map<String, Integer> locals(ClassReader reader) {
    Map<String, Integer> locals = new HashMap<>();
    reader.accept(
        new ClassVisitor(PointVisitor.ASM) {
          @Override
          public MethodVisitor visitMethod(
              int access, String name, String descriptor, String signature, String[] thrown) {
            return new MethodVisitor(PointVisitor.ASM) {
              @Override
              public void visitMaxs(int maxStack, int maxLocals) {
                locals.put(name + descriptor, maxLocals);
              }
            };
          }
        },
        ClassReader.SKIP_DEBUG | ClassReader.SKIP_FRAMES);
    return locals;
  }
}
