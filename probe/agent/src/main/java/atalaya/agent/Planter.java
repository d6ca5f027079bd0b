package atalaya.agent;

import atalaya.points.AgentOptions.Detail;
import atalaya.points.PointVisitor;
import java.util.HashSet;
import java.util.Set;
import java.util.function.IntUnaryOperator;
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

    /** Its points, and which of them imply which. */
    final Paths paths;

    /** Methods that would have grown too large, left as they were; name and descriptor. */
    final Set<String> leftAlone;

    Planted(byte[] bytes, Paths paths, Set<String> leftAlone) {
      this.bytes = bytes;
      this.paths = paths;
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
   * @param room gives room for so many marks, and says where it begins
   * @throws IllegalArgumentException when the class file is of a version that ASM does not know
   */
  static Planted plant(byte[] original, int index, Detail detail, IntUnaryOperator room) {
    PlacedReader reader = new PlacedReader(original);
    Paths paths = Paths.of(reader, detail == Detail.HITS);
    int major = reader.readUnsignedShort(6);
    boolean asConstant = JVM_HAS_CONSTANTS && major >= OLDEST_TO_RAISE;
    int base = room.applyAsInt(PlantedClass.marks(paths.points()));
    Marks marks = new Marks(index, base, asConstant, detail == Detail.HITS);
    Set<String> leaveAlone = new HashSet<>();
    while (true) {
      ClassWriter writer = new ClassWriter(reader, ClassWriter.COMPUTE_MAXS);
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
              MethodFlow flow = paths.flow(method);
              if (!flow.hasCode()) {
                return to;
              }
              if (leaveAlone.contains(method)) {
                return new UnplantedMethod(to, counter);
              }
              return detail == Detail.METHODS
                  ? new EnteredMethod(to, counter, marks, flow.firstLine())
                  : new PlantedMethod(
                      to, counter, reader.getClassName(), access, name, marks, paths, flow);
            }
          },
          ClassReader.EXPAND_FRAMES);
      try {
        return new Planted(writer.toByteArray(), paths, leaveAlone);
      } catch (MethodTooLargeException e) {
        if (!leaveAlone.add(e.getMethodName() + e.getDescriptor())) {
          throw e;
        }
      }
    }
  }
}
