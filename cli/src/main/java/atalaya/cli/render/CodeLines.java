package atalaya.cli.render;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Breaks statements of Java into lines where that changes nothing. */
final class CodeLines {
  private static final String DEEPER = "    ";

  /**
   * Where a line may end, outside of texts: at a space, or before a call of what a call gives.
   *
   * @param next where the line after it begins
   * @param cost the more brackets are around it the higher; high behind a cast or {@code new}
   */
  private record End(int at, int next, int cost) {}

  private CodeLines() {}

  /** A statement in lines of at most a width, where it may be broken so. */
  static List<String> of(String statement, int width) {
    List<String> lines = new ArrayList<>();
    String rest = statement;
    Optional<End> end = end(rest, width);
    while (end.isPresent()) {
      lines.add(rest.substring(0, end.get().at()));
      rest = DEEPER + rest.substring(end.get().next());
      end = end(rest, width);
    }
    lines.add(rest);
    return lines;
  }

  /** Where a line ends: not in its first third, if that can be. */
  private static Optional<End> end(String code, int width) {
    if (code.length() <= width) {
      return Optional.empty();
    }
    List<End> ends = ends(code);
    return ends.stream()
        .filter(end -> end.at() > width / 3 && end.at() <= width)
        .min(Comparator.comparingInt(End::cost).thenComparingInt(end -> -end.at()))
        .or(() -> ends.stream().min(Comparator.comparingInt(end -> Math.abs(end.at() - width))));
  }

  private static List<End> ends(String code) {
    List<End> ends = new ArrayList<>();
    char literal = 0;
    int depth = 0;
    int begin = code.length() - code.stripLeading().length();
    for (int i = begin; i < code.length(); i++) {
      char letter = code.charAt(i);
      if (literal != 0) {
        if (letter == '\\') {
          i++;
        } else if (letter == literal) {
          literal = 0;
        }
      } else if (letter == '"' || letter == '\'') {
        literal = letter;
      } else if (letter == ' ') {
        boolean isBound = code.charAt(i - 1) == ')' || code.startsWith("new", i - 3);
        int own =
            switch (code.charAt(i - 1)) {
              case '}', ';' -> -1;
              case ',' -> 0;
              default -> 1;
            };
        ends.add(new End(i, i + 1, 2 * depth + (isBound ? 100 : own)));
      } else if (letter == '.' && code.charAt(i - 1) == ')') {
        ends.add(new End(i, i, 2 * depth + 1));
      } else if ("({[".indexOf(letter) >= 0) {
        depth++;
      } else if (")}]".indexOf(letter) >= 0) {
        depth--;
      }
    }
    return ends;
  }
}
