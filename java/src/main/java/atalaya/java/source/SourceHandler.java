package atalaya.java.source;

import java.util.List;

/**
 * A {@code catch} clause of the source.
 *
 * @param start where it starts in the file; two with the same start are the same
 * @param line of its start, counted from 1
 * @param text up to its block, with runs of white space made one blank
 * @param alone whether nothing else is written on its line before it
 * @param types the simple names of what it catches, in alphabetical order
 */
public record SourceHandler(long start, int line, String text, boolean alone, List<String> types)
    implements Comparable<SourceHandler> {
  @Override
  public int compareTo(SourceHandler other) {
    return Long.compare(start, other.start);
  }
}
