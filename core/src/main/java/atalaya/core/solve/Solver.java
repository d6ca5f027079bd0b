package atalaya.core.solve;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.EnumValue;
import atalaya.core.term.Term;
import atalaya.core.term.Values;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.DoublePredicate;
import java.util.function.Function;

/**
 * Finds inputs for which conditions hold. What code asks is mostly whether something is null, true,
 * a certain text or constant, or on one side of a number: so ranges show what can't be, and values
 * that stand in the conditions, and those beside them, are tried, each condition computed as Java
 * does. Conditions without common inputs are solved apart.
 */
public final class Solver {
  /** So many values of an input are tried with each of the others, at most. */
  private static final int MOST_VALUES = 40;

  /** So many conditions are known by what they speak of. */
  private static final int MOST_KEPT = 10_000;

  private static final double FAR = 2_000_000;

  /** Fractions that differ by less are taken for one. */
  private static final double CLOSE = 1e-6;

  private final Answers answers;
  private final Candidates candidates;
  private final int mostComputed;
  private final Map<Constraint, Set<Term.Input>> inputsOf = new IdentityHashMap<>();

  /**
   * With the enums of a project.
   *
   * @param answers what its other solvers found, to be used and added to
   * @param enums the constants of one, by internal name; empty for what is none
   * @param mostComputed so many conditions are computed for a group of inputs that belong together,
   *     at most
   */
  public Solver(Answers answers, Function<String, List<EnumValue>> enums, int mostComputed) {
    this.answers = answers;
    this.mostComputed = mostComputed;
    this.candidates = new Candidates(enums);
  }

  /** Looks for inputs. The same conditions always give the same inputs. */
  public Solution solve(List<Constraint> constraints) {
    if (inputsOf.size() > MOST_KEPT) {
      inputsOf.clear();
    }
    Set<Constraint> distinct = new LinkedHashSet<>(constraints);
    List<Constraint> all = List.copyOf(distinct);
    Optional<Solution.Contradiction> contradiction = Ranges.contradiction(all);
    if (contradiction.isPresent()) {
      return contradiction.get();
    }
    Map<Term.Input, Object> inputs = new LinkedHashMap<>();
    List<Constraint> open = new ArrayList<>();
    List<Solution.Contradiction> doubts = new ArrayList<>();
    for (List<Constraint> group : groups(all)) {
      Answers.Answer answer = answers.of(group, mostComputed, () -> answer(group));
      if (answer.isImpossible()) {
        return answer.because().orElseThrow().in(group);
      }
      if (answer.inputs().isEmpty()) {
        open.addAll(group);
        answer.because().ifPresent(pair -> doubts.add(pair.in(group)));
      }
      inputs.putAll(answer.inputs());
    }
    all.stream().filter(c -> isOpen(c, inputs) && !open.contains(c)).forEach(open::add);
    return new Solution.Found(inputs, open, doubts);
  }

  private Answers.Answer answer(List<Constraint> group) {
    Inverses inverses = Inverses.of(group);
    Search search = new Search(inverses.isNone() ? group : inverses.constraints(), mostComputed);
    Map<Term.Input, Object> found = inverses.composed(search.run());
    if (found.isEmpty() && !inverses.isNone()) {
      search = new Search(group, mostComputed);
      found = search.run();
    }
    if (!found.isEmpty()) {
      return new Answers.Answer(found, Optional.empty(), false);
    }
    Optional<Answers.Pair> because =
        search.deepest().map(last -> Answers.Pair.of(group, other(group, last), last));
    return new Answers.Answer(found, because, search.isExhausted());
  }

  private static boolean isOpen(Constraint constraint, Map<Term.Input, Object> inputs) {
    return !(constraint instanceof Constraint.Completes)
        && new Values(inputs).holds(constraint) == null;
  }

  /** What is found when inputs are known under which none of the conditions is broken. */
  public Solution.Found found(List<Constraint> constraints, Map<Term.Input, Object> inputs) {
    Set<Constraint> distinct = new LinkedHashSet<>(constraints);
    return new Solution.Found(
        inputs, distinct.stream().filter(c -> isOpen(c, inputs)).toList(), List.of());
  }

  /** Those of some conditions that speak of what others do, or of what such ones speak of. */
  public List<Constraint> together(List<Constraint> all, List<Constraint> about) {
    Set<Term.Input> known = new HashSet<>();
    about.forEach(one -> known.addAll(inputs(one)));
    Set<Constraint> together = new LinkedHashSet<>(about);
    boolean grows = true;
    while (grows) {
      grows = false;
      for (Constraint one : all) {
        Set<Term.Input> inputs = inputs(one);
        if (inputs.stream().anyMatch(known::contains) && together.add(one)) {
          known.addAll(inputs);
          grows = true;
        }
      }
    }
    return all.stream().filter(together::contains).toList();
  }

  private Set<Term.Input> inputs(Constraint constraint) {
    return inputsOf.computeIfAbsent(constraint, Constraint::inputs);
  }

  /** One that excludes the last one, if one alone does. */
  private Constraint other(List<Constraint> group, Constraint last) {
    Constraint sharing = last;
    for (Constraint one : group) {
      boolean shares = one != last && inputs(one).stream().anyMatch(inputs(last)::contains);
      if (shares) {
        Search both = new Search(List.of(one, last), mostComputed / 15);
        if (both.run().isEmpty()) {
          return one;
        }
        sharing = one.reason().isWritten() ? one : sharing;
      }
    }
    return sharing;
  }

  /** The conditions that can be decided, those with common inputs together. */
  private List<List<Constraint>> groups(List<Constraint> constraints) {
    Map<Term.Input, List<Constraint>> groupOf = new HashMap<>();
    Set<List<Constraint>> groups = java.util.Collections.newSetFromMap(new IdentityHashMap<>());
    List<List<Constraint>> ordered = new ArrayList<>();
    for (Constraint constraint : constraints) {
      Set<Term.Input> inputs = inputs(constraint);
      if (inputs.isEmpty() || !inputs.stream().allMatch(Term.Input::isFree)) {
        continue;
      }
      List<Constraint> joined = new ArrayList<>();
      for (Term.Input input : inputs) {
        List<Constraint> group = groupOf.get(input);
        if (group != null && group != joined && groups.remove(group)) {
          joined.addAll(group);
        }
      }
      joined.add(constraint);
      groups.add(joined);
      ordered.add(joined);
      joined.forEach(one -> inputs(one).forEach(input -> groupOf.put(input, joined)));
    }
    return ordered.stream().filter(groups::contains).toList();
  }

  /** What conditions come to for the values that are tried. */
  private enum Outcome {
    HOLDS,
    UNKNOWN,
    BROKEN
  }

  /** Tries values for the inputs of some conditions. */
  private final class Search {
    private final List<Constraint> constraints;
    private final int most;
    private final List<Term.Input> inputs = new ArrayList<>();
    private final Map<Term.Input, List<Object>> domains = new HashMap<>();
    private final List<List<Constraint>> decidedAt = new ArrayList<>();
    private final Map<Term.Input, Object> values = new HashMap<>();
    private final Values now = new Values(values);
    private int computed;
    private boolean unknown;
    private int deepestAt = -1;
    private Constraint deepest;

    Search(List<Constraint> constraints, int most) {
      this.constraints = constraints;
      this.most = most;
    }

    /** What an input can be for the conditions that speak of it alone. */
    private void limit() {
      Map<Term.Input, List<Constraint>> alone = new LinkedHashMap<>();
      Map<Term.Input, List<Constraint>> speaking = new HashMap<>();
      for (Constraint constraint : constraints) {
        Set<Term.Input> of = inputs(constraint);
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
              values.put(input, value);
              Outcome outcome = Candidates.mayBe(input, value) ? outcome(here, 0) : Outcome.BROKEN;
              if (outcome != Outcome.BROKEN) {
                (outcome == Outcome.HOLDS ? certain : uncertain).add(value);
              }
            }
            values.remove(input);
            certain.addAll(uncertain);
            domains.put(input, certain.subList(0, Math.min(MOST_VALUES, certain.size())));
            inputs.add(input);
          });
      inputs.sort(java.util.Comparator.comparingInt(input -> domains.get(input).size()));
      Set<Term.Input> known = new HashSet<>();
      Set<Constraint> told = new HashSet<>();
      for (Term.Input input : inputs) {
        known.add(input);
        List<Constraint> here = new ArrayList<>();
        for (Constraint constraint : speaking.get(input)) {
          Set<Term.Input> of = inputs(constraint);
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
      Map<Term.Input, Object> found = new LinkedHashMap<>();
      inputs.forEach(input -> found.put(input, values.get(input)));
      return found;
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
        values.put(input, value);
        if (outcome(here, at) != Outcome.BROKEN && isAllowed(input, value) && choose(at + 1)) {
          return true;
        }
        if (computed >= most) {
          break;
        }
      }
      values.remove(input);
      return false;
    }

    /** Values that were found at the last moment were not tried against all that speaks of them. */
    private boolean isAllowed(Term.Input input, Object value) {
      return domains.get(input).contains(value)
          || Candidates.mayBe(input, value)
              && constraints.stream()
                  .filter(c -> inputs(c).equals(Set.of(input)))
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
      values.put(input, typed(input.type(), value));
      Object left = now.of(compared.left());
      Object right = now.of(compared.right());
      values.remove(input);
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
}
