package atalaya.core.term;

import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.Map;

/**
 * Values that are tried one after the other, by one thread. What calls and choices come to is kept
 * until a value changes: conditions of one way have most of them in common.
 */
public final class TriedValues extends Values {
  private final Map<Term.Input, Object> inputs;
  private final Map<Term, Object> known = new IdentityHashMap<>();

  /** None yet. */
  public TriedValues() {
    this(new HashMap<>());
  }

  private TriedValues(Map<Term.Input, Object> inputs) {
    super(inputs);
    this.inputs = inputs;
  }

  /** Tries a value, which may be null. */
  public void set(Term.Input input, Object value) {
    inputs.put(input, value);
    known.clear();
  }

  /** Leaves an input open again. */
  public void unset(Term.Input input) {
    inputs.remove(input);
    known.clear();
  }

  /** The value of an input now; null where it is open, too. */
  public Object get(Term.Input input) {
    return inputs.get(input);
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
