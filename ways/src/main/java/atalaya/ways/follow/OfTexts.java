package atalaya.ways.follow;

import atalaya.core.term.Term;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;

/** What comes of texts in calls that are not followed, and which of a test's texts these are. */
final class OfTexts {
  private static final String TEXT = "Ljava/lang/String;";

  private final Map<Term, Set<Term.Input>> made = new HashMap<>();
  private final Map<Term, Set<Term.Input>> given = new HashMap<>();

  /** Whether it is a text, and none that the code itself has. */
  static boolean isText(Term argument) {
    return argument.type().equals(TEXT) && !argument.isConstant();
  }

  /** An object is made of texts. */
  void isMade(Call constructor) {
    made.put(constructor.object(), of(constructor));
  }

  /** A call gives a text. */
  void isGiven(Term text, Call call) {
    if (isText(text)) {
      given.put(text, of(call));
    }
  }

  /** Whether a call is given a text, or something that was made of one. */
  boolean isGivenAny(Call call) {
    return call.arguments().stream().anyMatch(a -> isText(a) || made.containsKey(a));
  }

  /** What is decided elsewhere of the texts that a call is given. */
  Set<Term.Input> of(Call call) {
    Set<Term.Input> texts = new LinkedHashSet<>();
    for (Term argument : call.arguments()) {
      Set<Term.Input> inputs = new LinkedHashSet<>();
      if (isText(argument)) {
        argument.inputs(inputs);
      }
      inputs.forEach(input -> texts.addAll(given.getOrDefault(input, Set.of(input))));
      texts.addAll(made.getOrDefault(argument, Set.of()));
    }
    return texts;
  }
}
