package atalaya.ways.follow;

import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.ways.code.HoldingTypes;
import atalaya.ways.code.Literals;
import atalaya.ways.code.TypeNames;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Maps that a test gives: they hold, for the keys that code asks for, what it needs. */
public final class GivenMaps {
  /** By their places what they hold can be looked at in several ways. */
  public static final List<String> VIEWS = List.of("keySet", "values", "entrySet");

  private static final String OBJECT = "Ljava/lang/Object;";

  /** What can't be made without the class of its keys. */
  private static final String OF_ENUM = "Ljava/util/EnumMap;";

  private static final String ENTRY = "java/util/Map$Entry";

  private static final Pattern OF_VIEW = Pattern.compile("(.+)\\.entrySet\\(\\)\\[\\d+]");

  private final Walker walker;

  GivenMaps(Walker walker) {
    this.walker = walker;
  }

  /** Whether it is a map that a test gives. */
  static boolean isGiven(Term term) {
    return term instanceof Term.Input input
        && input.source() == Term.Source.ARGUMENT
        && HoldingTypes.isMap(TypeNames.internal(input.type()))
        && !input.type().equals(OF_ENUM);
  }

  /** How many keys a map has. */
  public static Term.Input size(Term.Input map) {
    return Containers.size(map, ".size()");
  }

  /** What is seen of a map by one of its views. */
  public static Term.Input view(Term.Input map, String view, String type) {
    return new Term.Input(map.name() + "." + view + "()", type, Term.Source.ELEMENT, null);
  }

  /** Whether it holds entries, which differ by their keys. */
  static boolean isOfEntries(Term.Input view) {
    return view.name().endsWith(".entrySet()");
  }

  /** What an entry holds that stands in a view of a map that a test gives. */
  Optional<Term> ofEntry(Call call) {
    boolean isHolding = call.owner().equals(ENTRY) && call.name().matches("get(Key|Value)");
    if (!isHolding || !(call.object() instanceof Term.Input entry)) {
      return Optional.empty();
    }
    Matcher place = OF_VIEW.matcher(entry.name());
    if (!place.matches() || entry.source() != Term.Source.ELEMENT) {
      return Optional.empty();
    }
    Term.Input held =
        new Term.Input(entry.name() + "." + call.name() + "()", OBJECT, Term.Source.ELEMENT, null);
    if (call.name().equals("getKey")) {
      walker.distinct.isIn(place.group(1), held);
    }
    return Optional.of(held);
  }

  /** What it gives as long as nobody changed it; empty where that is not told. */
  Optional<Term> call(Call call, Term of) {
    if (!isGiven(of)) {
      return Optional.empty();
    }
    Term.Input map = (Term.Input) of;
    return switch (call.name()) {
      case "size" -> isAsGiven(map) ? Optional.of(size(map)) : Optional.empty();
      case "isEmpty" ->
          isAsGiven(map)
              ? Optional.of(Containers.truth(size(map), Relation.EQUAL, 0))
              : Optional.empty();
      case "get" -> value(map, call).map(value -> value);
      case "containsKey" -> value(map, call).map(value -> isThere(value, Term.of(1), Term.of(0)));
      case "getOrDefault" ->
          value(map, call).map(value -> isThere(value, value, call.given().get(1)));
      default ->
          VIEWS.contains(call.name()) && isAsGiven(map)
              ? Optional.of(view(map, call.name(), call.type()))
              : Optional.empty();
    };
  }

  private boolean isAsGiven(Term.Input map) {
    return walker.state.contents.computeIfAbsent(map, m -> Contents.of(map)).isKnown();
  }

  /** What stands for a key; keys other than constants and what a test gives are not told apart. */
  private Optional<Term.Input> value(Term.Input map, Call call) {
    Term key = call.given().get(0);
    Optional<String> name =
        key instanceof Term.Input input
            ? Optional.of(input.name())
            : key instanceof Term.Constant constant
                ? Literals.of(constant.value(), constant.type())
                : Optional.empty();
    if (name.isEmpty() || !isAsGiven(map)) {
      return Optional.empty();
    }
    Term.Input value =
        new Term.Input(map.name() + "[" + name.get() + "]", OBJECT, Term.Source.ELEMENT, null);
    walker.mapped.computeIfAbsent(map, m -> new LinkedHashMap<>()).put(value, key);
    return Optional.of(value);
  }

  /** Nothing is held for a key that is missing, and for no other. */
  private Term isThere(Term.Input value, Term then, Term otherwise) {
    Compared isThere =
        new Compared(value, Relation.NOT_EQUAL, Term.NULL, Reason.unwritten(walker.line()));
    String type = then == value ? OBJECT : "Z";
    return Term.either(value.name(), type, isThere, then, otherwise);
  }
}
