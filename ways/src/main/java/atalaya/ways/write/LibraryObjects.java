package atalaya.ways.write;

import atalaya.core.term.Platform;
import atalaya.ways.code.ClassCode;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.Literals;
import atalaya.ways.code.TypeNames;
import atalaya.ways.code.Visibility;
import java.lang.reflect.Field;
import java.lang.reflect.Modifier;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;

/**
 * What a test takes where it needs any object of a class that is not the project's: a constant of
 * that class, or what a public constructor makes of usual values.
 */
final class LibraryObjects {
  /** Of classes of the platform that are had otherwise, or of which plain ones would be odd. */
  private static final Map<String, String> PLATFORM =
      Map.of(
          "java/io/BufferedInputStream",
          "new BufferedInputStream(new ByteArrayInputStream(new byte[0]))",
          "java/io/BufferedWriter",
          "new BufferedWriter(new StringWriter())",
          "java/io/DataInputStream",
          "new DataInputStream(new ByteArrayInputStream(new byte[64]))",
          "java/io/DataOutputStream",
          "new DataOutputStream(new ByteArrayOutputStream())",
          "java/io/InputStreamReader",
          "new InputStreamReader(new ByteArrayInputStream(new byte[0]))",
          "java/lang/StackTraceElement",
          "new StackTraceElement(\"A\", \"a\", \"A.java\", 1)",
          "java/awt/color/ColorSpace",
          "ColorSpace.getInstance(ColorSpace.CS_sRGB)",
          "java/net/Socket",
          "new Socket()",
          "java/net/URL",
          "URI.create(\"http://localhost/\").toURL()",
          "javax/net/ssl/SSLContext",
          "SSLContext.getDefault()");

  /** Packages whose objects do nothing by themselves. */
  private static final List<String> QUIET =
      List.of("java/io/", "java/text/", "java/util/concurrent/", "java/nio/");

  private static final int OPEN_CONSTANT = Modifier.PUBLIC | Modifier.STATIC | Modifier.FINAL;

  private final CodeBase base;
  private final Visibility visible;

  LibraryObjects(CodeBase base, Visibility visible) {
    this.base = base;
    this.visible = visible;
  }

  /**
   * Code that gives one.
   *
   * @param assumed what had better be so, as nobody looked; empty for nothing
   */
  record Any(String code, String assumed) {}

  /** Any object of a class; empty where none can be had so. */
  Optional<Any> of(String type) {
    return Optional.ofNullable(PLATFORM.get(type))
        .or(() -> Platform.type(type).filter(t -> isQuiet(type)).flatMap(LibraryObjects::plain))
        .map(code -> new Any(code, ""))
        .or(() -> base.library(type).filter(this::isOpen).flatMap(code -> ofLibrary(type, code)))
        .or(() -> asTheProject(type))
        .or(
            () ->
                base.mentionedBelow(type).stream().flatMap(t -> extending(t).stream()).findFirst());
  }

  private static boolean isQuiet(String type) {
    boolean isUtility = type.startsWith("java/util/") && type.indexOf('/', 10) < 0;
    return isUtility && !type.equals("java/util/Timer")
        || QUIET.stream().anyMatch(type::startsWith);
  }

  /** A constant, or what a constructor makes of nothing. */
  private static Optional<String> plain(Class<?> type) {
    Optional<String> constant =
        Arrays.stream(type.getDeclaredFields())
            .filter(field -> field.getType() == type)
            .filter(field -> (field.getModifiers() & OPEN_CONSTANT) == OPEN_CONSTANT)
            .map(Field::getName)
            .min(Comparator.naturalOrder());
    boolean isMade = !Modifier.isAbstract(type.getModifiers()) && hasPlainConstructor(type);
    String name = TypeNames.simple(Type.getDescriptor(type));
    return constant
        .map(field -> name + "." + field)
        .or(
            () ->
                isMade
                    ? Optional.of(
                        "new " + name + (type.getTypeParameters().length > 0 ? "<>()" : "()"))
                    : Optional.empty());
  }

  private static boolean hasPlainConstructor(Class<?> type) {
    return Stream.of(type.getConstructors()).anyMatch(c -> c.getParameterCount() == 0)
        && Modifier.isPublic(type.getModifiers());
  }

  private boolean isOpen(ClassCode code) {
    return code.isPublic()
        && !code.isHidden()
        && code.outer().isEmpty()
        && code.around()
            .map(type -> base.library(type).filter(this::isOpen).isPresent())
            .orElse(true);
  }

  private Optional<Any> ofLibrary(String type, ClassCode code) {
    String name = TypeNames.simple("L" + type + ";");
    String making = name + ".new(..)" + Made.THROWS_NOTHING;
    return code.instance(visible)
        .map(field -> new Any(name + "." + field, field.endsWith(")") ? making : ""))
        .or(() -> made(code).map(values -> new Any("new " + name + "(" + values + ")", making)));
  }

  /** What the project's own code takes, from other classes: the plainest of all. */
  private Optional<Any> asTheProject(String type) {
    return base.taken(type).stream()
        .sorted(
            Comparator.comparingInt(LibraryObjects::arguments)
                .thenComparing(Ref::type)
                .thenComparing(Ref::code))
        .flatMap(from -> taken(from).stream())
        .findFirst();
  }

  /** Of a method how many it takes; a constant comes after one that takes none. */
  private static int arguments(Ref from) {
    return from.code().contains("(") ? 2 * Type.getArgumentTypes(from.descriptor()).length : 1;
  }

  /** Of what it does nothing is known but that the project's code can use it. */
  private Optional<Any> taken(Ref from) {
    Optional<ClassCode> owner = base.library(from.type()).filter(this::isOpen);
    Optional<String> member =
        from.code().contains("(")
            ? owner
                .flatMap(code -> code.method(from.code()))
                .filter(method -> (method.node().access & Opcodes.ACC_PUBLIC) != 0)
                .flatMap(method -> usual(Type.getArgumentTypes(from.descriptor())))
                .map(values -> from.name() + "(" + values + ")")
            : owner
                .flatMap(code -> code.field(from.code()))
                .filter(field -> (field.access & Opcodes.ACC_PUBLIC) != 0)
                .map(field -> field.name);
    return member
        .map(name -> TypeNames.simple("L" + from.type() + ";") + "." + name)
        .map(code -> new Any(code, code + " will do"));
  }

  /** What a constructor is given that takes nothing but usual values. */
  private static Optional<String> made(ClassCode code) {
    return constructors(code).stream().flatMap(types -> usual(types).stream()).findFirst();
  }

  /** One of a class that extends what is wanted, made of usual values, or else of nothing. */
  private Optional<Any> extending(String type) {
    String name = TypeNames.simple("L" + type + ";");
    return base.library(type)
        .filter(this::isOpen)
        .flatMap(LibraryObjects::plainest)
        .map(types -> Arrays.stream(types).map(LibraryObjects::usualOrNothing).toList())
        .map(values -> "new " + name + "(" + String.join(", ", values) + ")")
        .map(code -> new Any(code, name + ".new(..)" + Made.THROWS_NOTHING));
  }

  private static String usualOrNothing(Type type) {
    String descriptor = type.getDescriptor();
    return Literals.usual(descriptor).filter(usual -> !usual.startsWith("new ")).orElse("null");
  }

  /** What the public constructor takes that takes least; empty where another takes as much. */
  private static Optional<Type[]> plainest(ClassCode code) {
    List<Type[]> open = constructors(code);
    boolean isOne = open.size() == 1 || open.size() > 1 && open.get(0).length < open.get(1).length;
    return isOne ? Optional.of(open.get(0)) : Optional.empty();
  }

  /** What the public constructors take of a class of which there are objects, the least first. */
  private static List<Type[]> constructors(ClassCode code) {
    return code.constructors().stream()
        .filter(c -> !code.isAbstract() && (c.node().access & Opcodes.ACC_PUBLIC) != 0)
        .map(c -> Type.getArgumentTypes(c.node().desc))
        .sorted(Comparator.comparingInt(types -> types.length))
        .toList();
  }

  private static Optional<String> usual(Type[] types) {
    List<String> values =
        Arrays.stream(types).flatMap(t -> Literals.usual(t.getDescriptor()).stream()).toList();
    return values.size() == types.length
        ? Optional.of(String.join(", ", values))
        : Optional.empty();
  }
}
