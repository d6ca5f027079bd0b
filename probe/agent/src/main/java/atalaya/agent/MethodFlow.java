package atalaya.agent;

import atalaya.points.Loop;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.objectweb.asm.Label;
import org.objectweb.asm.Opcodes;

/** How control flows between the points of one method. */
final class MethodFlow extends CodeVisitor {
  private static final int NO_CODE = -1;

  private static final int LABEL = 0;
  private static final int LINE = 1;
  private static final int POINT = 2;
  private static final int JUMP = 3;
  private static final int CHOICE = 4;
  private static final int LEAP = 5;
  private static final int CODE = 6;
  private static final int END = 7;
  private static final int INITIALISED = 8;

  private final boolean isConstructor;
  private final boolean counts;
  private final Map<Integer, Integer> entries = new HashMap<>();
  private final BitSet joins = new BitSet();
  private final BitSet entriesOfLoops = new BitSet();
  private final BitSet handlers = new BitSet();
  private final Covers covers = new Covers();
  private final BitSet seen = new BitSet();
  private int[] steps = new int[64];
  private int length;
  private boolean alive = true;
  private Effect codeTold = Effect.NONE;
  private boolean unusual;
  private int points;
  private int firstLine = Paths.NONE;
  private int maxLocals = NO_CODE;
  private Turns turns = Turns.NONE;
  private List<Loop> loops = Collections.emptyList();
  private final BitSet impliedLeaps = new BitSet();

  /**
   * Begins a method.
   *
   * @param counts whether each point is counted, so that none stands for another
   */
  MethodFlow(Counter counter, String type, int access, String name, boolean counts) {
    super(null, counter, type, access, name);
    this.counts = counts;
    isConstructor = name.equals("<init>");
  }

  boolean hasCode() {
    return maxLocals != NO_CODE;
  }

  int maxLocals() {
    return maxLocals;
  }

  /** Whether each point is marked as it is passed: the code has no clear paths, or needs none. */
  boolean marksAtOnce() {
    return counts || unusual || initialisesAgain() || !isInitialised() || points <= 1;
  }

  /** The first point on a line; none when no line is known. */
  int firstLine() {
    return firstLine;
  }

  /** Whether paths begin at this label: it is entered from several places, or from later code. */
  boolean isJoin(Label label) {
    return joins.get(PlacedReader.offset(label));
  }

  /**
   * Whether paths only meet at this label: nobody comes back to it, and it handles no exception.
   */
  boolean isMeeting(Label label) {
    int offset = PlacedReader.offset(label);
    return joins.get(offset) && !entriesOfLoops.get(offset) && !handlers.get(offset);
  }

  /**
   * Whether what is passed up to this unconditional jump needs no mark, because it goes back to the
   * head of a loop that marks its turns when it is left.
   *
   * @param leap how many such jumps and returns the method has before it
   */
  boolean isImplied(int leap) {
    return impliedLeaps.get(leap);
  }

  /** Of its handlers. */
  Covers covers() {
    return covers;
  }

  /** Of its loops. */
  Turns turns() {
    return turns;
  }

  // ---- reading ----

  private void step(int... step) {
    if (length + step.length > steps.length) {
      steps = Arrays.copyOf(steps, Math.max(2 * steps.length, length + step.length));
    }
    System.arraycopy(step, 0, steps, length, step.length);
    length += step.length;
    codeTold = Effect.NONE;
    points += step[0] == POINT || step[0] == JUMP || step[0] == CHOICE ? 1 : 0;
  }

  private int enter(Label target) {
    int offset = PlacedReader.offset(target);
    if (seen.get(offset)) {
      joins.set(offset);
      entriesOfLoops.set(offset);
    }
    entries.merge(offset, 1, Integer::sum);
    return offset;
  }

  @Override
  public void visitTryCatchBlock(Label start, Label end, Label handler, String type) {
    super.visitTryCatchBlock(start, end, handler, type);
    covers.add(start, end, handler, type);
    joins.set(PlacedReader.offset(handler));
    handlers.set(PlacedReader.offset(handler));
  }

  @Override
  public void visitLabel(Label label) {
    super.visitLabel(label);
    covers.label(label);
    int offset = PlacedReader.offset(label);
    seen.set(offset);
    entries.merge(offset, alive ? 1 : 0, Integer::sum);
    alive = true;
    step(LABEL, offset);
  }

  @Override
  protected void handler(int point) {
    step(POINT, point);
  }

  @Override
  protected void line(int point, int line) {
    step(LINE, line);
    firstLine = firstLine == Paths.NONE ? point : firstLine;
    step(POINT, point);
  }

  @Override
  protected void jump(int point, int opcode, Label target) {
    covers.instruction(opcode);
    step(JUMP, point, enter(target));
  }

  @Override
  protected void choice(int point, int[] keys, Label[] targets, Label otherwise) {
    covers.instruction(Opcodes.LOOKUPSWITCH);
    int[] step = new int[targets.length + 4];
    step[0] = CHOICE;
    step[1] = point;
    step[2] = targets.length + 1;
    for (int i = 0; i < targets.length; i++) {
      step[3 + i] = enter(targets[i]);
    }
    step[3 + targets.length] = enter(otherwise);
    step(step);
    alive = false;
  }

  @Override
  protected void leap(Label target) {
    covers.instruction(Opcodes.GOTO);
    step(LEAP, enter(target));
    alive = false;
  }

  @Override
  protected void instruction(int opcode, Effect effect) {
    covers.instruction(opcode);
    unusual |= opcode == Opcodes.JSR;
    if (effect.compareTo(codeTold) > 0) {
      step(CODE, effect == Effect.CALLS ? 1 : 0);
      codeTold = effect;
    }
    boolean returns = opcode >= Opcodes.IRETURN && opcode <= Opcodes.RETURN;
    if (returns || opcode == Opcodes.ATHROW || opcode == Opcodes.RET) {
      step(END, returns ? 1 : 0);
      alive = false;
    }
  }

  @Override
  public void visitVarInsn(int opcode, int local) {
    super.visitVarInsn(opcode, local);
    unusual |= replacesThis(opcode, local);
  }

  @Override
  protected void initialised() {
    step(INITIALISED);
  }

  @Override
  public void visitMaxs(int maxStack, int maxLocals) {
    super.visitMaxs(maxStack, maxLocals);
    this.maxLocals = maxLocals;
  }

  @Override
  protected void loops(List<Loop> loops) {
    this.loops = loops;
    turns = loops.isEmpty() ? Turns.NONE : new Turns(loops);
  }

  // ---- following ----

  /** Tells the class's paths those of this method. */
  void follow(Paths paths) {
    entries.forEach((offset, times) -> joins.set(offset, joins.get(offset) || times != 1));
    new Walk(paths).go();
    steps = null;
  }

  /** Goes through the steps once, in the order of the code. */
  private final class Walk {
    private final Paths paths;
    private final Map<Integer, Integer> carried = new HashMap<>();
    private boolean atOnce = isConstructor || marksAtOnce();
    private int at = Paths.NONE;
    private int line;
    private boolean alive = true;
    private int leaps;

    /**
     * The loop at whose head this path began, while all its code is on the path and calls nothing.
     */
    private Loop simple;

    Walk(Paths paths) {
      this.paths = paths;
    }

    void go() {
      for (int i = 0; i < length; ) {
        i += take(steps[i], i + 1);
      }
    }

    /** Takes a step and says how many numbers it has. */
    private int take(int step, int from) {
      switch (step) {
        case LABEL:
          arrive(steps[from]);
          return 2;
        case LINE:
          line = steps[from];
          return 2;
        case POINT:
          paths.follows(steps[from], at);
          at = atOnce ? Paths.NONE : steps[from];
          return 2;
        case JUMP:
          branch(steps[from], steps[from + 1]);
          paths.follows(steps[from] + 1, at);
          at = atOnce ? Paths.NONE : steps[from] + 1;
          return 3;
        case CHOICE:
          for (int i = 0; i < steps[from + 1]; i++) {
            branch(steps[from] + i, steps[from + 2 + i]);
          }
          alive = false;
          return 3 + steps[from + 1];
        case LEAP:
          carried.put(steps[from], at);
          goBack(leaps++);
          alive = false;
          return 2;
        case CODE:
          paths.standsOn(line, at);
          simple = steps[from] == 1 ? null : simple;
          return 2;
        case END:
          leaps += steps[from];
          alive = false;
          return 2;
        case INITIALISED:
          atOnce = marksAtOnce();
          return 1;
        default:
          throw new IllegalStateException("no step " + step);
      }
    }

    private void branch(int point, int target) {
      paths.follows(point, at);
      carried.put(target, atOnce ? Paths.NONE : point);
    }

    /**
     * A loop without calls whose turns are all the same path: who came back to its head has passed
     * it. (With calls the program might end in one of them, before the loop is left.)
     */
    private void goBack(int leap) {
      boolean isOnlyOne =
          simple != null && simple.backs.size() == 1 && simple.backs.get(0).leap == leap;
      if (isOnlyOne && !atOnce && at != Paths.NONE) {
        impliedLeaps.set(leap);
        cameBack(simple.thrown);
        simple.exits.forEach(exit -> cameBack(exit.point));
      }
    }

    /** Of the points of a loop's turns, those for having come back more than once, and once. */
    private void cameBack(int firstOfTurns) {
      paths.follows(firstOfTurns, at);
      paths.follows(firstOfTurns + 1, at);
    }

    private void arrive(int label) {
      if (joins.get(label)) {
        at = Paths.NONE;
        simple = null;
        for (Loop loop : loops) {
          simple = PlacedReader.offset(loop.head) == label ? loop : simple;
        }
      } else if (!alive) {
        at = carried.getOrDefault(label, Paths.NONE);
      }
      alive = true;
    }
  }
}
