package atalaya.ways.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.ways.code.TypeNames;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * What calls throw and handlers take. A handler that takes anything may throw it once more, and the
 * next one may be for less: then that is what the call has to throw.
 */
final class Raised {
  private record By(Call call, List<Constraint> needed) {}

  private final Walker walker;
  private final Calls calls;
  private final Map<Term, By> known = new IdentityHashMap<>();

  Raised(Walker walker, Calls calls) {
    this.walker = walker;
    this.calls = calls;
  }

  /** A call throws what a handler is for. */
  Term by(Call call, String exception) {
    List<Constraint> all = walker.state.constraints;
    int before = all.size();
    calls.throwing(call, exception);
    Term thrown = Term.unknown("the exception", "L" + exception + ";");
    known.put(thrown, new By(call, List.copyOf(all.subList(before, all.size()))));
    return thrown;
  }

  /** Something is thrown, be it once more, and comes to a handler. */
  Term taken(Term thrown, String exception) {
    String type = TypeNames.internal(thrown.type());
    boolean isForLess = !walker.base.isA(type, exception) && walker.base.isA(exception, type);
    By by = known.get(thrown);
    if (isForLess && by != null) {
      walker.state.constraints.removeIf(one -> by.needed().stream().anyMatch(n -> n == one));
      return by(by.call(), exception);
    }
    if (isForLess) {
      String name = "what is thrown instanceof " + TypeNames.simpleOf(exception);
      Term isIt = new Term.Input(name, "Z", Term.Source.RESULT, null);
      Reason reason = Reason.unwritten(walker.line());
      walker.require(new Compared(isIt, Relation.NOT_EQUAL, Term.of(0), reason));
    }
    return thrown;
  }
}
