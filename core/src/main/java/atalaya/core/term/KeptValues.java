package atalaya.core.term;

import java.util.Collection;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Values of inputs that stay the same, for one thread. What calls and choices come to is kept:
 * conditions of one way have most of them in common, and one choice rests on others.
 */
public class KeptValues extends Values {
  private final Map<Term, Object> known = new IdentityHashMap<>();

  /**
   * For some inputs.
   *
   * @param inputs the value of each input that is decided
   */
  public KeptValues(Map<Term.Input, Object> inputs) {
    super(inputs);
  }

  /** From now on something else is known of the inputs. */
  final void forget() {
    known.clear();
  }

  /** The inputs that matter for what conditions come to: of a choice those of the case taken. */
  public Set<Term.Input> needed(Collection<Constraint> conditions) {
    Set<Term.Input> needed = new HashSet<>();
    needed(conditions, needed, Collections.newSetFromMap(new IdentityHashMap<>()));
    return needed;
  }

  private void needed(Collection<Constraint> conditions, Set<Term.Input> into, Set<Term> lookedAt) {
    for (Constraint condition : conditions) {
      condition.terms().forEach(term -> needed(term, into, lookedAt));
    }
  }

  private void needed(Term term, Set<Term.Input> into, Set<Term> lookedAt) {
    if (term instanceof Term.Input input) {
      into.add(input);
    } else if (term instanceof Term.Operation operation && lookedAt.add(term)) {
      operation.operands().forEach(operand -> needed(operand, into, lookedAt));
    } else if (term instanceof Term.Choice choice && lookedAt.add(term)) {
      Optional<Term.Case> taken = choice.cases().stream().filter(this::isTaken).findFirst();
      for (Term.Case one : taken.map(List::of).orElse(choice.cases())) {
        needed(one.conditions(), into, lookedAt);
        if (one.result() != null) {
          needed(one.result(), into, lookedAt);
        }
      }
    }
  }

  @Override
  public Object of(Term term) {
    boolean isDear =
        term instanceof Term.Choice
            || term instanceof Term.Operation operation
                && operation.operator() == Term.Operator.CALL;
    if (!isDear) {
      return super.of(term);
    }
    Object value = known.get(term);
    if (value == null && !known.containsKey(term)) {
      value = super.of(term);
      known.put(term, value);
    }
    return value;
  }
}
