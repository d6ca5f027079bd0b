package atalaya.core.solve;

import atalaya.core.term.Constraint;
import atalaya.core.term.Term;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;

/**
 * What is known of groups of conditions: ways through one method ask for much the same. Solvers of
 * one project share it, those of several threads too.
 */
public final class Answers {
  private static final int MOST_KEPT = 20_000;

  private final Map<Question, Answer> answers = new ConcurrentHashMap<>();

  private record Question(List<Constraint> group, int mostComputed) {}

  /**
   * Of a group.
   *
   * @param inputs for which the conditions hold; empty when none were found
   * @param because where none were found, the conditions that seem to exclude each other
   * @param isImpossible whether it was shown that there are none
   */
  record Answer(Map<Term.Input, Object> inputs, Optional<Pair> because, boolean isImpossible) {}

  /** Two conditions, by their places in the group: equal ones of other ways are others. */
  record Pair(int one, int other) {
    static Pair of(List<Constraint> group, Constraint one, Constraint other) {
      return new Pair(group.indexOf(one), group.indexOf(other));
    }

    Solution.Contradiction in(List<Constraint> group) {
      return new Solution.Contradiction(group.get(one), group.get(other));
    }
  }

  /** What is known, or else is found out now. */
  Answer of(List<Constraint> group, int mostComputed, Supplier<Answer> finding) {
    Question question = new Question(group, mostComputed);
    Answer known = answers.get(question);
    if (known == null) {
      known = finding.get();
      if (answers.size() < MOST_KEPT) {
        answers.put(question, known);
      }
    }
    return known;
  }
}
