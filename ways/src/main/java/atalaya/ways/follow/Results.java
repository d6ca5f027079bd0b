package atalaya.ways.follow;

import atalaya.core.term.Platform;
import atalaya.core.term.Term;
import atalaya.ways.code.TypeNames;
import java.util.Comparator;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/** What calls give of which nothing else is known: it has to come out as it is needed. */
final class Results {
  private static final Predicate<String> IN_CODE = Pattern.compile("[\\w$]+").asMatchPredicate();

  private final Walker walker;

  Results(Walker walker) {
    this.walker = walker;
  }

  /** Told by the class that is called. */
  Term of(Call call) {
    return of(call, TypeNames.simpleOf(call.owner()));
  }

  /** Told by the field of an object that holds what is asked, where one does. */
  Term ofHeld(Call call) {
    Optional<String> field = call.isVirtual() ? fieldOf(call.object()) : Optional.empty();
    return of(call, field.orElseGet(() -> TypeNames.simpleOf(call.owner())));
  }

  private Term of(Call call, String asked) {
    String name = walker.state.numbered(asked + "." + call.name() + "(..)");
    Term result = new Term.Input(name, call.type(), Term.Source.RESULT, usual(call));
    walker.ofTexts.isGiven(result, call);
    return result;
  }

  private Optional<String> fieldOf(Term held) {
    return held instanceof Term.Made
        ? walker.state.fields.entrySet().stream()
            .filter(field -> field.getValue() == held)
            .map(field -> field.getKey())
            .filter(field -> field.object() instanceof Term.Input && IN_CODE.test(field.name()))
            .map(field -> Objects.prefix((Term.Input) field.object()) + field.name())
            .min(Comparator.naturalOrder())
        : Optional.empty();
  }

  /** What a call usually gives. */
  static Object usual(Call call) {
    boolean isStopping =
        call.owner().equals("java/lang/Thread") && call.name().endsWith("nterrupted");
    if (isStopping) {
      return 0;
    }
    return Platform.givesSomething(call.owner(), call.name(), call.type()) ? Term.THERE : null;
  }
}
