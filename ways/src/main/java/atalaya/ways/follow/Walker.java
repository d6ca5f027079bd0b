package atalaya.ways.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.EnumValue;
import atalaya.core.term.Term;
import atalaya.core.term.UsualValues;
import atalaya.core.term.Values;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.Concrete;
import atalaya.ways.code.ConstantBodies;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.MethodCode.Edge;
import atalaya.ways.code.Path;
import atalaya.ways.code.TypeNames;
import atalaya.ways.code.Visibility;
import atalaya.ways.course.Allowance;
import atalaya.ways.course.Course;
import atalaya.ways.course.Fixed;
import atalaya.ways.course.NotFollowed;
import atalaya.ways.course.Partings;
import atalaya.ways.course.Steering;
import atalaya.ways.course.Symbol;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.InvokeDynamicInsnNode;
import org.objectweb.asm.tree.JumpInsnNode;
import org.objectweb.asm.tree.LookupSwitchInsnNode;
import org.objectweb.asm.tree.MethodInsnNode;
import org.objectweb.asm.tree.analysis.AnalyzerException;
import org.objectweb.asm.tree.analysis.Frame;

/**
 * Follows a path through code and computes with terms instead of values (symbolic execution; King
 * 1976), so that it comes out what has to hold for the path to be taken.
 */
public final class Walker {
  /** So deep calls are followed, deeper those of small methods and of such as decide nothing. */
  private static final int DEEPEST = 4;

  private static final int DEEPEST_PLAIN = 12;

  /** So deep where it is known what inputs are. */
  private static final int DEEPEST_KNOWN = 6;

  /** Instructions, labels included. */
  private static final int SMALL = 40;

  /**
   * How a method ended.
   *
   * @param result null for none
   * @param thrown the internal name of the exception, or empty
   * @param goesOn whether it did not end, and was not followed further
   */
  record End(Term result, String thrown, boolean goesOn) {
    End(Term result, String thrown) {
      this(result, thrown, false);
    }

    /** What a call comes to in this case; anything where it gives nothing. */
    Term.Case inCase(List<Constraint> conditions) {
      boolean isNothing = thrown.isEmpty() && result == null;
      return new Term.Case(conditions, isNothing ? Term.of(0) : result, thrown);
    }
  }

  final Known known;
  final CodeBase base;
  final Visibility visible;
  final Makings makings;
  final List<Walked.Passed> steps = new ArrayList<>();
  final Set<Term.Input> doubles = new LinkedHashSet<>();
  final Set<Term.Input> handedOn = new LinkedHashSet<>();
  final Map<Term.Input, Set<Term.Input>> doubted = new LinkedHashMap<>();
  final Map<Term.Input, Map<Term.Input, Term>> mapped = new LinkedHashMap<>();
  final Set<Term.Input> changedInputs = new LinkedHashSet<>();
  final Map<Term.Input, Term> asMade = new LinkedHashMap<>();
  final Map<Constraint, String> ends = new LinkedHashMap<>();
  final Map<Constraint, String> endings = new LinkedHashMap<>();

  /** What inputs are, as far as it is known from the beginning. */
  final Values given;

  final Functions functions = new Functions(this);
  final OfTexts ofTexts = new OfTexts();
  final Set<Walked.Asked> asked = new LinkedHashSet<>();
  final List<Walked.Effect> effects = new ArrayList<>();
  final Set<String> surroundings = new LinkedHashSet<>();
  boolean mayHalt;

  /** Whether something of the platform was closed, which throws when it is used then. */
  boolean closes;

  final Fixed fixed;
  final Objects objects = new Objects(this);
  final Elements elements = new Elements(this);
  final Lines lines = new Lines(this);
  final Results results = new Results(this);
  final Distinct distinct = new Distinct(this);
  final Changes changes = new Changes(this, objects.containers(), objects.holders());
  final TypeTests types = new TypeTests(this);
  final Builders builders = new Builders(this);
  State state = new State();
  int depth;

  /** What a call gives its state that is followed before the way. */
  Optional<Term.Input> underway = Optional.empty();

  /** What has its state by such calls. */
  final Set<Term.Input> prepared = new LinkedHashSet<>();

  private final Steering steering;
  private final Allowance allowance;
  private final Calls calls = new Calls(this);
  private final Raised raised = new Raised(this, calls);
  private final Map<Constraint, Walked.Cause> causes = new IdentityHashMap<>();
  private final Values nothing = new Values(Map.of());
  private final Set<Constraint> own = Collections.newSetFromMap(new IdentityHashMap<>());
  private final Set<Constraint> inLoops = Collections.newSetFromMap(new IdentityHashMap<>());
  private final Map<String, BitSet> points = new HashMap<>();
  private final Set<CodeBase.Ref> called = new LinkedHashSet<>();
  private Walked.Cause cause;
  private boolean isInLoop;
  private Edge taken;
  private boolean apart;
  private List<String> handled = List.of();
  private final Deque<List<String>> caught = new ArrayDeque<>();
  private String thrown;
  private Walked.Cut cut;
  private int made;
  private int line;
  private String here = "";

  Walker(Known known, Steering steering, Allowance allowance, Makings makings, String entered) {
    this.allowance = allowance;
    this.makings = makings;
    this.known = known;
    this.given = known.given().<Values>map(UsualValues::new).orElse(nothing);
    this.base = known.base();
    this.fixed = new Fixed(known.seen());
    this.visible = Visibility.ofTestOf(base, entered);
    this.steering = steering;
  }

  /**
   * Follows paths, each of which but the last one calls the next.
   *
   * @param allowance when it is spent, calls are no longer followed
   * @param whole from the one that a test calls
   * @param before what is called on objects first
   */
  public static Walked walk(
      Known known,
      Steering steering,
      Allowance allowance,
      Route whole,
      Makings makings,
      List<Before> before)
      throws NotFollowed {
    MethodCode first = whole.paths().get(0).code();
    Walker walker = new Walker(known, steering, allowance, makings, first.ref().type());
    Term.Input receiver = null;
    List<Term> all = new ArrayList<>();
    boolean makes = first.node().name.equals("<init>");
    if (!first.isStatic()) {
      String made =
          makes ? first.ref().type() : Concrete.of(walker.base, walker.visible, first.ref());
      receiver = Term.Input.receiver("L" + made + ";");
      all.add(receiver);
      if (makes) {
        walker.objects.isMadeHere(receiver);
      } else {
        walker.requireAnswered(receiver, first.ref());
      }
    }
    List<Term.Input> arguments = first.inputs("");
    all.addAll(arguments);
    List<Walked.Prepared> prepared = new ArrayList<>();
    for (Before one : before) {
      prepared.add(one.follow(walker));
    }
    End end = walker.run(whole.paths().get(0), all, whole);
    walker.functions.callOthers();
    if (receiver != null && !makes) {
      walker.depth++; // It is no part of the route.
      walker.objects.settle(receiver);
      walker.objects.settleParts(receiver);
    }
    return new Walked(
        new Walked.Conditions(
            walker.state.constraints,
            walker.causes,
            walker.ends,
            walker.endings,
            walker.own,
            walker.inLoops,
            walker.doubted),
        new Walked.Trace(
            walker.steps,
            walker.points,
            walker.called,
            walker.effects,
            walker.surroundings,
            walker.mayHalt,
            walker.fixed.names()),
        new Walked.Ending(
            end.result(), end.thrown(), end.goesOn(), Optional.ofNullable(walker.cut)),
        new Walked.Needs(
            makes ? null : receiver,
            arguments,
            walker.objects.built(),
            walker.objects.refusing(),
            prepared,
            walker.asMade,
            walker.objects.madeOtherwise(),
            walker.objects.narrowings(),
            walker.types.asked(),
            walker.doubles,
            walker.handedOn,
            walker.changedInputs,
            walker.mapped,
            walker.asked));
  }

  /** Where on the way from the entry to the last method a path is. */
  public record Route(List<Path> paths, List<Integer> sites, int at) {
    static final Route NONE = new Route(List.of(), List.of(), 0);

    boolean goesOnAt(int instruction) {
      return at < sites.size() && sites.get(at) == instruction;
    }

    Path next() {
      return paths.get(at + 1);
    }

    Route further() {
      return new Route(paths, sites, at + 1);
    }
  }

  /** Follows a path with given arguments, the object first. */
  End run(Path path, List<Term> arguments, Route route) throws NotFollowed {
    boolean isOnRoute = depth == route.at();
    Steering steered = isOnRoute ? steering : Steering.NONE;
    return run(new Course.Planned(path, steered, route.at()), arguments, route);
  }

  /** Follows a course with given arguments, the object first. */
  End run(Course course, List<Term> arguments, Route route) throws NotFollowed {
    MethodCode code = course.code();
    Frame<Symbol> frame = entered(code, arguments);
    Instructions instructions = new Instructions(this, calls);
    boolean isOwn = base.has(code.ref().type());
    String before = here;
    Edge takenBefore = taken;
    here = code.ref().type();
    depth++;
    try {
      boolean isOnRoute = depth == 1 + route.at();
      Optional<Path.Move> next = course.next(null);
      while (next.isPresent()) {
        Path.Move move = next.get();
        allowance.use();
        pass(code, code.points(move.at()));
        line = isOwn ? code.line(move.at()) : line;
        if (isOnRoute && move.edge() != null && isParting(code, move.edge())) {
          cause = new Walked.Cause(route.at(), move.taken());
        }
        isInLoop = isOnRoute ? code.loops().get(move.at()) : isInLoop;
        taken = move.edge();
        Optional<End> end = step(course, move, frame, instructions, route);
        if (end.isPresent()) {
          return end.get();
        }
        next = taken == null ? Optional.empty() : course.next(taken);
      }
      return new End(null, "", true);
    } catch (AnalyzerException | IndexOutOfBoundsException e) {
      throw new NotFollowed("line " + line, e);
    } finally {
      depth--;
      here = before;
      taken = takenBefore;
    }
  }

  private static Frame<Symbol> entered(MethodCode code, List<Term> arguments) {
    Frame<Symbol> frame = new Frame<>(code.node().maxLocals, Math.max(1, code.node().maxStack + 1));
    int slot = 0;
    Type[] types = Type.getArgumentTypes(code.node().desc);
    int first = arguments.size() - types.length;
    for (int i = 0; i < arguments.size(); i++) {
      String type = i < first ? "" : types[i - first].getDescriptor();
      Symbol symbol = Symbol.of(arguments.get(i), type);
      frame.setLocal(slot, symbol);
      slot += symbol.getSize();
    }
    for (int i = slot; i < code.node().maxLocals; i++) {
      frame.setLocal(i, Symbol.UNSET);
    }
    return frame;
  }

  private static boolean isParting(MethodCode code, Edge edge) {
    return code.edges(edge.from()).size() > 1;
  }

  private Optional<End> step(
      Course course, Path.Move move, Frame<Symbol> frame, Instructions instructions, Route route)
      throws AnalyzerException, NotFollowed {
    MethodCode code = course.code();
    AbstractInsnNode instruction = code.at(move.at());
    Edge edge = move.edge();
    int opcode = instruction.getOpcode();
    if (opcode < 0) {
      return Optional.empty();
    }
    boolean isDecision =
        edge != null && edge.thrown().isEmpty() && code.edges(move.at()).size() > 1;
    if (edge != null && edge.point() >= 0 && !isDecision) {
      passed(code, edge);
    }
    if (opcode == Opcodes.ATHROW) {
      Term thrown = frame.pop().term();
      if (edge == null) {
        return Optional.of(new End(null, TypeNames.internal(thrown.type())));
      }
      frame.clearStack();
      frame.push(Symbol.of(raised.taken(thrown, edge.thrown()), ""));
    } else if (edge != null && !edge.thrown().isEmpty()) {
      Term thrown = raised.by(called(instruction, frame), edge.thrown());
      frame.clearStack();
      frame.push(Symbol.of(thrown, ""));
    } else if (instruction instanceof JumpInsnNode && opcode != Opcodes.GOTO
        || instruction instanceof LookupSwitchInsnNode) {
      Partings partings = new Partings(known.meanings(), code, line);
      Function<Edge, List<Constraint>> needed = partings.needs(instruction, frame);
      decide(course, move, to -> fixed.orNever(code, to, needed.apply(to)));
    } else if (MethodCode.isReturn(opcode)) {
      return Optional.of(new End(opcode == Opcodes.RETURN ? null : frame.pop().term(), ""));
    } else if (route.goesOnAt(move.at())) {
      return inner(code, move.at(), frame, route);
    } else {
      List<String> handledBefore = handled;
      handled = code.handled(move.at());
      caught.push(handled);
      try {
        frame.execute(instruction, instructions);
      } finally {
        caught.pop();
        handled = handledBefore;
      }
      if (thrown != null) {
        boolean isOnRoute = depth == 1 + route.at() && !apart;
        cut = isOnRoute ? new Walked.Cut(route.at(), move) : cut;
        End end = thrown(code, move.at(), thrown);
        thrown = null;
        if (end.goesOn() && !isOnRoute) {
          throw new NotFollowed("a handler takes what is thrown", null);
        }
        return Optional.of(end);
      }
      Optional<Path> lambda = course.lambda(move.at());
      if (lambda.isPresent()) {
        functions.goes(frame.getStack(frame.getStackSize() - 1).term(), lambda.get());
      }
    }
    return Optional.empty();
  }

  /** What a call throws ends the way, unless a handler may take it: there nobody follows it. */
  private End thrown(MethodCode code, int at, String exception) {
    boolean isTaken =
        code.guarded(at).stream()
            .anyMatch(by -> base.isA(exception, by) || base.isA(by, exception));
    return isTaken ? new End(null, "", true) : new End(null, exception);
  }

  private Optional<End> inner(MethodCode code, int at, Frame<Symbol> frame, Route route)
      throws NotFollowed, AnalyzerException {
    AbstractInsnNode instruction = code.at(at);
    if (instruction instanceof InvokeDynamicInsnNode making) {
      throw new NotFollowed("a reference to " + making.name, null);
    }
    List<Term> arguments = popped(instruction, frame);
    End end = run(route.next(), arguments, route.further());
    if (end.goesOn()) {
      return Optional.of(end);
    }
    if (end.result() != null) {
      String returned = Type.getReturnType(((MethodInsnNode) instruction).desc).getDescriptor();
      frame.push(Symbol.of(end.result(), returned));
    }
    return end.thrown().isEmpty() ? Optional.empty() : Optional.of(thrown(code, at, end.thrown()));
  }

  private static Call called(AbstractInsnNode instruction, Frame<Symbol> frame) {
    return new Call((MethodInsnNode) instruction, popped(instruction, frame));
  }

  static List<Term> popped(AbstractInsnNode instruction, Frame<Symbol> frame) {
    MethodInsnNode call = (MethodInsnNode) instruction;
    int count = Type.getArgumentTypes(call.desc).length;
    count += call.getOpcode() == Opcodes.INVOKESTATIC ? 0 : 1;
    List<Term> terms = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      terms.add(0, frame.pop().term());
    }
    return terms;
  }

  /** Takes an edge, or another one where it can't be taken; what it needs has to hold. */
  private void decide(Course course, Path.Move move, Function<Edge, List<Constraint>> needed)
      throws NotFollowed {
    List<Edge> all = new ArrayList<>(List.of(move.edge()));
    course.code().edges(move.at()).stream()
        .filter(other -> !other.equals(move.edge()) && other.thrown().isEmpty())
        .forEach(all::add);
    taken = course.chosen(all, needed, state.constraints);
    if (taken != move.edge() && cause != null) {
      cause = new Walked.Cause(cause.level(), new Path.Taken(taken, move.turn()));
    }
    if (taken.point() >= 0) {
      passed(course.code(), taken);
    }
    needed.apply(taken).forEach(this::require);
  }

  private void passed(MethodCode code, Edge edge) {
    BitSet one = new BitSet();
    one.set(edge.point());
    pass(code, one);
    if (!apart && base.has(code.ref().type())) {
      steps.add(new Walked.Passed(code.ref().type(), edge.point(), code.line(edge.from())));
    }
  }

  /** A method of the project is called, of which it may not be followed where it goes. */
  void calls(CodeBase.Ref method) {
    if (!apart) {
      called.add(method);
    }
  }

  private void pass(MethodCode code, BitSet passed) {
    if (!apart && !passed.isEmpty() && base.has(code.ref().type())) {
      points.computeIfAbsent(code.ref().type(), t -> new BitSet()).or(passed);
    }
  }

  /** Does something of which only what it computes matters, and not what it passes. */
  End apart(State in, Path path, List<Term> arguments) throws NotFollowed {
    return apart(in, new Course.Planned(path, Steering.NONE, 0), arguments);
  }

  /** Does something of which only what it computes matters, and not what it passes. */
  End apart(State in, Course course, List<Term> arguments) throws NotFollowed {
    State outer = state;
    boolean wasApart = apart;
    int effectsBefore = effects.size();
    state = in;
    apart = true;
    try {
      return run(course, arguments, Route.NONE);
    } finally {
      state = outer;
      apart = wasApart;
      if (!wasApart) {
        effects.subList(effectsBefore, effects.size()).clear();
      }
    }
  }

  /** The exceptions that handlers around the instruction that is followed now are for. */
  List<String> handled() {
    return handled;
  }

  /** Whether a handler may take what the instruction throws that is followed now. */
  boolean isCaught() {
    return caught.stream().anyMatch(some -> !some.isEmpty());
  }

  /** The exceptions that handlers are for, around the instruction and all calls up to it. */
  List<String> caught() {
    return caught.stream().flatMap(List::stream).toList();
  }

  /** The call that is followed now throws something, whatever the inputs. */
  void throwing(String exception) {
    thrown = exception;
  }

  /** What is done next has nothing to do with the place where the way is. */
  Runnable elsewhere() {
    Walked.Cause before = cause;
    boolean wasInLoop = isInLoop;
    cause = null;
    isInLoop = false;
    return () -> {
      cause = before;
      isInLoop = wasInLoop;
    };
  }

  /** Whether what is done now only serves to compute something. */
  boolean isApart() {
    return apart;
  }

  /** Whether a call is followed that gives an object its state, before the way. */
  boolean isFilling(Term object) {
    return underway.filter(object::equals).isPresent();
  }

  /** Whether what is called is no longer followed. */
  boolean isAtEnd(MethodCode called) {
    boolean isPlain = called.isStraight() || called.node().instructions.size() <= SMALL;
    int deepest = isPlain ? DEEPEST_PLAIN : known.given().isPresent() ? DEEPEST_KNOWN : DEEPEST;
    return depth > deepest && !called.isLeaf() || allowance.isSpent();
  }

  int line() {
    return line;
  }

  /** The class whose code is followed now. */
  String here() {
    return here;
  }

  Term.Made newObject(String type) {
    return new Term.Made(made++, type);
  }

  /** Where it is a constant of an enum, one that answers by this method. */
  private void requireAnswered(Term receiver, CodeBase.Ref method) {
    for (EnumValue other : ConstantBodies.others(base, method)) {
      Term constant = new Term.Constant(other, receiver.type());
      require(new Compared(receiver, Relation.NOT_EQUAL, constant, Reason.unwritten(0)));
    }
  }

  /** Something has to hold. */
  void require(Constraint constraint) {
    if (Boolean.TRUE.equals(nothing.holds(constraint))) {
      return;
    }
    state.constraints.add(constraint);
    if (cause != null) {
      causes.put(constraint, cause);
    }
    boolean isOfCalled =
        constraint instanceof Constraint.Throws thrown && thrown.call() instanceof Term.Choice;
    if (depth == 1 + (cause == null ? 0 : cause.level()) && !isOfCalled) {
      own.add(constraint);
    }
    if (isInLoop) {
      inLoops.add(constraint);
    }
  }

  /** A reference is used, so it can't be null. */
  void requireThere(Term reference) {
    boolean matters =
        reference.isNull()
            || reference instanceof Term.Input input
                && (input.isFree() || input.usual() == Term.SOMETHING)
                && !input.isReceiver()
                && !(input.source() == Term.Source.RESULT && input.usual() == Term.THERE)
            || reference instanceof Term.Choice choice
                && choice.cases().stream()
                    .anyMatch(one -> one.result() != null && one.result().isNull());
    if (matters) {
      require(new Compared(reference, Relation.NOT_EQUAL, Term.NULL, Reason.unwritten(line)));
    }
  }

  /** The operation, computed already where nothing has to be known for it. */
  Term computed(Term term) {
    if (term instanceof Term.Operation operation
        && operation.operands().stream().allMatch(Term::isConstant)) {
      Object value = nothing.of(term);
      boolean isPlain = value instanceof Number || value instanceof String || value == null;
      if (isPlain) {
        return new Term.Constant(value, term.type());
      }
    }
    return term;
  }
}
