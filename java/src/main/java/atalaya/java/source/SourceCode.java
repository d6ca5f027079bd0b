package atalaya.java.source;

import java.util.BitSet;
import java.util.List;

/**
 * A piece of source that becomes the code of one method, or a part of it.
 *
 * @param items in the order of the code; what stands in a {@code finally} comes once for each copy
 * @param written the lines on which something other than braces stands, lambdas not included
 * @param decisions what it adds to cyclomatic complexity, lambdas included
 */
public record SourceCode(List<SourceItem> items, BitSet written, int decisions) {
  /** Of nothing. */
  public static final SourceCode EMPTY = new SourceCode(List.of(), new BitSet(), 0);

  public SourceCode {
    items = List.copyOf(items);
  }

  /** This one, followed by the other. */
  public SourceCode then(SourceCode next) {
    List<SourceItem> both = new java.util.ArrayList<>(items);
    both.addAll(next.items);
    BitSet lines = (BitSet) written.clone();
    lines.or(next.written);
    return new SourceCode(both, lines, decisions + next.decisions);
  }
}
