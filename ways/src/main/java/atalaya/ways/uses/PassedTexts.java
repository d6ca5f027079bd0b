package atalaya.ways.uses;

import atalaya.points.PointVisitor;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.Handle;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;

/**
 * The texts that a class passes to methods as it has them in its code. Of what an operand stack
 * holds only constant texts are known; where control parts, nothing is.
 */
final class PassedTexts extends MethodVisitor {
  /**
   * A text that is passed.
   *
   * @param type the internal name of the class that the call names
   * @param method its name and descriptor, one after the other
   * @param slot the local variable of the parameter
   */
  record Passed(String type, String method, int slot, String text) {}

  private final List<Passed> passed;
  private final Deque<Optional<String>> stack = new ArrayDeque<>();

  private PassedTexts(List<Passed> passed) {
    super(PointVisitor.ASM);
    this.passed = passed;
  }

  /** Those in a class file; of one that can't be read as many as were found. */
  static List<Passed> in(byte[] classFile) {
    List<Passed> passed = new ArrayList<>();
    ClassVisitor methods =
        new ClassVisitor(PointVisitor.ASM) {
          @Override
          public MethodVisitor visitMethod(
              int access, String name, String descriptor, String signature, String[] thrown) {
            return new PassedTexts(passed);
          }
        };
    try {
      new ClassReader(classFile).accept(methods, ClassReader.SKIP_DEBUG | ClassReader.SKIP_FRAMES);
    } catch (RuntimeException e) {
      return passed; // Said when the run was made.
    }
    return passed;
  }

  private void push() {
    stack.push(Optional.empty());
  }

  private Optional<String> pop() {
    return stack.isEmpty() ? Optional.empty() : stack.pop();
  }

  private void pop(int values) {
    for (int i = 0; i < values; i++) {
      pop();
    }
  }

  @Override
  public void visitLdcInsn(Object value) {
    stack.push(value instanceof String text ? Optional.of(text) : Optional.empty());
  }

  @Override
  public void visitInsn(int opcode) {
    if (opcode >= Opcodes.ACONST_NULL && opcode <= Opcodes.DCONST_1) {
      push();
    } else if (opcode == Opcodes.DUP) {
      Optional<String> top = pop();
      stack.push(top);
      stack.push(top);
    } else if (opcode == Opcodes.POP) {
      pop();
    } else if (opcode >= Opcodes.IASTORE && opcode <= Opcodes.SASTORE) {
      pop(3);
    } else if (isOfTwo(opcode)) {
      pop(2);
      push();
    } else if (opcode < Opcodes.I2L || opcode > Opcodes.I2S) {
      stack.clear();
    }
  }

  /** Whether it takes an element of an array, or computes something of two numbers. */
  private static boolean isOfTwo(int opcode) {
    boolean isElement = opcode >= Opcodes.IALOAD && opcode <= Opcodes.SALOAD;
    boolean isNegation = opcode >= Opcodes.INEG && opcode <= Opcodes.DNEG;
    return isElement || opcode >= Opcodes.IADD && opcode <= Opcodes.LXOR && !isNegation;
  }

  @Override
  public void visitIntInsn(int opcode, int operand) {
    pop(opcode == Opcodes.NEWARRAY ? 1 : 0);
    push();
  }

  @Override
  public void visitVarInsn(int opcode, int slot) {
    if (opcode <= Opcodes.ALOAD) {
      push();
    } else {
      pop();
    }
  }

  @Override
  public void visitTypeInsn(int opcode, String type) {
    if (opcode != Opcodes.CHECKCAST) {
      pop(opcode == Opcodes.NEW ? 0 : 1);
      push();
    }
  }

  @Override
  public void visitFieldInsn(int opcode, String owner, String name, String descriptor) {
    pop(opcode == Opcodes.GETSTATIC ? 0 : opcode == Opcodes.PUTFIELD ? 2 : 1);
    if (opcode == Opcodes.GETSTATIC || opcode == Opcodes.GETFIELD) {
      push();
    }
  }

  @Override
  public void visitMethodInsn(
      int opcode, String owner, String name, String descriptor, boolean onInterface) {
    Type[] types = Type.getArgumentTypes(descriptor);
    int slot = Type.getArgumentsAndReturnSizes(descriptor) >> 2;
    slot -= opcode == Opcodes.INVOKESTATIC ? 1 : 0;
    for (int i = types.length - 1; i >= 0; i--) {
      slot -= types[i].getSize();
      int of = slot;
      pop().ifPresent(text -> passed.add(new Passed(owner, name + descriptor, of, text)));
    }
    pop(opcode == Opcodes.INVOKESTATIC ? 0 : 1);
    gives(descriptor);
  }

  @Override
  public void visitInvokeDynamicInsn(
      String name, String descriptor, Handle bootstrap, Object... arguments) {
    pop(Type.getArgumentTypes(descriptor).length);
    gives(descriptor);
  }

  private void gives(String descriptor) {
    if (Type.getReturnType(descriptor) != Type.VOID_TYPE) {
      push();
    }
  }

  @Override
  public void visitJumpInsn(int opcode, Label label) {
    stack.clear();
  }

  @Override
  public void visitTableSwitchInsn(int least, int most, Label otherwise, Label... labels) {
    stack.clear();
  }

  @Override
  public void visitLookupSwitchInsn(Label otherwise, int[] keys, Label[] labels) {
    stack.clear();
  }
}
