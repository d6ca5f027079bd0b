package atalaya.ways.follow;

import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import java.util.List;
import java.util.Optional;

/** Whether two arrays have the same elements, as far as that follows from which arrays they are. */
final class ArrayCalls implements CallRule {
  @Override
  public Optional<Term> call(Call call) {
    boolean compares = call.is("java/util/Arrays", "equals") && call.arguments().size() == 2;
    if (!compares) {
      return Optional.empty();
    }
    Term one = call.arguments().get(0);
    Term other = call.arguments().get(1);
    boolean isSame = one.equals(other) && Branches.isKnown(one);
    if (isSame) {
      return Optional.of(Term.of(1));
    }
    Compared isOne = isThere(one);
    Compared isOther = isThere(other);
    Term elements = Term.unknown("Arrays.equals(..)", "Z");
    return Optional.of(
        Term.choice(
            "Arrays.equals(..)",
            "Z",
            List.of(
                new Term.Case(List.of(isOne.negated(), isOther.negated()), Term.of(1), ""),
                new Term.Case(List.of(isOne, isOther.negated()), Term.of(0), ""),
                new Term.Case(List.of(isOne.negated(), isOther), Term.of(0), ""),
                new Term.Case(List.of(), elements, ""))));
  }

  private static Compared isThere(Term array) {
    return new Compared(array, Relation.NOT_EQUAL, Term.NULL, Reason.unwritten(0));
  }
}
