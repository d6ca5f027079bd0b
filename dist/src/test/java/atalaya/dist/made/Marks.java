package atalaya.dist.made;

import java.util.HashMap;
import java.util.Map;

/**
 * Marks in the text of a program, which stand for what it is to log. Out of one text come the
 * program as it is observed, without a trace of them, and the one that logs. A mark stands around
 * the text that it is about, which may be none.
 */
final class Marks {
  /** What there is to log. */
  enum Kind {
    /** A statement begins. */
    HERE("Log.here(%d);%s"),
    CONDITION("Log.outcome(%d, %s)"),
    /** A type test with a pattern, whose variable has to stay in scope. */
    PATTERN("(Log.asked(%1$d) && %2$s && Log.held(%1$d))"),
    /** What a switch chooses by. */
    CHOICE("Log.chosen(%d, %s)"),
    /** What a switch on types chooses by. */
    TYPED("%2$s"),
    /** A label of it was chosen; the text is its number. */
    LABEL("Log.label(%d, %s);"),
    EACH("Log.each(%d, %s)"),
    LOOP(
        "{ int[] turns%1$d = new int[2]; try { %2$s }"
            + " catch (Throwable thrown%1$d) { turns%1$d[1] = 1; throw thrown%1$d; }"
            + " finally { Log.turns(%1$d, turns%1$d); } }"),
    TURN("turns%d[0]++;%s"),
    /** Braces that only the program that logs needs. */
    BRACES("{ %2$s }");

    private final String logged;

    Kind(String logged) {
      this.logged = logged;
    }
  }

  private static final char OPEN = '\u0001';
  private static final char CLOSE = '\u0002';

  private final String text;
  private final boolean isLogging;
  private final Map<Integer, Integer> lines = new HashMap<>();
  private final Map<Integer, String> texts = new HashMap<>();
  private int at;
  private int line = 1;
  private final String result;

  private Marks(String text, boolean isLogging) {
    this.text = text;
    this.isLogging = isLogging;
    this.result = untilClosed();
  }

  static String of(Kind kind, int place, String text) {
    return "" + OPEN + (char) ('A' + kind.ordinal()) + place + ";" + text + CLOSE;
  }

  /** The program as it is observed. */
  static Marks plain(String text) {
    return new Marks(text, false);
  }

  /** The program that logs. */
  static String logging(String text) {
    return new Marks(text, true).result;
  }

  String result() {
    return result;
  }

  /** On which line a place stands. */
  int line(int place) {
    return lines.get(place);
  }

  /** What stands there, with runs of white space made one blank. */
  String text(int place) {
    return texts.get(place);
  }

  private String untilClosed() {
    StringBuilder result = new StringBuilder();
    while (at < text.length()) {
      char c = text.charAt(at++);
      if (c == CLOSE) {
        break;
      } else if (c == OPEN) {
        result.append(marked());
      } else {
        line += c == '\n' ? 1 : 0;
        result.append(c);
      }
    }
    return result.toString();
  }

  private String marked() {
    Kind kind = Kind.values()[text.charAt(at) - 'A'];
    int semicolon = text.indexOf(';', at);
    int place = Integer.parseInt(text.substring(at + 1, semicolon));
    at = semicolon + 1;
    lines.putIfAbsent(place, line);
    String inner = untilClosed();
    texts.putIfAbsent(place, inner.strip().replaceAll("\\s+", " "));
    if (isLogging) {
      return String.format(kind.logged, place, inner);
    }
    return kind == Kind.LABEL ? "" : inner;
  }
}
