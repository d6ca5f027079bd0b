package atalaya.java.match;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.java.SourceText;
import atalaya.java.source.Statements;
import java.util.List;
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A comment says which line, counted from 1, a line goes on with. */
class StatementsTest {
  private static final Pattern MARK = Pattern.compile("//(\\d+)$");
  private static final String SOURCE =
      """
      class Quay {
        int depth =
            3; //2

        String name(boolean calm) {
          if (calm
              && depth > 3) { //6
            return "calm"
                + depth; //8
          }
          for (int i = 0;
              i < 3; //11
              i++) { //11
            depth++;
          }
          Runnable later =
              () -> { //16
                depth +=
                    2; //18
              };
          Object other = new Object() {
            @Override
            public String toString() {
              return
                  "other"; //24
            }
          };
          int kind = switch (depth) {
            case 1 ->
                2;
            default -> 3;
          };
          return String.valueOf(
              List.of( //33
                  1)); //33
        }
      }
      """;

  @Test
  void goOnOverSeveralLines() {
    NavigableMap<Integer, Integer> expected = new TreeMap<>();
    List<String> lines = SOURCE.lines().toList();
    for (int i = 0; i < lines.size(); i++) {
      Matcher mark = MARK.matcher(lines.get(i));
      if (mark.find()) {
        expected.put(i + 1, Integer.valueOf(mark.group(1)));
      }
    }
    NavigableMap<Integer, Integer> found =
        Statements.in(new SourceText("m", "Quay.java", "Quay.java", SOURCE));
    assertThat(found).containsAllEntriesOf(expected);
    found.keySet().removeAll(expected.keySet());
    assertThat(found.keySet())
        .as("closing braces and labels may go on, other statements may not")
        .allMatch(line -> lines.get(line - 1).strip().matches("};?|case 1 ->|2;|default -> 3;"));
    assertThat(Statements.in(new SourceText("m", "Q.java", "Q.java", "class {"))).isEmpty();
  }
}
