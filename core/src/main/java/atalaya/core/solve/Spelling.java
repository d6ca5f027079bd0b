package atalaya.core.solve;

import atalaya.core.term.Characters;
import atalaya.core.term.Constraint;
import atalaya.core.term.Term;
import atalaya.core.term.Term.Input;
import atalaya.core.term.Term.Operation;
import atalaya.core.term.TriedValues;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/**
 * Puts texts together letter by letter: the first condition that does not hold says which letter it
 * looks at, and that one is changed, as long as all conditions before it still hold.
 */
final class Spelling {
  private static final int MOST_LETTERS = 40;

  /** So many other values are tried of what is no text. */
  private static final int MOST_OTHERS = 8;

  /** Tried where conditions don't say which. */
  private static final String USUAL = "a0Ax1 -";

  /** So many conditions are computed, for each that a search computes at most. */
  private static final int TIMES = 4;

  private record Change(Input input, Object value) {}

  private final List<Constraint> constraints;
  private final Function<Constraint, Set<Input>> inputsOf;
  private final Map<Input, List<Object>> others = new LinkedHashMap<>();
  private final TriedValues now = new TriedValues();
  private int left;

  private Spelling(
      List<Constraint> constraints, Function<Constraint, Set<Input>> inputsOf, int mostComputed) {
    this.constraints = constraints;
    this.inputsOf = inputsOf;
    this.left = TIMES * mostComputed;
  }

  /**
   * Values under which no condition is broken.
   *
   * @param inputsOf what a condition speaks of
   * @return none where no condition looks at a letter of a text, or none were found
   */
  static Map<Input, Object> of(
      List<Constraint> constraints,
      Candidates candidates,
      Function<Constraint, Set<Input>> inputsOf,
      int mostComputed) {
    Spelling spelling = new Spelling(constraints, inputsOf, mostComputed);
    boolean mayBe = spelling.looksAtLetters() && spelling.begins(candidates);
    return mayBe && spelling.repairs(spelling.firstBroken()) ? spelling.values() : Map.of();
  }

  private boolean looksAtLetters() {
    boolean[] looks = {false};
    constraints.forEach(
        one -> one.terms().forEach(term -> term.visit(part -> looks[0] |= letterOf(part) != null)));
    return looks[0];
  }

  /** The text that an operation takes a letter of; null where it is none. */
  private static Input letterOf(Term part) {
    return part instanceof Operation call
            && call.operator() == Term.Operator.CALL
            && (call.detail().endsWith(".charAt(I)C") || call.detail().endsWith(".codePointAt(I)I"))
        ? textIn(call.operands().get(0))
        : null;
  }

  /** The text that another one is made of, at the same places. */
  private static Input textIn(Term term) {
    if (term instanceof Input input) {
      return Candidates.TEXTS.contains(input.type()) && input.isFree() ? input : null;
    }
    return term instanceof Operation call
            && call.operator() == Term.Operator.CALL
            && Candidates.TEXTS.contains(call.type())
        ? textIn(call.operands().get(0))
        : null;
  }

  /** Whether all that is no text can have a value. */
  private boolean begins(Candidates candidates) {
    Map<Input, List<Constraint>> speaking = new LinkedHashMap<>();
    for (Constraint constraint : constraints) {
      inputsOf
          .apply(constraint)
          .forEach(
              input -> speaking.computeIfAbsent(input, i -> new ArrayList<>()).add(constraint));
    }
    for (Map.Entry<Input, List<Constraint>> one : speaking.entrySet()) {
      Input input = one.getKey();
      if (Candidates.TEXTS.contains(input.type())) {
        now.set(input, "");
        continue;
      }
      List<Constraint> alone =
          one.getValue().stream().filter(c -> inputsOf.apply(c).size() == 1).toList();
      List<Object> possible = new ArrayList<>();
      for (Object value : candidates.of(input, one.getValue())) {
        now.set(input, value);
        if (Candidates.mayBe(input, value) && areWhole(alone)) {
          possible.add(value);
        }
      }
      // Most whole numbers are places in a text, and those are small.
      possible.sort(Comparator.comparingLong(Spelling::distance));
      possible.subList(Math.min(MOST_OTHERS, possible.size()), possible.size()).clear();
      if (possible.isEmpty()) {
        return false;
      }
      now.set(input, possible.get(0));
      others.put(input, possible);
    }
    return true;
  }

  private static long distance(Object value) {
    return value instanceof Number number ? Math.abs(number.longValue()) : 0;
  }

  private boolean areWhole(List<Constraint> some) {
    return some.stream().noneMatch(one -> Boolean.FALSE.equals(now.holds(one)));
  }

  private Map<Input, Object> values() {
    Map<Input, Object> values = new LinkedHashMap<>();
    constraints.forEach(
        one -> inputsOf.apply(one).forEach(input -> values.put(input, now.get(input))));
    return values;
  }

  /** The place of the first condition that does not hold; behind all when there is none. */
  private int firstBroken() {
    int at = 0;
    while (at < constraints.size() && !Boolean.FALSE.equals(now.holds(constraints.get(at)))) {
      at++;
      left--;
    }
    return at;
  }

  private boolean repairs(int broken) {
    if (broken == constraints.size()) {
      return true;
    }
    for (Change change : changes(constraints.get(broken))) {
      if (left <= 0) {
        return false;
      }
      Object before = now.get(change.input());
      now.set(change.input(), change.value());
      int next = firstBroken();
      if (next > broken && repairs(next)) {
        return true;
      }
      now.set(change.input(), before);
    }
    return false;
  }

  private Set<Change> changes(Constraint broken) {
    Set<Change> changes = new LinkedHashSet<>();
    Set<Character> letters = new LinkedHashSet<>();
    Set<Integer> lengths = new LinkedHashSet<>();
    Set<String> written = new LinkedHashSet<>();
    Constants.of(List.of(broken))
        .each(
            value -> {
              if (value instanceof Integer number) {
                List.of(number, number + 1, number - 1).forEach(n -> note(n, letters, lengths));
              } else if (value instanceof String text) {
                written.add(text);
              }
            });
    USUAL.chars().forEach(letter -> letters.add((char) letter));
    boolean asksIfText = Constants.of(List.of(broken)).asksIfText();
    broken.terms().forEach(term -> term.visit(part -> spelled(part, letters, changes)));
    for (Input input : inputsOf.apply(broken)) {
      if (others.containsKey(input)) {
        others.get(input).forEach(value -> changes.add(new Change(input, value)));
      } else {
        String text = now.get(input).toString();
        if (asksIfText && input.type().equals("Ljava/lang/CharSequence;")) {
          boolean isString = now.get(input) instanceof String;
          changes.add(new Change(input, isString ? new Characters(text) : text));
        }
        written.forEach(more -> changes.add(changed(input, text + more)));
        written.forEach(more -> changes.add(changed(input, more + text)));
        changes.add(changed(input, text + "a"));
        lengths.forEach(length -> changes.add(changed(input, filled(text, length))));
      }
    }
    return changes;
  }

  /** Another text of the same kind. */
  private Change changed(Input input, String text) {
    return new Change(input, now.get(input) instanceof String ? text : new Characters(text));
  }

  private static void note(int number, Set<Character> letters, Set<Integer> lengths) {
    if (number > 0 && number == (char) number) {
      letters.add((char) number);
    }
    if (number >= 0 && number <= MOST_LETTERS) {
      lengths.add(number);
    }
  }

  /** The letter that a condition looks at becomes another one. */
  private void spelled(Term part, Set<Character> letters, Set<Change> changes) {
    Input input = letterOf(part);
    Object place = input == null ? null : now.of(((Operation) part).operands().get(1));
    if (place instanceof Integer at && at >= 0 && at < MOST_LETTERS) {
      String text = now.get(input).toString();
      String begin = filled(text, at);
      String end = at < text.length() ? text.substring(at + 1) : "";
      letters.forEach(letter -> changes.add(changed(input, begin + letter + end)));
    }
  }

  private static String filled(String text, int length) {
    return text.length() > length
        ? text.substring(0, length)
        : text + "a".repeat(length - text.length());
  }
}
