package atalaya.cli.render;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Breaks statements of Java into lines where that changes nothing. */
final class CodeLines {
  private static final String DEEPER = "    ";

  /**
   * A space outside of texts.
   *
   * @param cost the more brackets are around it the higher; high behind a cast or {@code new}
   */
  private record Space(int at, int cost) {}

  private CodeLines() {}

  /** A statement in lines of at most a width, where its spaces allow it. */
  static List<String> of(String statement, int width) {
    List<String> lines = new ArrayList<>();
    String rest = statement;
    Optional<Space> end = end(rest, width);
    while (end.isPresent()) {
      lines.add(rest.substring(0, end.get().at()));
      rest = DEEPER + rest.substring(end.get().at() + 1);
      end = end(rest, width);
    }
    lines.add(rest);
    return lines;
  }

  /** Where a line ends: not in its first third, if that can be. */
  private static Optional<Space> end(String code, int width) {
    if (code.length() <= width) {
      return Optional.empty();
    }
    List<Space> spaces = spaces(code);
    return spaces.stream()
        .filter(space -> space.at() > width / 3 && space.at() <= width)
        .min(Comparator.comparingInt(Space::cost).thenComparingInt(space -> -space.at()))
        .or(
            () ->
                spaces.stream()
                    .min(Comparator.comparingInt(space -> Math.abs(space.at() - width))));
  }

  private static List<Space> spaces(String code) {
    List<Space> spaces = new ArrayList<>();
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
        spaces.add(new Space(i, 2 * depth + (isBound ? 100 : own)));
      } else if ("({[".indexOf(letter) >= 0) {
        depth++;
      } else if (")}]".indexOf(letter) >= 0) {
        depth--;
      }
    }
    return spaces;
  }
}
