package atalaya.core.code;

import java.util.BitSet;

/**
 * A {@code catch} clause ({@code docs/measures.md}, section 2).
 *
 * @param line where it starts, counted from 1
 * @param text {@code catch (IOException e)}, with runs of white space made one blank
 * @param points any of these marks it as entered; never empty
 */
public record Handler(int line, String text, BitSet points) {
  public Handler {
    if (points.isEmpty()) {
      throw new IllegalArgumentException(text + " must have points");
    }
  }
}
