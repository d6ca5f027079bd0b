package atalaya.core.term;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;

/** What has to hold for a way to be taken. */
public sealed interface Constraint {
  /** Why it has to. */
  Reason reason();

  /** What it speaks of. */
  List<Term> terms();

  /** Two values stand in a relation. References are equal or not. */
  record Compared(Term left, Relation relation, Term right, Reason reason) implements Constraint {
    @Override
    public List<Term> terms() {
      return List.of(left, right);
    }

    /** What holds when this does not. */
    public Compared negated() {
      return new Compared(left, relation.negated(), right, reason);
    }
  }

  /**
   * A call throws.
   *
   * @param type the internal name of the exception
   */
  record Throws(Term call, String type, Reason reason) implements Constraint {
    @Override
    public List<Term> terms() {
      return List.of(call);
    }
  }

  /** Something can be computed without an exception. */
  record Completes(Term value, Reason reason) implements Constraint {
    @Override
    public List<Term> terms() {
      return List.of(value);
    }
  }

  /**
   * Why something has to hold.
   *
   * @param line of the source, counted from 1; 0 when it is unknown
   * @param condition its text; empty when nobody wrote it, as that something is not null
   * @param outcome how it has to come out
   */
  record Reason(int line, String condition, String outcome) {
    /** Where the code itself needs it. */
    public static Reason unwritten(int line) {
      return new Reason(line, "", "");
    }

    /** Whether a person wrote a condition there. */
    public boolean isWritten() {
      return !condition.isEmpty();
    }
  }

  /** How values compare. */
  enum Relation {
    EQUAL,
    NOT_EQUAL,
    LESS,
    AT_LEAST,
    GREATER,
    AT_MOST;

    /** What holds when this does not. */
    public Relation negated() {
      return switch (this) {
        case EQUAL -> NOT_EQUAL;
        case NOT_EQUAL -> EQUAL;
        case LESS -> AT_LEAST;
        case AT_LEAST -> LESS;
        case GREATER -> AT_MOST;
        case AT_MOST -> GREATER;
      };
    }

    /** Whether it holds for what comparing two values gave. */
    public boolean holds(int compared) {
      return switch (this) {
        case EQUAL -> compared == 0;
        case NOT_EQUAL -> compared != 0;
        case LESS -> compared < 0;
        case AT_LEAST -> compared >= 0;
        case GREATER -> compared > 0;
        case AT_MOST -> compared <= 0;
      };
    }
  }

  /** How many terms it consists of. */
  default int size() {
    int size = 0;
    for (Term term : terms()) {
      size += term.size();
    }
    return size;
  }

  /** Whether it depends on an input of some kind. */
  default boolean hasInput(Predicate<Term.Input> ofKind) {
    return terms().stream().anyMatch(term -> term.hasInput(ofKind));
  }

  /** The inputs it depends on. */
  default Set<Term.Input> inputs() {
    Set<Term.Input> inputs = new LinkedHashSet<>();
    for (Term term : terms()) {
      term.inputs(inputs);
    }
    return inputs;
  }
}
