package atalaya.core.code;

import java.util.BitSet;

/**
 * A loop and what tells its turns ({@code docs/measures.md}, section 2).
 *
 * @param line where it starts, counted from 1
 * @param text up to its body, with runs of white space made one blank
 * @param zero any of these says that some execution of it never ran its body; empty where that
 *     can't be
 * @param once the same of one turn; empty where that can't be
 * @param more the same of several turns; never empty
 */
public record Loop(int line, String text, BitSet zero, BitSet once, BitSet more) {
  public Loop {
    if (more.isEmpty()) {
      throw new IllegalArgumentException(text + " must have points for several turns");
    }
  }
}
