package atalaya.ways.follow;

import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import java.util.ArrayList;
import java.util.List;

/** What a set or the keys of a map that a test gives have in them: no two of them are equal. */
final class Distinct {
  private static final String EQUALS =
      "java/util/Objects.equals(Ljava/lang/Object;Ljava/lang/Object;)Z";

  private final Walker walker;

  Distinct(Walker walker) {
    this.walker = walker;
  }

  /** Something is in what has a name. */
  void isIn(String name, Term.Input one) {
    List<Term.Input> others = walker.state.distinct.getOrDefault(name, List.of());
    if (!others.contains(one)) {
      others.forEach(other -> walker.require(areSame(other, one, walker.line()).negated()));
      List<Term.Input> all = new ArrayList<>(others);
      all.add(one);
      walker.state.distinct.put(name, List.copyOf(all));
    }
  }

  /** That two are equal. */
  static Compared areSame(Term one, Term other, int line) {
    Term isSame = Term.operation(Term.Operator.CALL, EQUALS, "Z", List.of(one, other));
    return new Compared(isSame, Relation.NOT_EQUAL, Term.of(0), Reason.unwritten(line));
  }
}
