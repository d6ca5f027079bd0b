package atalaya.ways.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.ways.code.HoldingTypes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.objectweb.asm.Type;

/**
 * Maps of the platform: whether they hold anything, and what for keys that are known. Keys and
 * values stand by turns in their contents.
 */
final class Mappings implements CallRule {
  /** What is taken from nothing that is there, and by nearly any key. */
  private static final Set<String> NEAR =
      Set.of(
          "floorEntry",
          "ceilingEntry",
          "higherEntry",
          "lowerEntry",
          "floorKey",
          "ceilingKey",
          "higherKey",
          "lowerKey",
          "firstEntry",
          "lastEntry",
          "pollFirstEntry",
          "pollLastEntry");

  private static final Pattern CHANGING =
      Pattern.compile("(put|remove|clear|poll|compute|merge|replace).*");

  private static final Set<String> PLAIN = Set.of("Ljava/lang/String;", "I", "J", "C");

  private final Walker walker;
  private final ForeignCalls foreign;
  private final GivenMaps given;

  Mappings(Walker walker, ForeignCalls foreign) {
    this.walker = walker;
    this.foreign = foreign;
    this.given = new GivenMaps(walker);
  }

  /** A new map, empty unless made of another; by an order of its own keys may be the same. */
  void made(Call constructor) {
    boolean isPlain =
        !constructor.descriptor().contains("Map;") && !constructor.descriptor().contains("Compar");
    if (isPlain) {
      put(constructor.object(), Contents.NONE);
    }
  }

  @Override
  public Optional<Term> call(Call call) {
    return call.isStatic() || !HoldingTypes.isMap(call.owner()) ? given.ofEntry(call) : ofMap(call);
  }

  private Optional<Term> ofMap(Call call) {
    List<Term> arguments = call.given();
    Term of = walker.objects.original(call.object());
    boolean mayRefuse = arguments.stream().anyMatch(Term::isNull);
    Optional<List<Term>> known =
        Optional.ofNullable(walker.state.contents.get(of)).flatMap(Contents::all);
    if (known.isPresent() && !mayRefuse) {
      return held(call, of, known.get());
    }
    Term size = walker.state.fields.get(Containers.sizeOf(of));
    if (size != null && !mayRefuse) {
      return ofField(call, of, size);
    }
    Optional<Term> ofTest = mayRefuse ? Optional.empty() : given.call(call, of);
    if (ofTest.isEmpty()) {
      lose(of, call.name());
    }
    return ofTest;
  }

  /** What a map gives that code put together. */
  private Optional<Term> held(Call call, Term of, List<Term> all) {
    List<Term> arguments = call.given();
    switch (call.name()) {
      case "size" -> {
        return areApart(all) ? Optional.of(Term.of(all.size() / 2)) : Optional.empty();
      }
      case "isEmpty" -> {
        return Optional.of(Term.of(all.isEmpty() ? 1 : 0));
      }
      case "get" -> {
        return by(call, all, arguments.get(0), value -> value, Term.NULL);
      }
      case "containsKey" -> {
        return by(call, all, arguments.get(0), value -> Term.of(1), Term.of(0));
      }
      case "getOrDefault" -> {
        return by(call, all, arguments.get(0), value -> value, arguments.get(1));
      }
      case "put" -> {
        Optional<Term> before = by(call, all, arguments.get(0), value -> value, Term.NULL);
        put(of, before.isPresent() ? putting(all, arguments) : Contents.LOST);
        return before;
      }
      case "clear" -> {
        put(of, Contents.NONE);
        return Optional.empty();
      }
      default -> {
        Optional<Term> ofNothing =
            all.isEmpty() && !GivenMaps.VIEWS.contains(call.name())
                ? ofNothing(call)
                : Optional.empty();
        if (ofNothing.isEmpty()) {
          put(of, Contents.LOST); // By a view, too, it may be changed.
        }
        return ofNothing;
      }
    }
  }

  /** What an empty map gives; empty where it does not stay so. */
  private Optional<Term> ofNothing(Call call) {
    boolean isTaken =
        call.name().equals("remove") && Type.getArgumentTypes(call.descriptor()).length == 1;
    if (isTaken || call.name().equals("get") || NEAR.contains(call.name())) {
      return Optional.of(Term.NULL);
    }
    return call.name().startsWith("contains") ? Optional.of(Term.of(0)) : Optional.empty();
  }

  /** What a field gives that a constructor left empty. */
  private Optional<Term> ofField(Call call, Term of, Term size) {
    switch (call.name()) {
      case "size" -> {
        return Optional.of(size);
      }
      case "isEmpty" -> {
        return Optional.of(Containers.truth(size, Relation.EQUAL, 0));
      }
      case "keySet", "values", "entrySet" -> {
        Term view = walker.newObject(call.type());
        walker.state.fields.put(Containers.sizeOf(view), size);
        return Optional.of(view);
      }
      default -> {
        boolean isAsItWas = size instanceof Term.Input input && input.isFree();
        Optional<Term> ofNothing =
            call.name().equals("getOrDefault") ? Optional.of(call.given().get(1)) : ofNothing(call);
        lose(of, call.name());
        return isAsItWas && of instanceof Term.Input field
            ? ofNothing.map(usual -> asMade(call, field, size, usual))
            : Optional.empty();
      }
    }
  }

  /** As long as nobody put anything in. */
  private Term asMade(Call call, Term.Input of, Term size, Term usual) {
    if (usual instanceof Term.Constant constant) {
      String name = walker.state.numbered(of.name() + "." + call.name() + "(..)");
      return new Term.Input(name, call.type(), Term.Source.STATE, constant.value());
    }
    Compared isEmpty =
        new Compared(size, Relation.EQUAL, Term.of(0), Reason.unwritten(walker.line()));
    return Term.either(call.name(), call.type(), isEmpty, usual, foreign.call(call));
  }

  /** After what may change it nobody knows what a map holds. */
  private void lose(Term of, String call) {
    if (CHANGING.matcher(call).matches()) {
      if (GivenMaps.isGiven(of)) {
        put(of, Contents.LOST);
      }
      walker.state.contents.computeIfPresent(of, (map, held) -> Contents.LOST);
      walker.state.fields.computeIfPresent(
          Containers.sizeOf(of), (field, size) -> Term.unknown("size()", "I"));
    }
  }

  /** What is put in last is found first. */
  private static Contents putting(List<Term> all, List<Term> pair) {
    List<Term> then = new ArrayList<>(pair);
    for (int i = 0; i < all.size(); i += 2) {
      if (!all.get(i).equals(pair.get(0))) {
        then.addAll(all.subList(i, i + 2));
      }
    }
    return Contents.of(then);
  }

  /** Whether no two keys may be the same. */
  private static boolean areApart(List<Term> all) {
    return all.size() <= 2
        || IntStream.range(0, all.size()).allMatch(i -> i % 2 == 1 || all.get(i).isConstant());
  }

  /** What stands for a key, which may depend on what a test gives. */
  private Optional<Term> by(
      Call call, List<Term> all, Term key, UnaryOperator<Term> there, Term missing) {
    List<Term.Case> cases = new ArrayList<>();
    List<Constraint> others = new ArrayList<>();
    for (int i = 0; i < all.size(); i += 2) {
      Term one = all.get(i);
      Term value = there.apply(all.get(i + 1));
      if (one.equals(key)) {
        cases.add(new Term.Case(others, value, ""));
        return Optional.of(chosen(call, cases));
      }
      boolean isOther = one.isConstant() && key.isConstant();
      if (!isOther && !areComparable(one, key)) {
        return Optional.empty();
      }
      if (!isOther) {
        Compared isIt = Distinct.areSame(one, key, walker.line());
        List<Constraint> here = new ArrayList<>(others);
        here.add(isIt);
        cases.add(new Term.Case(here, value, ""));
        others.add(isIt.negated());
      }
    }
    cases.add(new Term.Case(others, missing, ""));
    return Optional.of(chosen(call, cases));
  }

  private static Term chosen(Call call, List<Term.Case> cases) {
    return cases.size() == 1
        ? cases.get(0).result()
        : Term.choice(call.name() + "(..)", call.type(), cases);
  }

  /** Whether two keys are the same if they are equal: texts and numbers. */
  private static boolean areComparable(Term one, Term other) {
    return PLAIN.contains(one.type()) && one.type().equals(other.type());
  }

  private void put(Term map, Contents contents) {
    walker.state.contents.put(map, contents);
  }
}
