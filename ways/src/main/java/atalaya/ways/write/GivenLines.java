package atalaya.ways.write;

import atalaya.core.term.Term;
import atalaya.ways.code.Literals;
import atalaya.ways.follow.Concatenation;
import atalaya.ways.follow.Lines;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** How a test makes something that gives lines: of a text that has them. */
final class GivenLines {
  /** The code that makes it, by its descriptor. */
  private static final Map<String, String> MADE =
      Map.of(
          "Ljava/io/Reader;", "new StringReader(%s)",
          "Ljava/io/BufferedReader;", "new BufferedReader(new StringReader(%s))",
          "Ljava/io/InputStream;", "new ByteArrayInputStream(%s.getBytes())");

  /** So many lines are looked at. */
  private static final int MOST = 50;

  /** A line of which nothing is asked. */
  private static final String ANY = "a";

  private GivenLines() {}

  /** The number of the last line of which something is asked, from 0; -1 where there is none. */
  private static int last(Term.Input source, Map<Term.Input, Object> found) {
    int last = MOST - 1;
    while (last >= 0 && !found.containsKey(Lines.line(source, last))) {
      last--;
    }
    return last;
  }

  /**
   * How a test makes something that gives lines.
   *
   * @param found what lines have to be
   * @param made is told which come of it
   * @return empty where nothing is asked of its lines
   */
  static Optional<String> making(Term.Input source, Map<Term.Input, Object> found, Made made) {
    if (!MADE.containsKey(source.type())) {
      return Optional.empty();
    }
    StringBuilder text = new StringBuilder();
    List<Term.Input> lines = new ArrayList<>();
    for (int at = last(source, found); at >= 0; at--) {
      Term.Input line = Lines.line(source, at);
      lines.add(line);
      if (found.getOrDefault(line, ANY) instanceof String words) {
        text.insert(0, words + "\n");
      }
    }
    boolean isOfLines =
        !lines.isEmpty()
            && text.indexOf("\r") < 0
            && text.chars().filter(c -> c == '\n').count() <= lines.size();
    if (!isOfLines) {
      return Optional.empty();
    }
    lines.forEach(made::along);
    return Optional.of(
        String.format(
            MADE.get(source.type()),
            Literals.of(text.toString(), Concatenation.TEXT).orElseThrow()));
  }
}
