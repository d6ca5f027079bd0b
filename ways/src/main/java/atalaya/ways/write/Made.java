package atalaya.ways.write;

import atalaya.core.solve.Solution;
import atalaya.core.term.Constraint;
import atalaya.core.term.Stand;
import atalaya.core.term.Term;
import atalaya.core.term.Term.Input;
import atalaya.core.term.Term.Source;
import atalaya.core.term.Values;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.Kinds;
import atalaya.ways.follow.ClassOf;
import atalaya.ways.follow.Containers;
import atalaya.ways.follow.Holders;
import atalaya.ways.follow.Objects;
import atalaya.ways.follow.Unfollowed;
import atalaya.ways.follow.Walked;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** What a test makes of what a way needs, and whether that is all of it. */
public final class Made {
  /** At the end of the name of what stands for whether a call throws something. */
  private static final String REFUSES = Unfollowed.THROWS + Unfollowed.ANY;

  static final String THROWS_NOTHING = " throws nothing";

  /** Calls that may well give null. */
  private static final Pattern MAY_BE_MISSING =
      Pattern.compile(
          "\\.(get|orElse|(get(Resource|Propert|Attribute|Parameter)|remove|po[lp]|peek|find|look"
              + "|search|read|next)\\w*)\\([^()]*\\)( the .*)?$");

  private final CodeBase base;
  private final Walked walked;
  private final Solution.Found found;

  /** What is written for an input; nothing where another one stands for it. */
  private final Map<Input, String> code = new HashMap<>();

  /** The very types of what a test gives, by the name of the input, where they are known. */
  private final Map<String, String> types = new HashMap<>();

  /** What stands for whether something is of a type, and comes out by what it is made as. */
  private final Set<Input> settled = new HashSet<>();

  /** The fields of objects that a test sets by calling methods. */
  private final Set<Input> set = new HashSet<>();

  private final Set<String> assumed = new LinkedHashSet<>();
  private final Set<String> byHand = new LinkedHashSet<>();
  private boolean isComplete = true;

  public Made(CodeBase base, Walked walked, Solution.Found found) {
    this.base = base;
    this.walked = walked;
    this.found = found;
  }

  /** What was written for an input; null where nothing was. */
  String code(Input input) {
    return code.get(input);
  }

  /** Code was written for an input. */
  void by(String written, Input input) {
    code.put(input, written);
  }

  /** An input comes out by what is written for another one. */
  void along(Input input) {
    code.putIfAbsent(input, "");
  }

  /** A field has its value by a method that is called. */
  void isSet(Input state) {
    set.add(state);
  }

  /** What is given is of the very type. */
  void isOf(String type, Input input) {
    types.putIfAbsent(input.name(), type);
  }

  /** It comes out whether something is of a type. */
  void settle(Input isOfType) {
    settled.add(isOfType);
  }

  boolean isSettled(Input isOfType) {
    return settled.contains(isOfType);
  }

  /** Where there is something, a person has to do it. */
  void lacks(boolean something) {
    isComplete &= !something;
  }

  /** A person has to make an object of a class, by its internal name. */
  void byHand(String type) {
    byHand.add(type.replace('/', '.'));
    lacks(true);
  }

  /** The binary names of the classes of which a person has to make an object. */
  List<String> byHand() {
    return List.copyOf(byHand);
  }

  /** Something was not looked at, and had better be so. */
  void assumes(String that) {
    assumed.add(that);
  }

  /** Whether a test makes all that the way needs. */
  boolean isAll() {
    return isComplete
        && found.open().isEmpty()
        && code.keySet().containsAll(walked.needs().doubles())
        && !walked.trace().mayHalt()
        && agree()
        && found.inputs().keySet().stream().allMatch(this::isByTest);
  }

  /** Whether nothing that is taken for several types is there as one of them only. */
  private boolean agree() {
    Set<String> missing = new HashSet<>();
    Set<String> there = new HashSet<>();
    found.inputs().forEach((input, value) -> (value == null ? missing : there).add(input.name()));
    walked
        .needs()
        .typeTests()
        .forEach(
            (isIt, test) -> {
              if (Integer.valueOf(1).equals(found.inputs().get(isIt))) {
                there.add(test.of().name());
              }
            });
    return Collections.disjoint(missing, there);
  }

  /** Whether something is of a type comes by what it is made as, where that is known. */
  void settleTypes() {
    Kinds kinds = new Kinds(base);
    walked
        .needs()
        .typeTests()
        .forEach(
            (isIt, test) -> {
              Object wanted = found.inputs().get(isIt);
              Optional<Integer> is =
                  Optional.ofNullable(types.get(test.of().name()))
                      .flatMap(type -> kinds.isA(type, test.type()))
                      .map(isA -> isA ? 1 : 0);
              if (is.isPresent() && is.get().equals(wanted)) {
                settled.add(isIt);
              }
            });
  }

  /** Whether an input has its value by how objects are made, without anything else being done. */
  private boolean isByTest(Input input) {
    return switch (input.source()) {
      case ARGUMENT -> !input.name().contains(" instanceof ") || settled.contains(input);
      case STATE -> isAsMade(input) && holder(input).isPresent() || set.contains(input);
      case RESULT -> isThereAsARule(input) || code.containsKey(input);
      case ANSWER -> code.containsKey(input);
      case ELEMENT ->
          code.containsKey(input)
              || ClassOf.isPlain(input, found.inputs().get(input))
              || input.name().matches(".*\\.(size\\(\\)|length)|.*\\[\\d+\\]")
                  && isOfArgument(input);
      default -> false;
    };
  }

  public boolean isAsMade(Input state) {
    Object value = found.inputs().get(state);
    Term made = walked.needs().asMade().get(state);
    return state.isUsually(value)
        || made != null && java.util.Objects.equals(value, new Values(found.inputs()).of(made));
  }

  /** Whether a call ends as it does as a rule; that it does may be assumed. */
  public boolean isThereAsARule(Input result) {
    return isThereAnyway(result) || isAssumed(result);
  }

  /** Whether what a call gives is what it always gives. */
  private boolean isThereAnyway(Input input) {
    Object value = found.inputs().get(input);
    return input.usual() == Term.THERE
        ? isItself(value, input)
        : input.usual() instanceof Integer
            && input.isUsually(value)
            && !Unfollowed.isThrowing(input);
  }

  /** Whether a value is something that is nothing else. */
  private static boolean isItself(Object value, Input input) {
    return value instanceof Stand stand && stand.name().equals(input.name());
  }

  /** Whether a call has to end as most of its kind do: it throws nothing, or gives something. */
  private boolean isAssumed(Input result) {
    Object value = found.inputs().get(result);
    return isItself(value, result)
        ? !MAY_BE_MISSING.matcher(result.name()).find() && !isDoubted(result)
        : isNotThrown(result) && !walked.conditions().doubted().containsKey(result);
  }

  /** Whether a condition asks about what a call gives: who wrote it knew that it may be missing. */
  private boolean isDoubted(Input result) {
    return walked.conditions().all().stream()
        .anyMatch(one -> one.reason().isWritten() && one.hasInput(result::equals));
  }

  /** Whether a condition asks about both, as whatever they are taken. */
  boolean areCompared(Input one, Input other) {
    Set<String> both = new HashSet<>(List.of(one.name(), other.name()));
    return both.size() > 1 && walked.conditions().all().stream().anyMatch(c -> asksAll(c, both));
  }

  private static boolean asksAll(Constraint constraint, Set<String> names) {
    Set<String> asked = new HashSet<>();
    constraint.inputs().forEach(input -> asked.add(input.name()));
    return asked.containsAll(names);
  }

  /** What had better be so, as nobody looked. */
  List<String> assumed() {
    Set<String> all = new LinkedHashSet<>(assumed);
    Values values = new Values(found.inputs());
    walked
        .conditions()
        .ends()
        .forEach(
            (constraint, call) -> {
              if (values.holds(constraint) == null && asksOthers(constraint)) {
                all.add(call + THROWS_NOTHING);
              }
            });
    found.inputs().keySet().stream()
        .filter(input -> input.source() == Source.RESULT)
        .filter(input -> isAssumed(input) && !isThereAnyway(input) || isNotThrown(input))
        .map(Made::hope)
        .forEach(all::add);
    if (walked.trace().mayHalt()) {
      all.add("nothing ends the JVM");
    }
    return List.copyOf(all);
  }

  private boolean isNotThrown(Input input) {
    return Unfollowed.isThrowing(input) && Integer.valueOf(0).equals(found.inputs().get(input));
  }

  /** That a call ends as it has to. */
  private static String hope(Input result) {
    String name = result.name();
    if (name.endsWith(Unfollowed.THROWS + Unfollowed.CAUGHT)) {
      return name.replace(Unfollowed.THROWS + "what", THROWS_NOTHING + " that");
    }
    return name.endsWith(REFUSES)
        ? name.replace(REFUSES, THROWS_NOTHING)
        : Unfollowed.isThrowing(result)
            ? name.replace(Unfollowed.THROWS, Unfollowed.THROWS + "no ")
            : name + " is not null";
  }

  /** Whether a condition speaks of what a call gives that was not followed. */
  private static boolean asksOthers(Constraint constraint) {
    boolean[] asks = {false};
    for (Term term : constraint.terms()) {
      term.visit(
          part ->
              asks[0] |=
                  part instanceof Input input
                      && (Unfollowed.decides(input) || input.source() == Source.UNKNOWN));
    }
    return asks[0];
  }

  private boolean isOfArgument(Input element) {
    String of = element.name().replaceAll("(\\.size\\(\\)|\\.length|\\[\\d+\\])$", "");
    return Stream.concat(
            walked.needs().arguments().stream(),
            walked.needs().prepared().stream().flatMap(one -> one.arguments().stream()))
        .anyMatch(a -> a.name().equals(of));
  }

  private static String without(String name) {
    return Containers.field(Holders.without(name));
  }

  /** The name of the field that an input is the state of. */
  public static String fieldOf(Input state) {
    String field = without(state.name());
    return field.substring(field.lastIndexOf('.') + 1);
  }

  /** The object that a test makes whose field it is; empty where it takes one as it is. */
  public Optional<Input> holder(Input state) {
    return walked.needs().built().keySet().stream()
        .filter(object -> without(state.name()).equals(Objects.prefix(object) + fieldOf(state)))
        .findFirst();
  }
}
