package atalaya.trial.find;

import atalaya.java.match.CodePlace;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.ClassNode;
import org.objectweb.asm.tree.MethodNode;

/** A place in the code, with the instruction that stands there. */
record CodeSpot(CodePlace place, ClassNode type, MethodNode method, AbstractInsnNode instruction) {

  int opcode() {
    return instruction.getOpcode();
  }

  /** The instruction in front, or null. */
  AbstractInsnNode before() {
    AbstractInsnNode at = instruction.getPrevious();
    while (at != null && at.getOpcode() < 0) {
      at = at.getPrevious();
    }
    return at;
  }

  /** The instruction behind this one, or null. */
  AbstractInsnNode behind() {
    return firstFrom(instruction.getNext());
  }

  static AbstractInsnNode firstFrom(AbstractInsnNode from) {
    AbstractInsnNode at = from;
    while (at != null && at.getOpcode() < 0) {
      at = at.getNext();
    }
    return at;
  }
}
