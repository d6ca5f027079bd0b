package atalaya.java.way;

import atalaya.core.term.Term;
import org.objectweb.asm.tree.analysis.Value;

/** What a local variable or a place of the stack holds. */
record Symbol(Term term) implements Value {
  /** Of a variable that was not set yet. */
  static final Symbol UNSET = new Symbol(Term.unknown("unset", "I"));

  @Override
  public int getSize() {
    return term.type().equals("J") || term.type().equals("D") ? 2 : 1;
  }
}
