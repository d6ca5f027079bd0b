package atalaya.core.solve;

import atalaya.core.term.Constraint;
import atalaya.core.term.Term;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Pattern;

/** What stands in conditions: constants, and what is done with them. */
final class Constants {
  private static final Set<Term.Operator> SHIFTS =
      Set.of(
          Term.Operator.SHIFT_LEFT, Term.Operator.SHIFT_RIGHT, Term.Operator.SHIFT_RIGHT_UNSIGNED);

  private final List<Object> values = new ArrayList<>();
  private final Set<String> details = new LinkedHashSet<>();
  private boolean shifts;

  private Constants() {}

  static Constants of(Collection<Constraint> constraints) {
    Constants constants = new Constants();
    for (Constraint constraint : constraints) {
      constraint.terms().forEach(term -> term.visit(constants::note));
    }
    return constants;
  }

  private void note(Term part) {
    if (part instanceof Term.Constant constant && constant.value() != null) {
      values.add(constant.value());
    } else if (part instanceof Term.Operation operation) {
      details.add(operation.detail());
      shifts |= SHIFTS.contains(operation.operator());
    }
  }

  /** Each constant, as often as it stands there. */
  void each(Consumer<Object> consumer) {
    values.forEach(consumer);
  }

  /** Whether a method is called, or a type asked for, whose name contains this. */
  boolean asksFor(String detail) {
    return details.stream().anyMatch(known -> known.contains(detail));
  }

  /** Whether it is asked if something is a text. */
  boolean asksIfText() {
    return details.contains("java/lang/String");
  }

  /** Whether a method is called, or a type asked for, whose name matches. */
  boolean asksFor(Pattern detail) {
    return details.stream().anyMatch(known -> detail.matcher(known).matches());
  }

  /** Whether bits are moved. */
  boolean shifts() {
    return shifts;
  }
}
