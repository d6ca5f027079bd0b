package atalaya.core.code;

import java.util.BitSet;

/**
 * A line with code that a person wrote ({@code docs/measures.md}, section 1).
 *
 * @param number counted from 1
 * @param points the points of the class file of which any marks the line as reached; never empty
 */
public record Line(int number, BitSet points) {
  public Line {
    if (number < 1) {
      throw new IllegalArgumentException("line number must be > 0 (got " + number + ")");
    }
    if (points.isEmpty()) {
      throw new IllegalArgumentException("line " + number + " must have points");
    }
  }
}
