package atalaya.core.solve;

import java.util.Optional;

/** Texts at which regular expressions split. */
final class Separators {
  private static final String SPECIAL = ".$|(){^?*+";

  private final String expression;
  private int at;

  private Separators(String expression) {
    this.expression = expression;
  }

  /**
   * The plainest text that an expression takes for a separator, where the expression is one of
   * characters, white space, choices of such, and what may be repeated or left out of them.
   *
   * @return empty for other expressions, and those that nothing may match
   */
  static Optional<String> plainest(String expression) {
    return new Separators(expression).plainest();
  }

  private Optional<String> plainest() {
    StringBuilder text = new StringBuilder();
    while (at < expression.length()) {
      Optional<Character> one = character();
      if (one.isEmpty()) {
        return Optional.empty();
      }
      char after = at < expression.length() ? expression.charAt(at) : ' ';
      boolean mayBeMissing = after == '*' || after == '?';
      at += mayBeMissing || after == '+' ? 1 : 0;
      text.append(mayBeMissing ? "" : one.get());
    }
    return Optional.of(text.toString()).filter(all -> !all.isEmpty());
  }

  private Optional<Character> character() {
    char here = expression.charAt(at++);
    if (here == '\\') {
      return escaped();
    }
    if (here != '[') {
      return Optional.of(here).filter(c -> SPECIAL.indexOf(c) < 0);
    }
    int end = expression.indexOf(']', at);
    if (end <= at || expression.charAt(at) == '^') {
      return Optional.empty();
    }
    here = expression.charAt(at++);
    Optional<Character> first = here == '\\' ? escaped() : Optional.of(here);
    at = end + 1;
    return first;
  }

  private Optional<Character> escaped() {
    char escaped = at < expression.length() ? expression.charAt(at++) : 'Q';
    return switch (escaped) {
      case 's' -> Optional.of(' ');
      case 't' -> Optional.of('\t');
      case 'n' -> Optional.of('\n');
      default -> Optional.of(escaped).filter(c -> !Character.isLetterOrDigit(c));
    };
  }
}
