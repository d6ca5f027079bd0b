package atalaya.agent;

import atalaya.points.PointVisitor;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;

/** Counts the points of a method that stays as it is. */
class UnplantedMethod extends PointVisitor {
  UnplantedMethod(MethodVisitor to, Counter counter) {
    super(to, counter);
  }

  @Override
  protected void handler(int point) {}

  @Override
  protected void line(int point, int line) {}

  @Override
  protected void jump(int point, int opcode, Label target) {
    mv.visitJumpInsn(opcode, target);
  }

  @Override
  protected void choice(int point, int[] keys, Label[] targets, Label otherwise) {
    mv.visitLookupSwitchInsn(otherwise, keys, targets);
  }
}
