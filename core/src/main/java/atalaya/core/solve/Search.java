package atalaya.core.solve;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Term;
import atalaya.core.term.TriedValues;
import atalaya.core.term.Values;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.DoublePredicate;
import java.util.function.Function;

/** Tries values for the inputs of some conditions. */
final class Search {
  /** So many values of an input are tried with each of the others, at most. */
  private static final int MOST_VALUES = 40;

  private static final double FAR = 2_000_000;

  /** Fractions that differ by less are taken for one. */
  private static final double CLOSE = 1e-6;

  /** What conditions come to for the values that are tried. */
  private enum Outcome {
    HOLDS,
    UNKNOWN,
    BROKEN
  }

  private final List<Constraint> constraints;
  private final Candidates candidates;
  private final Function<Constraint, Set<Term.Input>> inputsOf;
  private final int most;
  private final List<Term.Input> inputs = new ArrayList<>();
  private final Map<Term.Input, List<Object>> domains = new HashMap<>();
  private final List<List<Constraint>> decidedAt = new ArrayList<>();
  private final TriedValues now = new TriedValues();
  private int computed;
  private boolean unknown;
  private int deepestAt = -1;
  private Constraint deepest;

  /**
   * Tries none yet.
   *
   * @param inputsOf what a condition speaks of
   * @param most so many conditions are computed, at most
   */
  Search(
      List<Constraint> constraints,
      Candidates candidates,
      Function<Constraint, Set<Term.Input>> inputsOf,
      int most) {
    this.constraints = constraints;
    this.candidates = candidates;
    this.inputsOf = inputsOf;
    this.most = most;
  }

  /** What an input can be for the conditions that speak of it alone. */
  private void limit() {
    Map<Term.Input, List<Constraint>> alone = new LinkedHashMap<>();
    Map<Term.Input, List<Constraint>> speaking = new HashMap<>();
    for (Constraint constraint : constraints) {
      Set<Term.Input> of = inputsOf.apply(constraint);
      for (Term.Input input : of) {
        alone.computeIfAbsent(input, i -> new ArrayList<>());
        speaking.computeIfAbsent(input, i -> new ArrayList<>()).add(constraint);
        if (of.size() == 1) {
          alone.get(input).add(constraint);
        }
      }
    }
    alone.forEach(
        (input, here) -> {
          Set<Object> tried = new LinkedHashSet<>(solved(input, here));
          tried.addAll(candidates.of(input, speaking.get(input)));
          List<Object> certain = new ArrayList<>();
          List<Object> uncertain = new ArrayList<>();
          for (Object value : tried) {
            now.set(input, value);
            Outcome outcome = Candidates.mayBe(input, value) ? outcome(here, 0) : Outcome.BROKEN;
            if (outcome != Outcome.BROKEN) {
              (outcome == Outcome.HOLDS ? certain : uncertain).add(value);
            }
          }
          now.unset(input);
          certain.addAll(uncertain);
          domains.put(input, certain.subList(0, Math.min(MOST_VALUES, certain.size())));
          inputs.add(input);
        });
    inputs.sort(Comparator.comparingInt(input -> domains.get(input).size()));
    Set<Term.Input> known = new HashSet<>();
    Set<Constraint> told = new HashSet<>();
    for (Term.Input input : inputs) {
      known.add(input);
      List<Constraint> here = new ArrayList<>();
      for (Constraint constraint : speaking.get(input)) {
        Set<Term.Input> of = inputsOf.apply(constraint);
        if (of.size() > 1 && known.containsAll(of) && told.add(constraint)) {
          here.add(constraint);
        }
      }
      decidedAt.add(here);
    }
  }

  /** Values under which nothing is broken; none when there are none or it takes too long. */
  Map<Term.Input, Object> run() {
    limit();
    computed = 0;
    boolean isEmpty = domains.values().stream().anyMatch(List::isEmpty);
    if (isEmpty || !choose(0)) {
      return Map.of();
    }
    Map<Term.Input, Object> found = values();
    return found.values().stream().anyMatch(Search::isLargest) ? smaller().orElse(found) : found;
  }

  private Map<Term.Input, Object> values() {
    Map<Term.Input, Object> values = new LinkedHashMap<>();
    inputs.forEach(input -> values.put(input, now.get(input)));
    return values;
  }

  /** Without the largest numbers: with them sums that have to be small are, which nobody means. */
  private Optional<Map<Term.Input, Object>> smaller() {
    List<Constraint> certain = constraints.stream().filter(this::holds).toList();
    computed = 0;
    domains.replaceAll((input, all) -> all.stream().filter(value -> !isLargest(value)).toList());
    return choose(0) && certain.stream().allMatch(this::holds)
        ? Optional.of(values())
        : Optional.empty();
  }

  private boolean holds(Constraint constraint) {
    return Boolean.TRUE.equals(now.holds(constraint));
  }

  private static boolean isLargest(Object value) {
    return value instanceof Number number
        && (number.equals(Integer.MAX_VALUE) || number.equals(Long.MAX_VALUE));
  }

  /** Whether it was shown that there are none. */
  boolean isExhausted() {
    return !unknown
        && computed < most
        && inputs.stream().allMatch(candidates::isAll)
        && deepest != null;
  }

  /** The condition that was broken last when all else held. */
  Optional<Constraint> deepest() {
    return Optional.ofNullable(deepest);
  }

  private boolean choose(int at) {
    if (at == inputs.size()) {
      return true;
    }
    Term.Input input = inputs.get(at);
    List<Constraint> here = decidedAt.get(at);
    Set<Object> tried = new LinkedHashSet<>(domains.get(input));
    tried.addAll(solved(input, here));
    for (Object value : tried) {
      now.set(input, value);
      if (outcome(here, at) != Outcome.BROKEN && isAllowed(input, value) && choose(at + 1)) {
        return true;
      }
      if (computed >= most) {
        break;
      }
    }
    now.unset(input);
    return false;
  }

  /** Values that were found at the last moment were not tried against all that speaks of them. */
  private boolean isAllowed(Term.Input input, Object value) {
    return domains.get(input).contains(value)
        || Candidates.mayBe(input, value)
            && constraints.stream()
                .filter(c -> inputsOf.apply(c).equals(Set.of(input)))
                .noneMatch(c -> Boolean.FALSE.equals(now.holds(c)));
  }

  private Outcome outcome(List<Constraint> here, int at) {
    Outcome outcome = Outcome.HOLDS;
    for (Constraint constraint : here) {
      computed++;
      Boolean holds = now.holds(constraint);
      if (Boolean.FALSE.equals(holds)) {
        if (at > deepestAt) {
          deepestAt = at;
          deepest = constraint;
        }
        return Outcome.BROKEN;
      }
      if (holds == null) {
        unknown = true;
        outcome = Outcome.UNKNOWN;
      }
    }
    return outcome;
  }

  /** Where a difference of numbers goes through zero as the input grows, the values about it. */
  private List<Object> solved(Term.Input input, List<Constraint> here) {
    boolean isNumber = "IJDF".contains(input.type());
    if (!isNumber) {
      return same(input, here);
    }
    List<Object> values = new ArrayList<>();
    TreeSet<Double> all = new TreeSet<>();
    for (Constraint constraint : here) {
      if (constraint instanceof Compared compared) {
        List<Double> turns = new ArrayList<>(turns(compared, input, 0, FAR));
        turns.addAll(turns(compared, input, -FAR, 0));
        for (double turn : turns) {
          for (double beside : new double[] {0, 1, -1}) {
            add(values, input.type(), Math.rint(turn) + beside);
          }
        }
        all.addAll(turns);
      }
    }
    if (isFraction(input)) {
      for (double turn : all) {
        Double next = all.higher(turn);
        add(values, input.type(), turn);
        add(values, input.type(), next == null ? turn + CLOSE : (turn + next) / 2);
      }
    }
    return values;
  }

  private static boolean isFraction(Term.Input input) {
    return "FD".contains(input.type());
  }

  /** What an input is compared with, where that is known, and what is beside it. */
  private List<Object> same(Term.Input input, List<Constraint> here) {
    Set<Object> values = new LinkedHashSet<>();
    for (Constraint constraint : here) {
      List<Term> compared = constraint instanceof Compared both ? both.terms() : List.of();
      beside(input, compared, values);
      for (Term term : constraint.terms()) {
        term.visit(
            part -> {
              if (part instanceof Term.Operation call
                  && call.operator() == Term.Operator.CALL
                  && call.operands().size() == 2) {
                beside(input, call.operands(), values);
              }
            });
      }
    }
    return List.copyOf(values);
  }

  private void beside(Term.Input input, List<Term> compared, Set<Object> values) {
    if (compared.contains(input)) {
      for (Term other : compared) {
        Object value = other.equals(input) ? Values.UNDECIDED : now.of(other);
        boolean isKnown =
            value != null && value != Values.UNDECIDED && !(value instanceof Values.Thrown);
        if (isKnown) {
          values.addAll(candidates.beside(value, input.type()));
        }
      }
    }
  }

  /** Between two numbers, the first at which a difference is no longer, and is wholly, turned. */
  private List<Double> turns(Compared compared, Term.Input input, double from, double to) {
    double atLow = Math.signum(difference(compared, input, from));
    double atHigh = Math.signum(difference(compared, input, to));
    if (Double.isNaN(atLow) || Double.isNaN(atHigh) || atLow == atHigh) {
      return List.of();
    }
    return List.of(
        first(compared, input, from, to, sign -> sign != atLow),
        first(compared, input, from, to, sign -> sign == atHigh));
  }

  private double first(
      Compared compared, Term.Input input, double from, double to, DoublePredicate turned) {
    double low = from;
    double high = to;
    double step = isFraction(input) ? CLOSE : 1;
    while (high - low > step) {
      double middle = (low + high) / 2;
      middle = step < 1 ? middle : Math.floor(middle);
      if (turned.test(Math.signum(difference(compared, input, middle)))) {
        high = middle;
      } else {
        low = middle;
      }
    }
    return high;
  }

  private void add(List<Object> values, String type, double value) {
    switch (type) {
      case "I" -> {
        if (value == (int) value) {
          values.add((int) value);
        }
      }
      case "J" -> {
        if (value == Math.rint(value)) {
          values.add((long) value);
        }
      }
      case "F" -> values.add((float) value);
      default -> values.add(value);
    }
  }

  private double difference(Compared compared, Term.Input input, double value) {
    now.set(input, typed(input.type(), value));
    Object left = now.of(compared.left());
    Object right = now.of(compared.right());
    now.unset(input);
    computed += 2;
    return left instanceof Number a && right instanceof Number b
        ? a.doubleValue() - b.doubleValue()
        : Double.NaN;
  }

  private static Object typed(String type, double value) {
    return switch (type) {
      case "J" -> (Object) (long) value;
      case "D" -> (Object) value;
      case "F" -> (Object) (float) value;
      default -> (Object) (int) value;
    };
  }
}
