package atalaya.ways.code;

import atalaya.core.term.Characters;
import atalaya.core.term.ClassValue;
import atalaya.core.term.EnumValue;
import atalaya.core.term.Expression;
import atalaya.core.term.Stand;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.nio.charset.Charset;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.Period;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Values as Java has them, from Java 8 on. */
public final class Literals {
  private static final int LONGEST = 60;
  private static final Map<String, String> USUAL =
      Map.ofEntries(
          Map.entry("Z", "false"),
          Map.entry("B", "(byte) 0"),
          Map.entry("S", "(short) 0"),
          Map.entry("C", "'a'"),
          Map.entry("I", "0"),
          Map.entry("J", "0L"),
          Map.entry("F", "0f"),
          Map.entry("D", "0.0"),
          Map.entry("Ljava/lang/Boolean;", "false"),
          Map.entry("Ljava/lang/Byte;", "(byte) 0"),
          Map.entry("Ljava/lang/Short;", "(short) 0"),
          Map.entry("Ljava/lang/Character;", "'a'"),
          Map.entry("Ljava/lang/Integer;", "0"),
          Map.entry("Ljava/lang/Long;", "0L"),
          Map.entry("Ljava/lang/Float;", "0f"),
          Map.entry("Ljava/lang/Double;", "0.0"),
          Map.entry("Ljava/lang/String;", "\"a\""),
          Map.entry("Ljava/lang/CharSequence;", "\"a\""),
          Map.entry("Ljava/lang/Object;", "new Object()"),
          Map.entry("Ljava/time/LocalDate;", "LocalDate.of(2026, 7, 17)"),
          Map.entry("Ljava/time/LocalTime;", "LocalTime.of(12, 0)"),
          Map.entry("Ljava/time/LocalDateTime;", "LocalDateTime.of(2026, 7, 17, 12, 0)"),
          Map.entry("Ljava/time/Duration;", "Duration.ofHours(1)"),
          Map.entry("Ljava/lang/Iterable;", "new ArrayList<>()"),
          Map.entry("Ljava/util/Collection;", "new ArrayList<>()"),
          Map.entry("Ljava/util/List;", "new ArrayList<>()"),
          Map.entry("Ljava/util/Set;", "new HashSet<>()"),
          Map.entry("Ljava/util/Map;", "new HashMap<>()"),
          Map.entry("Ljava/util/Locale;", "Locale.ROOT"),
          Map.entry("Ljava/util/Iterator;", "Collections.emptyIterator()"),
          Map.entry("Ljava/util/Optional;", "Optional.empty()"),
          Map.entry("Ljava/util/Properties;", "new Properties()"),
          Map.entry("Ljava/util/Date;", "new Date(0)"),
          Map.entry("Ljava/util/concurrent/TimeUnit;", "TimeUnit.SECONDS"),
          Map.entry("Ljava/util/UUID;", "new UUID(0, 1)"),
          Map.entry("Ljava/lang/Number;", "1"),
          Map.entry("Ljava/lang/Class;", "Object.class"),
          Map.entry("Ljava/lang/Throwable;", "new Exception()"),
          Map.entry("Ljava/lang/Exception;", "new Exception()"),
          Map.entry("Ljava/lang/StringBuilder;", "new StringBuilder()"),
          Map.entry("Ljava/lang/StringBuffer;", "new StringBuffer()"),
          Map.entry("Ljava/lang/ClassLoader;", "ClassLoader.getSystemClassLoader()"),
          Map.entry("Ljava/nio/charset/Charset;", "StandardCharsets.UTF_8"),
          Map.entry("Ljava/lang/Thread;", "new Thread()"),
          Map.entry("Ljava/nio/ByteBuffer;", "ByteBuffer.allocate(8)"),
          Map.entry("Ljava/nio/CharBuffer;", "CharBuffer.allocate(8)"),
          Map.entry("Ljava/nio/file/Path;", "Paths.get(\"a\")"),
          Map.entry("Ljava/io/File;", "new File(\"a\")"),
          Map.entry("Ljava/io/InputStream;", "new ByteArrayInputStream(new byte[0])"),
          Map.entry("Ljava/io/OutputStream;", "new ByteArrayOutputStream()"),
          Map.entry("Ljava/io/IOException;", "new IOException()"),
          Map.entry("Ljava/io/Reader;", "new StringReader(\"\")"),
          Map.entry("Ljava/io/BufferedReader;", "new BufferedReader(new StringReader(\"\"))"),
          Map.entry("Ljava/io/Writer;", "new StringWriter()"),
          Map.entry("Ljava/io/PrintWriter;", "new PrintWriter(new StringWriter())"),
          Map.entry("Ljava/io/PrintStream;", "new PrintStream(new ByteArrayOutputStream())"),
          Map.entry("Ljava/lang/Appendable;", "new StringBuilder()"),
          Map.entry("Ljava/net/URI;", "URI.create(\"a\")"),
          Map.entry("Ljava/net/InetAddress;", "InetAddress.getLoopbackAddress()"),
          Map.entry("Ljava/net/InetSocketAddress;", "new InetSocketAddress(0)"),
          Map.entry("Ljava/net/SocketAddress;", "new InetSocketAddress(0)"),
          Map.entry("Ljava/util/BitSet;", "new BitSet()"),
          Map.entry("Ljava/util/Calendar;", "new GregorianCalendar(2026, 6, 17)"),
          Map.entry("Ljava/util/Currency;", "Currency.getInstance(\"EUR\")"),
          Map.entry("Ljava/util/Enumeration;", "Collections.emptyEnumeration()"),
          Map.entry("Ljava/util/ListIterator;", "Collections.emptyListIterator()"),
          Map.entry("Ljava/util/Queue;", "new ArrayDeque<>()"),
          Map.entry("Ljava/util/Deque;", "new ArrayDeque<>()"),
          Map.entry("Ljava/util/SortedMap;", "new TreeMap<>()"),
          Map.entry("Ljava/util/SortedSet;", "new TreeSet<>()"),
          Map.entry("Ljava/util/NavigableMap;", "new TreeMap<>()"),
          Map.entry("Ljava/util/NavigableSet;", "new TreeSet<>()"),
          Map.entry("Ljava/util/concurrent/ConcurrentMap;", "new ConcurrentHashMap<>()"),
          Map.entry("Ljava/util/Random;", "new Random(1)"),
          Map.entry("Ljava/util/TimeZone;", "TimeZone.getTimeZone(\"UTC\")"),
          Map.entry("Ljava/util/regex/Matcher;", "Pattern.compile(\"a\").matcher(\"a\")"),
          Map.entry("Ljava/util/regex/Pattern;", "Pattern.compile(\"a\")"),
          Map.entry("Ljava/time/Instant;", "Instant.EPOCH"),
          Map.entry("Ljava/time/ZoneId;", "ZoneOffset.UTC"),
          Map.entry("Ljava/text/DateFormat;", "new SimpleDateFormat(\"yyyy-MM-dd\")"),
          Map.entry("Ljava/text/NumberFormat;", "new DecimalFormat(\"0.00\")"),
          Map.entry("Ljavax/xml/namespace/QName;", "new QName(\"a\")"),
          Map.entry("Ljava/math/BigDecimal;", "BigDecimal.ONE"),
          Map.entry("Ljava/math/BigInteger;", "BigInteger.ONE"),
          Map.entry(
              "Ljava/awt/image/BufferedImage;",
              "new BufferedImage(1, 1, BufferedImage.TYPE_INT_RGB)"));

  private static final Map<Locale, String> LOCALES =
      Map.of(
          Locale.ROOT, "Locale.ROOT",
          Locale.GERMANY, "Locale.GERMANY",
          Locale.ENGLISH, "Locale.ENGLISH");

  private Literals() {}

  /** What is usual for a type; empty where nothing is. */
  public static Optional<String> usual(String type) {
    if (type.startsWith("[")) {
      return Optional.of("new " + TypeNames.simple(type).replaceFirst("\\[]", "[0]"));
    }
    return Optional.ofNullable(USUAL.get(type)).or(() -> firstConstant(type));
  }

  /** Of an enum of the platform. */
  private static Optional<String> firstConstant(String type) {
    if (!type.startsWith("Ljava/")) {
      return Optional.empty();
    }
    try {
      String name = org.objectweb.asm.Type.getType(type).getClassName();
      Object[] constants = Class.forName(name, false, null).getEnumConstants();
      return Stream.ofNullable(constants)
          .flatMap(Stream::of)
          .findFirst()
          .flatMap(constant -> of(constant, type));
    } catch (ClassNotFoundException e) {
      return Optional.empty(); // Of a module that this Java leaves out.
    }
  }

  /**
   * A value.
   *
   * @param type the descriptor of what has it
   * @return empty when Java has no short way to write it
   */
  public static Optional<String> of(Object value, String type) {
    if (value == null) {
      return Optional.of("null");
    }
    if (value instanceof Integer number) {
      return Optional.of(whole(number, type));
    }
    if (value instanceof Long number) {
      return Optional.of(number == Long.MAX_VALUE ? "Long.MAX_VALUE" : number + "L");
    }
    if (value instanceof Float number) {
      return Optional.of(Float.isFinite(number) ? number + "f" : fraction("Float", number));
    }
    if (value instanceof Double number) {
      return Optional.of(Double.isFinite(number) ? number.toString() : fraction("Double", number));
    }
    if (value instanceof String text) {
      return Optional.of(text(text));
    }
    if (value instanceof Characters characters) {
      return Optional.of("new StringBuilder(" + text(characters.toString()) + ")");
    }
    if (value instanceof ClassValue of) {
      return Optional.of(TypeNames.simple(of.descriptor()) + ".class");
    }
    if (value instanceof Expression expression) {
      String flags = expression.flags() == 0 ? "" : ", " + expression.flags();
      return Optional.of("Pattern.compile(" + text(expression.text()) + flags + ")");
    }
    if (value instanceof EnumValue constant) {
      return Optional.of(TypeNames.simple("L" + constant.type() + ";") + "." + constant.name());
    }
    if (value instanceof Enum<?> constant) {
      String of = org.objectweb.asm.Type.getDescriptor(constant.getDeclaringClass());
      return Optional.of(TypeNames.simple(of) + "." + constant.name());
    }
    return value instanceof Stand ? Optional.empty() : Optional.ofNullable(ofPlatform(value));
  }

  private static String fraction(String type, double value) {
    return type
        + (Double.isNaN(value) ? ".NaN" : value > 0 ? ".POSITIVE_INFINITY" : ".NEGATIVE_INFINITY");
  }

  private static String whole(int number, String type) {
    return switch (type) {
      case "Z", "Ljava/lang/Boolean;" -> number == 0 ? "false" : "true";
      case "C", "Ljava/lang/Character;" ->
          number >= ' ' && number < 127
              ? "'" + (number == '\'' || number == '\\' ? "\\" : "") + (char) number + "'"
              : "(char) " + number;
      case "B" -> "(byte) " + number;
      case "S" -> "(short) " + number;
      default -> number == Integer.MAX_VALUE ? "Integer.MAX_VALUE" : String.valueOf(number);
    };
  }

  private static String text(String text) {
    if (text.length() > LONGEST && text.chars().distinct().count() == 1) {
      String letter = text(text.substring(0, 1));
      return "String.join(\"\", Collections.nCopies(" + text.length() + ", " + letter + "))";
    }
    StringBuilder literal = new StringBuilder("\"");
    for (char letter : text.toCharArray()) {
      switch (letter) {
        case '"' -> literal.append("\\\"");
        case '\\' -> literal.append("\\\\");
        case '\n' -> literal.append("\\n");
        case '\r' -> literal.append("\\r");
        case '\t' -> literal.append("\\t");
        default ->
            literal.append(
                letter < ' ' || letter == 127
                    ? String.format("\\u%04x", (int) letter)
                    : "" + letter);
      }
    }
    return literal.append('"').toString();
  }

  private static String ofPlatform(Object value) {
    if (value instanceof LocalDate date) {
      return "LocalDate.of("
          + date.getYear()
          + ", "
          + date.getMonthValue()
          + ", "
          + date.getDayOfMonth()
          + ")";
    }
    if (value instanceof LocalDateTime time) {
      return "LocalDateTime.parse(\"" + time + "\")";
    }
    if (value instanceof LocalTime || value instanceof Duration || value instanceof Period) {
      return value.getClass().getSimpleName() + ".parse(\"" + value + "\")";
    }
    if (value instanceof Locale locale) {
      return LOCALES.getOrDefault(
          locale, "Locale.forLanguageTag(\"" + locale.toLanguageTag() + "\")");
    }
    if (value instanceof Charset charset) {
      return "Charset.forName(\"" + charset + "\")";
    }
    boolean isBig = value instanceof BigDecimal || value instanceof BigInteger;
    return isBig
        ? "new " + value.getClass().getSimpleName() + "(\"" + value + "\")"
        : value instanceof java.time.Instant ? "Instant.parse(\"" + value + "\")" : null;
  }
}
