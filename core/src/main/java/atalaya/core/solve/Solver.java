package atalaya.core.solve;

import atalaya.core.term.Constraint;
import atalaya.core.term.EnumValue;
import atalaya.core.term.KeptValues;
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
import java.util.OptionalInt;
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
  private final Map<Constraint, Constraint> keptOf = new IdentityHashMap<>();

  /**
   * With the enums of a project.
   *
   * @param answers what its other solvers found, to be used and added to
   * @param enums the constants of one, by internal name; empty for what is none
   * @param texts that an input is better than others, where it may be any; the same ones always
   * @param mostComputed so many conditions are computed for a group of inputs that belong together,
   *     at most
   */
  public Solver(
      Answers answers,
      Function<String, List<EnumValue>> enums,
      Function<Term.Input, List<String>> texts,
      int mostComputed) {
    this.answers = answers;
    this.mostComputed = mostComputed;
    this.candidates = new Candidates(enums, texts);
  }

  /** Looks for inputs. The same conditions always give the same inputs. */
  public Solution solve(List<Constraint> constraints) {
    List<Constraint> all = distinct(constraints);
    Optional<Solution.Contradiction> contradiction = Ranges.contradiction(all);
    if (contradiction.isPresent()) {
      return contradiction.get();
    }
    Map<Term.Input, Object> inputs = new LinkedHashMap<>();
    List<Constraint> open = new ArrayList<>();
    List<Solution.Contradiction> doubts = new ArrayList<>();
    for (List<Constraint> group : groups(all)) {
      Answers.Answer answer = known(group);
      if (answer.isImpossible()) {
        return because(group, answer.broken().getAsInt());
      }
      if (answer.inputs().isEmpty()) {
        open.addAll(group);
        answer.broken().ifPresent(last -> doubts.add(because(group, last)));
      }
      inputs.putAll(answer.inputs());
    }
    return found(all, inputs, open, doubts);
  }

  /**
   * Looks for inputs; empty where none were found for some conditions. Faster than to tell which
   * exclude each other.
   */
  public Optional<Solution.Found> find(List<Constraint> constraints) {
    List<Constraint> all = distinct(constraints);
    if (Ranges.contradiction(all).isPresent()) {
      return Optional.empty();
    }
    Map<Term.Input, Object> inputs = new LinkedHashMap<>();
    List<Constraint> open = new ArrayList<>();
    for (List<Constraint> group : groups(all)) {
      Answers.Answer answer = known(group);
      if (answer.broken().isPresent()) {
        return Optional.empty();
      }
      open.addAll(answer.inputs().isEmpty() ? group : List.of());
      inputs.putAll(answer.inputs());
    }
    return Optional.of(found(all, inputs, open, List.of()));
  }

  private List<Constraint> distinct(List<Constraint> constraints) {
    if (inputsOf.size() > MOST_KEPT) {
      inputsOf.clear();
      keptOf.clear();
    }
    return List.copyOf(new LinkedHashSet<>(constraints));
  }

  private static Solution.Found found(
      List<Constraint> all,
      Map<Term.Input, Object> inputs,
      List<Constraint> open,
      List<Solution.Contradiction> doubts) {
    KeptValues values = new KeptValues(inputs);
    all.stream().filter(c -> isOpen(c, values) && !open.contains(c)).forEach(open::add);
    inputs.keySet().retainAll(values.needed(all));
    return new Solution.Found(inputs, open, doubts);
  }

  private Answers.Answer known(List<Constraint> group) {
    return answers.of(kept(group), mostComputed, () -> answer(group));
  }

  /** The same conditions, as answers know them: large ones are compared once, not each time. */
  private List<Constraint> kept(List<Constraint> group) {
    return group.stream().map(one -> keptOf.computeIfAbsent(one, answers::kept)).toList();
  }

  private Solution.Contradiction because(List<Constraint> group, int last) {
    int other =
        answers.excluding(
            kept(group), mostComputed, () -> group.indexOf(other(group, group.get(last))));
    return new Solution.Contradiction(group.get(other), group.get(last));
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
    if (found.isEmpty() && !search.isExhausted()) {
      found = Spelling.of(group, candidates, this::inputs, mostComputed);
    }
    if (!found.isEmpty()) {
      return new Answers.Answer(found, OptionalInt.empty(), false);
    }
    OptionalInt broken = search.deepest().stream().mapToInt(group::indexOf).findFirst();
    return new Answers.Answer(found, broken, search.isExhausted());
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
    KeptValues values = new KeptValues(inputs);
    return constraints.stream().allMatch(c -> Boolean.TRUE.equals(values.holds(c)));
  }

  /** What is not known to hold; of what nothing is known it is taken for granted that it ends. */
  private static boolean isOpen(Constraint constraint, Values values) {
    Boolean holds = values.holds(constraint);
    return holds == null ? !(constraint instanceof Constraint.Completes) : !holds;
  }

  /** What is found when inputs are known under which none of the conditions is broken. */
  public Solution.Found found(List<Constraint> constraints, Map<Term.Input, Object> inputs) {
    KeptValues values = new KeptValues(inputs);
    return new Solution.Found(
        inputs, distinct(constraints).stream().filter(c -> isOpen(c, values)).toList(), List.of());
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
        if (!Collections.disjoint(known, inputs) && together.add(one)) {
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
