package atalaya.java.checks;

import atalaya.points.PointVisitor;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.objectweb.asm.AnnotationVisitor;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.Handle;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** What the methods of one test class call, and which of them check something themselves. */
final class TestCode extends ClassVisitor {
  private static final Pattern CHECKING_TYPE =
      Pattern.compile("(?i).*(assert|verif|expect|truth).*");
  private static final Pattern CHECKING_CALL =
      Pattern.compile("(assert|verify|fail|expect|andExpect|should|ensure|check).*");

  /** A method of the class. */
  static final class Code {
    final Set<String> calls = new HashSet<>();
    boolean checks;
    boolean runsAfterTests;
  }

  /** By name and descriptor. */
  final Map<String, Code> methods = new HashMap<>();

  String name;
  String superName;

  TestCode() {
    super(PointVisitor.ASM);
  }

  @Override
  public void visit(
      int version, int access, String name, String signature, String superName, String[] types) {
    this.name = name;
    this.superName = superName;
  }

  @Override
  public MethodVisitor visitMethod(
      int access, String name, String descriptor, String signature, String[] thrown) {
    Code code = new Code();
    code.runsAfterTests = name.equals("tearDown");
    methods.put(name + descriptor, code);
    return new Reader(code);
  }

  private static final class Reader extends MethodVisitor {
    private final Code code;
    private boolean createsThrowable;

    Reader(Code code) {
      super(PointVisitor.ASM);
      this.code = code;
    }

    @Override
    public AnnotationVisitor visitAnnotation(String descriptor, boolean visible) {
      code.runsAfterTests |= descriptor.contains("/After");
      return new AnnotationVisitor(PointVisitor.ASM) {
        @Override
        public void visit(String name, Object value) {
          code.checks |= name.startsWith("expected");
        }

        @Override
        public AnnotationVisitor visitArray(String name) {
          code.checks |= name.startsWith("expected");
          return null;
        }
      };
    }

    @Override
    public void visitMethodInsn(
        int opcode, String owner, String name, String descriptor, boolean onInterface) {
      call(owner, name, descriptor);
    }

    private void call(String owner, String name, String descriptor) {
      code.calls.add(owner + "#" + name + descriptor);
      String type = owner.substring(owner.lastIndexOf('/') + 1);
      boolean ofJdk = owner.startsWith("java/");
      code.checks |=
          !ofJdk
              && (CHECKING_TYPE.matcher(type).matches() || CHECKING_CALL.matcher(name).matches());
    }

    @Override
    public void visitInvokeDynamicInsn(
        String name, String descriptor, Handle bootstrap, Object... arguments) {
      for (Object argument : arguments) {
        if (argument instanceof Handle handle) {
          call(handle.getOwner(), handle.getName(), handle.getDesc());
        }
      }
    }

    @Override
    public void visitFieldInsn(int opcode, String owner, String name, String descriptor) {
      code.checks |= name.equals("$assertionsDisabled");
    }

    @Override
    public void visitTypeInsn(int opcode, String type) {
      createsThrowable |=
          opcode == Opcodes.NEW && (type.endsWith("Exception") || type.endsWith("Error"));
    }

    @Override
    public void visitInsn(int opcode) {
      code.checks |= opcode == Opcodes.ATHROW && createsThrowable;
    }
  }
}
