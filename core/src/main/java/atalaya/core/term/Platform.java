package atalaya.core.term;

import java.lang.invoke.MethodType;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;

/** Calls methods of the Java platform that have no side effects and depend on nothing else. */
public final class Platform {
  private static final Set<String> PURE =
      Set.of(
          "java/lang/String",
          "java/lang/CharSequence",
          "java/lang/Math",
          "java/lang/StrictMath",
          "java/lang/Integer",
          "java/lang/Long",
          "java/lang/Short",
          "java/lang/Byte",
          "java/lang/Double",
          "java/lang/Float",
          "java/lang/Number",
          "java/lang/Boolean",
          "java/lang/Character",
          "java/lang/Enum",
          "java/lang/Comparable",
          "java/util/Objects",
          "java/nio/charset/Charset",
          "java/math/BigDecimal",
          "java/math/BigInteger");
  private static final Set<String> NOT_PURE =
      Set.of(
          "now",
          "getBytes",
          "wait",
          "notify",
          "notifyAll",
          "getInteger",
          "getLong",
          "random",
          "defaultCharset",
          "availableCharsets",
          "newEncoder",
          "newDecoder",
          "encode",
          "decode");
  private static final Map<String, Optional<Method>> METHODS = new ConcurrentHashMap<>();

  private static final Pattern ROLES =
      Pattern.compile("java/(util/function|util/concurrent|sql)/[^/]*");

  private Platform() {}

  /** Whether a class has only such methods, but for a few. */
  public static boolean isPure(String owner) {
    return PURE.contains(owner)
        || owner.startsWith("java/time/") && owner.indexOf('/', 10) < 0
        || owner.equals("java/time/temporal/ChronoUnit");
  }

  /** Whether a method is one of them. */
  public static boolean isPure(String owner, String name) {
    return isPure(owner) && !NOT_PURE.contains(name);
  }

  /** Whether a class of the platform can't be extended. */
  public static boolean isFinal(String owner) {
    return type(owner).map(type -> Modifier.isFinal(type.getModifiers())).orElse(false);
  }

  /** Whether a type of the platform is what tests put something of their own in place of. */
  public static boolean isRole(String owner) {
    return ROLES.matcher(owner).matches() && type(owner).map(Class::isInterface).orElse(false);
  }

  /** Empty for one of a later version, or none of the platform. */
  private static Optional<Class<?>> type(String owner) {
    try {
      return Optional.of(
          Class.forName(owner.replace('/', '.'), false, ClassLoader.getPlatformClassLoader()));
    } catch (ClassNotFoundException e) {
      return Optional.empty();
    }
  }

  /**
   * Calls one.
   *
   * @param method {@code java/lang/String.isEmpty()Z}
   * @param values the object first, unless the method is static
   * @return the result, {@link Values#UNDECIDED}, or what it threw as {@link Values.Thrown}
   */
  static Object call(String method, List<Object> values) {
    Method found = METHODS.computeIfAbsent(method, Platform::find).orElse(null);
    if (found == null) {
      return Values.UNDECIDED;
    }
    boolean isStatic = Modifier.isStatic(found.getModifiers());
    Object target = isStatic ? null : boxed(values.get(0), found.getDeclaringClass());
    if (!isStatic && target == null) {
      return new Values.Thrown("java/lang/NullPointerException");
    }
    Class<?>[] types = found.getParameterTypes();
    Object[] arguments = new Object[types.length];
    for (int i = 0; i < types.length; i++) {
      Object value = values.get(isStatic ? i : i + 1);
      arguments[i] = boxed(value, types[i]);
      boolean fits = arguments[i] == null ? !types[i].isPrimitive() : isOf(types[i], arguments[i]);
      if (!fits) {
        return Values.UNDECIDED;
      }
    }
    if (target != null && !found.getDeclaringClass().isInstance(target)) {
      return Values.UNDECIDED;
    }
    try {
      return Values.computed(found.invoke(target, arguments));
    } catch (InvocationTargetException e) {
      return new Values.Thrown(e.getCause().getClass().getName().replace('.', '/'));
    } catch (IllegalAccessException | IllegalArgumentException e) {
      return Values.UNDECIDED;
    }
  }

  /** A constant field; empty when it is none. */
  public static Optional<Object> constant(String owner, String name) {
    if (!owner.startsWith("java/")) {
      return Optional.empty();
    }
    try {
      var field = Class.forName(owner.replace('/', '.'), false, null).getField(name);
      int modifiers = field.getModifiers();
      boolean isConstant = Modifier.isStatic(modifiers) && Modifier.isFinal(modifiers);
      boolean isKnown =
          isPure(owner) || field.getType().isEnum() || owner.equals("java/util/Locale");
      return isConstant && isKnown
          ? Optional.of(Values.computed(field.get(null)))
          : Optional.empty();
    } catch (ReflectiveOperationException e) {
      return Optional.empty();
    }
  }

  private static Optional<Method> find(String method) {
    int open = method.indexOf('(');
    int dot = method.lastIndexOf('.', open);
    String name = method.substring(dot + 1, open);
    String owner = method.substring(0, dot);
    if (!isPure(owner, name)) {
      return Optional.empty();
    }
    try {
      MethodType type = MethodType.fromMethodDescriptorString(method.substring(open), null);
      return Optional.of(
          Class.forName(owner.replace('/', '.')).getMethod(name, type.parameterArray()));
    } catch (ReflectiveOperationException | TypeNotPresentException e) {
      return Optional.empty();
    }
  }

  private static boolean isOf(Class<?> type, Object value) {
    return MethodType.methodType(type).wrap().returnType().isInstance(value);
  }

  /** An {@code int} as what it stands for. */
  private static Object boxed(Object value, Class<?> type) {
    if (value instanceof Integer number) {
      return switch (type.getSimpleName()) {
        case "boolean", "Boolean" -> number != 0;
        case "char", "Character" -> (char) number.intValue();
        case "byte", "Byte" -> number.byteValue();
        case "short", "Short" -> number.shortValue();
        default -> value;
      };
    }
    if (value instanceof Values.Elements elements && type.isArray()) {
      return type == Object[].class ? elements.values().toArray() : value;
    }
    return value;
  }
}
