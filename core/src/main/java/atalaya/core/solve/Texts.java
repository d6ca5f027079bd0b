package atalaya.core.solve;

import atalaya.core.term.Constraint;
import atalaya.core.term.Expression;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/** The texts worth trying: those that stand in conditions, put together, taken apart, filled up. */
final class Texts {
  private static final int MOST = 140;

  /** So many of them are tried with other lengths too. */
  private static final int MOST_FILLED = 20;

  /** Every pair of so many is put together. */
  private static final int MOST_PAIRED = 6;

  private static final List<String> USUAL =
      List.of("a", "", " ", "1", "1.5", "ab", "A", "-1", "a b", "a ", "true");

  private static final Pattern PARSING =
      Pattern.compile(
          "java/lang/(Integer|Long|Short|Byte|Double|Float)\\.(parse|valueOf).*"
              + "|java/math/Big(Decimal|Integer)\\.<init>.*");

  /** What is made of texts that have to be of a kind, and one of that kind. */
  private static final List<Map.Entry<String, String>> KINDS =
      List.of(
          Map.entry("java/net/URL.<init>", "http://localhost"),
          Map.entry("java/text/SimpleDateFormat.<init>", "yyyy"),
          Map.entry("java/time/format/DateTimeFormatter.ofPattern", "uuuu"),
          Map.entry("java/util/UUID.fromString", "00000000-0000-0000-0000-000000000001"));

  private final Set<Object> texts = new LinkedHashSet<>();
  private final List<String> written = new ArrayList<>();
  private final List<String> sentences = new ArrayList<>();
  private final Set<Integer> lengths = new LinkedHashSet<>();
  private final Set<String> numbers = new LinkedHashSet<>();

  private Texts(Constants constants) {
    if (constants.asksFor("java/nio/charset/Charset.")) {
      texts.addAll(List.of("UTF-8", "no-such-charset"));
    }
    KINDS.stream()
        .filter(kind -> constants.asksFor(kind.getKey()))
        .forEach(kind -> texts.add(kind.getValue()));
    boolean isParsed = constants.asksFor(PARSING);
    boolean isMatched = constants.asksFor("java/lang/String.matches(");
    constants.each(
        value -> {
          if (value instanceof Expression expression) {
            texts.addAll(Examples.of(expression));
          } else if (isMatched && value instanceof String text) {
            texts.addAll(Examples.of(new Expression(text, 0)));
          }
          if (value instanceof String text) {
            (isSentence(text) ? sentences : written).add(text);
          } else if (value instanceof Number number) {
            note(number);
            if (isParsed) {
              number(number);
            }
          }
        });
  }

  static List<Object> of(Collection<Constraint> constraints) {
    Texts texts = new Texts(Constants.of(constraints));
    texts.putTogether();
    return texts.texts.stream().limit(MOST).toList();
  }

  /** Whether a text is for people: code rarely asks for such a one. */
  private static boolean isSentence(String words) {
    return words.length() > 20 && words.indexOf(' ') >= 0;
  }

  /** A number may be a length, or a character. */
  private void note(Number number) {
    if (number instanceof Integer at && at >= 0 && at < 2_000) {
      lengths.add(at);
      if (at >= ' ' && at < 127) {
        written.add(String.valueOf((char) (int) at));
      }
    }
  }

  private void number(Number number) {
    if (number instanceof Integer || number instanceof Long) {
      long at = number.longValue();
      List.of(at, at + 1, at - 1).forEach(value -> numbers.add(value.toString()));
    } else {
      double at = number.doubleValue();
      List.of(at, at + 1, at - 1).forEach(value -> numbers.add(value.toString()));
    }
  }

  private void putTogether() {
    List<String> parts = written.stream().distinct().toList();
    texts.addAll(parts);
    texts.addAll(numbers);
    for (String one : parts) {
      texts.addAll(List.of(one + "x", "x" + one, "1" + one, "-1" + one, "x" + one + "x"));
      if (parts.size() <= MOST_PAIRED) {
        parts.forEach(other -> pair(one, other));
      }
    }
    texts.addAll(USUAL);
    texts.addAll(sentences);
    for (String one : parts) {
      texts.add(one.toUpperCase(Locale.ROOT));
      texts.add(one.toLowerCase(Locale.ROOT));
    }
    for (int length : lengths) {
      texts.add("a".repeat(length));
      texts.add("1".repeat(length + 1));
      lengths.stream()
          .filter(more -> more > length)
          .forEach(more -> texts.add("a".repeat(length) + " ".repeat(more - length)));
    }
    for (Object one : List.copyOf(texts).subList(0, Math.min(MOST_FILLED, texts.size()))) {
      for (int length : lengths) {
        texts.add(filled(one.toString(), length + 1));
        texts.add(filled(one.toString(), length));
      }
    }
  }

  private static String filled(String one, int length) {
    return one + "x".repeat(Math.max(0, length - one.length()));
  }

  /** Two of them as one, also with something before; or what one leaves of the other. */
  private void pair(String one, String other) {
    texts.add(one + other);
    int at = one.equals(other) || other.isEmpty() ? -1 : one.indexOf(other);
    if (at >= 0) {
      texts.add(one.substring(0, at));
      texts.add(one.substring(at + other.length()));
    } else if (!one.equals(other)) {
      texts.add("x" + one + other);
    }
  }
}
