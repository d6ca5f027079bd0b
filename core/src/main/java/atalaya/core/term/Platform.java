package atalaya.core.term;

import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.util.Arrays;
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
          "java/lang/reflect/Modifier",
          "java/lang/Comparable",
          "java/util/Objects",
          "java/nio/charset/Charset",
          "java/util/Locale",
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
          "getDefault",
          "setDefault",
          "getAvailableLocales",
          "availableCharsets");

  private static final Set<String> CODING = Set.of("newEncoder", "newDecoder", "encode", "decode");

  /** What makes something of a text alone, or throws where it is not as it has to be. */
  private static final Set<String> TAKING_TEXT =
      Set.of(
          "java/math/BigDecimal.<init>(Ljava/lang/String;)V",
          "java/math/BigInteger.<init>(Ljava/lang/String;)V",
          "java/math/BigInteger.<init>(Ljava/lang/String;I)V",
          "java/net/URI.<init>(Ljava/lang/String;)V",
          "java/net/URI.create(Ljava/lang/String;)Ljava/net/URI;",
          "java/net/URL.<init>(Ljava/lang/String;)V",
          "java/sql/Date.valueOf(Ljava/lang/String;)Ljava/sql/Date;",
          "java/sql/Timestamp.valueOf(Ljava/lang/String;)Ljava/sql/Timestamp;",
          "java/text/DecimalFormat.<init>(Ljava/lang/String;)V",
          "java/text/MessageFormat.<init>(Ljava/lang/String;)V",
          "java/text/SimpleDateFormat.<init>(Ljava/lang/String;)V",
          "java/time/format/DateTimeFormatter.ofPattern(Ljava/lang/String;)"
              + "Ljava/time/format/DateTimeFormatter;",
          "java/util/Currency.getInstance(Ljava/lang/String;)Ljava/util/Currency;",
          "java/util/UUID.fromString(Ljava/lang/String;)Ljava/util/UUID;");

  private static final Map<String, Optional<Callee>> METHODS = new ConcurrentHashMap<>();
  private static final Map<String, Optional<Class<?>>> TYPES = new ConcurrentHashMap<>();

  private static final Pattern ROLES =
      Pattern.compile(
          "java/(util/function|util/concurrent|sql|beans|awt/event)/[^/]*|(javax|org/w3c|org/xml)/.*"
              + "|java/lang/(Runnable|AutoCloseable)"
              + "|java/util/(Comparator|Enumeration|Iterator|ListIterator)"
              + "|java/io/(Closeable|FileFilter|FilenameFilter)");

  private static final Pattern GIVING_SOMETHING =
      Pattern.compile(
          "(to|as|new|unmodifiable|synchronized|singleton|empty|parallel)[A-Z].*"
              + "|get\\w*Instance|getLogger|getDefault|getRuntime|of|valueOf|copyOf|copyOfRange|clone|format|append|reverse"
              + "|digest|doFinal|getBytes|array|read(All|N)Bytes|split"
              + "|iterator|listIterator|values|keySet|entrySet|subList|stream|nCopies|compile|matcher"
              + "|currentThread|system(UTC|DefaultZone)");

  private static final Pattern NEVER_NULL =
      Pattern.compile(
          "Ljava/(util/(stream/\\w*Stream|Optional\\w*|\\w*Iterator)|nio/charset/Charset);");

  private Platform() {}

  /** Whether a class has only such methods, but for a few. */
  public static boolean isPure(String owner) {
    return PURE.contains(owner)
        || owner.startsWith("java/time/") && owner.indexOf('/', 10) < 0
        || owner.equals("java/time/temporal/ChronoUnit");
  }

  /**
   * Whether a call of the platform makes something of a text, and it depends on that text alone
   * whether it throws.
   *
   * @param method {@code java/net/URI.create(Ljava/lang/String;)Ljava/net/URI;}
   */
  public static boolean takesText(String method) {
    return TAKING_TEXT.contains(method);
  }

  /** Whether a method is one of them. */
  public static boolean isPure(String owner, String name) {
    boolean isCoding = owner.equals("java/nio/charset/Charset") && CODING.contains(name);
    return isPure(owner) && !NOT_PURE.contains(name) && !isCoding;
  }

  /** Whether a class of the platform can't be extended by others. */
  public static boolean isFinal(String owner) {
    return type(owner)
        .map(type -> Modifier.isFinal(type.getModifiers()) || isClosed(type))
        .orElse(false);
  }

  /** Whether others can't call any constructor. */
  private static boolean isClosed(Class<?> type) {
    int open = Modifier.PUBLIC | Modifier.PROTECTED;
    return !type.isInterface()
        && !type.isArray()
        && Arrays.stream(type.getDeclaredConstructors())
            .noneMatch(constructor -> (constructor.getModifiers() & open) != 0);
  }

  /** Whether a type of the platform is one of which others have to be made. */
  public static boolean isAbstract(String owner) {
    return type(owner)
        .map(type -> !type.isArray() && Modifier.isAbstract(type.getModifiers()))
        .orElse(false);
  }

  /** Whether a type of the platform is what tests put something of their own in place of. */
  public static boolean isRole(String owner) {
    return ROLES.matcher(owner).matches() && isInterface(owner);
  }

  /** Whether a type of the platform asks for one method only. */
  public static boolean isFunction(String owner) {
    return type(owner).stream()
            .flatMap(type -> Arrays.stream(type.getMethods()))
            .filter(method -> Modifier.isAbstract(method.getModifiers()))
            .map(Method::getName)
            .filter(name -> !name.equals("equals"))
            .distinct()
            .count()
        == 1;
  }

  /** Whether a type of the platform is an interface. */
  public static boolean isInterface(String owner) {
    return type(owner).map(Class::isInterface).orElse(false);
  }

  /**
   * Whether a method of the platform never gives null. Told by its name or by what it gives, as the
   * platform has its conventions.
   */
  public static boolean givesSomething(String owner, String name, String result) {
    boolean isOfPlatform = owner.startsWith("java/") || owner.startsWith("javax/");
    return isOfPlatform
        && (GIVING_SOMETHING.matcher(name).matches()
            || NEVER_NULL.matcher(result).matches()
            || owner.equals("java/nio/file/Paths"));
  }

  /**
   * A class of the platform.
   *
   * @param owner its internal name
   * @return empty for one of a later version, or none of the platform
   */
  public static Optional<Class<?>> type(String owner) {
    return TYPES.computeIfAbsent(owner, Platform::found);
  }

  private static Optional<Class<?>> found(String owner) {
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
    Optional<Callee> callee = METHODS.computeIfAbsent(method, Callee::of);
    return callee.isPresent() ? callee.get().call(values) : Values.UNDECIDED;
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
      boolean isKnown = isPure(owner) || field.getType().isEnum();
      return isConstant && isKnown
          ? Optional.of(Values.computed(field.get(null)))
          : Optional.empty();
    } catch (ReflectiveOperationException e) {
      return Optional.empty();
    }
  }
}
