package atalaya.core.term;

import java.util.Map;

/** Values of inputs, where the state of objects is as they are made if nothing else is said. */
public final class UsualValues extends KeptValues {
  private final Map<Term.Input, Object> inputs;

  /**
   * For some inputs.
   *
   * @param inputs the value of each input that is decided
   */
  public UsualValues(Map<Term.Input, Object> inputs) {
    super(inputs);
    this.inputs = inputs;
  }

  @Override
  public Object of(Term term) {
    boolean isLeft =
        term instanceof Term.Input state
            && state.source() == Term.Source.STATE
            && !inputs.containsKey(state);
    if (!isLeft) {
      return super.of(term);
    }
    Object usual = ((Term.Input) term).usual();
    return usual == Term.SOMETHING || usual == Term.THERE ? UNDECIDED : usual;
  }
}
