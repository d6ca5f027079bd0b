package atalaya.agent;

import atalaya.points.Loop;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/**
 * Counts the turns of a method's loops. Loops that can't run at the same time share two locals of
 * our own. The first is 2 where control enters the loop, 1 when it came back to the head once, then
 * 0: a turn costs the shift of a register, and marks are set where control leaves the loop. The
 * second says which loop it is, for exceptions. Neither is asked for outside of loops, so that even
 * a method of many loops has few of them alive at once: the JVM's compilers give up where there are
 * too many.
 */
final class Turns {
  /** Of a method without loops. */
  static final Turns NONE = new Turns(Collections.emptyList());

  private static final int LOCALS = 2;

  private final List<Loop> loops;
  private final int slots;
  private final Map<Integer, List<Step>> byOutcome = new HashMap<>();
  private final Map<Integer, List<Step>> byLeap = new HashMap<>();
  private final Map<Integer, List<Step>> byLabel = new HashMap<>();
  private final Map<Integer, Set<Integer>> slotsByHandler = new HashMap<>();

  /** A loop is left, and marks one of the points that begin here; or it is entered or goes on. */
  private static final class Step {
    static final int BACK = -1;
    static final int ENTRY = -2;
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
    this.slots = loops.stream().mapToInt(loop -> loop.slot + 1).max().orElse(0);
    for (int i = 0; i < loops.size(); i++) {
      Loop loop = loops.get(i);
      for (Loop.Edge back : loop.backs) {
        add(back, new Step(i, Step.BACK));
      }
      for (Loop.Exit exit : loop.exits) {
        add(exit.edge, new Step(i, exit.point));
      }
      for (int handler : loop.handlers) {
        slotsByHandler.computeIfAbsent(handler, h -> new TreeSet<>()).add(loop.slot);
      }
    }
    // Who leaves one loop may enter the next by the same jump: that one is left comes first.
    for (int i = 0; i < loops.size(); i++) {
      for (Loop.Edge entry : loops.get(i).entries) {
        add(entry, new Step(i, Step.ENTRY));
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
    return LOCALS * slots;
  }

  /** Whether a loop is left or goes on by this outcome of a jump or switch. */
  boolean concerns(int outcome) {
    return byOutcome.containsKey(outcome);
  }

  /** Plants the counts into the code of the method. */
  Planting into(MethodVisitor to, Marks marks, int firstLocal) {
    return new Planting(to, marks, firstLocal);
  }

  /** Makes code of them. */
  final class Planting {
    private final MethodVisitor to;
    private final Marks marks;
    private final int firstLocal;

    /** The loops whose code may stand here. */
    private final BitSet mayRun = new BitSet();

    private Planting(MethodVisitor to, Marks marks, int firstLocal) {
      this.to = to;
      this.marks = marks;
      this.firstLocal = firstLocal;
    }

    /** At the method's entry. */
    void begin() {
      for (int slot = 0; slot < slots; slot++) {
        enter(slot, loops.get(0).thrown);
      }
    }

    private void enter(int slot, int thrown) {
      to.visitInsn(Opcodes.ICONST_2);
      to.visitVarInsn(Opcodes.ISTORE, count(slot));
      marks.pushPoint(to, thrown);
      to.visitVarInsn(Opcodes.ISTORE, which(slot));
    }

    /**
     * The code behind a label begins.
     *
     * @return the slots of the loops that may run there
     */
    Set<Integer> arrive(Label label) {
      if (loops.isEmpty()) {
        return Collections.emptySet();
      }
      int offset = PlacedReader.offset(label);
      for (int i = 0; i < loops.size(); i++) {
        Loop loop = loops.get(i);
        if (loop.after != null && PlacedReader.offset(loop.after) == offset) {
          mayRun.clear(i);
        }
        if (PlacedReader.offset(loop.first) == offset) {
          mayRun.set(i);
        }
      }
      return mayRun.stream().mapToObj(i -> loops.get(i).slot).collect(Collectors.toSet());
    }

    private int count(int slot) {
      return firstLocal + LOCALS * slot;
    }

    private int which(int slot) {
      return firstLocal + LOCALS * slot + 1;
    }

    /**
     * A handler has caught what was thrown in a loop; or after it, but then this was told already
     * where it was left.
     */
    void handler(int point) {
      thrown(slotsByHandler.getOrDefault(point, Collections.emptySet()));
    }

    /** An exception leaves the method from where loops of these slots may run. */
    void thrown(Set<Integer> ofSlots) {
      ofSlots.forEach(this::thrown);
    }

    /** Of a loop that did not come back to its head this says nothing: nobody knows it ran. */
    private void thrown(int slot) {
      to.visitVarInsn(Opcodes.ILOAD, which(slot));
      to.visitVarInsn(Opcodes.ILOAD, count(slot));
      to.visitInsn(Opcodes.IADD);
      marks.setByNumber(to);
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
        Loop loop = loops.get(step.loop);
        if (step.point == Step.ENTRY) {
          enter(loop.slot, loop.thrown);
        } else if (step.point == Step.BACK) {
          to.visitVarInsn(Opcodes.ILOAD, count(loop.slot));
          to.visitInsn(Opcodes.ICONST_1);
          to.visitInsn(Opcodes.ISHR);
          to.visitVarInsn(Opcodes.ISTORE, count(loop.slot));
        } else {
          marks.load(to);
          marks.pushPoint(to, step.point);
          to.visitVarInsn(Opcodes.ILOAD, count(loop.slot));
          to.visitInsn(Opcodes.IADD);
          marks.set(to);
        }
      }
    }
  }
}
