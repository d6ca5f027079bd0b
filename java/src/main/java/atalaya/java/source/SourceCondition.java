package atalaya.java.source;

import java.util.List;

/** A condition of the source. Two are the same only when they are the same place. */
public final class SourceCondition implements Comparable<SourceCondition> {
  private final long start;
  private final long end;
  private final int line;
  private final String text;
  private final List<String> outcomes;
  private final String operator;
  private final long operatorAt;
  private final long decision;

  /**
   * A condition.
   *
   * @param operator of a comparison; else empty
   * @param operatorAt where it stands; -1 where there is none
   * @param decision where the whole expression starts that this is an operand of
   */
  SourceCondition(
      long start,
      long end,
      int line,
      String text,
      List<String> outcomes,
      String operator,
      long operatorAt,
      long decision) {
    this.start = start;
    this.end = end;
    this.line = line;
    this.text = text;
    this.outcomes = List.copyOf(outcomes);
    this.operator = operator;
    this.operatorAt = operatorAt;
    this.decision = decision;
  }

  /** Where its text starts in the source, counted from 0. */
  public long start() {
    return start;
  }

  /** Behind its text. */
  public long end() {
    return end;
  }

  /** Of a comparison; else empty. */
  public String operator() {
    return operator;
  }

  /** Where the operator stands in the source; -1 where there is none. */
  public long operatorAt() {
    return operatorAt;
  }

  /** Where the whole expression starts that this is an operand of. */
  public long decision() {
    return decision;
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
