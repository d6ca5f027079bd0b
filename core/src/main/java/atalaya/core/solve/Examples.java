package atalaya.core.solve;

import atalaya.core.term.Expression;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/** Texts in which a regular expression is found. */
final class Examples {
  private static final int MOST_ALTERNATIVES = 3;
  private static final int LONGEST = 1_000;

  /** What is taken of a choice of characters, the plainest first. */
  private static final String PLAINEST = "a0A -_.,:/";

  private static final Map<Expression, List<String>> FOUND = new ConcurrentHashMap<>();

  /** What is not followed. */
  private static final class NotFollowed extends Exception {
    private static final long serialVersionUID = 1;
  }

  private final String expression;
  private final int chosen;
  private final boolean isLong;
  private final List<String> groups = new ArrayList<>();
  private int at;

  private Examples(String expression, int chosen, boolean isLong) {
    this.expression = expression;
    this.chosen = chosen;
    this.isLong = isLong;
  }

  /** The shortest, and some with more of what may be repeated, or with other alternatives. */
  static List<String> of(Expression expression) {
    return FOUND.computeIfAbsent(expression, Examples::find);
  }

  private static List<String> find(Expression expression) {
    Set<String> examples = new LinkedHashSet<>();
    for (int i = 0; i < MOST_ALTERNATIVES; i++) {
      for (boolean isLong : new boolean[] {false, true}) {
        try {
          Examples one = new Examples(expression.text(), i, isLong);
          examples.add(one.alternatives());
        } catch (NotFollowed | IllegalArgumentException | StringIndexOutOfBoundsException e) {
          return List.of();
        }
      }
    }
    return examples.stream().filter(expression::isIn).toList();
  }

  private boolean isAt(String what) {
    return expression.startsWith(what, at);
  }

  private boolean skips(String what) {
    boolean isThere = isAt(what);
    at += isThere ? what.length() : 0;
    return isThere;
  }

  private String alternatives() throws NotFollowed {
    List<String> all = new ArrayList<>();
    do {
      all.add(sequence());
    } while (skips("|"));
    return all.get(Math.min(chosen, all.size() - 1));
  }

  private String sequence() throws NotFollowed {
    StringBuilder text = new StringBuilder();
    while (at < expression.length() && !isAt("|") && !isAt(")")) {
      String one = one();
      int times = times();
      if (text.length() + (long) one.length() * times > LONGEST) {
        throw new NotFollowed();
      }
      text.append(one.repeat(times));
    }
    return text.toString();
  }

  /** How often something is repeated. */
  private int times() throws NotFollowed {
    int least = 1;
    int more = 1;
    if (skips("?") || skips("*")) {
      least = 0;
    } else if (skips("+")) {
      more = 2;
    } else if (skips("{")) {
      String[] bounds = upTo("}").split(",", -1);
      least = Integer.parseInt(bounds[0]);
      boolean isExact = bounds.length == 1 || bounds[1].equals(bounds[0]);
      more = isExact ? least : least + 1;
    } else {
      return 1;
    }
    if (!skips("?")) {
      skips("+");
    }
    return isLong ? more : least;
  }

  private String one() throws NotFollowed {
    char here = expression.charAt(at++);
    return switch (here) {
      case '(' -> group();
      case '[' -> ofClass();
      case '\\' -> escaped();
      case '.' -> "a";
      case '^', '$' -> "";
      default -> String.valueOf(here);
    };
  }

  private String group() throws NotFollowed {
    boolean isLooking = false;
    int number = -1;
    if (skips("?:") || skips("?>")) {
      number = -1;
    } else if (isAt("?=") || isAt("?!") || isAt("?<=") || isAt("?<!")) {
      isLooking = true;
      at += isAt("?<") ? 3 : 2;
    } else if (skips("?<")) {
      upTo(">");
      number = groups.size();
    } else if (isAt("?")) {
      upTo(")");
      return "";
    } else {
      number = groups.size();
    }
    if (number >= 0) {
      groups.add("");
    }
    String inside = alternatives();
    if (!skips(")")) {
      throw new NotFollowed();
    }
    if (number >= 0) {
      groups.set(number, inside);
    }
    return isLooking ? "" : inside;
  }

  private String upTo(String end) throws NotFollowed {
    int to = expression.indexOf(end, at);
    if (to < 0) {
      throw new NotFollowed();
    }
    String inside = expression.substring(at, to);
    at = to + end.length();
    return inside;
  }

  private String ofClass() throws NotFollowed {
    int begin = at - 1;
    int depth = 1;
    at += isAt("^") ? 1 : 0;
    at += isAt("]") ? 1 : 0;
    while (depth > 0) {
      char here = expression.charAt(at++);
      at += here == '\\' ? 1 : 0;
      depth += here == '[' ? 1 : here == ']' ? -1 : 0;
    }
    return oneOf(expression.substring(begin, at));
  }

  private String escaped() throws NotFollowed {
    char here = expression.charAt(at++);
    if (here == 'Q') {
      int end = expression.indexOf("\\E", at);
      return end < 0 ? rest() : upTo("\\E");
    }
    if (here >= '1' && here <= '9') {
      int number = here - '1';
      return number < groups.size() ? groups.get(number) : "";
    }
    if ("bBAzZG".indexOf(here) >= 0) {
      return "";
    }
    if ("pPxuk".indexOf(here) >= 0 && !isAt("{")) {
      throw new NotFollowed();
    }
    String behind = "pPx".indexOf(here) >= 0 ? upTo("}") + "}" : "";
    return oneOf("\\" + here + behind);
  }

  private String rest() {
    String rest = expression.substring(at);
    at = expression.length();
    return rest;
  }

  /** The plainest character that an expression of one is found in. */
  private static String oneOf(String expression) throws NotFollowed {
    Pattern pattern = Pattern.compile(expression);
    return IntStream.concat(PLAINEST.chars(), IntStream.range(0, 0x250))
        .mapToObj(character -> String.valueOf((char) character))
        .filter(one -> pattern.matcher(one).matches())
        .findFirst()
        .orElseThrow(NotFollowed::new);
  }
}
