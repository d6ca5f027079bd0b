package atalaya.ways.follow;

import atalaya.core.term.Term;
import atalaya.core.term.Term.Input;
import java.util.List;

/** How many elements the arrays have that constructors leave in fields. */
final class FieldArrays {
  private static final String LENGTH = "length";

  private final Walker walker;

  FieldArrays(Walker walker) {
    this.walker = walker;
  }

  static State.Field lengthOf(Term array) {
    return new State.Field(array, LENGTH);
  }

  /** A constructor put an array into a field; another one may stand there by now. */
  void left(Input field, Term array) {
    List<Term> elements = walker.state.elements.get(array);
    Term length =
        elements == null ? walker.state.fields.get(lengthOf(array)) : Term.of(elements.size());
    if (length == null) {
      return;
    }
    Object usual = length instanceof Term.Constant constant ? constant.value() : Term.SOMETHING;
    Input now = new Input(field.name() + "." + LENGTH, "I", Term.Source.STATE, usual);
    walker.state.fields.put(lengthOf(field), now);
    walker.asMade.put(now, length);
  }
}
