package atalaya.core.solve;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Term;
import atalaya.core.term.Values;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Takes what a method gives case by case: then the conditions of a case can be solved one after the
 * other, instead of values for all that it asks at once.
 */
final class Cases {
  private Cases() {}

  /**
   * The same conditions with comparisons of a {@link Term.Choice} put as what one of its cases
   * asks; those that can't be, as far as the code alone tells, are left out. Empty where there is
   * nothing to be taken apart.
   *
   * @param most so many choices are taken apart at once
   */
  static Stream<List<Constraint>> of(List<Constraint> group, int most) {
    return apart(group, most).filter(taken -> taken != group);
  }

  private static Stream<List<Constraint>> apart(List<Constraint> group, int most) {
    List<List<Constraint>> taken = most > 0 ? once(group) : List.of();
    return taken.isEmpty() ? Stream.of(group) : taken.stream().flatMap(one -> apart(one, most - 1));
  }

  private static List<List<Constraint>> once(List<Constraint> group) {
    for (int i = 0; i < group.size(); i++) {
      if (group.get(i) instanceof Compared compared) {
        Optional<Term.Choice> choice =
            Stream.of(compared.left(), compared.right())
                .filter(Term.Choice.class::isInstance)
                .map(Term.Choice.class::cast)
                .findFirst();
        if (choice.isPresent()) {
          return of(group, i, compared, choice.get());
        }
      }
    }
    return List.of();
  }

  private static List<List<Constraint>> of(
      List<Constraint> group, int at, Compared compared, Term.Choice choice) {
    List<List<Constraint>> all = new ArrayList<>();
    for (Term.Case one : choice.cases()) {
      if (one.result() != null) {
        List<Constraint> with = new ArrayList<>(group);
        Term left = compared.left() == choice ? one.result() : compared.left();
        Term right = compared.right() == choice ? one.result() : compared.right();
        with.set(at, new Compared(left, compared.relation(), right, compared.reason()));
        with.addAll(at, one.conditions());
        if (canBe(with)) {
          all.add(with);
        }
      }
    }
    return all;
  }

  private static boolean canBe(List<Constraint> conditions) {
    Values nothing = new Values(Map.of());
    return conditions.stream().noneMatch(c -> Boolean.FALSE.equals(nothing.holds(c)))
        && Ranges.contradiction(conditions).isEmpty();
  }
}
