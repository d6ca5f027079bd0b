package atalaya.ways.code;

import atalaya.core.term.EnumValue;
import atalaya.core.term.Platform;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.objectweb.asm.Opcodes;

/**
 * Of what types objects are (JLS 4.10). Types are descriptors; that of {@code null} is {@link
 * #NOTHING}.
 */
public final class Kinds {
  /** Of no type. */
  public static final String NOTHING = "null";

  private static final String OBJECT = "Ljava/lang/Object;";
  private static final List<String> OF_ARRAYS =
      List.of("Ljava/lang/Cloneable;", "Ljava/io/Serializable;");

  private static final Pattern MADE = Pattern.compile("new (\\w+)[(<]");
  private static final List<String> PACKAGES = List.of("java/lang/", "java/util/", "java/io/");

  private final CodeBase base;

  public Kinds(CodeBase base) {
    this.base = base;
  }

  /** The very type of what a test writes for a value; empty where the words do not tell. */
  public static Optional<String> written(String code, Object value) {
    if (value instanceof EnumValue constant) {
      return Optional.of("L" + constant.type() + ";");
    }
    if (code.endsWith(".class")) {
      return Optional.of("Ljava/lang/Class;");
    }
    if (code.startsWith("\"")) {
      return Optional.of("Ljava/lang/String;");
    }
    Matcher made = MADE.matcher(code);
    return made.lookingAt()
        ? PACKAGES.stream()
            .map(in -> in + made.group(1))
            .filter(name -> Platform.type(name).isPresent())
            .map(name -> "L" + name + ";")
            .findFirst()
        : Optional.empty();
  }

  /** Whether an object of the very type is of another one too; empty where nobody knows. */
  public Optional<Boolean> isA(String type, String other) {
    if (type.equals(NOTHING)) {
      return Optional.of(false);
    }
    if (type.equals(other)) {
      return Optional.of(true);
    }
    if (type.startsWith("[")) {
      return isArrayA(type, other);
    }
    if (isPlain(type) || other.startsWith("[")) {
      return Optional.of(false);
    }
    if (other.equals(OBJECT)) {
      return Optional.of(true);
    }
    return base.supertypes(TypeNames.internal(type))
        .map(above -> isAnyA(above, other))
        .orElseGet(() -> isOfPlatformA(type, other));
  }

  /** Whether nothing is of two types: both are classes, and neither extends the other. */
  public boolean exclude(String one, String other) {
    return isClass(one)
        && isClass(other)
        && !isA(one, other).orElse(true)
        && !isA(other, one).orElse(true);
  }

  private boolean isClass(String type) {
    String name = TypeNames.internal(type);
    return base.has(name)
        ? (base.access(name) & Opcodes.ACC_INTERFACE) == 0
        : Platform.type(name).filter(of -> !of.isInterface()).isPresent();
  }

  private static boolean isPlain(String type) {
    return type.length() == 1;
  }

  private Optional<Boolean> isArrayA(String type, String other) {
    boolean areBoth = other.startsWith("[");
    return areBoth
        ? isA(type.substring(1), other.substring(1))
        : Optional.of(other.equals(OBJECT) || OF_ARRAYS.contains(other));
  }

  private Optional<Boolean> isAnyA(List<String> above, String other) {
    boolean isKnown = true;
    for (String one : above) {
      Optional<Boolean> is = isA("L" + one + ";", other);
      if (is.orElse(false)) {
        return is;
      }
      isKnown &= is.isPresent();
    }
    return isKnown ? Optional.of(false) : Optional.empty();
  }

  /** Nothing of the platform extends what is not. */
  private static Optional<Boolean> isOfPlatformA(String type, String other) {
    Optional<Class<?>> asked = Platform.type(TypeNames.internal(other));
    return Platform.type(TypeNames.internal(type))
        .map(is -> asked.map(a -> a.isAssignableFrom(is)).orElse(false));
  }
}
