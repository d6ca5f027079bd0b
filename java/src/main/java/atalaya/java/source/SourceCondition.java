package atalaya.java.source;

import java.util.List;

/** A condition of the source. Two are the same only when they are the same place. */
public final class SourceCondition implements Comparable<SourceCondition> {
  private final long start;
  private final long end;
  private final int line;
  private final String text;
  private final List<String> outcomes;

  SourceCondition(long start, long end, int line, String text, List<String> outcomes) {
    this.start = start;
    this.end = end;
    this.line = line;
    this.text = text;
    this.outcomes = List.copyOf(outcomes);
  }

  /** Where its text starts, counted from 1. */
  public int line() {
    return line;
  }

  /** The text with runs of white space made one blank. */
  public String text() {
    return text;
  }

  /** The names of its outcomes. */
  public List<String> outcomes() {
    return outcomes;
  }

  @Override
  public int compareTo(SourceCondition other) {
    int order = Long.compare(start, other.start);
    return order != 0 ? order : Long.compare(end, other.end);
  }

  @Override
  public String toString() {
    return line + ": " + text;
  }
}
