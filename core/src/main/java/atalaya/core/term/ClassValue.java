package atalaya.core.term;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * An object of {@code java.lang.Class}, of a class that need not be there.
 *
 * @param type its internal name; of an array its descriptor, of a primitive type its keyword
 */
public record ClassValue(String type) {
  private static final String OWNER = "java/lang/Class";

  private static final Map<String, Class<?>> PRIMITIVE =
      Stream.of(
              boolean.class,
              byte.class,
              char.class,
              short.class,
              int.class,
              long.class,
              float.class,
              double.class,
              void.class)
          .collect(Collectors.toMap(Class::getName, Function.identity()));

  private static final Set<String> ASKED =
      Set.of(
          "getName",
          "getSimpleName",
          "getModifiers",
          "isArray",
          "isPrimitive",
          "isInterface",
          "isEnum",
          "isAnnotation",
          "isAssignableFrom");

  /** Of a class that is there. */
  static ClassValue of(Class<?> type) {
    return new ClassValue(type.getName().replace('.', '/'));
  }

  /** Whether a method tells something of a class that never changes, and does no more. */
  public static boolean isAsked(String owner, String name) {
    return owner.equals(OWNER) && ASKED.contains(name);
  }

  /** Its descriptor. */
  public String descriptor() {
    Class<?> primitive = PRIMITIVE.get(type);
    return primitive != null
        ? primitive.descriptorString()
        : type.startsWith("[") ? type : "L" + type + ";";
  }

  /** Itself, where it is of the platform. */
  private Optional<Class<?>> there() {
    return Optional.<Class<?>>ofNullable(PRIMITIVE.get(type)).or(() -> Platform.type(type));
  }

  /**
   * What it answers.
   *
   * @param method {@code java/lang/Class.isArray()Z}
   * @param values itself first
   * @return {@link Values#UNDECIDED} where that is not known, or it is no such method
   */
  static Object ask(String method, List<Object> values) {
    boolean isAsked =
        method.startsWith(OWNER + ".") && values.stream().allMatch(ClassValue.class::isInstance);
    if (!isAsked) {
      return Values.UNDECIDED;
    }
    ClassValue self = (ClassValue) values.get(0);
    String name = method.substring(OWNER.length() + 1, method.indexOf('('));
    if (name.equals("getName")) {
      return self.type.replace('/', '.');
    }
    if (name.equals("isAssignableFrom")) {
      return self.equals(values.get(1)) ? 1 : self.takes((ClassValue) values.get(1));
    }
    return self.there().map(type -> answer(type, name)).orElse(Values.UNDECIDED);
  }

  private Object takes(ClassValue other) {
    Optional<Class<?>> self = there();
    Optional<Class<?>> its = other.there();
    return self.isPresent() && its.isPresent()
        ? Values.computed(self.get().isAssignableFrom(its.get()))
        : Values.UNDECIDED;
  }

  private static Object answer(Class<?> type, String name) {
    return Values.computed(
        switch (name) {
          case "getSimpleName" -> type.getSimpleName();
          case "getModifiers" -> type.getModifiers();
          case "isArray" -> type.isArray();
          case "isPrimitive" -> type.isPrimitive();
          case "isInterface" -> type.isInterface();
          case "isEnum" -> type.isEnum();
          case "isAnnotation" -> type.isAnnotation();
          default -> throw new IllegalArgumentException(name);
        });
  }
}
