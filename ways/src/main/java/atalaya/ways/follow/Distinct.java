package atalaya.ways.follow;

import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** What a set or the keys of a map that a test gives have in them: no two of them are equal. */
final class Distinct {
  private static final String EQUALS =
      "java/util/Objects.equals(Ljava/lang/Object;Ljava/lang/Object;)Z";

  private final Walker walker;
  private final Map<String, List<Term.Input>> known = new HashMap<>();

  Distinct(Walker walker) {
    this.walker = walker;
  }

  /** Something is in what has a name. */
  void isIn(String name, Term.Input one) {
    List<Term.Input> others = known.computeIfAbsent(name, n -> new ArrayList<>());
    if (others.contains(one)) {
      return;
    }
    others.forEach(other -> walker.require(areSame(other, one, walker.line()).negated()));
    others.add(one);
  }

  /** That two are equal. */
  static Compared areSame(Term one, Term other, int line) {
    Term isSame = Term.operation(Term.Operator.CALL, EQUALS, "Z", List.of(one, other));
    return new Compared(isSame, Relation.NOT_EQUAL, Term.of(0), Reason.unwritten(line));
  }
}
