package atalaya.ways.write;

import atalaya.core.solve.Solution;
import atalaya.core.term.ClassValue;
import atalaya.core.term.EnumValue;
import atalaya.core.term.Stand;
import atalaya.core.term.Term.Input;
import atalaya.core.term.Term.Source;
import atalaya.ways.code.ClassCode;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.Kinds;
import atalaya.ways.code.Literals;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.TypeNames;
import atalaya.ways.code.Visibility;
import atalaya.ways.follow.TypeTests;
import atalaya.ways.follow.Walked;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.objectweb.asm.Type;

/** Writes the code of a test: what makes the values and objects that a way needs, and the call. */
final class Writing {
  private static final String TEXT = "Ljava/lang/String;";
  private static final String CLASS = "Ljava/lang/Class;";
  private static final String OBJECT = "Ljava/lang/Object;";

  /** The begin of the signature of a method with types of its own that not everything is one of. */
  private static final Pattern BOUNDED = Pattern.compile("<.*?:+L(?!java/lang/Object;)");

  /** The signature of a method that takes something of some type, then a value of that type. */
  private static final Pattern TIED =
      Pattern.compile("<.*\\(.*<T(\\w+);>;(.*[;BCDFIJSZ])?T\\1;.*\\)");

  private static final Pattern CONSTANT = Pattern.compile("([A-Z]\\w*\\.)+[A-Z_0-9]+");

  /** Of these a usual value is of another type. */
  private static final Set<String> BROAD =
      Set.of(OBJECT, "Ljava/lang/Number;", "Ljava/lang/CharSequence;", "Ljava/lang/Comparable;");

  /** Of what is called so code that was not followed seldom takes none. */
  private static final Pattern AMOUNT =
      Pattern.compile(
          "(?i)(size|length|count|crement|capacity|limit|timeout|times|amount)$|(^|\\.)(max|num)");

  private static final Map<String, String> ONE = Map.of("I", "1", "J", "1L");

  private final CodeBase base;
  private final Walked.Needs needs;
  private final boolean asksSurroundings;

  /** What each static field that was taken stands for. */
  private final Map<String, Input> constants = new HashMap<>();

  private final Solution.Found found;
  private final Visibility visible;
  private final Made made;
  private final Map<Input, String> elementTypes = new HashMap<>();
  private final Statements statements = new Statements();
  private final WrittenTo writtenTo;
  private final Setters setters;
  private final LibraryObjects libraryObjects;
  private final Doubles doubles;
  private final Contained contained;
  private final MapCode maps;

  /** What is taken for something else may be taken for that as well. */
  private final Set<Input> narrowing = new HashSet<>();

  /** The code of doubles and files, and what to call them. */
  private final Map<String, String> inWords = new LinkedHashMap<>();

  /**
   * For a way.
   *
   * @param entry what the test calls
   * @param made is told what is made
   */
  Writing(CodeBase base, Walked walked, Solution.Found found, Ref entry, Made made) {
    this.base = base;
    this.visible = Visibility.ofTestOf(base, entry.type());
    this.needs = walked.needs();
    this.writtenTo = new WrittenTo(walked);
    this.asksSurroundings = !walked.trace().surroundings().isEmpty();
    this.found = found;
    this.made = made;
    this.setters = new Setters(base, visible);
    this.contained = new Contained(needs, found, elementTypes, made, this::element);
    this.maps = new MapCode(needs, found, made, statements, (of, one) -> value(one));
    this.libraryObjects = new LibraryObjects(base, visible);
    boolean isHashed = entry.code().equals("hashCode()I");
    this.doubles = new Doubles(base, visible, walked, found.inputs(), this::value, isHashed);
  }

  /** All statements, the call last; empty where it can't be told which of two objects is meant. */
  Optional<List<String>> statements(String call) {
    return statements.with(call);
  }

  /**
   * What to give a method or a constructor: with its type where the compiler might take it for an
   * argument of another of its name.
   */
  private List<String> values(Ref of, List<Input> arguments) {
    List<String> values = new ArrayList<>();
    for (int i = 0; i < arguments.size(); i++) {
      Input argument = arguments.get(i);
      int fromLast = arguments.size() - i;
      List<String> held =
          base.code(of).map(code -> ElementTypes.of(code.node(), fromLast)).orElse(List.of());
      held.stream()
          .limit(1)
          .filter(type -> !type.isEmpty())
          .forEach(type -> elementTypes.put(argument, type));
      maps.isOf(argument, held);
      made.lacks(argument.type().equals(CLASS) && isOfKind(of, BOUNDED));
      String value = value(argument);
      boolean isDouble = inWords.containsKey(value) && isLambda(value);
      boolean isVague =
          value.equals("null")
              || isDouble
              || isTakenForMore(argument)
              || isOfOtherType(argument.type(), value)
              || BROAD.contains(argument.type()) && !value.startsWith("new Object(");
      boolean needsType = isVague && isOverloaded(of, i) || isDouble && isOfKind(of, BOUNDED);
      if (needsType && isDouble) {
        inWords.put(cast(argument.type()) + value, inWords.get(value));
      }
      // A constant is of a type of its own, which the value beside it need not be of.
      boolean isTied = CONSTANT.matcher(value).matches() && isOfKind(of, TIED);
      values.add(needsType || isTied ? cast(argument.type()) + value : value);
    }
    return values;
  }

  /** Whether a method has types of its own, and a signature that begins so. */
  private boolean isOfKind(Ref method, Pattern signatures) {
    return base.code(method)
        .map(code -> code.node().signature)
        .filter(signature -> signatures.matcher(signature).lookingAt())
        .isPresent();
  }

  /** Whether what is made is of a more special type than what it is made for. */
  private static boolean isOfOtherType(String type, String value) {
    return type.startsWith("L")
        && value.startsWith("new ")
        && !value.startsWith("new " + TypeNames.simple(type));
  }

  /** Whether an argument is of a type that the method asks for by {@code instanceof}. */
  private boolean isTakenForMore(Input argument) {
    return needs.narrowings().stream()
        .filter(as -> as.name().equals(argument.name()))
        .anyMatch(as -> made.isSettled(isOfType(as)));
  }

  /** Whether there is a method of the same name that takes something else in a place. */
  private boolean isOverloaded(Ref of, int at) {
    Type[] own = Type.getArgumentTypes(of.descriptor());
    boolean isCalledOnIt = !of.name().equals("<init>") && needs.receiver() != null;
    String type = isCalledOnIt ? TypeNames.internal(needs.receiver().type()) : of.type();
    while (type != null && base.has(type)) {
      for (String code : base.methods(type)) {
        Type[] types = Type.getArgumentTypes(code.substring(code.indexOf('(')));
        boolean takesOther =
            code.startsWith(of.name() + "(")
                && types.length == own.length
                && !types[at].equals(own[at]);
        if (takesOther) {
          return true;
        }
      }
      type = isCalledOnIt ? base.above(type).orElse(null) : null;
    }
    return false;
  }

  private static boolean isLambda(String value) {
    return value.matches("(\\w|\\([^()]*\\)) -> .*");
  }

  static String cast(String type) {
    return "(" + TypeNames.simple(type) + ") ";
  }

  String value(Input input) {
    String value = making(input);
    String making = "new " + TypeNames.simple(input.type()).replaceFirst("\\[].*", "");
    boolean isMade =
        value.startsWith(making) && "([<".indexOf(value.charAt(making.length())) >= 0
            || value.equals(made.code(input))
            || inWords.containsKey(value);
    if (isMade || value.equals("null")) {
      made.isOf(isMade ? input.type() : Kinds.NOTHING, input);
    } else {
      Kinds.written(value, found.inputs().get(input)).ifPresent(type -> made.isOf(type, input));
    }
    return value;
  }

  private String making(Input input) {
    if (maps.isAnyKey(input)) {
      return MapCode.ANY_TEXT;
    }
    if (found.inputs().containsKey(input)) {
      Object value = found.inputs().get(input);
      Optional<String> literal = Literals.of(value, input.type());
      boolean isOfOther =
          value instanceof String && asked(input).anyMatch(as -> !isA(TEXT, as.type()));
      if (literal.isPresent() && !isOfOther) {
        made.lacks(value instanceof ClassValue of && !isWithinBound(of, input));
        return literal.get();
      }
      boolean isItself =
          value instanceof Stand && value.equals(found.inputs().get(needs.receiver()));
      if (isItself && !input.equals(needs.receiver())) {
        return Statements.ITSELF;
      }
      if (value instanceof Stand same && !isItself && !same.name().equals(input.name())) {
        made.lacks(true);
        return "the same as " + same.name();
      }
    }
    if (needs.built().containsKey(input)) {
      return object(input);
    }
    Optional<Input> narrowed =
        Stream.concat(needs.narrowings().stream(), asked(input))
            .filter(as -> as.name().equals(input.name()) && !as.type().equals(input.type()))
            .filter(as -> !Integer.valueOf(0).equals(found.inputs().get(isOfType(as))))
            .filter(as -> !narrowing.contains(as))
            .findFirst();
    if (narrowed.isPresent()) {
      made.settle(isOfType(narrowed.get()));
      made.lacks(!isA(narrowed.get().type(), input.type()));
      narrowing.add(narrowed.get());
      String value = value(narrowed.get());
      narrowing.remove(narrowed.get());
      return value;
    }
    Optional<String> speaking = speaking(input);
    if (speaking.isPresent()) {
      return speaking.get();
    }
    Optional<String> elements = maps.of(input).or(() -> contained.of(input));
    if (elements.isPresent()) {
      return elements.get();
    }
    if (needs.doubles().contains(input)) {
      return doubled(input, "a double of " + TypeNames.simple(input.type()));
    }
    boolean isUsed = asksSurroundings || needs.handedOn().contains(input);
    if (isUsed && GivenFiles.isFile(input)) {
      return file(input);
    }
    Optional<String> usual = Literals.usual(input.type());
    List<EnumValue> constants =
        base.code(TypeNames.internal(input.type())).map(ClassCode::constants).orElse(List.of());
    if (!constants.isEmpty()) {
      return Literals.of(constants.get(0), input.type()).orElseThrow();
    }
    if (usual.isEmpty()) {
      boolean hasToBeThere =
          found.inputs().get(input) instanceof Stand
              || narrowing.contains(input)
              || needs.handedOn().contains(input);
      if (!hasToBeThere) {
        return "null";
      }
      Optional<String> instance =
          base.code(TypeNames.internal(input.type())).flatMap(code -> code.instance(visible));
      if (instance.isPresent()) {
        return constant(input, TypeNames.internal(input.type()), instance.get());
      }
      String type = TypeNames.internal(input.type());
      if (base.has(type) && !base.isAbstract(type) && visible.sees(type)) {
        return madePlainly(input);
      }
      Optional<LibraryObjects.Any> any =
          isAskedSomething(input) ? Optional.empty() : libraryObjects.of(type);
      if (any.isPresent()) {
        if (!any.get().assumed().isEmpty()) {
          made.assumes(any.get().assumed());
        }
        return any.get().code();
      }
      return doubled(input, "any " + TypeNames.simple(input.type()));
    }
    String bound = input.type().equals(CLASS) ? elementTypes.get(input) : null;
    if (isAmountHandedOn(input)) {
      return ONE.get(input.type());
    }
    boolean isCounted =
        input.type().matches("\\[[BC]")
            && needs.handedOn().stream().anyMatch(this::isAmountHandedOn);
    if (isCounted && needs.handedOn().contains(input)) {
      return usual.get().replace("[0]", "[1]");
    }
    boolean isBounded = bound != null && visible.sees(TypeNames.internal(bound));
    if (isBounded) {
      return TypeNames.simple(bound) + ".class";
    }
    return hasToGiveSomething(input) ? "any " + TypeNames.simple(input.type()) : usual.get();
  }

  private boolean isAmountHandedOn(Input input) {
    return needs.handedOn().contains(input)
        && ONE.containsKey(input.type())
        && AMOUNT.matcher(input.name()).find();
  }

  /** Whether not every object will do, and nobody knows which does. */
  private boolean hasToGiveSomething(Input object) {
    return found.inputs().keySet().stream()
        .filter(input -> input.source() == Source.RESULT && !made.isThereAsARule(input))
        .anyMatch(input -> input.name().startsWith(object.name() + "."));
  }

  /** Whether it matters which object it is. */
  private boolean isAskedSomething(Input object) {
    return found.inputs().keySet().stream()
        .anyMatch(input -> input.name().startsWith(object.name() + "."));
  }

  /** Any object, of which nothing is asked but its text. */
  private Optional<String> speaking(Input input) {
    Input text = new Input(input.name() + ".toString()", TEXT, Source.ANSWER, null);
    Optional<String> literal =
        Optional.ofNullable(input.type().equals(OBJECT) ? found.inputs().get(text) : null)
            .flatMap(value -> Literals.of(value, TEXT));
    literal.ifPresent(it -> made.along(text));
    return literal.map(
        it -> {
          String code =
              "new Object() { @Override public String toString() { return " + it + "; } }";
          inWords.put(code, "an object whose text is " + it);
          return code;
        });
  }

  /** Which file it is matters, as it may be opened. */
  private String file(Input input) {
    Optional<GivenFiles.Given> given = GivenFiles.of(input, found.inputs());
    if (given.isEmpty() || visible.isOwn("File") || visible.isOwn("Files")) {
      made.lacks(true);
      return "any " + TypeNames.simple(input.type());
    }
    given.get().answered().forEach(made::along);
    String code = given.get().code();
    inWords.put(code, given.get().words());
    made.assumes(given.get().words() + " will do");
    return code;
  }

  /** Whether a class may be given where only those below one may. */
  private boolean isWithinBound(ClassValue of, Input input) {
    String bound = elementTypes.get(input);
    return bound == null || new Kinds(base).isA(of.descriptor(), bound).orElse(false);
  }

  /** What an input has to be of, as that, where nothing has to be that and something else. */
  private Stream<Input> asked(Input input) {
    return needs.typeTests().entrySet().stream()
        .filter(test -> Integer.valueOf(1).equals(found.inputs().get(test.getKey())))
        .map(test -> test.getValue())
        .filter(test -> test.of().equals(input))
        .filter(test -> new Kinds(base).isA(test.type(), input.type()).orElse(false))
        .map(test -> new Input(input.name(), test.type(), input.source(), input.usual()));
  }

  /** Whether what is of a type can be given as another one. */
  private boolean isA(String type, String other) {
    return new Kinds(base).isA(type, other).orElse(false);
  }

  /** Code that makes a double; the words alone where a person has to make it. */
  private String doubled(Input input, String words) {
    boolean canBeNamed = visible.sees(TypeNames.internal(input.type())) && narrowing.size() < 2;
    Optional<String> making = canBeNamed ? doubles.making(input) : Optional.empty();
    if (making.isEmpty()) {
      made.byHand(TypeNames.internal(input.type()));
      return words;
    }
    boolean needsType = !narrowing.isEmpty() && isLambda(making.get());
    String code = needsType ? cast(input.type()) + making.get() : making.get();
    answered(input, code, words);
    return code;
  }

  /** A value as a person reads it: how a double is made stands only in the code. */
  String inWords(String value) {
    String words = value;
    List<String> longestFirst = new ArrayList<>(inWords.keySet());
    longestFirst.sort(Comparator.comparingInt(String::length).reversed());
    for (String code : longestFirst) {
      words = words.replace(code, inWords.get(code));
    }
    return Statements.plain(words);
  }

  /** What stands for whether an input is of the type that it is taken for. */
  private static Input isOfType(Input as) {
    return TypeTests.isOfType(as, TypeNames.internal(as.type()));
  }

  /** What a lambda is for has to be said where the type of the elements does not say it. */
  private String element(Input of, Input element) {
    String value = value(element);
    boolean isDouble = inWords.containsKey(value);
    String declared =
        of.type().startsWith("[") ? of.type().substring(1) : elementTypes.getOrDefault(of, OBJECT);
    made.lacks(isDouble && !isA(element.type(), declared));
    boolean isSaid = of.type().startsWith("[") || elementTypes.containsKey(of);
    boolean needsType = isLambda(value) && !isSaid;
    if (needsType) {
      inWords.put(cast(element.type()) + value, inWords.get(value));
    }
    return needsType ? cast(element.type()) + value : value;
  }

  /** One constant can't stand for two objects of which the way asks whether they are the same. */
  private String constant(Input input, String owner, String field) {
    String taken = TypeNames.simple("L" + owner + ";") + "." + field;
    Input other = constants.putIfAbsent(taken, input);
    made.lacks(other != null && made.areCompared(input, other));
    return taken;
  }

  String object(Input input) {
    String known = made.code(input);
    if (known != null) {
      return known;
    }
    if (needs.built().get(input) instanceof Walked.Constant constant) {
      String taken = constant(input, constant.owner(), constant.field());
      made.by(taken, input);
      return taken;
    }
    Walked.New built = (Walked.New) needs.built().get(input);
    List<String> arguments =
        isBuilders(built.by())
            ? List.of(value(built.arguments().get(0)))
            : values(built.by(), built.arguments());
    List<String> calls = setting(input);
    String plain =
        base.isAbstract(built.by().type()) && built.by().name().equals("<init>")
            ? extending(input, String.join(", ", arguments))
            : making(built.by(), arguments);
    String making = calls.isEmpty() ? plain : statements.told(plain);
    made.by(making, input);
    if (!calls.isEmpty()) {
      made.lacks(!visible.sees(TypeNames.internal(input.type())));
      statements.call(TypeNames.simple(input.type()), making, calls);
    }
    return making;
  }

  /** One of a class that has no objects of its own: of one without a name that extends it. */
  private String extending(Input input, String arguments) {
    Optional<String> making = doubles.extending(input, arguments);
    made.lacks(making.isEmpty());
    String words = "a double of " + TypeNames.simple(input.type());
    making.ifPresent(code -> answered(input, code, words));
    return making.orElse(words);
  }

  /** What a double is asked is answered by its code. */
  private void answered(Input input, String code, String words) {
    made.by(code, input);
    for (Walked.Asked one : needs.asked()) {
      if (doubles.isAsked(input, one.of())) {
        made.along(one.of());
        made.along(one.answer());
      }
    }
    inWords.merge(code, words, (one, other) -> one.equals(other) ? one : "a double");
  }

  /** What a test has to call on an object for its fields to hold what they have to. */
  private List<String> setting(Input object) {
    String type = TypeNames.internal(object.type());
    List<String> calls = new ArrayList<>();
    for (Input state : List.copyOf(found.inputs().keySet())) {
      boolean isIts =
          state.source() == Source.STATE && made.holder(state).equals(Optional.of(object));
      if (isIts && !made.isAsMade(state)) {
        setters
            .of(type, Made.fieldOf(state), found.inputs().get(state))
            .ifPresent(
                setter -> {
                  List<Input> given = setter.takesValue() ? List.of(state) : List.of();
                  String values = String.join(", ", values(setter.method(), given));
                  calls.add(setter.method().name() + "(" + values + ")");
                  made.isSet(state);
                });
      }
    }
    for (Walked.Prepared one : needs.prepared()) {
      if (one.object().equals(object)) {
        String values = String.join(", ", values(one.by(), one.arguments()));
        calls.add(one.by().name() + "(" + values + ")");
      }
    }
    return calls;
  }

  /** An object of an inner class is made in one of the class around it. */
  private String making(Ref by, List<String> arguments) {
    String type = by.type();
    String name = TypeNames.simple("L" + type + ";");
    if (isBuilders(by)) {
      return arguments.get(0) + "." + by.name() + "()";
    }
    if (!by.name().equals("<init>")) {
      return name + "." + by.name() + "(" + String.join(", ", arguments) + ")";
    }
    Optional<String> outer = base.code(type).flatMap(ClassCode::outer);
    if (outer.isEmpty()) {
      return "new " + name + "(" + String.join(", ", arguments) + ")";
    }
    String in =
        arguments.get(0).endsWith("null") ? madePlainly(around(outer.get())) : arguments.get(0);
    String others = String.join(", ", arguments.subList(1, arguments.size()));
    return in + ".new " + name.substring(name.lastIndexOf('.') + 1) + "(" + others + ")";
  }

  /** Whether a method is called on what builds an object. */
  private boolean isBuilders(Ref by) {
    return !by.name().equals("<init>")
        && base.code(by).filter(method -> !method.isStatic()).isPresent();
  }

  /** The call of what a test calls. */
  String call(Ref entry) {
    List<String> arguments = values(entry, needs.arguments());
    for (int i = 0; i < arguments.size(); i++) {
      String making = arguments.get(i);
      Optional<String> asked = writtenTo.type(needs.arguments().get(i), making);
      if (asked.isPresent()) {
        String name = needs.arguments().get(i).name();
        arguments.set(i, statements.named(name, asked.get(), making));
      }
    }
    String all = "(" + String.join(", ", arguments) + ")";
    String type = TypeNames.simple("L" + entry.type() + ";");
    if (entry.name().equals("<init>")) {
      made.lacks(base.isAbstract(entry.type()));
      made.lacks(!visible.sees(entry.type()));
      return making(entry, arguments) + ";";
    }
    String seen = needs.receiver() == null ? entry.type() : known(needs.receiver());
    made.lacks(!visible.sees(seen) || entry.name().equals("<clinit>"));
    made.lacks(!seen.equals(entry.type()) && !visible.calls(seen, entry.code()));
    if (needs.receiver() == null) {
      return type + "." + entry.name() + all + ";";
    }
    String receiver = receiver();
    if (all.contains(Statements.ITSELF)) {
      statements.call(TypeNames.simple("L" + seen + ";"), receiver, List.of());
    }
    return receiver + "." + entry.name() + all + ";";
  }

  /** The class of an object, or what a test knows it as where it can't name that. */
  private String known(Input object) {
    String type = TypeNames.internal(object.type());
    if (visible.sees(type)) {
      return type;
    }
    Walked.Built built = needs.built().get(object);
    if (built instanceof Walked.Constant constant) {
      return base.code(constant.owner())
          .flatMap(owner -> owner.field(constant.field()))
          .map(field -> TypeNames.internal(field.desc))
          .orElse(type);
    }
    return built instanceof Walked.New made && !made.by().name().equals("<init>")
        ? TypeNames.internal(Type.getReturnType(made.by().descriptor()).getDescriptor())
        : type;
  }

  /** What the method is called on, where there is something. */
  String receiver() {
    boolean isMade = needs.built().containsKey(needs.receiver());
    return found.inputs().get(needs.receiver()) instanceof EnumValue constant
        ? Literals.of(constant, needs.receiver().type()).orElseThrow()
        : isMade ? object(needs.receiver()) : madePlainly(needs.receiver());
  }

  /** An object of which no field was looked at. */
  private static Input around(String type) {
    return new Input("the object around it", "L" + type + ";", Source.ARGUMENT, null);
  }

  private String madePlainly(Input input) {
    String type = TypeNames.internal(input.type());
    Optional<ClassCode> code = base.code(type);
    Optional<MethodCode> constructor =
        code.filter(c -> !base.isAbstract(type)).stream()
            .flatMap(c -> c.constructors().stream())
            .filter(c -> visible.sees(type, c.node().access))
            .min(Comparator.comparingInt(c -> c.node().desc.length()));
    Optional<String> instance = code.flatMap(c -> c.instance(visible));
    boolean isTaken =
        instance.isPresent()
            && constructor.map(c -> Type.getArgumentTypes(c.node().desc).length > 0).orElse(true);
    made.lacks(!visible.sees(type));
    if (isTaken) {
      return constant(input, type, instance.get());
    }
    if (constructor.isEmpty()) {
      made.byHand(type);
      return "any " + TypeNames.simple("L" + type + ";");
    }
    List<Input> inputs = constructor.get().inputs(type + ".");
    made.lacks(needs.refusing().contains(constructor.get().ref()));
    made.lacks(inputs.stream().anyMatch(GivenFiles::isFile));
    if (!inputs.isEmpty() && !constructor.get().onlyStores()) {
      made.assumes(TypeNames.simple("L" + type + ";") + ".new(..)" + Made.THROWS_NOTHING);
    }
    return making(constructor.get().ref(), values(constructor.get().ref(), inputs));
  }
}
