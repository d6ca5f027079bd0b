package atalaya.points;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.objectweb.asm.Handle;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/**
 * Walks the code of one method and numbers its points. Whoever plants points and whoever reads them
 * extends this class, so that the numbers agree.
 *
 * <p>Points are numbered from 0 through the whole class, in the order of the code: one for the
 * entry of each exception handler, one for each entry of the line table and each place where
 * control enters a line in the middle of one ({@link Reentries}), two for each conditional jump
 * (jump, then next), and one for each key of a switch, then one for its default. At the end of a
 * method come those of its {@linkplain Loop loops}.
 */
public abstract class PointVisitor extends MethodVisitor {

  /** The version of ASM's visitors that all of Atalaya uses. */
  public static final int ASM = Opcodes.ASM9;

  /** Gives out the numbers of one class. */
  public static final class Counter {
    private int next;

    /** How many numbers were given out. */
    public int count() {
      return next;
    }

    private int take(int points) {
      int first = next;
      next += points;
      return first;
    }
  }

  private final Counter counter;
  private final Set<Label> handlers = new HashSet<>();
  private final List<Integer> pendingLines = new ArrayList<>();
  private final LoopFinder loops = new LoopFinder();
  private final Reentries reentries = new Reentries();
  private boolean pendingHandler;

  protected PointVisitor(MethodVisitor next, Counter counter) {
    super(ASM, next);
    this.counter = counter;
  }

  /** The next instruction is the first one of an exception handler. */
  protected abstract void handler(int point);

  /** The next instruction is one by which control enters a line. */
  protected abstract void line(int point, int line);

  /** A conditional jump: {@code point} when it jumps, {@code point + 1} when it does not. */
  protected abstract void jump(int point, int opcode, Label target);

  /**
   * A switch: {@code point + i} when it chooses {@code keys[i]}, {@code point + keys.length} when
   * it chooses the default.
   *
   * @param keys ascending; gaps in a table are not left out
   * @param targets one for each key
   */
  protected abstract void choice(int point, int[] keys, Label[] targets, Label otherwise);

  /** An unconditional jump. */
  protected void leap(Label target) {
    if (mv != null) {
      mv.visitJumpInsn(Opcodes.GOTO, target);
    }
  }

  /** What is thrown in some code goes to a handler. */
  protected void handling(Label start, Label end, Label handler, String type) {
    if (mv != null) {
      mv.visitTryCatchBlock(start, end, handler, type);
    }
  }

  /**
   * Any other instruction comes. Points in front of it have been told.
   *
   * @param opcode for a constant that is there without being resolved, that of a small number
   */
  protected void instruction(int opcode) {}

  /** The method ends, and these are its loops. */
  protected void loops(List<Loop> loops) {}

  private void before(int opcode) {
    if (pendingHandler) {
      pendingHandler = false;
      int point = counter.take(1);
      loops.handler(point);
      handler(point);
    }
    if (reentries.isBefore(opcode)) {
      line(counter.take(1), reentries.line());
    }
    for (int line : pendingLines) {
      line(counter.take(1), line);
    }
    pendingLines.clear();
  }

  private void plain(int opcode) {
    plain(opcode, false);
  }

  private void plain(int opcode, boolean leavesNothing) {
    before(opcode);
    reentries.passed(opcode, leavesNothing);
    if (opcode >= Opcodes.IRETURN && opcode <= Opcodes.RETURN) {
      loops.returns();
    } else if (opcode == Opcodes.ATHROW) {
      loops.end();
    } else if (opcode == Opcodes.RET) {
      loops.unusual();
    }
    instruction(opcode);
  }

  @Override
  public void visitTryCatchBlock(Label start, Label end, Label handler, String type) {
    handlers.add(handler);
    loops.guard(start, end, handler);
    handling(start, end, handler, type);
  }

  @Override
  public void visitLabel(Label label) {
    super.visitLabel(label);
    loops.label(label);
    reentries.label(label);
    if (handlers.contains(label)) {
      pendingHandler = true;
    }
  }

  @Override
  public void visitLineNumber(int line, Label start) {
    super.visitLineNumber(line, start);
    pendingLines.add(line);
    reentries.line(line);
  }

  @Override
  public void visitJumpInsn(int opcode, Label label) {
    before(opcode);
    reentries.jump(label);
    reentries.passed(opcode, false);
    if (opcode == Opcodes.GOTO) {
      loops.leap(label);
      leap(label);
    } else if (opcode == Opcodes.JSR) {
      loops.unusual();
      instruction(opcode);
      super.visitJumpInsn(opcode, label);
    } else {
      int point = counter.take(2);
      loops.outcome(point, label);
      loops.next(point + 1);
      jump(point, opcode, label);
    }
  }

  @Override
  public void visitTableSwitchInsn(int min, int max, Label otherwise, Label... labels) {
    before(Opcodes.TABLESWITCH);
    int[] keys = new int[labels.length];
    for (int i = 0; i < keys.length; i++) {
      keys[i] = min + i;
    }
    choice(keys, labels, otherwise);
  }

  @Override
  public void visitLookupSwitchInsn(Label otherwise, int[] keys, Label[] labels) {
    before(Opcodes.LOOKUPSWITCH);
    choice(keys, labels, otherwise);
  }

  private void choice(int[] keys, Label[] targets, Label otherwise) {
    int point = counter.take(keys.length + 1);
    for (Label target : targets) {
      reentries.jump(target);
    }
    reentries.jump(otherwise);
    reentries.passed(Opcodes.LOOKUPSWITCH, false);
    for (int i = 0; i < keys.length; i++) {
      loops.outcome(point + i, targets[i]);
    }
    loops.outcome(point + keys.length, otherwise);
    loops.end();
    choice(point, keys, targets, otherwise);
  }

  @Override
  public void visitMaxs(int maxStack, int maxLocals) {
    loops(loops.find(() -> counter.take(Loop.COUNTS)));
    super.visitMaxs(maxStack, maxLocals);
  }

  @Override
  public void visitInsn(int opcode) {
    plain(opcode);
    super.visitInsn(opcode);
  }

  @Override
  public void visitIntInsn(int opcode, int operand) {
    plain(opcode);
    super.visitIntInsn(opcode, operand);
  }

  @Override
  public void visitVarInsn(int opcode, int index) {
    plain(opcode);
    super.visitVarInsn(opcode, index);
  }

  @Override
  public void visitTypeInsn(int opcode, String type) {
    plain(opcode);
    super.visitTypeInsn(opcode, type);
  }

  @Override
  public void visitFieldInsn(int opcode, String owner, String name, String descriptor) {
    plain(opcode);
    super.visitFieldInsn(opcode, owner, name, descriptor);
  }

  @Override
  public void visitMethodInsn(
      int opcode, String owner, String name, String descriptor, boolean onInterface) {
    plain(opcode, descriptor.endsWith(")V") && !name.equals("<init>"));
    super.visitMethodInsn(opcode, owner, name, descriptor, onInterface);
  }

  @Override
  public void visitInvokeDynamicInsn(
      String name, String descriptor, Handle bootstrap, Object... arguments) {
    plain(Opcodes.INVOKEDYNAMIC);
    super.visitInvokeDynamicInsn(name, descriptor, bootstrap, arguments);
  }

  @Override
  public void visitLdcInsn(Object value) {
    plain(value instanceof Number || value instanceof String ? Opcodes.ICONST_0 : Opcodes.LDC);
    super.visitLdcInsn(value);
  }

  @Override
  public void visitIincInsn(int index, int increment) {
    plain(Opcodes.IINC);
    super.visitIincInsn(index, increment);
  }

  @Override
  public void visitMultiANewArrayInsn(String descriptor, int dimensions) {
    plain(Opcodes.MULTIANEWARRAY);
    super.visitMultiANewArrayInsn(descriptor, dimensions);
  }
}
