package atalaya.ways.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.Term;
import atalaya.ways.code.ChangedFields;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What is known at a place of a way: what objects hold, and what had to hold to come there. */
final class State {
  /** A field of an object; the object of static fields is their class as a constant. */
  record Field(Term object, String name) {
    static Field ofClass(String type, String name) {
      return new Field(new Term.Constant(type, "class"), name);
    }
  }

  final List<Constraint> constraints;
  final Map<Field, Term> fields;

  /** The elements of arrays that the code itself put together. */
  final Map<Term, List<Term>> elements;

  /** What containers hold, but for those of a test that nothing was done with. */
  final Map<Term, Contents> contents;

  /** Of what is looped over, how far it came. */
  final Map<Term, Cursor> cursors;

  /** What matchers of regular expressions were asked last. */
  final Map<Term, Matching> matchings;

  /** The inputs that are made by now, and hold what their constructors give them. */
  final Set<Term.Input> made;

  final Map<String, Integer> answers;

  /** What methods may have changed that were called and not followed. */
  final Set<ChangedFields> changed;

  /** What has to differ from each other, by the name of what it is in. */
  final Map<String, List<Term.Input>> distinct;

  /**
   * A matcher of a regular expression.
   *
   * @param last the method that it was asked by; empty before, and after it was reset
   * @param times how often in a row
   */
  record Matching(Term expression, Term text, String last, int times) {
    Matching after(String method, int often) {
      return new Matching(expression, text, method, often);
    }
  }

  /** How far something was looped over. */
  record Cursor(Term over, int next) {}

  State() {
    this(
        new ArrayList<>(),
        new HashMap<>(),
        new HashMap<>(),
        new HashMap<>(),
        new HashMap<>(),
        new HashMap<>(),
        new HashSet<>(),
        new HashMap<>(),
        new LinkedHashSet<>(),
        new HashMap<>());
  }

  private State(
      List<Constraint> constraints,
      Map<Field, Term> fields,
      Map<Term, List<Term>> elements,
      Map<Term, Contents> contents,
      Map<Term, Cursor> cursors,
      Map<Term, Matching> matchings,
      Set<Term.Input> made,
      Map<String, Integer> answers,
      Set<ChangedFields> changed,
      Map<String, List<Term.Input>> distinct) {
    this.constraints = constraints;
    this.fields = fields;
    this.elements = elements;
    this.contents = contents;
    this.cursors = cursors;
    this.matchings = matchings;
    this.made = made;
    this.answers = answers;
    this.changed = changed;
    this.distinct = distinct;
  }

  /** Takes over what came of a fork of this. */
  void adopt(State later) {
    constraints.addAll(later.constraints);
    fields.clear();
    fields.putAll(later.fields);
    elements.clear();
    elements.putAll(later.elements);
    contents.clear();
    contents.putAll(later.contents);
    cursors.putAll(later.cursors);
    matchings.clear();
    matchings.putAll(later.matchings);
    made.addAll(later.made);
    answers.putAll(later.answers);
    changed.addAll(later.changed);
    distinct.putAll(later.distinct);
  }

  /** What objects hold is again as it was in a fork of this. */
  void restoreFields(State before) {
    fields.clear();
    fields.putAll(before.fields);
    changed.retainAll(before.changed);
  }

  /** The same, to go on from apart; what had to hold is left behind. */
  State fork() {
    Map<Term, List<Term>> copies = new HashMap<>();
    elements.forEach((of, all) -> copies.put(of, new ArrayList<>(all)));
    return new State(
        new ArrayList<>(),
        new HashMap<>(fields),
        copies,
        new HashMap<>(contents),
        new HashMap<>(cursors),
        new HashMap<>(matchings),
        new HashSet<>(made),
        new HashMap<>(answers),
        new LinkedHashSet<>(changed),
        new HashMap<>(distinct));
  }

  /** What was made goes by another name from now on. */
  void isKnownAs(Term made, Term other) {
    Map<Field, Term> renamed = new HashMap<>();
    fields.forEach(
        (field, value) ->
            renamed.put(
                field.object().equals(made) ? new Field(other, field.name()) : field, value));
    fields.clear();
    fields.putAll(renamed);
  }

  /** The results of one method are told apart by their order. */
  String numbered(String name) {
    int count = answers.merge(name, 1, Integer::sum);
    return count == 1 ? name : name + " the " + ordinal(count) + " time";
  }

  private static String ordinal(int count) {
    int last = count / 10 % 10 == 1 ? 0 : count % 10;
    return switch (last) {
      case 1 -> count + "st";
      case 2 -> count == 2 ? "second" : count + "nd";
      case 3 -> count == 3 ? "third" : count + "rd";
      default -> count + "th";
    };
  }
}
