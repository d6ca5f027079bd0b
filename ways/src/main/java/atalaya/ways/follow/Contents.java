package atalaya.ways.follow;

import atalaya.core.term.Term;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What a container holds: what the code put there, around what is left of the elements of an input.
 *
 * @param before what stands in front of those
 * @param of null where there are none: then all stands in front
 * @param taken so many of its first elements are gone; negative where nobody knows what is left
 * @param put what stands in the place of others of its elements
 * @param after what stands behind them
 */
record Contents(
    List<Term> before, Term.Input of, int taken, Map<Integer, Term> put, List<Term> after) {
  static final Contents NONE = Contents.of(List.of());

  /** What a container holds of which nobody knows it any more. */
  static final Contents LOST = new Contents(List.of(), null, -1, Map.of(), List.of());

  Contents {
    before = List.copyOf(before);
    put = Map.copyOf(put);
    after = List.copyOf(after);
  }

  static Contents of(List<Term> all) {
    return new Contents(all, null, 0, Map.of(), List.of());
  }

  static Contents of(Term.Input input) {
    return new Contents(List.of(), input, 0, Map.of(), List.of());
  }

  boolean isKnown() {
    return taken >= 0;
  }

  /** All elements; empty where some are those of an input. */
  Optional<List<Term>> all() {
    return isKnown() && of == null ? Optional.of(before) : Optional.empty();
  }

  /**
   * Where an element stands.
   *
   * @param index in the input, or -1 where it is none of its places
   * @param term null where the input's own element stands there
   */
  record Place(int index, Term term) {}

  /** Where an element stands; empty beyond what there can be. */
  Optional<Place> at(int index) {
    if (index >= 0 && index < before.size()) {
      return Optional.of(new Place(-1, before.get(index)));
    }
    int inInput = index - before.size() + taken;
    return index < 0 || of == null
        ? Optional.empty()
        : Optional.of(new Place(inInput, put.get(inInput)));
  }

  /** With one more at the end. */
  Contents adding(Term element) {
    return of == null
        ? Contents.of(joined(before, List.of(element)))
        : new Contents(before, of, taken, put, joined(after, List.of(element)));
  }

  /** With all of another one at the end; lost where both hold what an input held. */
  Contents addingAll(Contents other) {
    if (of == null) {
      return new Contents(
          joined(before, other.before), other.of, other.taken, other.put, other.after);
    }
    return other.of == null
        ? new Contents(before, of, taken, put, joined(after, other.before))
        : LOST;
  }

  /** With one more at a place; lost where that is not known. */
  Contents inserting(int index, Term element) {
    if (index < 0 || index > before.size()) {
      return LOST;
    }
    List<Term> all = new ArrayList<>(before);
    all.add(index, element);
    return new Contents(all, of, taken, put, after);
  }

  /** With another one at a place where there is one. */
  Contents putting(int index, Term element) {
    if (index < before.size()) {
      List<Term> all = new ArrayList<>(before);
      all.set(index, element);
      return new Contents(all, of, taken, put, after);
    }
    Map<Integer, Term> more = new HashMap<>(put);
    more.put(index - before.size() + taken, element);
    return new Contents(before, of, taken, more, after);
  }

  /** Without one; lost where that is not known. */
  Contents without(int index) {
    if (index >= 0 && index < before.size()) {
      List<Term> all = new ArrayList<>(before);
      all.remove(index);
      return new Contents(all, of, taken, put, after);
    }
    boolean isFirstOfInput = of != null && index == before.size();
    return isFirstOfInput ? new Contents(before, of, taken + 1, put, after) : LOST;
  }

  /** As many, of which nobody knows which stands where; lost where some are those of an input. */
  Contents shuffled() {
    if (of != null) {
      return LOST;
    }
    return before.size() > 1
        ? Contents.of(before.stream().map(was -> Term.unknown("element", was.type())).toList())
        : this;
  }

  private static List<Term> joined(List<Term> some, List<Term> more) {
    return Stream.concat(some.stream(), more.stream()).toList();
  }
}
