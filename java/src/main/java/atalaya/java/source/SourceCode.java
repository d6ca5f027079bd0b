package atalaya.java.source;

import java.util.BitSet;
import java.util.List;

/**
 * A piece of source that becomes the code of one method, or a part of it.
 *
 * @param items in the order of the code; what stands in a {@code finally} comes once for each copy
 * @param written the lines on which something other than braces stands, lambdas not included
 * @param leaps the lines on which a statement stands that may be a jump and nothing else
 * @param finallies the lines on which the first statement of a {@code finally} stands
 * @param decisions what it adds to cyclomatic complexity, lambdas included
 */
public record SourceCode(
    List<SourceItem> items, BitSet written, BitSet leaps, BitSet finallies, int decisions) {
  /** Of nothing. */
  public static final SourceCode EMPTY = ofBraces(new BitSet());

  public SourceCode {
    items = List.copyOf(items);
  }

  /** Of an empty body, which counts for the lines that it stands on. */
  static SourceCode ofBraces(BitSet lines) {
    return new SourceCode(List.of(), lines, new BitSet(), new BitSet(), 0);
  }

  /** This one, followed by the other. */
  public SourceCode then(SourceCode next) {
    List<SourceItem> both = new java.util.ArrayList<>(items);
    both.addAll(next.items);
    return new SourceCode(
        both,
        union(written, next.written),
        union(leaps, next.leaps),
        union(finallies, next.finallies),
        decisions + next.decisions);
  }

  private static BitSet union(BitSet one, BitSet other) {
    BitSet both = (BitSet) one.clone();
    both.or(other);
    return both;
  }
}
