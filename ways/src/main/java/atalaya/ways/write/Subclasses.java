package atalaya.ways.write;

import atalaya.core.term.Platform;
import atalaya.ways.code.ClassCode;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.Literals;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.TypeNames;
import atalaya.ways.code.Visibility;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;

/** Code that makes a double of an abstract class: a class without a name that extends it. */
final class Subclasses {
  /** With more to implement, a person is better off with a class that has a name. */
  private static final int MOST_METHODS = 10;

  private static final int OPEN = Opcodes.ACC_PUBLIC | Opcodes.ACC_PROTECTED;
  private static final int CLOSED = Opcodes.ACC_PRIVATE | Opcodes.ACC_FINAL | Opcodes.ACC_STATIC;
  private static final int CODELESS = Opcodes.ACC_ABSTRACT;

  private final CodeBase base;
  private final Visibility visible;

  Subclasses(CodeBase base, Visibility visible) {
    this.base = base;
    this.visible = visible;
  }

  /**
   * What makes one.
   *
   * @param answers what methods of it do when they are called, as a statement
   * @return empty where that can't be written, or where making it does more than to keep something
   */
  Optional<String> making(String type, Map<Ref, String> answers) {
    return base.has(type) && base.isAbstract(type)
        ? arguments(type).flatMap(arguments -> making(type, arguments, answers))
        : Optional.empty();
  }

  /** What to give a constructor that keeps it, if any; empty where all of them do more. */
  private Optional<String> arguments(String type) {
    return isMadePlainly(type)
        ? Optional.of("")
        : base.code(type).stream()
            .flatMap(code -> code.constructors().stream())
            .filter(c -> isOpen(c) && onlyStores(c) && types(c.node().desc).allMatch(visible::sees))
            .min(
                Comparator.comparingInt(Subclasses::parameters)
                    .thenComparing(constructor -> constructor.node().desc))
            .map(constructor -> nothing(constructor.node().desc));
  }

  private static int parameters(MethodCode method) {
    return Type.getArgumentTypes(method.node().desc).length;
  }

  /** Whether a constructor does no more than to keep what it is given, nor do those it calls. */
  private boolean onlyStores(MethodCode constructor) {
    return constructor.onlyStores()
        && constructor.called().stream()
            .allMatch(
                called ->
                    called.type().equals("java/lang/Object")
                        || base.code(called).filter(this::onlyStores).isPresent());
  }

  /** Nothing for each parameter, of its type, as there may be others for as many. */
  private static String nothing(String descriptor) {
    return Arrays.stream(Type.getArgumentTypes(descriptor))
        .map(Type::getDescriptor)
        .map(
            type ->
                type.length() == 1
                    ? Literals.usual(type).orElseThrow()
                    : "(" + TypeNames.simple(type) + ") null")
        .collect(Collectors.joining(", "));
  }

  private boolean isOpen(MethodCode constructor) {
    return visible.sees(constructor.ref().type(), constructor.node().access)
        || (constructor.node().access & OPEN) != 0;
  }

  /**
   * What makes one of which it is known what its constructor does.
   *
   * @param arguments what the constructor is given
   * @param answers what methods of it do when they are called, as a statement
   * @return empty where that can't be written
   */
  Optional<String> making(String type, String arguments, Map<Ref, String> answers) {
    Map<String, Ref> overridden = new LinkedHashMap<>();
    Map<String, String> does = new LinkedHashMap<>();
    answers.forEach(
        (method, answer) -> {
          overridden.put(method.code(), named(type, method));
          does.put(method.code(), answer);
        });
    Optional<Map<String, Ref>> open = open(type);
    open.ifPresent(all -> all.forEach(overridden::putIfAbsent));
    boolean isInner = base.code(type).flatMap(ClassCode::outer).isPresent();
    boolean canBeWritten =
        open.isPresent()
            && !isInner
            && overridden.size() <= MOST_METHODS
            && overridden.values().stream().allMatch(this::canBeOverridden);
    return canBeWritten
        ? Optional.of(
            "new "
                + TypeNames.simple("L" + type + ";")
                + "("
                + arguments
                + ") {"
                + overridden.values().stream()
                    .map(
                        method ->
                            " " + written(method, Optional.ofNullable(does.get(method.code()))))
                    .collect(Collectors.joining())
                + " }")
        : Optional.empty();
  }

  /** The method as what declares it has it; as it is called where the platform does. */
  private Ref named(String type, Ref method) {
    return declared(type, method.code()).orElse(method);
  }

  private Optional<Ref> declared(String type, String code) {
    if (!base.has(type)) {
      return Optional.empty();
    }
    return base.methods(type).contains(code)
        ? Optional.of(new Ref(type, code))
        : Stream.concat(base.above(type).stream(), base.interfaces(type).stream())
            .flatMap(above -> declared(above, code).stream())
            .findFirst();
  }

  /**
   * How a method is declared; what the platform declares, and a test can extend, is open to all.
   */
  private int access(Ref method) {
    boolean isOfProject =
        base.has(method.type()) && base.methods(method.type()).contains(method.code());
    return isOfProject ? base.access(method) : Opcodes.ACC_PUBLIC;
  }

  /** Whether its constructors without arguments refuse nothing, up to the platform's. */
  private boolean isMadePlainly(String type) {
    String at = type;
    while (at != null && base.has(at)) {
      Optional<MethodCode> constructor = base.code(new Ref(at, "<init>()V"));
      boolean isOpen =
          constructor
              .filter(this::isOpen)
              .filter(c -> !base.mayRefuse(c) && !base.isHalting(c.ref()))
              .isPresent();
      if (!isOpen) {
        return false;
      }
      at = base.above(at).orElse(null);
    }
    return "java/lang/Object".equals(at) || at != null && Platform.type(at).isPresent();
  }

  /** The methods without code, by name and types; empty where nobody knows all of them. */
  private Optional<Map<String, Ref>> open(String type) {
    Map<String, Ref> open = new LinkedHashMap<>();
    Set<String> closed = new LinkedHashSet<>();
    return collect(type, open, closed) ? Optional.of(open) : Optional.empty();
  }

  private boolean collect(String type, Map<String, Ref> open, Set<String> closed) {
    if (!base.has(type)) {
      return Platform.type(type).filter(of -> collect(of, open, closed)).isPresent();
    }
    for (String code : base.methods(type)) {
      Ref method = new Ref(type, code);
      note(method, base.access(method), isInterface(type), open, closed);
    }
    return base.above(type).stream().allMatch(above -> collect(above, open, closed))
        && base.interfaces(type).stream().allMatch(above -> collect(above, open, closed));
  }

  /**
   * Those of a class of the platform, if all that it lacks is public, and without types to fill in
   * where any of it is still to be written.
   */
  private static boolean collect(Class<?> type, Map<String, Ref> open, Set<String> closed) {
    String owner = Type.getInternalName(type);
    int before = open.size();
    for (Method method : type.getMethods()) {
      Ref ref = new Ref(owner, method.getName() + Type.getMethodDescriptor(method));
      note(ref, method.getModifiers(), method.getDeclaringClass().isInterface(), open, closed);
    }
    boolean isPublic =
        Stream.<Class<?>>iterate(type, java.util.Objects::nonNull, Class::getSuperclass)
            .flatMap(of -> Arrays.stream(of.getDeclaredMethods()))
            .map(Method::getModifiers)
            .noneMatch(access -> Modifier.isAbstract(access) && !Modifier.isPublic(access));
    return isPublic && (type.getTypeParameters().length == 0 || open.size() == before);
  }

  private boolean isInterface(String type) {
    return (base.access(type) & Opcodes.ACC_INTERFACE) != 0;
  }

  /** What has code in a class further down needs none, nor do those that all objects have. */
  private static void note(
      Ref method, int access, boolean isOfInterface, Map<String, Ref> open, Set<String> closed) {
    boolean isObjects =
        isOfInterface && List.of("equals", "hashCode", "toString").contains(method.name());
    if ((access & CODELESS) == 0 || isObjects) {
      closed.add(method.code());
    } else if (!closed.contains(method.code())) {
      open.putIfAbsent(method.code(), method);
    }
  }

  private boolean canBeOverridden(Ref method) {
    int access = access(method);
    boolean isGeneric =
        base.code(method.type())
            .flatMap(code -> code.signature(method.code()))
            .filter(Subclasses::namesTypes)
            .isPresent();
    boolean isOpen = (access & OPEN) != 0 || visible.sees(method.type(), access);
    return isOpen
        && (access & CLOSED) == 0
        && !isGeneric
        && types(method.descriptor()).allMatch(visible::sees);
  }

  /** Whether the signature of a method has types that stand for others. */
  private static boolean namesTypes(String signature) {
    return signature.startsWith("<") || signature.replaceAll("L[^;<]*", "").indexOf('T') >= 0;
  }

  private static Stream<String> types(String descriptor) {
    return Stream.concat(
            Arrays.stream(Type.getArgumentTypes(descriptor)),
            Stream.of(Type.getReturnType(descriptor)))
        .map(type -> type.getDescriptor().replaceAll("^\\[+", ""))
        .filter(type -> type.startsWith("L"))
        .map(TypeNames::internal);
  }

  private String written(Ref method, Optional<String> answer) {
    Type result = Type.getReturnType(method.descriptor());
    boolean isVoid = result == Type.VOID_TYPE;
    String does = answer.orElseGet(() -> isVoid ? "" : Doubles.returning(method, Optional.empty()));
    boolean throwsIt = does.startsWith("throw ");
    String body = isVoid && !throwsIt ? "" : " " + does;
    String letter = Doubles.letter(does);
    Type[] types = Type.getArgumentTypes(method.descriptor());
    String parameters =
        IntStream.range(0, types.length)
            .mapToObj(i -> TypeNames.simple(types[i].getDescriptor()) + " " + letter + (i + 1))
            .collect(Collectors.joining(", "));
    int access = access(method) & OPEN;
    String open = access == 0 ? "" : (access & Opcodes.ACC_PUBLIC) != 0 ? "public " : "protected ";
    return open
        + TypeNames.simple(result.getDescriptor())
        + " "
        + method.name()
        + "("
        + parameters
        + ")"
        + (throwsIt ? declared(method) : "")
        + " {"
        + body
        + " }";
  }

  /** The exceptions that a method may throw. */
  private String declared(Ref method) {
    List<String> declared = base.has(method.type()) ? base.declared(method) : List.of();
    return declared.isEmpty()
        ? ""
        : " throws "
            + declared.stream()
                .map(type -> TypeNames.simple("L" + type + ";"))
                .collect(Collectors.joining(", "));
  }
}
