package atalaya.ways.code;

import atalaya.core.term.Platform;
import atalaya.ways.code.CodeBase.Ref;
import java.lang.reflect.Executable;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.MethodInsnNode;

/** Which calls can throw what: checked exceptions have to be declared (JLS 11.2). */
final class Exceptions {
  /** What keeps all it is given, and never fails to, whatever its calls declare. */
  private static final Set<String> IN_MEMORY =
      Set.of(
          "java/io/ByteArrayInputStream",
          "java/io/ByteArrayOutputStream",
          "java/io/CharArrayWriter",
          "java/io/StringWriter");

  /** These do not come of what a call is given. */
  private static final Set<String> NO_REFUSAL =
      Set.of(
          "java/io/IOException",
          "java/lang/CloneNotSupportedException",
          "java/lang/InterruptedException");

  private static final Set<String> KEEPING = Set.of("append", "close", "flush", "read", "write");

  private static final Set<String> TEXT_BUFFERS =
      Set.of("java/lang/StringBuilder", "java/lang/StringBuffer");

  private final CodeBase base;

  /** What methods of the platform declare: looked up once. */
  private final Map<Ref, Optional<List<String>>> ofPlatform = new ConcurrentHashMap<>();

  Exceptions(CodeBase base) {
    this.base = base;
  }

  /** Whether a call can lead to a handler. */
  boolean mayThrow(MethodInsnNode call, String caught) {
    if (neverThrows(call)) {
      return false;
    }
    if (isChecked(caught)) {
      return declared(call).isEmpty() || declares(call, caught);
    }
    if (!base.has(caught)) {
      return true;
    }
    Optional<Ref> own = base.declaring(new Ref(call.owner, call.name + call.desc));
    return own.isPresent() ? base.mayThrow(own.get(), caught) : !isClosed(call);
  }

  private static boolean neverThrows(MethodInsnNode call) {
    boolean isEmpty = call.name.equals("<init>") && call.desc.equals("()V");
    return TEXT_BUFFERS.contains(call.owner)
        ? isEmpty
            || call.name.equals("toString")
            || call.name.equals("append") && call.desc.indexOf('[') < 0
        : isEmpty && (call.owner.startsWith("java/util/") || call.owner.equals("java/lang/Object"));
  }

  /** Whether a call of the platform reaches no code of the project: it is given none. */
  private static boolean isClosed(MethodInsnNode call) {
    boolean isOnNothing =
        call.getOpcode() == Opcodes.INVOKESTATIC
            || call.name.equals("<init>")
            || Platform.isFinal(call.owner);
    return call.owner.startsWith("java/")
        && isOnNothing
        && Arrays.stream(Type.getArgumentTypes(call.desc))
            .allMatch(
                type -> type.getSort() < Type.ARRAY || Platform.isFinal(type.getInternalName()));
  }

  /** Whether what a call names declares an exception that a handler is for. */
  boolean declares(MethodInsnNode call, String caught) {
    return declared(call).stream()
        .flatMap(List::stream)
        .anyMatch(type -> isA(type, caught) || isA(caught, type));
  }

  /** A checked exception by which a method of the platform may refuse what it is given. */
  Optional<String> refusing(MethodInsnNode call) {
    return call.owner.startsWith("java/")
        ? declared(call).stream()
            .flatMap(List::stream)
            .filter(type -> isChecked(type) && !NO_REFUSAL.contains(type))
            .findFirst()
        : Optional.empty();
  }

  private Optional<List<String>> declared(MethodInsnNode call) {
    if (IN_MEMORY.contains(call.owner) && KEEPING.contains(call.name)) {
      return Optional.of(List.of());
    }
    Ref called = new Ref(call.owner, call.name + call.desc);
    Optional<Ref> own = base.declaring(called);
    return own.isPresent()
        ? own.map(base::declared)
        : ofPlatform.computeIfAbsent(called, Exceptions::ofPlatform);
  }

  private static Optional<List<String>> ofPlatform(Ref called) {
    return Platform.type(called.type()).stream()
        .flatMap(
            type ->
                Stream.<Executable>concat(
                    Arrays.stream(type.getMethods()), Arrays.stream(type.getConstructors())))
        .filter(method -> isCalled(method, called))
        .findFirst()
        .map(
            method ->
                Arrays.stream(method.getExceptionTypes()).map(Type::getInternalName).toList());
  }

  private static boolean isCalled(Executable method, Ref called) {
    boolean isConstructor = method instanceof java.lang.reflect.Constructor<?>;
    String name = isConstructor ? "<init>" : method.getName();
    return name.equals(called.name())
        && Arrays.equals(
            Arrays.stream(method.getParameterTypes()).map(Type::getType).toArray(),
            Type.getArgumentTypes(called.descriptor()));
  }

  /** Whether an exception has to be declared, and its handler takes none that need not be. */
  boolean isChecked(String type) {
    boolean isAny = type.equals("java/lang/Exception") || type.equals("java/lang/Throwable");
    return !isAny && !isA(type, "java/lang/RuntimeException") && !isA(type, "java/lang/Error");
  }

  /** Whether an exception is another one; empty where nobody knows. */
  Optional<Boolean> isKnownA(String type, String other) {
    return new Kinds(base).isA("L" + type + ";", "L" + other + ";");
  }

  /** Whether a class is another or extends it, as far as the project and the platform tell. */
  boolean isA(String type, String other) {
    String at = type;
    while (at != null && !at.equals(other)) {
      String below = at;
      at =
          base.above(below)
              .or(() -> Platform.type(below).map(Class::getSuperclass).map(Type::getInternalName))
              .orElse(null);
    }
    return at != null;
  }
}
