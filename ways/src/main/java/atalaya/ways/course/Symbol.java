package atalaya.ways.course;

import atalaya.core.term.Term;
import org.objectweb.asm.tree.analysis.Value;

/**
 * What a local variable or a place of the stack holds.
 *
 * @param size how many places it takes. A term does not tell: a number and its box are one term
 */
public record Symbol(Term term, int size) implements Value {
  /** Of a variable that was not set yet. */
  public static final Symbol UNSET = of(Term.unknown("unset", "I"), "I");

  /** Of a type, by its descriptor. */
  public static Symbol of(Term term, String type) {
    return new Symbol(term, type.equals("J") || type.equals("D") ? 2 : 1);
  }

  @Override
  public int getSize() {
    return size;
  }
}
