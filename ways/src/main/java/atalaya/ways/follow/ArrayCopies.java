package atalaya.ways.follow;

import atalaya.core.term.Term;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.IntFunction;

/** What is copied into arrays that the code itself put together, where it is known how much. */
final class ArrayCopies implements CallRule {
  private final Walker walker;

  ArrayCopies(Walker walker) {
    this.walker = walker;
  }

  @Override
  public Optional<Term> call(Call call) {
    List<Term> given = call.arguments();
    if (call.is("java/lang/System", "arraycopy")) {
      walker.elements.requireCopied(given);
      Term from = given.get(0);
      Term to = given.get(2);
      Optional<List<Term>> copied =
          some(
              given.get(1),
              number(given.get(4)),
              i -> walker.elements.held(from, Term.of(i), walker.elements.typeIn(to)));
      return put(call, to, given.get(3), copied);
    }
    if (call.is("java/lang/String", "getChars") && given.size() == 5) {
      Term text = given.get(0);
      OptionalInt first = number(given.get(1));
      OptionalInt end = number(given.get(2));
      OptionalInt count =
          first.isPresent() && end.isPresent()
              ? OptionalInt.of(end.getAsInt() - first.getAsInt())
              : OptionalInt.empty();
      Optional<List<Term>> letters =
          some(given.get(1), count, i -> walker.elements.letter(text, Term.of(i), "C"));
      return put(call, given.get(3), given.get(4), letters);
    }
    return Optional.empty();
  }

  /** Some elements one after the other; empty where it is not known which. */
  private static Optional<List<Term>> some(
      Term first, OptionalInt count, IntFunction<Term> element) {
    OptionalInt from = number(first);
    boolean isKnown =
        from.isPresent() && count.orElse(-1) >= 0 && count.getAsInt() <= Elements.LARGEST;
    if (!isKnown) {
      return Optional.empty();
    }
    List<Term> some = new ArrayList<>();
    for (int i = 0; i < count.getAsInt(); i++) {
      some.add(element.apply(from.getAsInt() + i));
    }
    return Optional.of(some);
  }

  private Optional<Term> put(Call call, Term array, Term at, Optional<List<Term>> copied) {
    List<Term> known = walker.state.elements.get(array);
    OptionalInt first = number(at);
    boolean isKnown =
        known != null
            && first.isPresent()
            && copied.filter(all -> first.getAsInt() + all.size() <= known.size()).isPresent();
    if (!isKnown) {
      return Optional.empty();
    }
    for (int i = 0; i < copied.get().size(); i++) {
      known.set(first.getAsInt() + i, copied.get().get(i));
    }
    return Optional.of(walker.results.of(call));
  }

  /** At least 0, where it is known. */
  private static OptionalInt number(Term term) {
    return term instanceof Term.Constant constant
            && constant.value() instanceof Integer number
            && number >= 0
        ? OptionalInt.of(number)
        : OptionalInt.empty();
  }
}
