package atalaya.ways.write;

import atalaya.core.plan.Way.Given;
import atalaya.core.plan.Way.SetUp;
import atalaya.core.plan.Way.Step;
import atalaya.core.solve.Solution;
import atalaya.core.term.Constraint;
import atalaya.core.term.KeptValues;
import atalaya.core.term.Stand;
import atalaya.core.term.Term.Input;
import atalaya.core.term.Term.Source;
import atalaya.core.term.Values;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.Literals;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.TypeNames;
import atalaya.ways.code.Visibility;
import atalaya.ways.follow.ClassOf;
import atalaya.ways.follow.Unfollowed;
import atalaya.ways.follow.Walked;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Puts what was found of a way into values and words that a test can be written from. */
public final class Wording {
  private final CodeBase base;
  private final Walked walked;
  private static final String THERE = "not null";
  private static final String STATE = "the object's state";

  private final Solution.Found found;
  private final Made made;
  private final Writing writing;
  private final Ref entry;

  public Wording(CodeBase base, Walked walked, Solution.Found found, Ref entry) {
    this.base = base;
    this.entry = entry;
    this.walked = walked;
    this.found = found;
    this.made = new Made(base, walked, found);
    this.writing = new Writing(base, walked, found, entry, made);
  }

  /**
   * What has to be there for the way to be taken.
   *
   * @param mayFail what may go wrong on it
   */
  public SetUp setUp(List<Step> steps, Optional<String> mayFail) {
    List<Given> givens = new ArrayList<>();
    String call = writing.call(entry);
    for (Input argument : walked.needs().arguments()) {
      boolean isInOpen = found.open().stream().anyMatch(c -> c.inputs().contains(argument));
      if (!OuterNames.isOuter(argument.name())) {
        givens.add(
            given(argument, writing.value(argument), isInOpen ? "but for what is open" : ""));
      }
    }
    made.settleTypes();
    Set<Input> told = new LinkedHashSet<>(walked.needs().arguments());
    Set<Input> parts = new LinkedHashSet<>();
    walked.needs().built().values().forEach(built -> parts.addAll(built.arguments()));
    walked.needs().prepared().forEach(one -> parts.addAll(one.arguments()));
    found
        .inputs()
        .forEach(
            (input, value) -> {
              boolean isPart = parts.contains(input) && input.source() == Source.ARGUMENT;
              String beside = beside(input, value);
              boolean isUsual =
                  isOutcome(input) && isUsual(input, value) || ClassOf.isPlain(input, value);
              boolean isTold = told.contains(input) || made.isSettled(input) || isUsual;
              boolean isNews = !isTold && (!isPart || !beside.isEmpty());
              if (isNews && (!(value instanceof Stand) || hasToBeGiven(input))) {
                givens.add(given(input, literal(input, value), how(input)));
              }
            });
    List<String> open = open(steps);
    Optional<List<String>> code = made.isAll() ? writing.statements(call) : Optional.empty();
    if (code.isEmpty()) {
      givens.addAll(walked.needs().arguments().size(), objects(told, parts));
      Input receiver = walked.needs().receiver();
      if (receiver != null && givens.stream().noneMatch(g -> g.name().equals(receiver.name()))) {
        givens.add(walked.needs().arguments().size(), given(receiver, writing.receiver(), ""));
      }
    }
    List<Given> each = joined(List.copyOf(new LinkedHashSet<>(givens)));
    return new SetUp(each, code.orElse(List.of()), made.assumed(), open, mayFail, made.byHand());
  }

  /** How the objects are made that are neither arguments nor given to others as they are made. */
  private List<Given> objects(Set<Input> told, Set<Input> parts) {
    List<Given> objects = new ArrayList<>();
    for (Input object : walked.needs().built().keySet()) {
      boolean isTold = told.stream().anyMatch(input -> input.name().equals(object.name()));
      boolean isReceiver = object.equals(walked.needs().receiver());
      if (!isTold && !parts.contains(object) && (isReceiver || matters(object))) {
        objects.add(given(object, writing.object(object), isReceiver ? "" : STATE));
      }
    }
    return objects;
  }

  /** Whether something has to be there, or its state is not any. */
  private boolean matters(Input object) {
    return found.inputs().keySet().stream()
        .map(Input::name)
        .anyMatch(name -> name.equals(object.name()) || name.startsWith(object.name() + "."));
  }

  /** What is told in two parts, as that an array is there and how long it is, in one. */
  private static List<Given> joined(List<Given> givens) {
    List<Given> told = new ArrayList<>();
    for (Given given : givens) {
      boolean isRepeated =
          given.beside().isEmpty()
              && told.stream()
                  .anyMatch(g -> g.name().equals(given.name()) && g.value().equals(given.value()));
      if (!isRepeated) {
        told.add(given);
      }
    }
    for (Given part : givens) {
      for (Given whole : givens) {
        Optional<Given> both = part == whole ? Optional.empty() : together(whole, part);
        if (both.isPresent() && told.contains(whole) && told.remove(part)) {
          told.replaceAll(given -> given.equals(whole) ? both.get() : given);
        }
      }
    }
    return told;
  }

  private static Optional<Given> together(Given whole, Given part) {
    boolean isThere = part.name().equals(whole.name()) && part.value().equals(THERE);
    if (isThere) {
      String how = whole.how().equals(STATE) ? part.how() : whole.how();
      return Optional.of(new Given(whole.name(), whole.type(), whole.value(), "", how));
    }
    boolean isLength =
        part.name().equals(whole.name() + ".length")
            && part.beside().isEmpty()
            && !whole.value().equals("null");
    if (!isLength) {
      return Optional.empty();
    }
    String made = "new " + whole.type().replaceFirst("\\[]", "[" + part.value() + "]");
    return Optional.of(
        whole.value().equals(THERE)
            ? new Given(whole.name(), whole.type(), made, whole.beside(), whole.how())
            : whole);
  }

  /** Whether a person has to see to it that an object is there. */
  private boolean hasToBeGiven(Input object) {
    return switch (object.source()) {
      case STATE -> !made.isAsMade(object);
      case ANSWER -> true;
      case RESULT -> !made.isThereAsARule(object);
      case ELEMENT -> made.code(object) == null && isHeldByMap(object);
      default -> false;
    };
  }

  private boolean isHeldByMap(Input value) {
    return walked.needs().mapped().values().stream().anyMatch(of -> of.containsKey(value));
  }

  /** Whether a call ends as it does when nothing is done about it: a double gives nothing then. */
  private static boolean isUsual(Input outcome, Object value) {
    boolean isGiven = outcome.source() == Source.ANSWER || outcome.usual() != null;
    return isGiven && java.util.Objects.equals(outcome.usual(), value);
  }

  /** Whether an input stands for how a call ends. */
  private static boolean isOutcome(Input input) {
    return input.source() == Source.ANSWER || input.source() == Source.RESULT;
  }

  /** What could not be decided, of the conditions on the way; not what the values decide anyway. */
  private List<String> open(List<Step> steps) {
    Values values = new KeptValues(found.inputs());
    List<Constraint> onWay = found.open().stream().filter(c -> isOnWay(c, steps)).toList();
    List<Constraint> undecided =
        onWay.stream().filter(c -> !Boolean.TRUE.equals(values.holds(c))).toList();
    if (onWay.isEmpty() && !found.open().isEmpty()) {
      return List.of("what called code asks");
    }
    return (undecided.isEmpty() ? onWay : undecided)
        .stream()
            .map(Constraint::reason)
            .map(r -> "line " + r.line() + ": `" + r.condition() + "` " + r.outcome())
            .distinct()
            .toList();
  }

  private static boolean isOnWay(Constraint constraint, List<Step> steps) {
    Constraint.Reason reason = constraint.reason();
    return steps.stream()
        .anyMatch(s -> s.line() == reason.line() && s.condition().equals(reason.condition()));
  }

  private Given given(Input input, String value, String how) {
    return new Given(
        OuterNames.inSource(input.name(), entry.type()),
        TypeNames.simple(input.type()),
        writing.inWords(value),
        beside(input, found.inputs().get(input)),
        how);
  }

  private String how(Input input) {
    return switch (input.source()) {
      case STATE -> setBy(input);
      case ANSWER -> Unfollowed.isThrowing(input) ? "a double does" : "a double answers";
      case RESULT -> "has to come out";
      default -> "";
    };
  }

  /** The methods that set a field, those that a test can call where there are some. */
  private String setBy(Input state) {
    if (made.isAsMade(state)) {
      return "as it is made";
    }
    String field = Made.fieldOf(state);
    String type = made.holder(state).map(o -> TypeNames.internal(o.type())).orElse("");
    Visibility visible = Visibility.ofTestOf(base, entry.type());
    List<MethodCode> open = new Setters(base, visible).writers(type, field);
    Stream<MethodCode> all =
        open.isEmpty()
            ? base.code(type).stream().flatMap(code -> code.writers(field).stream())
            : open.stream();
    List<String> writers = all.map(method -> method.node().name).distinct().limit(3).toList();
    return writers.isEmpty() ? STATE : "set by " + String.join(", ", writers);
  }

  private String literal(Input input, Object value) {
    boolean isOther = value instanceof Stand object && !object.name().equals(input.name());
    return isOther
        ? "the same as " + ((Stand) value).name()
        : Literals.of(value, input.type()).orElse(THERE);
  }

  /** The value beside one that turns a condition the other way. */
  private String beside(Input input, Object value) {
    boolean isWhole = value instanceof Integer || value instanceof Long;
    if (!isWhole || "Z".equals(input.type())) {
      return "";
    }
    for (int step : new int[] {-1, 1}) {
      Map<Input, Object> other = new HashMap<>(found.inputs());
      other.put(
          input,
          value instanceof Integer number
              ? (Object) (number + step)
              : (Object) ((Long) value + step));
      Values values = new KeptValues(other);
      for (Constraint constraint : walked.conditions().all()) {
        boolean turns =
            constraint.reason().isWritten()
                && constraint instanceof Constraint.Compared compared
                && compared.relation() != Constraint.Relation.EQUAL
                && compared.relation() != Constraint.Relation.NOT_EQUAL
                && Boolean.FALSE.equals(values.holds(constraint));
        if (turns) {
          return Literals.of(other.get(input), input.type()).orElse("")
              + " for `"
              + constraint.reason().condition()
              + "` the other way";
        }
      }
    }
    return "";
  }
}
