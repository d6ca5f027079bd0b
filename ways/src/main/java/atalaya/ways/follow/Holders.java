package atalaya.ways.follow;

import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.core.term.Term.Operator;
import atalaya.core.term.Values;
import atalaya.ways.code.HoldingTypes;
import atalaya.ways.code.TypeNames;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What holds one value that threads share ({@code java.util.concurrent.atomic}), or that each has
 * of its own, and which.
 */
public final class Holders implements CallRule {
  private static final String SUFFIX = ".get()";

  private final Walker walker;

  Holders(Walker walker) {
    this.walker = walker;
  }

  /** The name of what an input is held in; its own where it is not held. */
  public static String without(String name) {
    return name.endsWith(SUFFIX) ? name.substring(0, name.length() - SUFFIX.length()) : name;
  }

  /** What a holder that a test makes holds. */
  public static Term.Input held(Term.Input holder) {
    String type = HoldingTypes.heldBy(TypeNames.internal(holder.type()));
    return new Term.Input(holder.name() + SUFFIX, type, Term.Source.ELEMENT, null);
  }

  private static State.Field valueOf(Term holder) {
    return new State.Field(holder, "value");
  }

  /** A new holder; of what extends one it is not known how it is asked. */
  void made(Term made, List<Term> arguments) {
    String type = HoldingTypes.heldBy(TypeNames.internal(made.type()));
    if (type != null) {
      put(made, arguments.isEmpty() ? Objects.initial(type) : arguments.get(0));
    }
  }

  private void put(Term holder, Term value) {
    walker.state.fields.put(valueOf(holder), value);
  }

  /**
   * What a constructor put into a field may hold something else by now, unless the test says what
   * it holds.
   */
  void mayHaveChanged(Term.Input field, Term made) {
    Term first = walker.state.fields.get(valueOf(made));
    put(field, first instanceof Term.Input ? first : ofField(field, first));
  }

  /** A call that was not followed may have changed what it was given. */
  void mayHaveChanged(List<Term> arguments) {
    for (Term argument : arguments) {
      String held = HoldingTypes.heldBy(TypeNames.internal(argument.type()));
      if (held != null) {
        put(argument, Term.unknown("held", held));
      }
    }
  }

  private static Term ofField(Term.Input field, Term first) {
    boolean isKnown = first instanceof Term.Constant;
    String type = isKnown && !first.isNull() ? first.type() : held(field).type();
    Object usual = isKnown ? ((Term.Constant) first).value() : Term.SOMETHING;
    return new Term.Input(field.name() + SUFFIX, type, Term.Source.STATE, usual);
  }

  @Override
  public Optional<Term> call(Call call) {
    return call.isStatic() || !HoldingTypes.isHolder(call.owner())
        ? Optional.empty()
        : ofHolder(call.name(), call.object(), call.given());
  }

  private Optional<Term> ofHolder(String name, Term holder, List<Term> arguments) {
    boolean isHolder = HoldingTypes.isHolder(TypeNames.internal(holder.type()));
    Optional<Term> known = isHolder ? value(holder) : Optional.empty();
    if (known.isEmpty()) {
      return Optional.empty();
    }
    Term before = known.get();
    switch (name) {
      case "get", "getPlain", "getAcquire", "getOpaque", "intValue", "longValue" -> {
        return known;
      }
      case "set", "lazySet", "setPlain", "setRelease", "setOpaque", "getAndSet" -> {
        put(holder, arguments.get(0));
        return known;
      }
      case "getAndIncrement", "getAndDecrement", "getAndAdd" -> {
        put(holder, sum(before, name, arguments));
        return known;
      }
      case "incrementAndGet", "decrementAndGet", "addAndGet" -> {
        Term after = sum(before, name, arguments);
        put(holder, after);
        return Optional.of(after);
      }
      case "compareAndSet", "weakCompareAndSetPlain", "weakCompareAndSetVolatile" -> {
        return Optional.of(exchanged(holder, before, arguments));
      }
      case "remove" -> {
        put(holder, Term.NULL);
        return Optional.of(Term.of(0));
      }
      default -> {
        put(holder, Term.unknown(name, before.type()));
        return Optional.empty();
      }
    }
  }

  private Optional<Term> value(Term holder) {
    Term known = walker.state.fields.get(valueOf(holder));
    if (known == null && holder instanceof Term.Input input && input.isFree()) {
      known = input.source() == Term.Source.ARGUMENT ? held(input) : ofField(input, null);
      put(holder, known);
    }
    return Optional.ofNullable(known);
  }

  private Term sum(Term before, String name, List<Term> arguments) {
    int step = name.contains("ncrement") ? 1 : -1;
    boolean isLong = before.type().equals("J");
    Term one = isLong ? new Term.Constant((long) step, "J") : Term.of(step);
    Term more = arguments.isEmpty() ? one : arguments.get(0);
    return walker.computed(
        Term.operation(Operator.ADD, "", isLong ? "J" : "I", List.of(before, more)));
  }

  /** Sets another value where it holds the one that is expected: whether it did. */
  private Term exchanged(Term holder, Term before, List<Term> arguments) {
    Compared isIt =
        new Compared(before, Relation.EQUAL, arguments.get(0), Reason.unwritten(walker.line()));
    Boolean known = new Values(Map.of()).holds(isIt);
    if (known != null) {
      put(holder, known ? arguments.get(1) : before);
      return Term.of(known ? 1 : 0);
    }
    put(holder, Term.either("compareAndSet(..)", before.type(), isIt, arguments.get(1), before));
    return Term.either("compareAndSet(..)", "Z", isIt, Term.of(1), Term.of(0));
  }
}
