package atalaya.java.source;

/**
 * A method as it is written.
 *
 * @param name {@code <init>} for a constructor
 * @param parameters how many it has
 * @param firstLine where its name stands, as far as the parser tells
 * @param lastLine of its closing brace
 * @param code all of a method's; of a constructor's what comes before the fields are initialised
 * @param afterFields of a constructor's what comes after that
 * @param initialisesFields whether it is a constructor that calls no other one of its class
 * @param emptyBody whether there is nothing between its braces
 */
public record SourceMethod(
    String name,
    int parameters,
    int firstLine,
    int lastLine,
    boolean hasBody,
    SourceCode code,
    SourceCode afterFields,
    boolean initialisesFields,
    boolean emptyBody) {

  /** Whether the line is between its name and its closing brace. */
  public boolean covers(int line) {
    return firstLine <= line && line <= lastLine;
  }
}
