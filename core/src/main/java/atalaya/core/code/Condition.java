package atalaya.core.code;

import java.util.List;

/**
 * An atomic boolean expression that steers control, a switch, or an enhanced {@code for} ({@code
 * docs/measures.md}, section 2).
 *
 * @param line where its text starts, counted from 1; 0 when the class file does not say
 * @param text the source text with runs of white space made one blank, or {@code line 41, jump 2}
 * @param matched whether the jump was matched to the source
 * @param outcomes at least one
 */
public record Condition(int line, String text, boolean matched, List<Outcome> outcomes) {
  public Condition {
    outcomes = List.copyOf(outcomes);
    if (outcomes.isEmpty()) {
      throw new IllegalArgumentException("condition \"" + text + "\" must have outcomes");
    }
  }
}
