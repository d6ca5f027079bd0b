package atalaya.java.source;

import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.SourcePositions;
import java.util.Map;

/**
 * Where the parts of one source file stand. Lines are counted from 1.
 *
 * @param constants the values of its {@code static final boolean} fields that are plain literals
 * @param withOperations whether more is read than what steers control
 */
record Places(
    CompilationUnitTree unit,
    SourcePositions positions,
    String text,
    Map<String, Boolean> constants,
    boolean withOperations) {
  private static final String BLANKS = " \t\n\r\f\u000B";

  long start(Tree tree) {
    return positions.getStartPosition(unit, tree);
  }

  long end(Tree tree) {
    return positions.getEndPosition(unit, tree);
  }

  int firstLine(Tree tree) {
    return line(start(tree));
  }

  int lastLine(Tree tree) {
    return line(Math.max(start(tree), end(tree) - 1));
  }

  int line(long position) {
    return position < 0 ? 0 : (int) unit.getLineMap().getLineNumber(position);
  }

  /** The text with runs of white space made one blank. */
  String text(Tree tree) {
    return text(start(tree), end(tree));
  }

  String text(long start, long end) {
    return start < 0 || end < start
        ? ""
        : withSingleBlanks(text.substring((int) start, (int) end).strip());
  }

  private static String withSingleBlanks(String text) {
    StringBuilder single = new StringBuilder(text.length());
    boolean wasBlank = false;
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      boolean isBlank = BLANKS.indexOf(c) >= 0;
      if (!isBlank) {
        single.append(c);
      } else if (!wasBlank) {
        single.append(' ');
      }
      wasBlank = isBlank;
    }
    return single.toString();
  }

  /** Where a symbol stands from here on, comments aside; -1 where it does not. */
  long find(String symbol, long from) {
    int at = (int) from;
    while (at >= 0 && at < text.length()) {
      if (text.startsWith("//", at)) {
        at = text.indexOf('\n', at);
      } else if (text.startsWith("/*", at)) {
        at = text.indexOf("*/", at) + 2;
      } else if (text.startsWith(symbol, at)) {
        return at;
      } else {
        at++;
      }
    }
    return -1;
  }

  /** The first position from here on that is not white space. */
  long skipBlanks(long position) {
    int at = (int) position;
    while (at < text.length() && Character.isWhitespace(text.charAt(at))) {
      at++;
    }
    return at;
  }
}
