package atalaya.ways.follow;

import atalaya.core.term.ClassValue;
import atalaya.core.term.Constraint.Completes;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Platform;
import atalaya.core.term.Term;
import java.util.Optional;
import java.util.regex.Pattern;

/** Calls of the platform whose results depend on nothing but what they are given. */
final class PlatformCalls implements CallRule {
  private static final Pattern MAY_THROW =
      Pattern.compile(
          "parse.*|valueOf|forName|charAt|substring|subSequence|codePointAt|of|ofEpoch.*|repeat|.*Exact"
              + "|divide|with.*|at[A-Z].*|decode|format|get");

  /** The methods of texts and numbers that take no {@code null}. */
  private static final Pattern TAKING_SOMETHING =
      Pattern.compile(
          "compareTo.*|concat|contains|(starts|ends)With|(lastI|i)ndexOf|replace.*|matches|split");

  private final Walker walker;
  private final ForeignCalls foreign;

  PlatformCalls(Walker walker, ForeignCalls foreign) {
    this.walker = walker;
    this.foreign = foreign;
  }

  static boolean isPure(Call call) {
    return Platform.isPure(call.owner(), call.name());
  }

  @Override
  public Optional<Term> call(Call call) {
    boolean isKnown =
        isPure(call)
            || ClassValue.isAsked(call.owner(), call.name())
            || call.is("java/lang/Object", "equals");
    if (!isKnown) {
      return Optional.empty();
    }
    if (takesSomething(call)) {
      call.given().stream()
          .filter(argument -> argument.type().startsWith("L"))
          .forEach(walker::requireThere);
    }
    Term result = given(call);
    if (call.name().equals("getChars")) {
      walker.changes.ofArrays(call.arguments());
    }
    foreign.isCompared(call);
    if (!result.isConstant() && MAY_THROW.matcher(call.name()).matches()) {
      walker.require(new Completes(result, Reason.unwritten(walker.line())));
    }
    return Optional.of(result);
  }

  /** Whether a call takes no {@code null}: those for dates and times take none anywhere. */
  private static boolean takesSomething(Call call) {
    return call.owner().startsWith("java/time/")
        ? !call.name().equals("equals")
        : !call.isStatic() && TAKING_SOMETHING.matcher(call.name()).matches();
  }

  /** The very call, computed once what it is given is known. */
  Term given(Call call) {
    return call.arguments().isEmpty()
        ? walker.results.of(call)
        : walker.computed(
            Term.operation(
                Term.Operator.CALL,
                call.owner() + "." + call.name() + call.descriptor(),
                call.type(),
                call.arguments()));
  }
}
