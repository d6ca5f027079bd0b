package atalaya.core.solve;

import atalaya.core.term.Constraint;
import atalaya.core.term.Term;
import atalaya.core.term.Term.Input;
import atalaya.core.term.Term.Operation;
import atalaya.core.term.Term.Operator;
import atalaya.core.term.Values;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Looks behind what cuts or tidies a text: the parts that {@code split} gives, or what {@code trim}
 * leaves, are looked for as if they were inputs; the text is put together from them, and then the
 * real conditions are computed with it.
 */
final class Inverses {
  private static final String SPLIT =
      "java/lang/String.split(Ljava/lang/String;)[Ljava/lang/String;";
  private static final Set<String> TIDYING =
      Set.of(
          "java/lang/String.trim()Ljava/lang/String;",
          "java/lang/String.strip()Ljava/lang/String;",
          "java/lang/String.toLowerCase()Ljava/lang/String;",
          "java/lang/String.toLowerCase(Ljava/util/Locale;)Ljava/lang/String;",
          "java/lang/String.toUpperCase()Ljava/lang/String;",
          "java/lang/String.toUpperCase(Ljava/util/Locale;)Ljava/lang/String;");

  /** What stands for a part of a split text, or its length. */
  private record Part(Input of, String separator, int index) {}

  private final List<Constraint> original;
  private final Set<Term> splitTexts = new HashSet<>();
  private final List<Constraint> constraints = new ArrayList<>();

  /** By the very term: what conditions have in common, they have in common rewritten, too. */
  private final Map<Term, Term> rewritten = new IdentityHashMap<>();

  private final Map<Input, Input> tidied = new LinkedHashMap<>();
  private final Map<Input, Part> parts = new LinkedHashMap<>();

  private Inverses(List<Constraint> original) {
    this.original = original;
  }

  static Inverses of(List<Constraint> constraints) {
    Inverses inverses = new Inverses(constraints);
    for (Constraint constraint : constraints) {
      for (Term term : constraint.terms()) {
        term.visit(
            part -> {
              if (splitText(part) != null) {
                inverses.splitTexts.add(splitText(part));
              }
            });
      }
    }
    for (Constraint constraint : constraints) {
      boolean isAsked = !inverses.splitTexts.isEmpty();
      inverses.constraints.add(isAsked ? inverses.rewritten(constraint) : constraint);
    }
    return inverses;
  }

  boolean isNone() {
    return tidied.isEmpty() && parts.isEmpty();
  }

  /** The conditions, on the parts. */
  List<Constraint> constraints() {
    return constraints;
  }

  /**
   * The inputs, from what was found for the parts.
   *
   * @return none when the original conditions don't hold for them
   */
  Map<Input, Object> composed(Map<Input, Object> found) {
    if (isNone() || found.isEmpty()) {
      return found;
    }
    Map<Input, Object> values = new LinkedHashMap<>(found);
    Map<Input, TreeMap<Integer, Object>> split = new LinkedHashMap<>();
    List<Input> later = new ArrayList<>(tidied.keySet());
    java.util.Collections.reverse(later);
    for (Input outer : later) {
      if (values.containsKey(outer)) {
        values.put(tidied.get(outer), values.get(outer));
      }
    }
    parts.forEach(
        (input, part) -> {
          if (values.containsKey(input)) {
            split
                .computeIfAbsent(part.of(), p -> new TreeMap<>())
                .put(part.index(), values.get(input));
          }
        });
    split.forEach((text, pieces) -> values.put(text, joined(text, pieces)));
    for (Input outer : later) {
      if (values.containsKey(outer)) {
        values.put(tidied.get(outer), values.get(outer));
      }
      values.remove(outer);
    }
    parts.keySet().forEach(values::remove);
    Values now = new Values(values);
    boolean allHold = original.stream().noneMatch(c -> Boolean.FALSE.equals(now.holds(c)));
    return allHold ? values : Map.of();
  }

  private String joined(Input text, TreeMap<Integer, Object> pieces) {
    String separator = "";
    for (Part part : parts.values()) {
      separator = part.of().equals(text) ? part.separator() : separator;
    }
    Object length = pieces.get(-1);
    int count = length instanceof Integer number ? number : Math.max(1, pieces.lastKey() + 1);
    List<String> all = new ArrayList<>();
    for (int i = 0; i < Math.min(count, 50); i++) {
      Object piece = pieces.get(i);
      all.add(piece == null ? "a" : piece.toString());
    }
    return String.join(separator, all);
  }

  private Constraint rewritten(Constraint constraint) {
    if (constraint instanceof Constraint.Compared compared) {
      return new Constraint.Compared(
          rewritten(compared.left()),
          compared.relation(),
          rewritten(compared.right()),
          compared.reason());
    }
    if (constraint instanceof Constraint.Throws throwing) {
      return new Constraint.Throws(rewritten(throwing.call()), throwing.type(), throwing.reason());
    }
    Constraint.Completes completes = (Constraint.Completes) constraint;
    return new Constraint.Completes(rewritten(completes.value()), completes.reason());
  }

  private Term rewritten(Term term) {
    Term known = rewritten.get(term);
    if (known == null) {
      known = anew(term);
      rewritten.put(term, known);
    }
    return known;
  }

  private Term anew(Term term) {
    if (term instanceof Term.Choice choice) {
      return new Term.Choice(
          choice.type(),
          choice.cases().stream()
              .map(
                  one ->
                      new Term.Case(
                          one.conditions().stream().map(this::rewritten).toList(),
                          one.result() == null ? null : rewritten(one.result()),
                          one.thrown()))
              .toList(),
          choice.size());
    }
    if (!(term instanceof Operation operation)) {
      return term;
    }
    List<Term> operands = operation.operands().stream().map(this::rewritten).toList();
    Operation now =
        new Operation(
            operation.operator(), operation.detail(), operation.type(), operands, operation.size());
    if (splitTexts.contains(term)
        && TIDYING.contains(now.detail())
        && operands.get(0) instanceof Input text) {
      String called = now.detail();
      String name = called.substring(called.lastIndexOf('.') + 1, called.indexOf('('));
      Input tidy = new Input(text.name() + "." + name + "()", text.type(), text.source(), null);
      tidied.put(tidy, text);
      return tidy;
    }
    if (now.operator() == Operator.LENGTH && splitText(operands.get(0)) instanceof Input text) {
      return part(text, separator(operands.get(0)), -1, "I");
    }
    boolean isPart =
        now.operator() == Operator.ELEMENT
            && splitText(operands.get(0)) instanceof Input
            && operands.get(1) instanceof Term.Constant index
            && index.value() instanceof Integer;
    if (isPart) {
      int index = (Integer) ((Term.Constant) operands.get(1)).value();
      Input text = (Input) splitText(operands.get(0));
      return part(text, separator(operands.get(0)), index, "Ljava/lang/String;");
    }
    return now;
  }

  private Input part(Input text, String separator, int index, String type) {
    String name = text.name() + (index < 0 ? ".length" : "[" + index + "]");
    Input part = new Input(name, type, index < 0 ? Term.Source.ELEMENT : text.source(), null);
    parts.put(part, new Part(text, separator, index));
    return part;
  }

  private static Term splitText(Term term) {
    return term instanceof Operation split
            && split.operator() == Operator.CALL
            && split.detail().equals(SPLIT)
            && split.operands().get(1) instanceof Term.Constant separator
            && separator.value() instanceof String expression
            && Separators.plainest(expression).isPresent()
        ? split.operands().get(0)
        : null;
  }

  private static String separator(Term split) {
    Term.Constant expression = (Term.Constant) ((Operation) split).operands().get(1);
    return Separators.plainest((String) expression.value()).orElseThrow();
  }
}
