package atalaya.ways.code;

import atalaya.core.term.Term;
import atalaya.ways.code.CodeBase.Ref;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.objectweb.asm.Handle;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.FieldInsnNode;
import org.objectweb.asm.tree.InsnList;
import org.objectweb.asm.tree.InvokeDynamicInsnNode;
import org.objectweb.asm.tree.JumpInsnNode;
import org.objectweb.asm.tree.LineNumberNode;
import org.objectweb.asm.tree.LocalVariableNode;
import org.objectweb.asm.tree.LookupSwitchInsnNode;
import org.objectweb.asm.tree.MethodInsnNode;
import org.objectweb.asm.tree.MethodNode;
import org.objectweb.asm.tree.TableSwitchInsnNode;
import org.objectweb.asm.tree.TryCatchBlockNode;
import org.objectweb.asm.tree.VarInsnNode;

/** The code of one method: its instructions, where its points are, and where control goes. */
public final class MethodCode {
  /**
   * Control goes from one instruction to another.
   *
   * @param point of the outcome that it is, or -1
   * @param key of a switch; null for its default, and for what is no switch
   * @param thrown the internal name of the exception by which it goes; empty when by none
   */
  public record Edge(int from, int to, int point, Integer key, String thrown) {}

  private static final Set<String> FILLING =
      Set.of("add", "addAll", "addFirst", "addLast", "put", "putAll", "offer", "push");

  private static final int FEW_PATHS = 12;

  private final MethodNode node;
  private final Ref ref;
  private final BitSet[] points;
  private final List<List<Edge>> edges = new ArrayList<>();
  private final int[] lines;
  private final BitSet allPoints = new BitSet();
  // Found out when it is asked for the first time; twice does no harm.
  private final BitSet caught = new BitSet();
  private final boolean isStraight;
  private final Set<String> refusals;
  private volatile Graph graph;
  private volatile List<Ref> called;
  private volatile BitSet passedByAll;
  private volatile Optional<Path> shortest;
  private volatile Optional<List<Path>> fewPaths;

  MethodCode(
      String type,
      MethodNode node,
      Map<Integer, BitSet> at,
      Map<Integer, Integer> outcomes,
      Exceptions exceptions) {
    this.node = node;
    this.ref = new Ref(type, node.name + node.desc);
    int size = node.instructions.size();
    this.points = new BitSet[size];
    this.lines = new int[size];
    int line = 0;
    for (int i = 0; i < size; i++) {
      points[i] = at.getOrDefault(i, new BitSet(0));
      if (node.instructions.get(i) instanceof LineNumberNode entry) {
        line = entry.line;
      }
      lines[i] = line;
    }
    for (int i = 0; i < size; i++) {
      edges.add(edgesFrom(i, outcomes));
    }
    handlers(exceptions);
    this.isStraight = edges.stream().allMatch(MethodCode::isStraight);
    this.refusals = foundRefusals();
    for (int i = 0; i < size; i++) {
      allPoints.or(points[i]);
      edges.get(i).stream().filter(e -> e.point() >= 0).forEach(e -> allPoints.set(e.point()));
    }
  }

  private List<Edge> edgesFrom(int at, Map<Integer, Integer> outcomes) {
    InsnList all = node.instructions;
    AbstractInsnNode instruction = all.get(at);
    int opcode = instruction.getOpcode();
    List<Edge> from = new ArrayList<>();
    int point = outcomes.getOrDefault(at, -1);
    if (instruction instanceof JumpInsnNode jump) {
      from.add(new Edge(at, all.indexOf(jump.label), point, null, ""));
      if (opcode != Opcodes.GOTO) {
        from.add(0, new Edge(at, at + 1, point < 0 ? -1 : point + 1, null, ""));
      }
    } else if (instruction instanceof LookupSwitchInsnNode choice) {
      for (int i = 0; i < choice.keys.size(); i++) {
        from.add(
            new Edge(at, all.indexOf(choice.labels.get(i)), point + i, choice.keys.get(i), ""));
      }
      from.add(new Edge(at, all.indexOf(choice.dflt), point + choice.keys.size(), null, ""));
    } else if (!isExit(opcode) && !Surroundings.ends(instruction) && at + 1 < all.size()) {
      from.add(new Edge(at, at + 1, -1, null, ""));
    }
    return from;
  }

  private void handlers(Exceptions exceptions) {
    BitSet comeTo = new BitSet();
    edges.forEach(
        from -> from.stream().filter(e -> e.to() != e.from() + 1).forEach(e -> comeTo.set(e.to())));
    for (TryCatchBlockNode block : node.tryCatchBlocks) {
      // A finally block, of which only what is thrown before it in the same method is followed.
      boolean isFinally = block.type == null;
      String thrown = isFinally ? "java/lang/Throwable" : block.type;
      int handler = node.instructions.indexOf(block.handler);
      int to = node.instructions.indexOf(block.end);
      for (int i = node.instructions.indexOf(block.start); i < to; i++) {
        AbstractInsnNode instruction = node.instructions.get(i);
        Optional<Boolean> throwsIt =
            instruction instanceof MethodInsnNode call
                ? Optional.of(!isFinally && exceptions.mayThrow(call, block.type))
                : instruction.getOpcode() != Opcodes.ATHROW
                    ? Optional.of(false)
                    : isFinally
                        ? Optional.of(i < handler)
                        : isThrown(i, block.type, exceptions, comeTo);
        boolean isKnown = edges.get(i).stream().anyMatch(e -> e.to() == handler);
        if (throwsIt.orElse(true) && !isKnown && !caught.get(i)) {
          edges.get(i).add(new Edge(i, handler, -1, null, thrown));
          boolean isCertain = instruction.getOpcode() == Opcodes.ATHROW && throwsIt.isPresent();
          caught.set(i, isCertain && !isFinally);
        }
      }
    }
  }

  /**
   * Whether what an instruction throws is an exception; empty where its type is not known.
   *
   * @param comeTo where control comes to from elsewhere, maybe with something else to throw
   */
  private Optional<Boolean> isThrown(
      int at, String exception, Exceptions exceptions, BitSet comeTo) {
    int before = at - 1;
    while (before >= 0 && node.instructions.get(before).getOpcode() < 0) {
      before--;
    }
    boolean isNew =
        before >= 0
            && comeTo.get(before + 1, at + 1).isEmpty()
            && node.instructions.get(before) instanceof MethodInsnNode made
            && made.name.equals("<init>");
    return isNew
        ? exceptions.isKnownA(((MethodInsnNode) at(before)).owner, exception)
        : Optional.empty();
  }

  /** Whether an instruction throws what the method itself handles, in any case. */
  public boolean isCaught(int at) {
    return caught.get(at);
  }

  public static boolean isReturn(int opcode) {
    return opcode >= Opcodes.IRETURN && opcode <= Opcodes.RETURN;
  }

  private static boolean isExit(int opcode) {
    return isReturn(opcode) || opcode == Opcodes.ATHROW;
  }

  /** Which method it is. */
  public Ref ref() {
    return ref;
  }

  public MethodNode node() {
    return node;
  }

  boolean hasCode() {
    return node.instructions.size() > 0;
  }

  /** How many instructions there are, labels and lines included. */
  public int size() {
    return node.instructions.size();
  }

  /** An instruction, from 0. */
  public AbstractInsnNode at(int index) {
    return node.instructions.get(index);
  }

  /** The points in front of an instruction. */
  public BitSet points(int index) {
    return points[index];
  }

  /** The line of an instruction, from 1; 0 where the class file does not tell. */
  public int line(int index) {
    return lines[index];
  }

  /** Where control may go after an instruction. */
  public List<Edge> edges(int index) {
    return edges.get(index);
  }

  /** The exceptions of an instruction that the method itself handles. */
  public List<String> handled(int index) {
    List<Edge> from = edges.get(index);
    return from.size() < 2
        ? List.of()
        : from.stream().map(Edge::thrown).filter(t -> !t.isEmpty()).toList();
  }

  /**
   * The exceptions that handlers around an instruction are for; none for {@code finally} blocks.
   */
  public List<String> guarded(int index) {
    InsnList all = node.instructions;
    return node.tryCatchBlocks.stream()
        .filter(block -> block.type != null)
        .filter(block -> all.indexOf(block.start) <= index && index < all.indexOf(block.end))
        .map(block -> block.type)
        .toList();
  }

  public boolean isStatic() {
    return (node.access & Opcodes.ACC_STATIC) != 0;
  }

  /** Whether control never parts in it. */
  public boolean isStraight() {
    return isStraight;
  }

  /** Whether control never parts in it, nor goes on elsewhere in between. */
  public boolean isLeaf() {
    return isStraight && called().isEmpty();
  }

  private static boolean isStraight(List<Edge> from) {
    return from.isEmpty() || from.size() == 1 && from.get(0).point() < 0;
  }

  /** The instructions in loops. */
  public BitSet loops() {
    return graph().inLoop();
  }

  /** The points that every path to a return passes. */
  public BitSet passedByAll() {
    if (passedByAll == null) {
      passedByAll = PathSearch.passedByAll(this);
    }
    return passedByAll;
  }

  /** The path with fewest conditions that returns. */
  public Optional<Path> shortest() {
    if (shortest == null) {
      shortest = PathSearch.heaviest(this, PathSearch.Wanted.shortest(), body -> Optional.empty());
    }
    return shortest;
  }

  /** The path that passes most, each loop once, and returns. */
  public Optional<Path> fullest() {
    return PathSearch.heaviest(this, PathSearch.Wanted.fullest(), body -> Optional.empty());
  }

  /** The path with fewest conditions, which may throw instead. */
  public Optional<Path> shortestThrowing() {
    PathSearch.Wanted any = PathSearch.Wanted.any();
    return PathSearch.heaviest(this, any, body -> Optional.empty());
  }

  /** All its paths, where there are few and no loops; else empty. */
  public Optional<List<Path>> fewPaths() {
    if (fewPaths == null) {
      fewPaths = PathSearch.all(this, FEW_PATHS);
    }
    return fewPaths;
  }

  public Graph graph() {
    if (graph == null) {
      graph = new Graph(this);
    }
    return graph;
  }

  /** Whether it does something with the object that it is called on. */
  public boolean usesItself() {
    boolean uses = false;
    for (AbstractInsnNode instruction : node.instructions) {
      uses |= instruction instanceof VarInsnNode variable && variable.var == 0;
    }
    return uses && !isStatic();
  }

  /** Whether a class that extends the one that is named may answer a call. */
  public static boolean isVirtual(MethodInsnNode call) {
    return call.getOpcode() == Opcodes.INVOKEVIRTUAL || call.getOpcode() == Opcodes.INVOKEINTERFACE;
  }

  /** The bodies of the lambdas that an instruction makes. */
  List<Ref> lambdas(int at) {
    return at(at) instanceof InvokeDynamicInsnNode making
        ? Stream.of(making.bsmArgs)
            .filter(Handle.class::isInstance)
            .map(Handle.class::cast)
            .filter(handle -> handle.getName().startsWith("lambda$"))
            .map(handle -> new Ref(handle.getOwner(), handle.getName() + handle.getDesc()))
            .toList()
        : List.of();
  }

  /** All points of outcomes, lines and handlers in it. */
  public BitSet allPoints() {
    return allPoints;
  }

  /** The fields of its own class that it writes. */
  Set<String> written() {
    Set<String> written = new HashSet<>();
    for (AbstractInsnNode instruction : node.instructions) {
      if (instruction instanceof FieldInsnNode access
          && access.owner.equals(ref.type())
          && access.getOpcode() == Opcodes.PUTFIELD) {
        written.add(access.name);
      }
    }
    return written;
  }

  /** Whether it asks what a field of its class holds. */
  public boolean reads(String field) {
    for (AbstractInsnNode instruction : node.instructions) {
      if (instruction instanceof FieldInsnNode access
          && access.getOpcode() == Opcodes.GETFIELD
          && access.name.equals(field)
          && access.owner.equals(ref.type())) {
        return true;
      }
    }
    return false;
  }

  /** The instructions that set a field of its object, or put something into what it holds. */
  public List<Integer> setting(String field) {
    List<Integer> sites = new ArrayList<>();
    boolean reads = false;
    for (int i = 0; i < node.instructions.size(); i++) {
      AbstractInsnNode instruction = at(i);
      if (instruction instanceof FieldInsnNode access
          && access.name.equals(field)
          && access.owner.equals(ref.type())) {
        boolean sets = access.getOpcode() == Opcodes.PUTFIELD;
        reads |= !sets;
        if (sets) {
          sites.add(i);
        }
      } else if (reads && instruction instanceof MethodInsnNode call && puts(call)) {
        sites.add(i);
      }
    }
    return sites;
  }

  private static boolean puts(MethodInsnNode call) {
    return call.owner.startsWith("java/util/") && FILLING.contains(call.name)
        || HoldingTypes.isWritingHolder(call.owner, call.name);
  }

  /** The fields of other objects that it may change, or the containers and holders in them. */
  Set<ChangedFields.Field> changed() {
    Set<ChangedFields.Field> changed = new HashSet<>();
    boolean writes = writes();
    boolean makes = node.name.startsWith("<");
    for (AbstractInsnNode instruction : node.instructions) {
      if (instruction instanceof FieldInsnNode field) {
        String type = TypeNames.internal(field.desc);
        boolean isSet = field.getOpcode() == Opcodes.PUTFIELD && !makes;
        boolean isWritten =
            writes && (HoldingTypes.holdsSeveral(type) || HoldingTypes.isHolder(type));
        if (isSet || isWritten) {
          changed.add(new ChangedFields.Field(field.owner, field.name, field.desc));
        }
      }
    }
    return changed;
  }

  /** Whether it calls what changes a container of the platform. */
  boolean writes() {
    for (AbstractInsnNode instruction : node.instructions) {
      if (instruction instanceof MethodInsnNode call
          && HoldingTypes.isWriting(call.owner, call.name)) {
        return true;
      }
    }
    return false;
  }

  /** What a test gives it, the names of the parameters behind a prefix. */
  public List<Term.Input> inputs(String prefix) {
    return inputs(prefix, Term.Source.ARGUMENT);
  }

  /** What it is given by others, for each of what they have. */
  public List<Term.Input> elements() {
    return inputs("", Term.Source.ELEMENT);
  }

  private List<Term.Input> inputs(String prefix, Term.Source source) {
    List<Term.Input> inputs = new ArrayList<>();
    Type[] types = Type.getArgumentTypes(node.desc);
    List<String> names = parameters();
    for (int i = 0; i < types.length; i++) {
      inputs.add(new Term.Input(prefix + names.get(i), types[i].getDescriptor(), source, null));
    }
    return inputs;
  }

  /** The names of its parameters, as far as the class file has them. */
  public List<String> parameters() {
    Map<Integer, String> names = new HashMap<>();
    if (node.localVariables != null) {
      for (LocalVariableNode variable : node.localVariables) {
        boolean fromStart = node.instructions.indexOf(variable.start) <= firstInstruction();
        if (fromStart) {
          names.put(variable.index, variable.name);
        }
      }
    }
    List<String> parameters = new ArrayList<>();
    int slot = isStatic() ? 0 : 1;
    for (Type parameter : Type.getArgumentTypes(node.desc)) {
      String declared =
          node.parameters != null && parameters.size() < node.parameters.size()
              ? node.parameters.get(parameters.size()).name
              : null;
      parameters.add(
          names.getOrDefault(
              slot, declared != null ? declared : "argument " + (parameters.size() + 1)));
      slot += parameter.getSize();
    }
    return parameters;
  }

  private int firstInstruction() {
    int at = 0;
    while (at < size() - 1 && this.at(at).getOpcode() < 0) {
      at++;
    }
    return at;
  }

  /** The methods that it calls, as its instructions name them. */
  public List<Ref> called() {
    if (called == null) {
      called =
          instructions()
              .filter(MethodInsnNode.class::isInstance)
              .map(instruction -> (MethodInsnNode) instruction)
              .map(call -> new Ref(call.owner, call.name + call.desc))
              .distinct()
              .toList();
    }
    return called;
  }

  /** The fields and methods of its own class that it is about: itself, and what it uses. */
  public Set<String> about() {
    Set<String> about = new HashSet<>(Set.of(ref.code()));
    instructions()
        .forEach(
            instruction -> {
              if (instruction instanceof FieldInsnNode use && use.owner.equals(ref.type())) {
                about.add(use.name);
              }
              if (instruction instanceof MethodInsnNode use && use.owner.equals(ref.type())) {
                about.add(use.name + use.desc);
              }
            });
    return about;
  }

  /** Whether somewhere in it something new is thrown. */
  boolean mayRefuse() {
    return !refusals.isEmpty();
  }

  /** The exceptions that it makes and throws, or by which it ends where an element is missing. */
  Set<String> refusals() {
    return refusals;
  }

  private Set<String> foundRefusals() {
    Set<String> found = new HashSet<>();
    for (int i = 1; i < size(); i++) {
      if (at(i).getOpcode() == Opcodes.ATHROW && at(i - 1) instanceof MethodInsnNode made) {
        boolean isNew = made.name.equals("<init>");
        found.add(isNew ? made.owner : Type.getReturnType(made.desc).getInternalName());
      }
    }
    if (takesLast()) {
      found.add("java/lang/ArrayIndexOutOfBoundsException");
    }
    if (mayMiss()) {
      found.add("java/util/NoSuchElementException");
    }
    return Set.copyOf(found);
  }

  /** Whether it takes elements of lists that may be missing. */
  private boolean mayMiss() {
    return instructions().anyMatch(i -> i instanceof MethodInsnNode call && Taking.mayMiss(call));
  }

  /** Whether it takes elements of arrays. */
  public boolean takesElements() {
    return instructions()
        .anyMatch(i -> i.getOpcode() >= Opcodes.IALOAD && i.getOpcode() <= Opcodes.SALOAD);
  }

  private Stream<AbstractInsnNode> instructions() {
    return Arrays.stream(node.instructions.toArray());
  }

  /** Whether it takes the last element of an array, which an empty one does not have. */
  private boolean takesLast() {
    for (int i = 3; i < size(); i++) {
      int taking = at(i).getOpcode();
      boolean isLast =
          taking >= Opcodes.IALOAD
              && taking <= Opcodes.SALOAD
              && at(i - 1).getOpcode() == Opcodes.ISUB
              && at(i - 2).getOpcode() == Opcodes.ICONST_1
              && at(i - 3).getOpcode() == Opcodes.ARRAYLENGTH;
      if (isLast) {
        return true;
      }
    }
    return false;
  }

  /**
   * Whether it calls something on what a field or a method of its own object gives, and asks of
   * nothing whether it is there.
   */
  boolean usesWhatMayBeMissing() {
    Set<String> given = new HashSet<>();
    boolean asks = false;
    boolean uses = false;
    for (int i = 0; i < size(); i++) {
      int opcode = at(i).getOpcode();
      asks |= opcode == Opcodes.IFNULL || opcode == Opcodes.IFNONNULL;
      if (at(i) instanceof FieldInsnNode field && field.owner.equals(ref.type())) {
        given.add(field.desc);
      }
      if (at(i) instanceof MethodInsnNode call) {
        uses |= given.contains("L" + call.owner + ";") && !call.name.equals("<init>");
        boolean isOwn = call.owner.equals(ref.type()) && call.desc.startsWith("()L");
        given.addAll(isOwn ? Set.of(call.desc.substring(2)) : Set.of());
      }
    }
    return uses && !asks;
  }

  /** Whether a constructor does no more than to keep what it is given. */
  public boolean onlyStores() {
    int calls = 0;
    for (int i = 0; i < size(); i++) {
      boolean isOfOwnClass = at(i) instanceof MethodInsnNode call && call.owner.equals(ref.type());
      calls += at(i) instanceof MethodInsnNode ? 1 : 0;
      if (isOfOwnClass || at(i).getOpcode() == Opcodes.ATHROW || calls > 1) {
        return false;
      }
    }
    return true;
  }

  /** Whether it gives an object that it makes itself, whatever it is given. */
  boolean gives(String type) {
    return node.desc.endsWith(")L" + type + ";") && makes(type).isPresent();
  }

  /** Whether it may give an object that it makes itself as what it is declared to give. */
  boolean givesAsOther(String type) {
    for (int i = 0; isStatic() && i < size(); i++) {
      if (isMaking(at(i), type) && at(i).getNext().getOpcode() == Opcodes.ARETURN) {
        return true;
      }
    }
    return false;
  }

  private static boolean isMaking(AbstractInsnNode instruction, String type) {
    return instruction instanceof MethodInsnNode call
        && call.name.equals("<init>")
        && call.owner.equals(type);
  }

  /** The last call of a constructor of a class, in a static method that decides nothing. */
  private Optional<AbstractInsnNode> makes(String type) {
    Optional<AbstractInsnNode> makes = Optional.empty();
    for (int i = 0; i < size(); i++) {
      boolean decides =
          at(i) instanceof JumpInsnNode
              || at(i) instanceof TableSwitchInsnNode
              || at(i) instanceof LookupSwitchInsnNode;
      if (decides || !isStatic()) {
        return Optional.empty();
      }
      makes = isMaking(at(i), type) ? Optional.of(at(i)) : makes;
    }
    return makes;
  }
}
