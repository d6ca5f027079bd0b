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
 * Counts the turns of a method's loops. Each loop has a local of our own that says how often
 * control came to its head, up to three; it is 0 while the loop is not running. From the third time
 * on the loop pays for one comparison.
 */
final class Turns {
  /** Of a method without loops. */
  static final Turns NONE = new Turns(Collections.emptyList());

  private final List<Loop> loops;
  private final Map<Integer, Integer> heads = new HashMap<>();
  private final Map<Integer, List<Leaving>> byOutcome = new HashMap<>();
  private final Map<Integer, List<Leaving>> byLeap = new HashMap<>();
  private final Map<Integer, List<Leaving>> byLabel = new HashMap<>();
  private final Map<Integer, List<Integer>> broken = new HashMap<>();

  /** A loop is left, and marks one of the points that begin here. */
  private static final class Leaving {
    final int loop;
    final int point;

    Leaving(int loop, int point) {
      this.loop = loop;
      this.point = point;
    }
  }

  /** Those of a method that was read with labels that know where they are. */
  Turns(List<Loop> loops) {
    this.loops = loops;
    for (int i = 0; i < loops.size(); i++) {
      Loop loop = loops.get(i);
      heads.put(PlacedReader.offset(loop.head), i);
      for (Loop.Exit exit : loop.exits) {
        add(exit, new Leaving(i, exit.point));
      }
      for (int handler : loop.brokenOffBy) {
        broken.computeIfAbsent(handler, h -> new ArrayList<>()).add(i);
      }
    }
  }

  private void add(Loop.Exit exit, Leaving leaving) {
    if (exit.label != null) {
      int offset = PlacedReader.offset(exit.label);
      byLabel.computeIfAbsent(offset, o -> new ArrayList<>()).add(leaving);
    } else if (exit.leap != Loop.Exit.ELSEWHERE) {
      byLeap.computeIfAbsent(exit.leap, l -> new ArrayList<>()).add(leaving);
    } else {
      byOutcome.computeIfAbsent(exit.outcome, o -> new ArrayList<>()).add(leaving);
    }
  }

  /** How many locals of our own they need. */
  int locals() {
    return loops.size();
  }

  /** Whether a loop is left by this outcome of a jump or switch. */
  boolean areLeftBy(int outcome) {
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
      to.visitInsn(Opcodes.ICONST_0);
      to.visitVarInsn(Opcodes.ISTORE, firstLocal + loop);
    }

    /** Marks one of the points that begin here by the loop's count, which is 1 at least. */
    private void mark(int loop, int first) {
      marks.load(to, marksLocal);
      marks.pushPoint(to, first - 1);
      to.visitVarInsn(Opcodes.ILOAD, firstLocal + loop);
      to.visitInsn(Opcodes.IADD);
      marks.set(to);
    }

    /**
     * Where control has come to this label.
     *
     * @param frame visits the stack map frame of the label once more, where there is one
     */
    void arrive(Label label, Runnable frame) {
      Integer loop = heads.get(PlacedReader.offset(label));
      if (loop != null) {
        Label counted = new Label();
        to.visitVarInsn(Opcodes.ILOAD, firstLocal + loop);
        to.visitInsn(Opcodes.ICONST_0 + Loop.COUNTS);
        to.visitJumpInsn(Opcodes.IF_ICMPGE, counted);
        to.visitIincInsn(firstLocal + loop, 1);
        mark(loop, loops.get(loop).point);
        to.visitLabel(counted);
        frame.run();
      }
    }

    /** A handler has caught what was thrown in a loop. */
    void handler(int point) {
      broken.getOrDefault(point, Collections.emptyList()).forEach(this::reset);
    }

    /** An outcome of a jump or switch has come out. */
    void outcome(int point) {
      leave(byOutcome.get(point));
    }

    /** Before an unconditional jump or a return, of which the method has so many before it. */
    void leap(int number) {
      leave(byLeap.get(number));
    }

    /** Where control goes on to a label by itself. */
    void goOn(Label label) {
      leave(byLabel.get(PlacedReader.offset(label)));
    }

    private void leave(List<Leaving> all) {
      if (all != null) {
        for (Leaving leaving : all) {
          mark(leaving.loop, leaving.point);
          reset(leaving.loop);
        }
      }
    }
  }
}
