package atalaya.core.term;

import java.util.HashMap;
import java.util.Map;

/** Values that are tried one after the other, by one thread. */
public final class TriedValues extends KeptValues {
  private final Map<Term.Input, Object> inputs;

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
    forget();
  }

  /** Leaves an input open again. */
  public void unset(Term.Input input) {
    inputs.remove(input);
    forget();
  }

  /** The value of an input now; null where it is open, too. */
  public Object get(Term.Input input) {
    return inputs.get(input);
  }
}
