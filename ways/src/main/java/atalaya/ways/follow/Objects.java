package atalaya.ways.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.EnumValue;
import atalaya.core.term.Platform;
import atalaya.core.term.Term;
import atalaya.core.term.Term.Input;
import atalaya.ways.code.ChangedFields;
import atalaya.ways.code.ClassCode;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.HoldingTypes;
import atalaya.ways.code.Literals;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.Path;
import atalaya.ways.code.TypeNames;
import atalaya.ways.course.NotFollowed;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.FieldInsnNode;

/** How objects that a way needs are made, and what their fields hold then. */
public final class Objects {
  /** Constructors with more are taken only where there is no other. */
  private static final int MANY_PARAMETERS = 8;

  private static final int DEEPEST = 4;

  private static final Comparator<MethodCode> PLAINEST =
      Comparator.comparingInt(Objects::parameters);

  private final Walker walker;
  private final Holders holders;
  private final Containers containers;
  private final FieldArrays arrays;
  private final Map<Input, Walked.Built> built = new LinkedHashMap<>();
  private final Set<Input> severalWays = new HashSet<>();

  /** The fields that hold what was done with their objects, and nothing else. */
  private final Set<State.Field> settled = new HashSet<>();

  private final Set<String> madeOtherwise = new HashSet<>();
  private final Map<Input, Boolean> tried = new HashMap<>();

  /** Those of which a constructor is followed: a field that it did not set is as it is at first. */
  private final Set<Term> underway = new HashSet<>();

  private final Map<Input, Making> makings = new HashMap<>();
  private final Map<Term, Term> originals = new HashMap<>();
  private final Set<Input> narrowings = new LinkedHashSet<>();
  private final Set<Input> ofTheirClass = new HashSet<>();
  private final Initialised initialised;
  private int nesting;

  Objects(Walker walker) {
    this.walker = walker;
    this.holders = new Holders(walker);
    this.containers = new Containers(walker);
    this.arrays = new FieldArrays(walker);
    this.initialised = new Initialised(walker);
  }

  Holders holders() {
    return holders;
  }

  Containers containers() {
    return containers;
  }

  /** The inputs that were taken for more than what they are declared as, as that. */
  Set<Input> narrowings() {
    return narrowings;
  }

  Map<Input, Walked.Built> built() {
    return built;
  }

  /** The objects of which something was asked, and which could be made in other ways. */
  Set<String> madeOtherwise() {
    return madeOtherwise;
  }

  /** It matters that an object is of its own class, and of none that extends it. */
  void isMadeAsItIs(Input object) {
    madeOtherwise.add(object.name());
    ofTheirClass.add(object);
  }

  /** The object answers as its own class does. */
  void answersItself(Input object) {
    ofTheirClass.add(object);
  }

  /** Whether the way rests on an object being of its own class. */
  boolean isOfItsClass(Input object) {
    return ofTheirClass.contains(object) || built.containsKey(object);
  }

  /** Whether an object was taken for one of a class below its own. */
  boolean isOther(Input object) {
    return narrowings.stream()
        .anyMatch(of -> of.name().equals(object.name()) && !of.type().equals(object.type()));
  }

  /**
   * From now on a field holds what its object's constructor and the calls that follow leave there.
   */
  void settle(Input object, String field) {
    settled.add(new State.Field(object, field));
    build(object, PLAINEST);
  }

  /** The object is what the way itself makes. */
  void isMadeHere(Input object) {
    tried.put(object, true);
    underway.add(object);
  }

  /** One input under another type is the same object. */
  Term alias(Input input, Input narrowed) {
    narrowings.add(narrowed);
    originals.put(narrowed, original(input));
    return narrowed;
  }

  Term original(Term term) {
    Term of = term;
    while (originals.containsKey(of)
        && originals.get(of) instanceof Input input
        && isContainer(of)) {
      of = input;
    }
    return of;
  }

  private static boolean isContainer(Term term) {
    return HoldingTypes.holdsSeveral(TypeNames.internal(term.type()));
  }

  /** The constants of an enum of the project, by its descriptor. */
  List<EnumValue> constants(String type) {
    return walker.base.code(TypeNames.internal(type)).map(ClassCode::constants).orElse(List.of());
  }

  /** What a field of an object holds. */
  Term field(Term object, FieldInsnNode field) {
    State.Field key = new State.Field(object, field.name);
    Term known = walker.state.fields.get(key);
    boolean mayBeChanged = walker.changes.mayBe(field);
    if (known == null && !mayBeChanged && object instanceof Input input && build(input)) {
      known = walker.state.fields.get(key);
      mayBeChanged = walker.changes.mayBe(field);
    }
    if (known == null && mayBeChanged) {
      return Term.lost(field.name, field.desc);
    }
    if (known != null && walker.isFilling(object) && known.type().startsWith("[")) {
      settled.add(key); // It is what the constructor left there.
    }
    if (known != null && !(object instanceof Input input && isOpen(input, field, known))) {
      if (isOneOfSeveral(object, field.name, known)) {
        madeOtherwise.add(((Input) object).name());
      }
      return known;
    }
    if (isEnum(object)) {
      return ofConstant(object, field);
    }
    if (known == null && settled.contains(key) && built.containsKey(object)) {
      return initial(field.desc);
    }
    if (object instanceof Term.Made || underway.contains(object)) {
      boolean isOurs = walker.base.has(field.owner);
      return isOurs && known == null ? initial(field.desc) : Term.lost(field.name, field.desc);
    }
    if (object instanceof Input input && input.isFree()) {
      Term usual = known == null && built.containsKey(input) ? initial(field.desc) : known;
      Input state =
          new Input(
              prefix(input) + field.name,
              field.desc,
              Term.Source.STATE,
              usual instanceof Term.Constant constant
                  ? constant.value()
                  : usual instanceof Term.Made ? Term.THERE : Term.SOMETHING);
      walker.state.fields.put(key, state);
      if (usual instanceof Term.Operation || usual instanceof Term.Choice) {
        walker.asMade.put(state, usual);
      }
      arrays.left(state, usual);
      if (usual instanceof Term.Made && isHolder(usual)) {
        holders.mayHaveChanged(state, usual);
      }
      if (Contents.NONE.equals(walker.state.contents.get(usual))) {
        containers.leftEmpty(state);
      }
      return state;
    }
    return Term.lost(field.name, field.desc);
  }

  /** What the names of what an object holds begin with. */
  public static String prefix(Input object) {
    return object.isReceiver() ? "" : object.name() + ".";
  }

  static Term initial(String descriptor) {
    return switch (descriptor) {
      case "J" -> new Term.Constant(0L, "J");
      case "F" -> new Term.Constant(0f, "F");
      case "D" -> new Term.Constant(0.0, "D");
      case "Z", "B", "C", "S", "I" -> new Term.Constant(0, descriptor);
      default -> new Term.Constant(null, descriptor);
    };
  }

  /** Whether something may have been done with an object that changed a field since it was made. */
  private boolean isOpen(Input object, FieldInsnNode field, Term value) {
    boolean isGiven = value instanceof Input input && input.source() != Term.Source.RESULT;
    boolean isSettled = settled.contains(new State.Field(object, field.name));
    if (!built.containsKey(object) || isGiven || isSettled) {
      return false;
    }
    boolean isFilled =
        walker.state.elements.containsKey(value) || containers.isOfCode(value) || isHolder(value);
    boolean changes =
        walker.base.code(field.owner).map(code -> code.changes(field.name)).orElse(true);
    return (isFilled || changes) && wasSetByConstructor(object, field.name, value);
  }

  private static boolean isHolder(Term term) {
    return HoldingTypes.isHolder(TypeNames.internal(term.type()));
  }

  private final Set<Ref> refusing = new HashSet<>();
  private final Map<State.Field, Term> byConstructor = new HashMap<>();

  /** Whether a field holds something else where an object is made in another way. */
  private boolean isOneOfSeveral(Term object, String field, Term value) {
    return object instanceof Input input
        && severalWays.contains(input)
        && wasSetByConstructor(input, field, value);
  }

  private boolean wasSetByConstructor(Input object, String field, Term value) {
    return byConstructor.get(new State.Field(object, field)) == value;
  }

  /** What making an object needs, and what holds then. */
  private record Making(
      List<Constraint> constraints,
      Map<State.Field, Term> fields,
      Map<Term, List<Term>> elements,
      Map<Term, Contents> contents,
      Set<Input> made,
      Set<ChangedFields> changed) {
    /** What calls give that were not followed. */
    Set<Input> results() {
      Set<Input> inputs = new HashSet<>();
      constraints.forEach(one -> inputs.addAll(one.inputs()));
      fields.values().forEach(term -> term.inputs(inputs));
      inputs.removeIf(input -> input.source() != Term.Source.RESULT);
      return inputs;
    }

    static Making of(List<Constraint> constraints, State during) {
      return new Making(
          constraints,
          during.fields,
          during.elements,
          during.contents,
          during.made,
          during.changed);
    }
  }

  /** An object of which no field was looked at is made in the plainest way. */
  void settle(Input object) {
    String type = TypeNames.internal(object.type());
    boolean isThere =
        walker.base.code(type).flatMap(code -> code.instance(walker.visible)).isPresent();
    if (!isThere) {
      build(object, PLAINEST);
    }
  }

  /**
   * What an object is made of is made as well, also where nobody looked at it but to see what may
   * come of something: what that needs has to hold.
   */
  void settleParts(Input object) {
    if (built.get(object) instanceof Walked.New made) {
      for (Input part : made.arguments()) {
        if (built.containsKey(part)) {
          build(part);
          settleParts(part);
        }
      }
    }
  }

  /** What was tried to make objects, and threw something. */
  Set<Ref> refusing() {
    return Set.copyOf(refusing);
  }

  /** Whether an object can be made; if so, it is from now on. */
  private boolean build(Input object) {
    return build(object, PLAINEST.reversed());
  }

  private boolean build(Input object, Comparator<MethodCode> best) {
    Boolean known = tried.putIfAbsent(object, false);
    if (known == null) {
      known = canBeMade(object, best);
      tried.put(object, known);
    }
    Making making = makings.get(object);
    State now = walker.state;
    if (making != null && now.made.add(object)) {
      now.constraints.addAll(making.constraints());
      making.fields().forEach(now.fields::putIfAbsent);
      making.elements().forEach((of, all) -> now.elements.putIfAbsent(of, new ArrayList<>(all)));
      making.contents().forEach(now.contents::putIfAbsent);
      now.made.addAll(making.made());
      now.changed.addAll(making.changed());
    }
    return known;
  }

  /** Finds out how an object is made. */
  private boolean canBeMade(Input object, Comparator<MethodCode> best) {
    String type = TypeNames.internal(object.type());
    Optional<ClassCode> code = walker.base.code(type);
    boolean isPlain =
        code.isPresent()
            && !code.get().isEnum()
            && (!walker.base.isAbstract(type) || isExtended(object, code.get()));
    if (!isPlain || nesting >= DEEPEST || !object.isFree()) {
      return false;
    }
    int passedOver = walker.makings.passedOver(object);
    List<Maker> makers = makers(object, code.get(), best);
    Set<Input> before = Set.copyOf(built.keySet());
    for (Maker maker : makers) {
      if (build(object, maker) && passedOver-- == 0) {
        if (makers.size() > 1 || decides(makings.get(object))) {
          severalWays.add(object);
        }
        return true;
      }
      forget(before);
    }
    return passedOver == 0 && isConstant(object, code.get());
  }

  /** Whether it is what the test calls a method on, of a class that it can extend for that. */
  private boolean isExtended(Input object, ClassCode code) {
    return object.isReceiver() && !code.isInterface() && !code.isHidden();
  }

  /** What was made for a way of making that is passed over is not made. */
  private void forget(Set<Input> before) {
    Set<Input> made = new HashSet<>(built.keySet());
    made.removeAll(before);
    built.keySet().removeAll(made);
    tried.keySet().removeAll(made);
    makings.keySet().removeAll(made);
  }

  /**
   * What gives a new object.
   *
   * @param code a constructor, or a method: a static one, or a builder's
   * @param path through it
   */
  private record Maker(MethodCode code, Path path) {}

  /** Constructors before other methods, and the shortest path of each before others. */
  private List<Maker> makers(Input object, ClassCode code, Comparator<MethodCode> best) {
    Comparator<MethodCode> order =
        Comparator.comparing((MethodCode c) -> Math.max(parameters(c), MANY_PARAMETERS))
            .thenComparing(c -> copies(c, object.type()))
            .thenComparing(best);
    List<MethodCode> open =
        Stream.of(code.constructors(), walker.base.factories(code), walker.base.builders(code))
            .flatMap(
                all ->
                    all.stream()
                        .filter(
                            maker -> walker.visible.sees(maker.ref().type(), maker.node().access))
                        .sorted(order))
            .toList();
    List<Maker> makers = new ArrayList<>();
    open.forEach(maker -> maker.shortest().ifPresent(path -> makers.add(new Maker(maker, path))));
    for (MethodCode maker : open) {
      maker.fewPaths().stream()
          .flatMap(List::stream)
          .filter(path -> path.isReturning() && !path.equals(maker.shortest().orElse(null)))
          .map(path -> new Maker(maker, path))
          .forEach(makers::add);
    }
    open.stream()
        .filter(maker -> maker.fewPaths().isEmpty())
        .forEach(maker -> maker.fullest().ifPresent(path -> makers.add(new Maker(maker, path))));
    return makers;
  }

  /** Whether a static final field of its class holds one, or of the class in which it is hidden. */
  private boolean isConstant(Input object, ClassCode code) {
    String owner = code.isHidden() ? code.within().orElse(code.name()) : code.name();
    State during = initialised.after(owner).fork();
    Optional<String> field =
        walker.base.code(owner).stream()
            .flatMap(of -> of.constants(walker.visible).stream())
            .filter(name -> isHeld(during.fields.get(State.Field.ofClass(owner, name)), object))
            .findFirst();
    if (field.isEmpty()) {
      return false;
    }
    during.isKnownAs(during.fields.get(State.Field.ofClass(owner, field.get())), object);
    during.fields.keySet().removeIf(of -> of.object() instanceof Term.Constant);
    during.changed.clear();
    byConstructor.putAll(during.fields);
    makings.put(object, Making.of(List.of(), during));
    built.put(object, new Walked.Constant(owner, field.get()));
    severalWays.add(object);
    return true;
  }

  private static boolean isHeld(Term held, Input object) {
    return held instanceof Term.Made made && made.type().equals(object.type());
  }

  private static boolean decides(Making making) {
    return making.constraints().stream().anyMatch(one -> one.reason().isWritten());
  }

  /** Whether making it needs an object of its own class, which would have to be made as well. */
  private static boolean copies(MethodCode maker, String type) {
    return Arrays.stream(Type.getArgumentTypes(maker.node().desc))
        .anyMatch(argument -> argument.getDescriptor().contains(type));
  }

  private static int parameters(MethodCode maker) {
    return Type.getArgumentTypes(maker.node().desc).length;
  }

  /** Whether an object can be made so. */
  private boolean build(Input object, Maker by) {
    MethodCode maker = by.code();
    State before = walker.state;
    State during = before.fork();
    List<Input> arguments = new ArrayList<>();
    List<Term> all = new ArrayList<>();
    boolean isConstructor = maker.ref().name().equals("<init>");
    if (isConstructor) {
      all.add(object);
    } else if (!maker.isStatic()) {
      Input builder = builder(object, maker.ref().type());
      if (!isBuilt(builder, during)) {
        return false;
      }
      arguments.add(builder);
      all.add(builder);
    }
    List<Input> given = maker.inputs(object.name() + ".");
    arguments.addAll(given);
    all.addAll(given);
    Runnable back = walker.elsewhere();
    nesting++;
    if (isConstructor) {
      underway.add(object);
    }
    int depth = walker.depth;
    if (nesting == 1) {
      walker.depth = 1; // It is made before the method is called.
    }
    Walker.End end;
    try {
      end = walker.apart(during, by.path(), all);
    } catch (NotFollowed e) {
      return false;
    } finally {
      nesting--;
      underway.remove(object);
      walker.depth = depth;
      back.run();
    }
    Term made = end.result();
    boolean isNew = made instanceof Term.Made && made.type().equals(object.type());
    if (!end.thrown().isEmpty()) {
      refusing.add(maker.ref());
      return false;
    }
    if (!isConstructor && !isNew) {
      return false;
    }
    during.fields.keySet().removeAll(before.fields.keySet());
    if (!isConstructor) {
      during.isKnownAs(made, object);
    }
    during.elements.keySet().removeAll(before.elements.keySet());
    during.contents.keySet().removeAll(before.contents.keySet());
    during.changed.removeAll(before.changed);
    byConstructor.putAll(during.fields);
    Making making = Making.of(during.constraints, during);
    makings.put(object, making);
    built.put(object, new Walked.New(maker.ref(), arguments, making.results()));
    return true;
  }

  private static Input builder(Input object, String type) {
    return new Input(object.name() + ".builder", "L" + type + ";", Term.Source.ARGUMENT, null);
  }

  /** Whether the builder of an object can be made; if so, it is, in a state. */
  private boolean isBuilt(Input builder, State in) {
    State now = walker.state;
    walker.state = in;
    nesting++;
    try {
      return build(builder, PLAINEST);
    } finally {
      nesting--;
      walker.state = now;
    }
  }

  // ---- enums ----

  private boolean isEnum(Term object) {
    return !constants(object.type()).isEmpty();
  }

  /** What a field of an enum's constants holds, by constant. */
  private Term ofConstant(Term constant, FieldInsnNode field) {
    String type = TypeNames.internal(constant.type());
    Map<State.Field, Term> fields = initialised.after(type).fields;
    List<Term.Case> cases = new ArrayList<>();
    for (EnumValue value : constants(constant.type())) {
      Term made = fields.get(State.Field.ofClass(type, value.name()));
      Term held = made == null ? null : fields.get(new State.Field(made, field.name));
      if (held == null) {
        return Term.unknown(field.name, field.desc);
      }
      if (constant instanceof Term.Constant known && known.value().equals(value)) {
        return held;
      }
      cases.add(Instructions.isConstant(constant, value, held));
    }
    return Term.choice(field.name, field.desc, cases);
  }

  /** Whether something of a type can be had only as a double. */
  boolean isDouble(Input input) {
    String type = TypeNames.internal(input.type());
    return walker.base.has(type)
        ? walker.base.isAbstract(type) && (walker.base.access(type) & Opcodes.ACC_ENUM) == 0
        : input.source() != Term.Source.RESULT
            && (Platform.isRole(type)
                || walker.base.isLibraryInterface(type)
                || Platform.isInterface(type) && Literals.usual(input.type()).isEmpty());
  }
}
