package atalaya.trial.plant;

import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.FieldInsnNode;
import org.objectweb.asm.tree.IincInsnNode;
import org.objectweb.asm.tree.JumpInsnNode;
import org.objectweb.asm.tree.LabelNode;
import org.objectweb.asm.tree.LookupSwitchInsnNode;
import org.objectweb.asm.tree.MethodInsnNode;
import org.objectweb.asm.tree.TableSwitchInsnNode;

/** What stands in the place of one instruction. It finds the stack as the instruction does. */
public sealed interface Replacement {
  /**
   * Emits it.
   *
   * @param original the instruction
   * @return whether control goes on behind it as behind the instruction
   */
  boolean emit(MethodVisitor to, AbstractInsnNode original);

  /** A conditional jump on something else. */
  record JumpOn(int opcode) implements Replacement {
    @Override
    public boolean emit(MethodVisitor to, AbstractInsnNode original) {
      to.visitJumpInsn(opcode, ((JumpInsnNode) original).label.getLabel());
      return true;
    }
  }

  /** A conditional jump that is always taken, or never. */
  record Jump(boolean taken) implements Replacement {
    @Override
    public boolean emit(MethodVisitor to, AbstractInsnNode original) {
      boolean two =
          original.getOpcode() >= Opcodes.IF_ICMPEQ && original.getOpcode() <= Opcodes.IF_ACMPNE;
      to.visitInsn(two ? Opcodes.POP2 : Opcodes.POP);
      if (taken) {
        // What follows stays within reach, as far as the verifier knows.
        to.visitInsn(Opcodes.ICONST_0);
        to.visitJumpInsn(Opcodes.IFEQ, ((JumpInsnNode) original).label.getLabel());
      }
      return true;
    }
  }

  /** An instruction without operands of its own. */
  record Plain(int opcode) implements Replacement {
    @Override
    public boolean emit(MethodVisitor to, AbstractInsnNode original) {
      to.visitInsn(opcode);
      return true;
    }
  }

  /** Nothing. */
  record Nothing() implements Replacement {
    @Override
    public boolean emit(MethodVisitor to, AbstractInsnNode original) {
      to.visitInsn(Opcodes.NOP);
      return true;
    }
  }

  /** A local variable is changed the other way. */
  record Opposite() implements Replacement {
    @Override
    public boolean emit(MethodVisitor to, AbstractInsnNode original) {
      IincInsnNode step = (IincInsnNode) original;
      to.visitIincInsn(step.var, -step.incr);
      return true;
    }
  }

  /** Another constant of the same type. */
  record Constant(Object value) implements Replacement {
    @Override
    public boolean emit(MethodVisitor to, AbstractInsnNode original) {
      Pushing.constant(to, value);
      return true;
    }
  }

  /** No call; where its result would be taken away, there is one all the same. */
  record NoCall() implements Replacement {
    @Override
    public boolean emit(MethodVisitor to, AbstractInsnNode original) {
      MethodInsnNode call = (MethodInsnNode) original;
      Type[] arguments = Type.getArgumentTypes(call.desc);
      for (int i = arguments.length - 1; i >= 0; i--) {
        Pushing.pop(to, arguments[i]);
      }
      if (call.getOpcode() != Opcodes.INVOKESTATIC) {
        to.visitInsn(Opcodes.POP);
      }
      Pushing.nothing(to, Type.getReturnType(call.desc));
      return true;
    }
  }

  /** No assignment to a field. */
  record NoAssignment() implements Replacement {
    @Override
    public boolean emit(MethodVisitor to, AbstractInsnNode original) {
      FieldInsnNode field = (FieldInsnNode) original;
      Pushing.pop(to, Type.getType(field.desc));
      if (field.getOpcode() == Opcodes.PUTFIELD) {
        to.visitInsn(Opcodes.POP);
      } else {
        to.visitInsn(Opcodes.NOP);
      }
      return true;
    }
  }

  /** Another value is returned. */
  record Returned(Value value) implements Replacement {
    @Override
    public boolean emit(MethodVisitor to, AbstractInsnNode original) {
      int opcode = original.getOpcode();
      to.visitInsn(
          opcode == Opcodes.LRETURN || opcode == Opcodes.DRETURN ? Opcodes.POP2 : Opcodes.POP);
      value.push(to);
      to.visitInsn(opcode);
      return false;
    }
  }

  /** An exception is not thrown; control goes on to what stands behind, or out of the method. */
  record NoThrow() implements Replacement {
    @Override
    public boolean emit(MethodVisitor to, AbstractInsnNode original) {
      to.visitInsn(Opcodes.POP);
      if (original.getNext() instanceof LabelNode next && hasCode(next)) {
        to.visitJumpInsn(Opcodes.GOTO, next.getLabel());
      } else {
        to.visitInsn(Opcodes.RETURN);
      }
      return false;
    }

    static boolean hasCode(AbstractInsnNode from) {
      AbstractInsnNode at = from;
      while (at != null && at.getOpcode() < 0) {
        at = at.getNext();
      }
      return at != null;
    }
  }

  /** A switch that goes for each of two keys where it would go for the other. */
  record Exchanged(int one, int other) implements Replacement {
    @Override
    public boolean emit(MethodVisitor to, AbstractInsnNode original) {
      if (original instanceof TableSwitchInsnNode table) {
        Label[] labels = labels(table.labels);
        swap(labels, one - table.min, other - table.min);
        to.visitTableSwitchInsn(table.min, table.max, table.dflt.getLabel(), labels);
      } else {
        LookupSwitchInsnNode lookup = (LookupSwitchInsnNode) original;
        Label[] labels = labels(lookup.labels);
        int[] keys = lookup.keys.stream().mapToInt(Integer::intValue).toArray();
        swap(labels, lookup.keys.indexOf(one), lookup.keys.indexOf(other));
        to.visitLookupSwitchInsn(lookup.dflt.getLabel(), keys, labels);
      }
      return false;
    }

    private static Label[] labels(java.util.List<LabelNode> nodes) {
      return nodes.stream().map(LabelNode::getLabel).toArray(Label[]::new);
    }

    private static void swap(Label[] labels, int i, int j) {
      Label at = labels[i];
      labels[i] = labels[j];
      labels[j] = at;
    }
  }
}
