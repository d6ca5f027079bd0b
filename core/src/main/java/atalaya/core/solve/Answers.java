package atalaya.core.solve;

import atalaya.core.term.Constraint;
import atalaya.core.term.Term;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;

/**
 * What is known of groups of conditions: ways through one method ask for much the same. Solvers of
 * one project share it, those of several threads too.
 */
public final class Answers {
  private static final int MOST_KEPT = 20_000;

  private final Map<Constraint, Constraint> kept = new ConcurrentHashMap<>();
  private final Map<Question, Answer> answers = new ConcurrentHashMap<>();
  private final Map<Question, Integer> excluding = new ConcurrentHashMap<>();

  private record Question(List<Constraint> group, int mostComputed) {}

  /**
   * Of a group. Conditions are told by their places in it: equal ones of other ways are others.
   *
   * @param inputs for which the conditions hold; empty when none were found
   * @param broken where none were found, the condition that was broken last
   * @param isImpossible whether it was shown that there are none
   */
  record Answer(Map<Term.Input, Object> inputs, OptionalInt broken, boolean isImpossible) {}

  /** Of all equal conditions always the same one, as long as there is room. */
  Constraint kept(Constraint one) {
    Constraint known = kept.get(one);
    if (known == null && kept.size() < MOST_KEPT) {
      known = kept.putIfAbsent(one, one);
    }
    return known == null ? one : known;
  }

  /** What is known, or else is found out now. */
  Answer of(List<Constraint> group, int mostComputed, Supplier<Answer> finding) {
    return known(answers, new Question(group, mostComputed), finding);
  }

  /** The condition that excludes the one that was broken last, as known, or found out now. */
  int excluding(List<Constraint> group, int mostComputed, Supplier<Integer> finding) {
    return known(excluding, new Question(group, mostComputed), finding);
  }

  private static <T> T known(Map<Question, T> all, Question question, Supplier<T> finding) {
    T known = all.get(question);
    if (known == null) {
      known = finding.get();
      if (all.size() < MOST_KEPT) {
        all.put(question, known);
      }
    }
    return known;
  }
}
