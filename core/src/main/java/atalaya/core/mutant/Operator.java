package atalaya.core.mutant;

/**
 * How a mutant differs from the code, by the literature's abbreviations; {@code docs/mutants.md}.
 */
public enum Operator {
  /** Relational operator replaced. */
  ROR("a comparison is another one"),
  /** Operand of a condition replaced by true or false. */
  COR("a condition always comes out one way"),
  /** Arithmetic operator replaced. */
  AOR("an arithmetic operator is another one"),
  /** Bitwise, logical or shift operator replaced. */
  LCR("a bitwise operator is another one"),
  /** Unary operator dropped or exchanged. */
  UOI("a unary operator is dropped or turned round"),
  /** Constant replaced. */
  CRP("a number is another one"),
  /** Statement deleted. */
  SDL("a statement is missing"),
  /** Returned value replaced. */
  RVR("another value is returned"),
  /** Thrown exception dropped. */
  EXD("an exception is not thrown"),
  /** Labels of a switch exchanged. */
  SLE("two labels of a switch are exchanged");

  private final String words;

  Operator(String words) {
    this.words = words;
  }

  /** What it does, in words. */
  public String words() {
    return words;
  }
}
