package atalaya.agent;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/**
 * Plants the points of one method so that a run through it pays for few of them. Of each path only
 * the last point is marked, where the path ends: at a return, and where it joins another one. Until
 * then a local of our own remembers the position; when an exception leaves the path, its handler
 * marks it. A call may not come back before the program ends, so what is reached before it is
 * marked too, unless {@link Paths#certain} tells it of a thread that stands there.
 *
 * <p>A jump to a join is led over a piece of code at the method's end that marks the point and goes
 * on; it needs the same stack map frame as its target, which is known by then.
 */
final class PlantedMethod extends CodeVisitor {
  private static final int UNKNOWN = -2;

  private final Marks marks;
  private final Paths paths;
  private final MethodFlow flow;
  private final boolean remembers;
  private final Turns.Planting turns;
  private final List<Detour> detours = new ArrayList<>();
  private final List<Label> labelsHere = new ArrayList<>();
  private final Map<Label, Frame> frames = new HashMap<>();
  private final Map<Label, Label> freshLabelOfNew = new HashMap<>();
  private final Map<Label, State> carried = new HashMap<>();
  private State now = State.START;
  private boolean alive = true;
  private int line;
  private final List<Guarded> guarded = new ArrayList<>();
  private Label pathsBegin;
  private Set<Integer> slots = Collections.emptySet();
  private boolean beforeNew;
  private boolean isMeeting;
  private int leaps;

  /** Labels of ours in front of all that is planted where a label of the method stands. */
  private final Map<Label, Label> ahead = new HashMap<>();

  /** The handlers that leave monitors, by their offset. */
  private final Map<Integer, Label> leavingMonitors = new HashMap<>();

  /** The last label of the method; null before the first. */
  private Label behind;

  /** A handler that covers itself, while its marks wait until it does so no more; else null. */
  private Label waiting;

  private final List<Integer> pointsWaiting = new ArrayList<>();

  /**
   * Plants a method.
   *
   * @param flow of the method, one of {@code paths}
   */
  PlantedMethod(
      MethodVisitor to,
      Counter counter,
      String type,
      int access,
      String name,
      Marks marks,
      Paths paths,
      MethodFlow flow) {
    super(to, counter, type, access, name);
    this.marks = marks;
    this.paths = paths;
    this.flow = flow;
    this.remembers = !flow.marksAtOnce();
    this.turns = flow.turns().into(to, marks, position() + (remembers ? 1 : 0));
  }

  /** How far a path was passed. */
  private static final class State {
    static final State START = new State(Paths.NONE, true, UNKNOWN);

    /** The last point that was passed. */
    final int at;

    /** Whether it is marked. */
    final boolean marked;

    /** The position that the local holds. */
    final int remembered;

    State(int at, boolean marked, int remembered) {
      this.at = at;
      this.marked = marked;
      this.remembered = remembered;
    }

    boolean isPending() {
      return !marked;
    }

    State reach(int point) {
      return new State(point, false, remembered);
    }

    State mark() {
      return new State(at, true, remembered);
    }

    State remember() {
      return new State(at, marked, at);
    }
  }

  /** What happens to a point on the way to a target. */
  private enum Onto {
    PATH,
    MEETING,
    MARK
  }

  private static final class Detour {
    final Label start;
    final int point;
    final Onto onto;
    final Label target;

    /** The handler that leaves the monitor which is held there; null where none is. */
    final Label handler;

    Detour(Label start, int point, Onto onto, Label target, Label handler) {
      this.start = start;
      this.point = point;
      this.onto = onto;
      this.target = target;
      this.handler = handler;
    }
  }

  /** Code in which loops of some slots may run. */
  private static final class Guarded {
    final Label start;
    final Label end;
    final Set<Integer> slots;

    Guarded(Label start, Label end, Set<Integer> slots) {
      this.start = start;
      this.end = end;
      this.slots = slots;
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

  private boolean onPaths() {
    return remembers && isInitialised();
  }

  @Override
  public void visitCode() {
    super.visitCode();
    if (remembers) {
      remember(paths.points());
    }
    turns.begin();
    beginPaths();
  }

  /** Code that exceptions may leave ends here, and other such code begins. */
  private void guard(Label end) {
    if (pathsBegin != null) {
      guarded.add(new Guarded(pathsBegin, end, slots));
      pathsBegin = end;
    }
  }

  private int position() {
    return flow.maxLocals();
  }

  private void beginPaths() {
    boolean isNeeded = !flow.initialisesAgain() && (remembers || flow.turns().locals() > 0);
    if (isNeeded && isInitialised() && pathsBegin == null) {
      pathsBegin = new Label();
      mv.visitLabel(pathsBegin);
    }
  }

  // ---- marking ----

  private void markHere(int point) {
    marks.set(mv, point);
  }

  private void markPosition() {
    mv.visitVarInsn(Opcodes.ILOAD, position());
    marks.setByNumber(mv);
  }

  private void markPending() {
    if (now.isPending()) {
      markHere(now.at);
      now = now.mark();
    }
  }

  private void remember(int point) {
    marks.pushPoint(mv, point);
    mv.visitVarInsn(Opcodes.ISTORE, position());
  }

  private void rememberPending() {
    if (now.isPending() && now.remembered != now.at) {
      remember(now.at);
      now = now.remember();
    }
  }

  private Onto onto(Label target) {
    if (!onPaths() || flow.isJoin(target) && !flow.isMeeting(target)) {
      return Onto.MARK;
    }
    return flow.isMeeting(target) ? Onto.MEETING : Onto.PATH;
  }

  /** Control goes on to a label. */
  private void comeTo(Label target) {
    switch (onto(target)) {
      case MARK:
        markPending();
        break;
      case MEETING:
        rememberPending();
        break;
      default:
        carried.put(target, now);
    }
  }

  /** Paths have met here: whichever was passed is marked now. */
  private void met() {
    if (isMeeting) {
      isMeeting = false;
      marks.load(mv);
      mv.visitVarInsn(Opcodes.ILOAD, position());
      marks.set(mv);
    }
  }

  /** A handler does not cover itself any more: what waited for that is marked. */
  private void markWaiting() {
    caught(pointsWaiting.get(0));
    if (!onPaths()) {
      pointsWaiting.forEach(this::markHere);
      now = now.mark();
    }
    pointsWaiting.clear();
  }

  private void reach(int point) {
    now = now.reach(point);
    if (waiting != null) {
      pointsWaiting.add(point);
    } else if (!onPaths()) {
      markPending();
    }
  }

  // ---- labels and frames ----

  @Override
  protected void handling(Label start, Label end, Label handler, String type) {
    boolean leavesMonitor = flow.covers().leavesMonitor(handler);
    if (leavesMonitor) {
      leavingMonitors.put(PlacedReader.offset(handler), handler);
    }
    boolean endsItself = flow.covers().endsItself(handler, end);
    super.handling(
        leavesMonitor ? aheadOf(start) : start,
        leavesMonitor || endsItself ? aheadOf(end) : end,
        handler,
        type);
  }

  private Label aheadOf(Label label) {
    return ahead.computeIfAbsent(label, l -> new Label());
  }

  @Override
  public void visitLabel(Label label) {
    if (ahead.containsKey(label)) {
      mv.visitLabel(ahead.get(label));
    }
    if (waiting != null && flow.covers().endsItself(waiting, label)) {
      waiting = null;
      markWaiting();
    }
    if (flow.isJoin(label)) {
      if (alive) {
        comeTo(label);
      }
      now = State.START;
      isMeeting = onto(label) == Onto.MEETING;
    } else if (!alive) {
      now = carried.getOrDefault(label, State.START);
    }
    if (alive) {
      turns.goOn(label);
    }
    alive = true;
    super.visitLabel(label);
    labelsHere.add(label);
    waiting = flow.covers().coversItself(label) ? label : waiting;
    behind = label;
    Set<Integer> slotsHere = turns.arrive(label);
    if (!slotsHere.equals(slots)) {
      guard(label);
      slots = slotsHere;
    }
  }

  @Override
  public void visitFrame(int type, int numLocal, Object[] local, int numStack, Object[] stack) {
    Object[] locals = withOurs(numLocal, local);
    Object[] onStack = fresh(Arrays.copyOf(stack, numStack));
    super.visitFrame(type, locals.length, locals, onStack.length, onStack);
    Frame frame = new Frame(locals, onStack);
    for (Label label : labelsHere) {
      frames.put(label, frame);
    }
  }

  private Object[] withOurs(int numLocal, Object[] local) {
    List<Object> all = new ArrayList<>(Arrays.asList(local).subList(0, numLocal));
    if (ours() > 0) {
      int slots = 0;
      for (Object type : all) {
        slots += type == Opcodes.LONG || type == Opcodes.DOUBLE ? 2 : 1;
      }
      for (; slots < flow.maxLocals(); slots++) {
        all.add(Opcodes.TOP);
      }
      if (remembers) {
        all.add(Opcodes.INTEGER);
      }
      all.addAll(Collections.nCopies(flow.turns().locals(), Opcodes.INTEGER));
    }
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

  // ---- points ----

  @Override
  protected void handler(int point) {
    if (waiting == null) {
      caught(point);
    }
    reach(point);
  }

  /** What was passed until something was thrown is marked. */
  private void caught(int handler) {
    turns.handler(handler);
    if (onPaths()) {
      markPosition();
    }
  }

  @Override
  protected void line(int point, int line) {
    met();
    this.line = line;
    reach(point);
  }

  @Override
  protected void jump(int point, int opcode, Label target) {
    met();
    labelsHere.clear();
    mv.visitJumpInsn(opcode, way(point, target));
    reach(point + 1);
    turns.outcome(point + 1);
  }

  @Override
  protected void choice(int point, int[] keys, Label[] targets, Label otherwise) {
    met();
    labelsHere.clear();
    Label[] over = new Label[targets.length];
    for (int i = 0; i < over.length; i++) {
      over[i] = way(point + i, targets[i]);
    }
    Label overDefault = way(point + keys.length, otherwise);
    boolean dense = keys.length > 0 && keys[keys.length - 1] - keys[0] == keys.length - 1;
    if (dense) {
      mv.visitTableSwitchInsn(keys[0], keys[keys.length - 1], overDefault, over);
    } else {
      mv.visitLookupSwitchInsn(overDefault, keys, over);
    }
    alive = false;
  }

  /** Where to jump so that the point gets marked: by what follows there, or by a detour. */
  private Label way(int point, Label target) {
    Onto onto = onto(target);
    if (onto == Onto.PATH) {
      carried.put(target, now.reach(point));
      if (!flow.turns().concerns(point)) {
        return target;
      }
    }
    Label handler =
        leavingMonitors.isEmpty() || behind == null
            ? null
            : leavingMonitors.get(flow.covers().held(behind, target));
    Detour detour = new Detour(new Label(), point, onto, target, handler);
    detours.add(detour);
    return detour.start;
  }

  @Override
  protected void leap(Label target) {
    met();
    labelsHere.clear();
    if (!flow.isImplied(leaps)) {
      comeTo(target);
    }
    turns.leap(leaps++);
    mv.visitJumpInsn(Opcodes.GOTO, target);
    alive = false;
  }

  @Override
  protected void instruction(int opcode, Effect effect) {
    met();
    boolean returns = opcode >= Opcodes.IRETURN && opcode <= Opcodes.RETURN;
    if (waiting == null) {
      passOn(opcode, effect, returns);
    }
    if (returns) {
      turns.leap(leaps++);
    }
    alive = alive && !returns && opcode != Opcodes.ATHROW;
    labelOfNew();
    labelsHere.clear();
  }

  private void passOn(int opcode, Effect effect, boolean returns) {
    boolean isSeen = now.at == paths.certain(line) && opcode != Opcodes.MONITORENTER;
    if (returns || effect == Effect.CALLS && !isSeen) {
      markPending();
    } else if (effect != Effect.NONE) {
      rememberPending();
    }
  }

  /**
   * A frame names an object that was not initialised yet by the label of its NEW. That label stands
   * in front of the marks by now, so NEW gets one of its own.
   */
  private void labelOfNew() {
    if (beforeNew) {
      beforeNew = false;
      Label own = new Label();
      mv.visitLabel(own);
      for (Label label : labelsHere) {
        freshLabelOfNew.put(label, own);
      }
    }
  }

  @Override
  public void visitTypeInsn(int opcode, String type) {
    beforeNew = opcode == Opcodes.NEW;
    super.visitTypeInsn(opcode, type);
  }

  @Override
  protected void initialised() {
    beginPaths();
  }

  // ---- the method's end ----

  @Override
  public void visitMaxs(int maxStack, int maxLocals) {
    Label pathsEnd = new Label();
    mv.visitLabel(pathsEnd);
    for (Detour detour : detours) {
      mv.visitLabel(detour.start);
      Frame frame = frames.get(detour.target);
      if (frame != null) {
        mv.visitFrame(
            Opcodes.F_NEW, frame.locals.length, frame.locals, frame.stack.length, frame.stack);
      }
      if (detour.onto == Onto.MARK) {
        markHere(detour.point);
      } else if (detour.onto == Onto.MEETING) {
        remember(detour.point);
      }
      turns.outcome(detour.point);
      mv.visitJumpInsn(Opcodes.GOTO, detour.target);
      if (detour.handler != null) {
        Label end = new Label();
        mv.visitLabel(end);
        mv.visitTryCatchBlock(detour.start, end, detour.handler, null);
      }
    }
    guard(pathsEnd);
    catchAll();
    super.visitMaxs(maxStack, maxLocals + ours());
  }

  private int ours() {
    return (remembers ? 1 : 0) + flow.turns().locals();
  }

  /** What leaves the method by an exception has passed the position that is remembered. */
  private void catchAll() {
    Map<Set<Integer>, Label> handlers = new LinkedHashMap<>();
    for (Guarded code : guarded) {
      if (code.start.getOffset() < code.end.getOffset()) {
        Label handler = handlers.computeIfAbsent(code.slots, s -> new Label());
        mv.visitTryCatchBlock(code.start, code.end, handler, null);
      }
    }
    handlers.forEach(this::handler);
  }

  private void handler(Set<Integer> ofSlots, Label handler) {
    mv.visitLabel(handler);
    Object[] locals = withOurs(0, new Object[0]);
    mv.visitFrame(Opcodes.F_NEW, locals.length, locals, 1, new Object[] {"java/lang/Throwable"});
    if (remembers) {
      markPosition();
    }
    turns.thrown(ofSlots);
    mv.visitInsn(Opcodes.ATHROW);
  }
}
