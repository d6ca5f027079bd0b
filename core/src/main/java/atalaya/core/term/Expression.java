package atalaya.core.term;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.regex.PatternSyntaxException;

/**
 * A regular expression that code compiled.
 *
 * @param text as it is written
 * @param flags as {@link Pattern#compile(String, int)} takes them
 */
public record Expression(String text, int flags) {
  /** So many characters are looked at: some expressions take for ever. */
  private static final int MOST_LOOKED_AT = 100_000;

  private static final Map<Expression, Optional<Pattern>> COMPILED = new ConcurrentHashMap<>();

  /** It takes too long. */
  private static final class TooLong extends RuntimeException {
    private static final long serialVersionUID = 1;

    TooLong() {
      super("too many characters", null, false, false);
    }
  }

  /** A text, as long as not too much of it is looked at. */
  private static final class Looked extends Characters {
    private int times;

    Looked(String text) {
      super(text);
    }

    @Override
    public char charAt(int index) {
      if (++times > MOST_LOOKED_AT) {
        throw new TooLong();
      }
      return super.charAt(index);
    }
  }

  /** Compiled; empty where it is none. */
  public Optional<Pattern> compiled() {
    return COMPILED.computeIfAbsent(this, Expression::compile);
  }

  private static Optional<Pattern> compile(Expression expression) {
    try {
      return Optional.of(Pattern.compile(expression.text, expression.flags));
    } catch (PatternSyntaxException e) {
      return Optional.empty();
    }
  }

  /** Whether it is found in a text. */
  public boolean isIn(String where) {
    return Integer.valueOf(1)
        .equals(ask("java/util/regex/Matcher.find()Z", List.of(this, where, 1)));
  }

  /**
   * What a matcher of an expression and a text gives: for {@code find} the third value says how
   * often it was called, for {@code group}, {@code start} and {@code end} the third and fourth say
   * which call came before, and how often, and the fifth says which group; for replacing the third
   * is what is put in.
   */
  static Object ask(String method, List<Object> values) {
    Optional<Pattern> pattern = ((Expression) values.get(0)).compiled();
    if (values.stream().anyMatch(Objects::isNull)) {
      return new Values.Thrown("java/lang/NullPointerException");
    }
    if (pattern.isEmpty() || !(values.get(1) instanceof String text)) {
      return Values.UNDECIDED;
    }
    String name = method.substring(method.lastIndexOf('.', method.indexOf('(')) + 1);
    try {
      return asked(
          name.substring(0, name.indexOf('(')), pattern.get().matcher(new Looked(text)), values);
    } catch (IllegalStateException | IndexOutOfBoundsException | IllegalArgumentException e) {
      return new Values.Thrown(e.getClass().getName().replace('.', '/'));
    } catch (TooLong | StackOverflowError e) {
      return Values.UNDECIDED;
    }
  }

  private static Object asked(String name, Matcher matcher, List<Object> values) {
    Object third = values.get(2);
    return switch (name) {
      case "matches", "lookingAt", "find" ->
          isFound(name, matcher, (Integer) values.get(2)) ? 1 : 0;
      case "replaceAll" -> third instanceof String by ? matcher.replaceAll(by) : Values.UNDECIDED;
      case "replaceFirst" ->
          third instanceof String by ? matcher.replaceFirst(by) : Values.UNDECIDED;
      default -> {
        isFound((String) third, matcher, (Integer) values.get(3));
        yield ofGroup(name, matcher, values.get(4));
      }
    };
  }

  private static boolean isFound(String name, Matcher matcher, int times) {
    boolean isFound = false;
    for (int i = 0; i < times; i++) {
      isFound =
          switch (name) {
            case "matches" -> matcher.matches();
            case "lookingAt" -> matcher.lookingAt();
            default -> matcher.find();
          };
    }
    return isFound;
  }

  private static Object ofGroup(String name, Matcher matcher, Object group) {
    int number = group instanceof Integer at ? at : -1;
    boolean isNamed = group instanceof String;
    return switch (name) {
      case "start" -> isNamed ? matcher.start((String) group) : matcher.start(number);
      case "end" -> isNamed ? matcher.end((String) group) : matcher.end(number);
      default -> isNamed ? matcher.group((String) group) : matcher.group(number);
    };
  }
}
