package atalaya.agent;

import atalaya.points.AgentOptions.Detail;
import atalaya.points.PointVisitor;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.MethodTooLargeException;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** Plants points into a class file. No member is added, so that reflection sees no difference. */
final class Planter {

  /**
   * Class files of Java 7 and newer are raised to the version of Java 11, the first to have such
   * constants: both are verified by their stack map frames, which older ones need not have.
   */
  private static final int OLDEST_TO_RAISE = Opcodes.V1_7;

  private static final boolean JVM_HAS_CONSTANTS =
      !System.getProperty("java.specification.version", "1.8").matches("1\\..*|9|10");

  private Planter() {}

  /** Names what a planted class depends on besides the class and Atalaya. */
  static String kind(Detail detail) {
    return detail.name().toLowerCase(Locale.ROOT) + (JVM_HAS_CONSTANTS ? "" : "-8");
  }

  /** Whether this class can have its marks as a constant. */
  static boolean hasConstant(byte[] original) {
    int major = (original[6] & 0xFF) << 8 | original[7] & 0xFF;
    return JVM_HAS_CONSTANTS && major >= OLDEST_TO_RAISE;
  }

  /**
   * Plants all points of a class.
   *
   * @throws IllegalArgumentException when the class file is of a version that ASM does not know
   */
  static Planted plant(byte[] original, Detail detail) {
    PlacedReader reader = new PlacedReader(original);
    Paths paths = Paths.of(reader, detail == Detail.HITS);
    boolean asConstant = hasConstant(original);
    int points = paths.points();
    int range = Planted.freeRange(reader, PlantedClass.marks(points) + 1);
    int index = Planted.indexIn(range, points);
    Marks marks = new Marks(index, range, asConstant, detail == Detail.HITS);
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
              boolean isOlder = (version & 0xFFFF) < Opcodes.V11;
              int raised = asConstant && isOlder ? Opcodes.V11 : version;
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
              if (leaveAlone.contains(method) || isOfCompiler(access, name)) {
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
        return new Planted(writer.toByteArray(), range, PlantedClass.of(paths), leaveAlone);
      } catch (MethodTooLargeException e) {
        if (!leaveAlone.add(e.getMethodName() + e.getDescriptor())) {
          throw e;
        }
      }
    }
  }

  /** Whether nobody wrote the method, as with accessors and bridges; it counts for nothing. */
  private static boolean isOfCompiler(int access, String name) {
    return (access & Opcodes.ACC_SYNTHETIC) != 0 && !name.startsWith("lambda$");
  }
}
