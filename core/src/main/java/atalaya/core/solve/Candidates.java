package atalaya.core.solve;

import atalaya.core.term.Characters;
import atalaya.core.term.ClassValue;
import atalaya.core.term.Constraint;
import atalaya.core.term.EnumValue;
import atalaya.core.term.Platform;
import atalaya.core.term.Stand;
import atalaya.core.term.Term;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.Month;
import java.time.Period;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;

/** The values worth trying for an input, the likeliest first. */
final class Candidates {
  /** What is asked of an Integer, and not what makes one of a text. */
  private static final Pattern OF_INTEGER =
      Pattern.compile("java/lang/Integer(\\.(equals|compareTo|hashCode|\\w+Value)\\(.*)?");

  static final Set<String> TEXTS = Set.of("Ljava/lang/String;", "Ljava/lang/CharSequence;");
  private static final Set<String> ANY = Set.of("Ljava/lang/Object;", "Ljava/lang/Comparable;");

  private static final List<String> CLASSES =
      List.of(
          "java.lang.String",
          "java.lang.Integer",
          "java.lang.Boolean",
          "int",
          "boolean",
          "[Ljava.lang.Object;",
          "[I",
          "java.lang.Runnable",
          "java.lang.Number",
          "java.lang.Thread$State",
          "java.util.ArrayList",
          "java.util.List",
          "java.util.HashSet",
          "java.util.HashMap",
          "java.util.Map",
          "java.util.Date",
          "java.lang.IllegalStateException");

  private static final long FAR = 1_000_000;

  private static final LocalDate FRIDAY = LocalDate.of(2026, 7, 17);

  private final Function<String, List<EnumValue>> enums;
  private final Function<Term.Input, List<String>> texts;

  /**
   * With the enums of a project.
   *
   * @param enums the constants of one, by internal name; empty for what is none
   * @param texts that an input is better than others, where it may be any
   */
  Candidates(Function<String, List<EnumValue>> enums, Function<Term.Input, List<String>> texts) {
    this.enums = enums;
    this.texts = texts;
  }

  /** Whether an input can have a value: no number of elements is negative, no letter is large. */
  static boolean mayBe(Term.Input input, Object value) {
    if (value instanceof Integer number && !isOf(input.type(), number)) {
      return false;
    }
    boolean isCount =
        (input.source() == Term.Source.ELEMENT || input.source() == Term.Source.STATE)
            && (input.name().endsWith(".size()") || input.name().endsWith(".length"));
    return !isCount || !(value instanceof Number number) || number.longValue() >= 0;
  }

  private static boolean isOf(String type, int number) {
    return switch (type) {
      case "B" -> number == (byte) number;
      case "S" -> number == (short) number;
      case "C" -> number == (char) number;
      default -> true;
    };
  }

  /** Values for an input that these conditions speak of. */
  List<Object> of(Term.Input input, Collection<Constraint> constraints) {
    if (input.isReceiver()) {
      List<Object> constants = constants(input.type());
      return constants.isEmpty() ? List.of(new Stand(input.name(), input.type())) : constants;
    }
    Set<Object> values = new LinkedHashSet<>();
    boolean isKnown = input.usual() != Term.SOMETHING && input.usual() != Term.THERE;
    if (input.usual() != null && isKnown) {
      values.add(input.usual());
    }
    String type = input.type();
    switch (type) {
      case "Z" -> values.addAll(List.of(1, 0));
      case "C" -> {
        Set<Long> written = whole(constraints);
        written.forEach(number -> add(values, number, type));
        List.of('a', 'b', '0', ' ', '\0', '\1', Character.MAX_VALUE)
            .forEach(letter -> values.add((int) letter));
      }
      case "I", "B", "S" -> {
        Set<Long> written = whole(constraints);
        written.stream().filter(n -> !isFar(n)).forEach(number -> add(values, number, type));
        List.of(0, 1, -1, 2, 10, 'a' + 0, '0' + 0, ' ' + 0, 100, 1000, Integer.MAX_VALUE)
            .forEach(number -> add(values, number, type));
        written.forEach(number -> add(values, number, type));
      }
      case "J" -> {
        Set<Long> written = whole(constraints);
        written.stream().filter(n -> !isFar(n)).forEach(values::add);
        values.addAll(List.of(0L, 1L, -1L, 2L, 100L, 100_000L, Long.MAX_VALUE));
        values.addAll(written);
      }
      case "F" -> {
        fractions(constraints).forEach(v -> values.add((float) (double) v));
        values.addAll(List.of(0f, 1f, -1f, 0.5f, 100f));
      }
      case "D" -> {
        values.addAll(fractions(constraints));
        values.addAll(List.of(0.0, 1.0, -1.0, 0.5, 100.0, 1e6));
        // What is no number comes out of comparisons as the compiler wrote them: only where it is
        // asked for.
        if (asksFor(constraints, ".isNaN(")) {
          values.add(Double.NaN);
        }
      }
      default -> {
        values.addAll(texts.apply(input));
        values.addAll(references(type, constraints));
        boolean isThere = input.source() != Term.Source.STATE && input.usual() == Term.THERE;
        if (!isThere) {
          values.add(null);
        }
        boolean nothingKnown = values.size() <= (isThere ? 0 : 1);
        if (nothingKnown || type.startsWith("[")) {
          List<Object> all = new ArrayList<>(values);
          all.add(0, new Stand(input.name(), type));
          return all;
        }
      }
    }
    return new ArrayList<>(values);
  }

  private static boolean asksFor(Collection<Constraint> constraints, String detail) {
    return Constants.of(constraints).asksFor(detail);
  }

  /** Bytes and shorts are asked for without their sign too: {@code (b & 0xFF) == 0xEF}. */
  private static void add(Set<Object> values, long number, String type) {
    boolean fits =
        switch (type) {
          case "B" -> number >= Byte.MIN_VALUE && number < 1 << Byte.SIZE;
          case "S" -> number >= Short.MIN_VALUE && number < 1 << Short.SIZE;
          case "C" -> number == (char) number;
          default -> number == (int) number;
        };
    if (fits) {
      values.add(
          switch (type) {
            case "B" -> (int) (byte) number;
            case "S" -> (int) (short) number;
            default -> (int) number;
          });
    }
  }

  /** Whole numbers that stand in conditions, and those beside them. */
  private static Set<Long> whole(Collection<Constraint> constraints) {
    Set<Long> numbers = new LinkedHashSet<>();
    Constants constants = Constants.of(constraints);
    constants.each(
        value -> {
          if (value instanceof Number number && !(value instanceof Double && !isWhole(number))) {
            long at = number.longValue();
            numbers.addAll(List.of(at, at + 1, at - 1));
          }
        });
    if (constants.shifts()) {
      List<Long> plain = List.copyOf(numbers);
      for (long by : plain) {
        if (by > 0 && by < Long.SIZE) {
          plain.forEach(number -> numbers.add(number << by));
        }
      }
    }
    return numbers;
  }

  /** Whether a person would rather take another number, where it need not be this one. */
  private static boolean isFar(long number) {
    return Math.abs(number) > FAR;
  }

  private static boolean isWhole(Number number) {
    return number.doubleValue() == Math.rint(number.doubleValue());
  }

  private static Set<Double> fractions(Collection<Constraint> constraints) {
    Set<Double> numbers = new LinkedHashSet<>();
    Constants.of(constraints)
        .each(
            value -> {
              if (value instanceof Number number) {
                double at = number.doubleValue();
                numbers.addAll(List.of(at, at + 1, at - 1, Math.nextUp(at), Math.nextDown(at)));
              }
            });
    return numbers;
  }

  /** Object, those that conditions name, and where more is asked of a class, one of each kind. */
  private static List<Object> classes(Collection<Constraint> constraints) {
    Set<Object> classes = new LinkedHashSet<>(List.of(new ClassValue("java/lang/Object")));
    Constants constants = Constants.of(constraints);
    boolean isAsked = constants.asksFor("java/lang/Class.");
    constants.each(
        value -> {
          if (value instanceof ClassValue) {
            classes.add(value);
          } else if (isAsked && value instanceof String name) {
            Platform.type(name.replace('.', '/')).ifPresent(t -> classes.add(named(name)));
          }
        });
    if (isAsked) {
      CLASSES.forEach(name -> classes.add(named(name)));
    }
    return List.copyOf(classes);
  }

  private static ClassValue named(String name) {
    return new ClassValue(name.replace('.', '/'));
  }

  private List<Object> references(String type, Collection<Constraint> constraints) {
    return switch (type) {
      case "Ljava/lang/String;" -> Texts.of(constraints);
      case "Ljava/lang/CharSequence;" -> characters(constraints);
      case "Ljava/lang/Object;", "Ljava/lang/Comparable;" -> {
        List<Object> any = new ArrayList<>();
        Constants.of(constraints)
            .each(v -> any.addAll(v instanceof String ? List.of(v) : List.of()));
        any.addAll(asksFor(constraints, "java/lang/String") ? Texts.of(constraints) : List.of());
        any.addAll(asksFor(constraints, "java/util/Objects.equals") ? List.of("a") : List.of());
        boolean mayBeNumber = Constants.of(constraints).asksFor(OF_INTEGER);
        any.addAll(mayBeNumber ? integers(constraints) : List.of());
        yield any;
      }
      case "Ljava/lang/Integer;", "Ljava/lang/Short;", "Ljava/lang/Byte;" -> integers(constraints);
      case "Ljava/lang/Long;", "Ljava/lang/Number;" ->
          numbers(constraints, n -> n.longValue(), List.of(0L, 1L, -1L));
      case "Ljava/lang/Double;" ->
          numbers(constraints, n -> n.doubleValue(), List.of(0.0, 1.0, -1.0));
      case "Ljava/util/Locale;" -> List.of(Locale.ROOT, Locale.GERMANY, Locale.ENGLISH);
      case "Ljava/lang/Boolean;" -> List.of(1, 0);
      case "Ljava/lang/Class;" -> classes(constraints);
      case "Ljava/lang/Character;" -> List.of('a' + 0, '0' + 0, ' ' + 0);
      case "Ljava/math/BigDecimal;" -> decimals(constraints);
      case "Ljava/math/BigInteger;" ->
          List.of(BigInteger.ZERO, BigInteger.ONE, BigInteger.TEN, BigInteger.ONE.negate());
      case "Ljava/time/LocalDate;" -> dates();
      case "Ljava/time/LocalTime;" ->
          List.of(LocalTime.NOON, LocalTime.MIDNIGHT, LocalTime.of(5, 59), LocalTime.of(22, 1));
      case "Ljava/time/LocalDateTime;" ->
          dates().stream().map(d -> (Object) ((LocalDate) d).atTime(12, 0)).toList();
      case "Ljava/time/Instant;" ->
          dates().stream()
              .map(d -> (Object) ((LocalDate) d).atStartOfDay().toInstant(ZoneOffset.UTC))
              .toList();
      case "Ljava/time/Duration;" ->
          List.of(Duration.ofHours(1), Duration.ZERO, Duration.ofDays(40), Duration.ofMinutes(-1));
      case "Ljava/time/Period;" -> List.of(Period.ofDays(1), Period.ZERO, Period.ofMonths(2));
      case "Ljava/time/DayOfWeek;" -> List.of((Object[]) DayOfWeek.values());
      case "Ljava/time/Month;" -> List.of((Object[]) Month.values());
      default -> constants(type);
    };
  }

  /** Texts, and where it is asked whether they are some, characters that are none. */
  private static List<Object> characters(Collection<Constraint> constraints) {
    List<Object> all = new ArrayList<>(Texts.of(constraints));
    if (Constants.of(constraints).asksIfText()) {
      List.copyOf(all).forEach(text -> all.add(new Characters((String) text)));
    }
    return all;
  }

  /** The constants of an enum of the project; empty for other types. */
  private List<Object> constants(String type) {
    return type.startsWith("L")
        ? List.copyOf(enums.apply(type.substring(1, type.length() - 1)))
        : List.of();
  }

  private static List<Object> integers(Collection<Constraint> constraints) {
    return numbers(constraints, n -> n.intValue(), List.of(0, 1, -1));
  }

  private static List<Object> decimals(Collection<Constraint> constraints) {
    Set<Object> values = new LinkedHashSet<>();
    Constants.of(constraints)
        .each(
            value -> {
              if (value instanceof BigDecimal at) {
                values.addAll(List.of(at, at.add(BigDecimal.ONE), at.subtract(BigDecimal.ONE)));
              }
            });
    values.addAll(
        List.of(BigDecimal.ZERO, BigDecimal.ONE, BigDecimal.TEN, BigDecimal.ONE.negate()));
    return List.copyOf(values);
  }

  private static List<Object> dates() {
    List<Object> dates = new ArrayList<>();
    for (int days : new int[] {0, 1, 2, 3, 7, 8, 14, 28, 31, 60, -1, -3, 170, 400}) {
      dates.add(FRIDAY.plusDays(days));
    }
    return dates;
  }

  /** A value and those next to it, where an input can have them. */
  List<Object> beside(Object value, String type) {
    if (value instanceof LocalDate day && type.equals("Ljava/time/LocalDate;")) {
      return List.of(day, day.plusDays(1), day.minusDays(1));
    }
    if (value instanceof LocalTime time && type.equals("Ljava/time/LocalTime;")) {
      return List.of(time, time.plusMinutes(1), time.minusMinutes(1));
    }
    if (value instanceof LocalDateTime time && type.equals("Ljava/time/LocalDateTime;")) {
      return List.of(time, time.plusMinutes(1), time.minusMinutes(1));
    }
    if (value instanceof Instant instant && type.equals("Ljava/time/Instant;")) {
      return List.of(instant, instant.plusSeconds(1), instant.minusSeconds(1));
    }
    boolean isOther =
        type.startsWith("Ljava/time/") || value instanceof java.time.temporal.Temporal;
    return isOther || !canBe(value, type) ? List.of() : List.of(value);
  }

  private static boolean canBe(Object value, String type) {
    if (value instanceof String) {
      return TEXTS.contains(type) || ANY.contains(type);
    }
    if (value instanceof Characters) {
      return false; // Others would be made for it, which are not equal to them.
    }
    if (value instanceof ClassValue) {
      return type.equals("Ljava/lang/Class;") || ANY.contains(type);
    }
    if (value instanceof Locale) {
      return type.equals("Ljava/util/Locale;") || type.equals("Ljava/lang/Object;");
    }
    return !(value instanceof Number)
        || type.length() == 1
        || ANY.contains(type)
        || type.startsWith("Ljava/lang/") && !TEXTS.contains(type);
  }

  private static List<Object> numbers(
      Collection<Constraint> constraints, Function<Number, Object> as, List<Object> usual) {
    Set<Object> values = new LinkedHashSet<>();
    whole(constraints).forEach(number -> values.add(as.apply(number)));
    values.addAll(usual);
    return List.copyOf(values);
  }

  /** Whether no other value is possible than those that are tried. */
  boolean isAll(Term.Input input) {
    return input.type().equals("Z") || !constants(input.type()).isEmpty();
  }
}
