package atalaya.ways.code;

import atalaya.points.PointVisitor;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.function.Consumer;
import org.objectweb.asm.Label;
import org.objectweb.asm.tree.MethodNode;

/** Reads a method with its points. */
final class MethodReader extends PointVisitor {
  private final String type;
  private final MethodNode node;
  private final Exceptions exceptions;
  private final Consumer<MethodCode> done;
  private final Map<Integer, BitSet> at = new HashMap<>();
  private final Map<Integer, Integer> outcomes = new HashMap<>();

  MethodReader(
      String type,
      MethodNode node,
      Counter counter,
      Exceptions exceptions,
      Consumer<MethodCode> done) {
    super(node, counter);
    this.exceptions = exceptions;
    this.type = type;
    this.node = node;
    this.done = done;
  }

  private void here(int point) {
    at.computeIfAbsent(node.instructions.size(), i -> new BitSet()).set(point);
  }

  @Override
  protected void handler(int point) {
    here(point);
  }

  @Override
  protected void line(int point, int line) {
    here(point);
  }

  @Override
  protected void jump(int point, int opcode, Label target) {
    outcomes.put(node.instructions.size(), point);
    mv.visitJumpInsn(opcode, target);
  }

  @Override
  protected void choice(int point, int[] keys, Label[] targets, Label otherwise) {
    outcomes.put(node.instructions.size(), point);
    mv.visitLookupSwitchInsn(otherwise, keys, targets);
  }

  @Override
  public void visitEnd() {
    super.visitEnd();
    done.accept(new MethodCode(type, node, at, outcomes, exceptions));
  }
}
