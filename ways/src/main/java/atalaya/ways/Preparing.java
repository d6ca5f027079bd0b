package atalaya.ways;

import atalaya.core.term.Term;
import atalaya.core.term.Term.Input;
import atalaya.ways.WaySearch.Solved;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.TypeNames;
import atalaya.ways.code.Visibility;
import atalaya.ways.follow.Walked;
import atalaya.ways.write.Made;
import atalaya.ways.write.Setters;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Looks for calls that give objects the state which a way needs, where their constructors do not:
 * each is followed before the way, so that what it asks for is known as well.
 */
final class Preparing {
  private static final int MOST_CALLS = 12;

  private static final int MOST_TRIES = 24;

  /** An adder is called so often at most. */
  static final int MOST_ELEMENTS = 3;

  private final CodeBase base;
  private final Setters setters;
  private final WaySearch search;
  private int tries;

  /**
   * For what a search found.
   *
   * @param visible what a test may call
   */
  Preparing(CodeBase base, Visibility visible, WaySearch search) {
    this.base = base;
    this.setters = new Setters(base, visible);
    this.search = search;
  }

  /**
   * What a way needs that a test has to bring about.
   *
   * @param times how many elements there have to be, or 1
   */
  private record Lack(Input object, String field, int times) {
    boolean isOf(Lack other) {
      return object.equals(other.object) && field.equals(other.field);
    }
  }

  /** The same way after such calls; empty where none are needed, or none were found. */
  Optional<Solved> prepared(Solved solved) {
    Optional<Solved> now = Optional.of(solved);
    List<Preparation> before = new ArrayList<>();
    Optional<List<Lack>> lacks = restsOnCalls(base, solved) ? Optional.empty() : lacks(solved);
    while (now.isPresent() && lacks.filter(all -> !all.isEmpty()).isPresent()) {
      now = without(lacks.get().get(0), solved, before);
      lacks = now.flatMap(this::lacks);
    }
    return lacks.isPresent() && !before.isEmpty()
        ? now.filter(there -> there.solution().open().isEmpty())
        : Optional.empty();
  }

  /** Whether a way needs what no call of a test brings about. */
  static boolean lacksMore(CodeBase base, Solved solved) {
    return !solved.solution().open().isEmpty() || restsOnCalls(base, solved);
  }

  private static boolean restsOnCalls(CodeBase base, Solved solved) {
    Made made = new Made(base, solved.walked(), solved.solution());
    return solved.solution().inputs().keySet().stream()
        .anyMatch(i -> i.source() == Term.Source.RESULT && !made.isThereAsARule(i));
  }

  /** After one more call, which may be what the others need. */
  private Optional<Solved> without(Lack lack, Solved solved, List<Preparation> before) {
    for (Preparation one : candidates(lack)) {
      List<Preparation> all = new ArrayList<>();
      for (int i = 0; i < lack.times(); i++) {
        all.add(one);
      }
      all.addAll(before);
      if (all.size() > MOST_CALLS || tries++ >= MOST_TRIES) {
        return Optional.empty();
      }
      Optional<Solved> found = search.after(all, solved);
      boolean isBetter =
          found
              .flatMap(this::lacks)
              .filter(left -> left.stream().noneMatch(lack::isOf))
              .isPresent();
      if (isBetter) {
        before.clear();
        before.addAll(all);
        return found;
      }
    }
    return Optional.empty();
  }

  /** All there are; empty where one is of an object that a test does not make. */
  private Optional<List<Lack>> lacks(Solved solved) {
    Made made = new Made(base, solved.walked(), solved.solution());
    List<Lack> lacks = new ArrayList<>();
    for (Map.Entry<Input, Object> one : solved.solution().inputs().entrySet()) {
      Input state = one.getKey();
      if (state.source() != Term.Source.STATE || made.isAsMade(state)) {
        continue;
      }
      Optional<Input> object =
          made.holder(state)
              .filter(input -> solved.walked().needs().built().get(input) instanceof Walked.New);
      if (object.isEmpty()) {
        return Optional.empty();
      }
      String field = Made.fieldOf(state);
      String type = TypeNames.internal(object.get().type());
      boolean isPlain = setters.of(type, field, one.getValue()).isPresent();
      if (!isPlain) {
        lacks.add(new Lack(object.get(), field, times(state, one.getValue())));
      }
    }
    lacks.sort(Comparator.comparingInt(Lack::times).reversed());
    return Optional.of(lacks);
  }

  static int times(Input state, Object value) {
    boolean isCount = value instanceof Integer && state.type().equals("I");
    return isCount ? Math.max(1, Math.min(MOST_ELEMENTS, (Integer) value)) : 1;
  }

  /** The calls that may bring something about, the plainest first. */
  private List<Preparation> candidates(Lack lack) {
    return Preparation.all(setters, lack.object(), lack.field());
  }
}
