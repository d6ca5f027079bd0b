package atalaya.java.way;

import atalaya.core.term.Platform;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Of what types objects are (JLS 4.10). Types are descriptors; that of {@code null} is {@link
 * #NOTHING}.
 */
final class Kinds {
  /** Of no type. */
  static final String NOTHING = "null";

  private static final String OBJECT = "Ljava/lang/Object;";
  private static final List<String> OF_ARRAYS =
      List.of("Ljava/lang/Cloneable;", "Ljava/io/Serializable;");

  private final CodeBase base;

  Kinds(CodeBase base) {
    this.base = base;
  }

  /** Whether an object of the very type is of another one too; empty where nobody knows. */
  Optional<Boolean> isA(String type, String other) {
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
    return base.has(Walker.internal(type)) ? isOwnA(type, other) : isOfPlatformA(type, other);
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

  private Optional<Boolean> isOwnA(String type, String other) {
    String name = Walker.internal(type);
    List<String> above = new ArrayList<>(base.interfaces(name));
    base.above(name).ifPresent(above::add);
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
    Optional<Class<?>> asked = Platform.type(Walker.internal(other));
    return Platform.type(Walker.internal(type))
        .map(is -> asked.map(a -> a.isAssignableFrom(is)).orElse(false));
  }
}
