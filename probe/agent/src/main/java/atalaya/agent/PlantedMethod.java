package atalaya.agent;

import atalaya.points.PointVisitor;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.objectweb.asm.ConstantDynamic;
import org.objectweb.asm.Handle;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/**
 * Plants the points of one method. The marks of the class are a constant of the class where the JVM
 * has such constants; else they are fetched once into a local of our own behind all others. Jumps
 * that are taken, and the ways out of a switch, are led over a piece of code at the method's end
 * that marks the point and goes on; it needs the same stack map frame as its target, which is known
 * by then.
 */
final class PlantedMethod extends PointVisitor {
  private static final String MARKS = "[Z";
  private static final String REACH = "atalaya/boot/Reach";
  private static final int STACK_FOR_A_MARK = 3;

  private static final Handle FETCH =
      new Handle(
          Opcodes.H_INVOKESTATIC,
          REACH,
          "marks",
          "(Ljava/lang/invoke/MethodHandles$Lookup;Ljava/lang/String;Ljava/lang/Class;I)" + MARKS,
          false);

  private final int index;
  private final boolean asConstant;
  private final int marks;
  private final List<Detour> detours = new ArrayList<>();
  private final List<Label> labelsHere = new ArrayList<>();
  private final Map<Label, Frame> frames = new HashMap<>();
  private final Map<Label, Label> freshLabelOfNew = new HashMap<>();
  private boolean beforeNew;

  /**
   * The other things are as {@link Planter} has them.
   *
   * @param asConstant whether the class can have its marks as a constant
   * @param maxLocals the slots that the method uses itself
   */
  PlantedMethod(MethodVisitor to, Counter counter, int index, boolean asConstant, int maxLocals) {
    super(to, counter);
    this.index = index;
    this.asConstant = asConstant;
    this.marks = maxLocals;
  }

  private static final class Detour {
    final Label start;
    final int point;
    final Label target;

    Detour(Label start, int point, Label target) {
      this.start = start;
      this.point = point;
      this.target = target;
    }
  }

  private static final class Frame {
    final Object[] locals;
    final Object[] stack;

    Frame(Object[] locals, Object[] stack) {
      this.locals = locals;
      this.stack = stack;
    }
  }

  @Override
  public void visitCode() {
    super.visitCode();
    if (!asConstant) {
      mv.visitFieldInsn(Opcodes.GETSTATIC, REACH, "table", "[" + MARKS);
      push(index);
      mv.visitInsn(Opcodes.AALOAD);
      mv.visitVarInsn(Opcodes.ASTORE, marks);
    }
  }

  @Override
  public void visitLabel(Label label) {
    super.visitLabel(label);
    labelsHere.add(label);
  }

  @Override
  public void visitFrame(int type, int numLocal, Object[] local, int numStack, Object[] stack) {
    Object[] locals =
        asConstant ? fresh(Arrays.copyOf(local, numLocal)) : withMarks(numLocal, local);
    Object[] onStack = fresh(Arrays.copyOf(stack, numStack));
    super.visitFrame(type, locals.length, locals, onStack.length, onStack);
    Frame frame = new Frame(locals, onStack);
    for (Label label : labelsHere) {
      frames.put(label, frame);
    }
  }

  private Object[] withMarks(int numLocal, Object[] local) {
    List<Object> all = new ArrayList<>();
    int slots = 0;
    for (int i = 0; i < numLocal; i++) {
      all.add(local[i]);
      slots += local[i] == Opcodes.LONG || local[i] == Opcodes.DOUBLE ? 2 : 1;
    }
    for (; slots < marks; slots++) {
      all.add(Opcodes.TOP);
    }
    all.add(MARKS);
    return fresh(all.toArray());
  }

  private Object[] fresh(Object[] types) {
    for (int i = 0; i < types.length; i++) {
      if (types[i] instanceof Label) {
        types[i] = freshLabelOfNew.getOrDefault(types[i], (Label) types[i]);
      }
    }
    return types;
  }

  @Override
  public void visitTypeInsn(int opcode, String type) {
    beforeNew = opcode == Opcodes.NEW;
    super.visitTypeInsn(opcode, type);
  }

  /**
   * A frame names an object that was not initialised yet by the label of its NEW. That label stands
   * in front of the marks by now, so NEW gets one of its own.
   */
  @Override
  protected void instruction() {
    if (beforeNew) {
      beforeNew = false;
      Label own = new Label();
      mv.visitLabel(own);
      for (Label label : labelsHere) {
        freshLabelOfNew.put(label, own);
      }
    }
    labelsHere.clear();
  }

  @Override
  protected void handler(int point) {
    mark(point);
  }

  @Override
  protected void line(int point, int line) {
    mark(point);
  }

  @Override
  protected void jump(int point, int opcode, Label target) {
    labelsHere.clear();
    mv.visitJumpInsn(opcode, detour(point, target));
    mark(point + 1);
  }

  @Override
  protected void choice(int point, int[] keys, Label[] targets, Label otherwise) {
    labelsHere.clear();
    Label[] over = new Label[targets.length];
    for (int i = 0; i < over.length; i++) {
      over[i] = detour(point + i, targets[i]);
    }
    Label overDefault = detour(point + keys.length, otherwise);
    boolean dense = keys.length > 0 && keys[keys.length - 1] - keys[0] == keys.length - 1;
    if (dense) {
      mv.visitTableSwitchInsn(keys[0], keys[keys.length - 1], overDefault, over);
    } else {
      mv.visitLookupSwitchInsn(overDefault, keys, over);
    }
  }

  @Override
  public void visitMaxs(int maxStack, int maxLocals) {
    for (Detour detour : detours) {
      mv.visitLabel(detour.start);
      Frame frame = frames.get(detour.target);
      if (frame != null) {
        mv.visitFrame(
            Opcodes.F_NEW, frame.locals.length, frame.locals, frame.stack.length, frame.stack);
      }
      mark(detour.point);
      mv.visitJumpInsn(Opcodes.GOTO, detour.target);
    }
    super.visitMaxs(maxStack + STACK_FOR_A_MARK, asConstant ? marks : marks + 1);
  }

  private Label detour(int point, Label target) {
    Detour detour = new Detour(new Label(), point, target);
    detours.add(detour);
    return detour.start;
  }

  private void mark(int point) {
    if (asConstant) {
      mv.visitLdcInsn(new ConstantDynamic("marks", MARKS, FETCH, index));
    } else {
      mv.visitVarInsn(Opcodes.ALOAD, marks);
    }
    push(point);
    mv.visitInsn(Opcodes.ICONST_1);
    mv.visitInsn(Opcodes.BASTORE);
  }

  private void push(int value) {
    if (value <= 5) {
      mv.visitInsn(Opcodes.ICONST_0 + value);
    } else if (value <= Byte.MAX_VALUE) {
      mv.visitIntInsn(Opcodes.BIPUSH, value);
    } else if (value <= Short.MAX_VALUE) {
      mv.visitIntInsn(Opcodes.SIPUSH, value);
    } else {
      mv.visitLdcInsn(value);
    }
  }
}
