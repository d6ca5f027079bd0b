package atalaya.ways.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Completes;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Throws;
import atalaya.core.term.Platform;
import atalaya.core.term.Term;
import java.util.List;
import java.util.Optional;

/**
 * Calls of the platform that make something of a text, or throw where it is not as it has to be.
 */
final class TakenTexts {
  private final Walker walker;
  private final CharsetNames charsets;

  TakenTexts(Walker walker) {
    this.walker = walker;
    this.charsets = new CharsetNames(walker);
  }

  /** What has to hold for a call to return; empty where it does not turn on a text alone. */
  Optional<Constraint> returning(Call call) {
    return charsets
        .turning(call, false)
        .map(Constraint.class::cast)
        .or(() -> made(call).map(made -> new Completes(made, Reason.unwritten(walker.line()))));
  }

  /** What has to hold for a call to throw. */
  Optional<Constraint> throwing(Call call, String exception) {
    return charsets
        .turning(call, true)
        .map(Constraint.class::cast)
        .or(() -> made(call).map(made -> throwing(made, exception)));
  }

  private Constraint throwing(Term made, String exception) {
    return new Throws(made, exception, Reason.unwritten(walker.line()));
  }

  private Optional<Term> made(Call call) {
    String method = call.owner() + "." + call.name() + call.descriptor();
    List<Term> texts = call.isConstructor() ? call.given() : call.arguments();
    boolean isTold =
        Platform.takesText(method)
            && texts.stream().noneMatch(text -> text.hasInput(input -> !input.isFree()));
    return isTold
        ? Optional.of(
            walker.computed(Term.operation(Term.Operator.CALL, method, call.type(), texts)))
        : Optional.empty();
  }
}
