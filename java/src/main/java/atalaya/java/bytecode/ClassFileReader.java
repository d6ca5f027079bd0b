package atalaya.java.bytecode;

import atalaya.core.code.Flow;
import atalaya.points.PointVisitor;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.FieldVisitor;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** Reads class files. */
public final class ClassFileReader {
  private ClassFileReader() {}

  /**
   * Reads one class file.
   *
   * @param isOurs whether calls of the class with this binary name are wanted
   * @throws UnreadableClass when it is damaged, or of a version that the bytecode library does not
   *     know
   */
  public static ClassFile read(byte[] bytes, Predicate<String> isOurs) {
    try {
      ClassReader reader = new ClassReader(bytes);
      Visitor visitor = new Visitor();
      reader.accept(visitor, ClassReader.SKIP_FRAMES);
      FlowReader flow = new FlowReader(isOurs);
      reader.accept(flow, ClassReader.SKIP_FRAMES);
      return visitor.classFile(flow.flow());
    } catch (IllegalArgumentException e) {
      throw new UnreadableClass(String.valueOf(e.getMessage()), e);
    } catch (RuntimeException e) {
      throw new UnreadableClass("the class file is damaged", e);
    }
  }

  /** A class file that can't be read. */
  public static final class UnreadableClass extends RuntimeException {
    private static final long serialVersionUID = 1;

    UnreadableClass(String message, Throwable cause) {
      super(message, cause);
    }
  }

  private static final class Visitor extends ClassVisitor {
    private final PointVisitor.Counter counter = new PointVisitor.Counter();
    private final List<CodeMethod> methods = new ArrayList<>();
    private final Map<String, Map<Integer, String>> enumMaps = new HashMap<>();
    private String internalName;
    private String sourceFile = "";
    private boolean synthetic;
    private boolean isEnum;
    private boolean isRecord;
    private boolean isInner;

    Visitor() {
      super(PointVisitor.ASM);
    }

    ClassFile classFile(Flow flow) {
      return new ClassFile(
          internalName.replace('/', '.'),
          sourceFile,
          synthetic,
          isEnum,
          isRecord,
          isInner,
          methods,
          flow,
          enumMaps);
    }

    @Override
    public void visit(
        int version,
        int access,
        String name,
        String signature,
        String superName,
        String[] interfaces) {
      internalName = name;
      synthetic = (access & Opcodes.ACC_SYNTHETIC) != 0;
      isEnum = (access & Opcodes.ACC_ENUM) != 0;
      isRecord = "java/lang/Record".equals(superName);
    }

    @Override
    public void visitSource(String source, String debug) {
      sourceFile = source == null ? "" : source;
    }

    @Override
    public void visitInnerClass(String name, String outer, String innerName, int access) {
      if (name.equals(internalName) && outer != null) {
        isInner = (access & (Opcodes.ACC_STATIC | Opcodes.ACC_INTERFACE)) == 0;
      }
    }

    @Override
    public FieldVisitor visitField(
        int access, String name, String descriptor, String signature, Object value) {
      if ((access & Opcodes.ACC_ENUM) != 0) {
        Map<Integer, String> constants =
            enumMaps.computeIfAbsent(MethodReader.ordinals(internalName), e -> new HashMap<>());
        constants.put(constants.size(), name);
      }
      return null;
    }

    @Override
    public MethodVisitor visitMethod(
        int access, String name, String descriptor, String signature, String[] thrown) {
      boolean methodSynthetic = (access & (Opcodes.ACC_SYNTHETIC | Opcodes.ACC_BRIDGE)) != 0;
      boolean isStatic = (access & Opcodes.ACC_STATIC) != 0;
      boolean hasCode = (access & (Opcodes.ACC_ABSTRACT | Opcodes.ACC_NATIVE)) == 0;
      if (!hasCode) {
        methods.add(
            new CodeMethod(name, descriptor, methodSynthetic, isStatic, false, 0, List.of()));
        return null;
      }
      return new MethodReader(counter) {
        @Override
        public void visitEnd() {
          methods.add(
              new CodeMethod(
                  name, descriptor, methodSynthetic, isStatic, true, handlers(), items()));
          enumMaps.putAll(enumMaps());
        }
      };
    }
  }
}
