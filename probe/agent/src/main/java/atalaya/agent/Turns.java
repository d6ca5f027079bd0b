package atalaya.agent;

import atalaya.points.Loop;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/**
 * Counts the turns of a method's loops. Each loop has a local of our own: 2 until control came back
 * to its head, 1 when it did once, then 0. A turn costs the shift of a register; marks are set
 * where control leaves the loop.
 */
final class Turns {
  /** Of a method without loops. */
  static final Turns NONE = new Turns(Collections.emptyList());

  private final List<Loop> loops;
  private final Map<Integer, List<Step>> byOutcome = new HashMap<>();
  private final Map<Integer, List<Step>> byLeap = new HashMap<>();
  private final Map<Integer, List<Step>> byLabel = new HashMap<>();
  private final Map<Integer, List<Integer>> byHandler = new HashMap<>();

  /** A loop is left, and marks one of the points that begin here; or it goes on. */
  private static final class Step {
    static final int BACK = -1;
    final int loop;
    final int point;

    Step(int loop, int point) {
      this.loop = loop;
      this.point = point;
    }
  }

  /** Those of a method that was read with labels that know where they are. */
  Turns(List<Loop> loops) {
    this.loops = loops;
    for (int i = 0; i < loops.size(); i++) {
      Loop loop = loops.get(i);
      for (Loop.Edge back : loop.backs) {
        add(back, new Step(i, Step.BACK));
      }
      for (Loop.Exit exit : loop.exits) {
        add(exit.edge, new Step(i, exit.point));
      }
      for (int handler : loop.handlers) {
        byHandler.computeIfAbsent(handler, h -> new ArrayList<>()).add(i);
      }
    }
  }

  private void add(Loop.Edge edge, Step step) {
    if (edge.label != null) {
      int offset = PlacedReader.offset(edge.label);
      byLabel.computeIfAbsent(offset, o -> new ArrayList<>()).add(step);
    } else if (edge.leap != Loop.Edge.ELSEWHERE) {
      byLeap.computeIfAbsent(edge.leap, l -> new ArrayList<>()).add(step);
    } else {
      byOutcome.computeIfAbsent(edge.outcome, o -> new ArrayList<>()).add(step);
    }
  }

  /** How many locals of our own they need. */
  int locals() {
    return loops.size();
  }

  /** Whether a loop is left or goes on by this outcome of a jump or switch. */
  boolean concerns(int outcome) {
    return byOutcome.containsKey(outcome);
  }

  /** Plants the counts into the code of the method. */
  Planting into(MethodVisitor to, Marks marks, int marksLocal, int firstLocal) {
    return new Planting(to, marks, marksLocal, firstLocal);
  }

  /** Makes code of them. */
  final class Planting {
    private final MethodVisitor to;
    private final Marks marks;
    private final int marksLocal;
    private final int firstLocal;

    private Planting(MethodVisitor to, Marks marks, int marksLocal, int firstLocal) {
      this.to = to;
      this.marks = marks;
      this.marksLocal = marksLocal;
      this.firstLocal = firstLocal;
    }

    /** At the method's entry. */
    void begin() {
      for (int i = 0; i < loops.size(); i++) {
        reset(i);
      }
    }

    private void reset(int loop) {
      to.visitInsn(Opcodes.ICONST_2);
      to.visitVarInsn(Opcodes.ISTORE, firstLocal + loop);
    }

    /** Puts the number of one of the marks that begin here on the stack, by the loop's count. */
    private void pushPoint(int loop, int first) {
      marks.pushPoint(to, first);
      to.visitVarInsn(Opcodes.ILOAD, firstLocal + loop);
      to.visitInsn(Opcodes.IADD);
    }

    /** A handler has caught what was thrown in a loop. */
    void handler(int point) {
      byHandler.getOrDefault(point, Collections.emptyList()).forEach(this::thrown);
    }

    /** An exception leaves the method, maybe out of a loop. */
    void thrown() {
      for (int i = 0; i < loops.size(); i++) {
        pushPoint(i, loops.get(i).thrown);
        marks.setByNumber(to);
      }
    }

    private void thrown(int loop) {
      pushPoint(loop, loops.get(loop).thrown);
      marks.setByNumber(to);
      reset(loop);
    }

    /** An outcome of a jump or switch has come out. */
    void outcome(int point) {
      plant(byOutcome.get(point));
    }

    /** Before an unconditional jump or a return, of which the method has so many before it. */
    void leap(int number) {
      plant(byLeap.get(number));
    }

    /** Where control goes on to a label by itself. */
    void goOn(Label label) {
      plant(byLabel.get(PlacedReader.offset(label)));
    }

    private void plant(List<Step> steps) {
      for (Step step : steps == null ? Collections.<Step>emptyList() : steps) {
        if (step.point == Step.BACK) {
          to.visitVarInsn(Opcodes.ILOAD, firstLocal + step.loop);
          to.visitInsn(Opcodes.ICONST_1);
          to.visitInsn(Opcodes.ISHR);
          to.visitVarInsn(Opcodes.ISTORE, firstLocal + step.loop);
        } else {
          marks.load(to, marksLocal);
          pushPoint(step.loop, step.point);
          marks.set(to);
          if (loops.get(step.loop).isInner) {
            reset(step.loop);
          }
        }
      }
    }
  }
}
