package atalaya.java.source;

import java.util.Set;

/**
 * A loop of the source.
 *
 * @param start where it starts in the file; two with the same start are the same
 * @param line of its start, counted from 1
 * @param text up to its body, with runs of white space made one blank
 * @param asksFirst whether its body runs only after its conditions came out so
 * @param conditions its own; none when it goes on for ever
 */
public record SourceLoop(
    long start, int line, String text, boolean asksFirst, Set<SourceCondition> conditions)
    implements Comparable<SourceLoop> {
  public SourceLoop {
    conditions = Set.copyOf(conditions);
  }

  @Override
  public int compareTo(SourceLoop other) {
    return Long.compare(start, other.start);
  }
}
