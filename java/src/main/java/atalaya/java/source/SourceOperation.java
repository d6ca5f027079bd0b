package atalaya.java.source;

/**
 * Something in the source that computes, calls, assigns, returns or throws. Two are the same when
 * they are the same place.
 *
 * @param start of the whole text in the source, counted from 0
 * @param end behind it
 * @param line where it starts, counted from 1
 * @param operator its symbol, for what has one; else empty
 * @param operatorAt where the symbol starts; -1 where there is none
 * @param operand what is returned, assigned or computed with last, as it is written; or empty
 */
public record SourceOperation(
    Kind kind, long start, long end, int line, String operator, long operatorAt, String operand) {

  /** What it is. */
  public enum Kind {
    /** {@code a + b}, {@code a += b}; the operator without the equals sign. */
    ARITHMETIC,
    /** {@code i++}, {@code --i}; the operator is {@code ++} or {@code --}. */
    INCREMENT,
    /** {@code -a}. */
    NEGATION,
    /** A literal number or character that is not compared. */
    NUMBER,
    /** A call that is a statement. */
    CALL,
    /** An assignment that is a statement. */
    ASSIGNMENT,
    /** {@code return a;}, or the expression that a lambda consists of. */
    RETURN,
    /** {@code throw a;}. */
    THROW,
    /** Anything else; it helps to tell the others apart. */
    OTHER
  }
}
