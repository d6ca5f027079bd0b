package atalaya.core.solve;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.core.term.Values;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Shows that conditions exclude each other: each condition that compares something with a known
 * value leaves a range for it, and ranges of the same thing have to meet.
 */
final class Ranges {
  private static final Set<String> TRUTHS =
      Set.of(
          "java/lang/String.equals(Ljava/lang/Object;)Z",
          "java/lang/Object.equals(Ljava/lang/Object;)Z");

  /** From here on not every whole number is a double of its own (IEEE 754). */
  private static final double EXACT = 0x1p53;

  /** The values that are left for one thing. */
  private static final class Range {
    double from = Double.NEGATIVE_INFINITY;
    double to = Double.POSITIVE_INFINITY;
    Constraint fromBy;
    Constraint toBy;
    final Map<Double, Constraint> not = new HashMap<>();
  }

  private final Values nothing = new Values(Map.of());
  private final Map<Term, Range> ranges = new HashMap<>();
  private final Map<Term, Compared> isNull = new HashMap<>();
  private final Map<Term, Compared> notNull = new HashMap<>();
  private final Map<Term, Same> same = new HashMap<>();

  /** What something equals, and which condition says so. */
  private record Same(Object value, Constraint by) {}

  private Ranges() {}

  static Optional<Solution.Contradiction> contradiction(List<Constraint> constraints) {
    Ranges ranges = new Ranges();
    List<Constraint> before = new ArrayList<>();
    for (Constraint constraint : constraints) {
      Boolean holds = ranges.nothing.holds(constraint);
      if (Boolean.FALSE.equals(holds)) {
        return Optional.of(new Solution.Contradiction(constraint, constraint));
      }
      if (holds == null && constraint instanceof Compared compared) {
        Optional<Constraint> other = ranges.add(compared);
        if (other.isPresent()) {
          return Optional.of(new Solution.Contradiction(other.get(), constraint));
        }
      }
      before.add(constraint);
    }
    return Optional.empty();
  }

  /** Adds a condition; one that it can't hold together with is returned. */
  private Optional<Constraint> add(Compared compared) {
    Term left = compared.left();
    Term right = compared.right();
    Relation relation = compared.relation();
    if (isKnown(left) && !isKnown(right)) {
      return add(new Compared(right, mirrored(relation), left, compared.reason()));
    }
    if (!isKnown(right)) {
      return ordered(compared);
    }
    Object value = nothing.of(right);
    if (value == null) {
      return nullness(compared);
    }
    if (value instanceof Number number) {
      return number(left, relation, number.doubleValue(), compared);
    }
    return equality(left, relation, value, compared);
  }

  private boolean isKnown(Term term) {
    Object value = nothing.of(term);
    return value != Values.UNDECIDED && !(value instanceof Values.Thrown);
  }

  private static Relation mirrored(Relation relation) {
    return switch (relation) {
      case LESS -> Relation.GREATER;
      case GREATER -> Relation.LESS;
      case AT_LEAST -> Relation.AT_MOST;
      case AT_MOST -> Relation.AT_LEAST;
      default -> relation;
    };
  }

  /** Two unknown things stand in one relation to each other only. */
  private Optional<Constraint> ordered(Compared compared) {
    boolean isNumber = compared.left().type().length() == 1;
    if (!isNumber) {
      return Optional.empty();
    }
    Term difference =
        Term.operation(
            Term.Operator.SUBTRACT, "", "order", List.of(compared.left(), compared.right()));
    Term mirror =
        Term.operation(
            Term.Operator.SUBTRACT, "", "order", List.of(compared.right(), compared.left()));
    return ranges.containsKey(mirror)
        ? number(mirror, mirrored(compared.relation()), 0, compared)
        : number(difference, compared.relation(), 0, compared);
  }

  private Optional<Constraint> nullness(Compared compared) {
    boolean equal = compared.relation() == Relation.EQUAL;
    (equal ? isNull : notNull).putIfAbsent(compared.left(), compared);
    return Optional.ofNullable((equal ? notNull : isNull).get(compared.left()));
  }

  private Optional<Constraint> equality(
      Term thing, Relation relation, Object value, Constraint by) {
    Same known = same.get(thing);
    if (relation != Relation.EQUAL) {
      return known != null && known.value().equals(value)
          ? Optional.of(known.by())
          : Optional.empty();
    }
    same.putIfAbsent(thing, new Same(value, by));
    return known != null && !known.value().equals(value)
        ? Optional.of(known.by())
        : Optional.ofNullable(isNull.get(thing));
  }

  private Optional<Constraint> number(Term thing, Relation relation, double value, Compared by) {
    if (thing instanceof Term.Operation operation) {
      if (operation.operator() == Term.Operator.CALL && TRUTHS.contains(operation.detail())) {
        Optional<Constraint> other = text(operation, relation, value, by);
        if (other.isPresent()) {
          return other;
        }
      }
      boolean isOffset =
          operation.operator() == Term.Operator.ADD
              && operation.type().equals("I")
              && operation.operands().get(1) instanceof Term.Constant;
      if (isOffset) {
        // Where the sum overflows this says too little, never too much, as both ends are kept.
        return Optional.empty();
      }
    }
    Range range = ranges.computeIfAbsent(thing, t -> first(t));
    boolean isWhole = "IJZBCS".contains(thing.type());
    double step = isWhole ? 1 : 0;
    switch (relation) {
      case EQUAL -> {
        from(range, value, by);
        to(range, value, by);
      }
      case NOT_EQUAL -> range.not.putIfAbsent(value, by);
      case LESS -> to(range, isWhole ? value - step : Math.nextDown(value), by);
      case AT_MOST -> to(range, value, by);
      case GREATER -> from(range, isWhole ? value + step : Math.nextUp(value), by);
      case AT_LEAST -> from(range, value, by);
    }
    return empty(range, isWhole, by);
  }

  private static Range first(Term thing) {
    Range range = new Range();
    if (isTruth(thing)) {
      range.from = 0;
      range.to = 1;
    }
    return range;
  }

  private static boolean isTruth(Term thing) {
    return thing.type().equals("Z")
        || thing instanceof Term.Operation operation
            && (operation.operator() == Term.Operator.INSTANCE_OF
                || operation.operator() == Term.Operator.CALL && operation.detail().endsWith(")Z"));
  }

  private static void from(Range range, double value, Constraint by) {
    if (value > range.from) {
      range.from = value;
      range.fromBy = by;
    }
  }

  private static void to(Range range, double value, Constraint by) {
    if (value < range.to) {
      range.to = value;
      range.toBy = by;
    }
  }

  private static Optional<Constraint> empty(Range range, boolean isWhole, Constraint by) {
    if (range.from > range.to) {
      Constraint other = range.fromBy == by ? range.toBy : range.fromBy;
      return Optional.of(other == null ? by : other);
    }
    boolean isExact = range.from > -EXACT && range.to < EXACT;
    boolean isFew = isWhole && range.to - range.from < 64 || range.from == range.to;
    if (!isFew || !isExact) {
      return Optional.empty();
    }
    Set<Constraint> excluding = new HashSet<>();
    for (double value = range.from; value <= range.to; value++) {
      Constraint not = range.not.get(value);
      if (not == null) {
        return Optional.empty();
      }
      excluding.add(not);
    }
    excluding.remove(by);
    Constraint bound = range.fromBy != null && range.fromBy != by ? range.fromBy : range.toBy;
    return Optional.of(
        bound != null && bound != by ? bound : excluding.stream().findFirst().orElse(by));
  }

  /** A text equals one other text only. */
  private Optional<Constraint> text(
      Term.Operation equals, Relation relation, double value, Compared by) {
    Term thing = equals.operands().get(0);
    Term with = equals.operands().get(1);
    boolean isTrue =
        relation == Relation.NOT_EQUAL && value == 0 || relation == Relation.EQUAL && value == 1;
    boolean swapped = isKnown(thing);
    Term unknown = swapped ? with : thing;
    Term known = swapped ? thing : with;
    return isTrue && isKnown(known) && !isKnown(unknown) && nothing.of(known) instanceof String text
        ? equality(unknown, Relation.EQUAL, text, by)
        : Optional.empty();
  }
}
