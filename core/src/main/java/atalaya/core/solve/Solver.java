package atalaya.core.solve;

import atalaya.core.term.Constraint;
import atalaya.core.term.EnumValue;
import atalaya.core.term.Term;
import atalaya.core.term.Values;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * Finds inputs for which conditions hold. What code asks is mostly whether something is null, true,
 * a certain text or constant, or on one side of a number: so ranges show what can't be, and values
 * that stand in the conditions, and those beside them, are tried, each condition computed as Java
 * does. Conditions without common inputs are solved apart.
 */
public final class Solver {
  /** So many conditions are known by what they speak of. */
  private static final int MOST_KEPT = 10_000;

  /** So many results of methods are taken case by case at once. */
  private static final int DEEPEST = 3;

  private static final int MOST_CASES = 20;

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
    Set<Term.Input> needed = new HashSet<>();
    Values values = new Values(inputs);
    all.forEach(one -> one.terms().forEach(term -> values.needed(term, needed)));
    inputs.keySet().retainAll(needed);
    return new Solution.Found(inputs, open, doubts);
  }

  private Answers.Answer answer(List<Constraint> group) {
    Inverses inverses = Inverses.of(group);
    Search search = search(inverses.isNone() ? group : inverses.constraints(), mostComputed);
    Map<Term.Input, Object> found = inverses.composed(search.run());
    if (found.isEmpty() && !inverses.isNone()) {
      search = search(group, mostComputed);
      found = search.run();
    }
    boolean isDone = found.isEmpty() ? search.isExhausted() : holdsFor(found, group);
    if (!isDone) {
      Map<Term.Input, Object> better = byCases(group);
      found = better.isEmpty() ? found : better;
    }
    if (!found.isEmpty()) {
      return new Answers.Answer(found, Optional.empty(), false);
    }
    Optional<Answers.Pair> because =
        search.deepest().map(last -> Answers.Pair.of(group, other(group, last), last));
    return new Answers.Answer(found, because, search.isExhausted());
  }

  private Map<Term.Input, Object> byCases(List<Constraint> group) {
    return Cases.of(group, DEEPEST)
        .limit(MOST_CASES)
        .map(this::valuesOfAll)
        .filter(found -> !found.isEmpty())
        .findFirst()
        .orElse(Map.of());
  }

  /** Values for all of some conditions, or none. */
  private Map<Term.Input, Object> valuesOfAll(List<Constraint> constraints) {
    Map<Term.Input, Object> found = search(constraints, mostComputed).run();
    return holdsFor(found, constraints) ? found : Map.of();
  }

  private static boolean holdsFor(Map<Term.Input, Object> inputs, List<Constraint> constraints) {
    Values values = new Values(inputs);
    return constraints.stream().allMatch(c -> Boolean.TRUE.equals(values.holds(c)));
  }

  /** What is not known to hold; of what nothing is known it is taken for granted that it ends. */
  private static boolean isOpen(Constraint constraint, Map<Term.Input, Object> inputs) {
    Boolean holds = new Values(inputs).holds(constraint);
    return holds == null ? !(constraint instanceof Constraint.Completes) : !holds;
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

  private Search search(List<Constraint> constraints, int most) {
    return new Search(constraints, candidates, this::inputs, most);
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
        Search both = search(List.of(one, last), mostComputed / 15);
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
    Set<List<Constraint>> groups = Collections.newSetFromMap(new IdentityHashMap<>());
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
}
