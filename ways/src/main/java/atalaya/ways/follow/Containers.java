package atalaya.ways.follow;

import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.core.term.Term.Operator;
import atalaya.ways.code.HoldingTypes;
import atalaya.ways.code.TypeNames;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** Collections of the platform: how many elements they have, and which. */
public final class Containers implements CallRule {
  private static final Pattern QUEUEING = Pattern.compile("(add|offer|push|put)(First|Last)?");

  /** What takes no {@code null}: a test gives what does not, whatever it is declared as. */
  private static final Pattern QUEUES =
      Pattern.compile("java/util/(Queue|(Array)?Deque|PriorityQueue|concurrent/\\w*(Queue|Deque))");

  /** What leaves a container as it is. */
  private static final Pattern READING =
      Pattern.compile(
          "size|isEmpty|iterator|element|(get|peek)(First|Last)?|first|last|contains(All)?"
              + "|(lastI|i)ndexOf|to(Array|String)|hashCode|equals|(parallelS|s)tream|forEach"
              + "|ensureCapacity|trimToSize");

  /** What changes which element stands where in a list, and what changes more of it. */
  private static final Set<String> ORDERING =
      Set.of("sort", "reverse", "shuffle", "swap", "rotate");

  private static final Set<String> CHANGING = Set.of("addAll", "copy", "fill", "replaceAll");

  private static final String SIZE = ".size()";
  private static final String CONTAINS = ".contains(..)";
  private static final Pattern OF_FIELD =
      Pattern.compile("\\.(length|size\\(\\)|\\w+\\(\\.\\.\\)( the \\w+ time)?)$");

  private final Walker walker;

  /** Those that refuse to be changed, and those that only refuse to be longer or shorter. */
  private final Set<Term> unchanging = new HashSet<>();

  private final Set<Term> asLongAsTheyAre = new HashSet<>();

  /** Of which fields others are copies. */
  private final Map<Term, Term> copied = new HashMap<>();

  Containers(Walker walker) {
    this.walker = walker;
  }

  private static boolean isKnown(String owner) {
    return HoldingTypes.isCollection(owner) || owner.equals("java/util/Iterator");
  }

  /** How many elements an input has. */
  public static Term.Input size(Term.Input of, String suffix) {
    return new Term.Input(of.name() + suffix, "I", Term.Source.ELEMENT, null);
  }

  /** A new container. */
  void made(Term made, List<Term> arguments) {
    boolean isCopy = arguments.size() == 1 && !arguments.get(0).type().equals("I");
    if (!isCopy) {
      put(made, Contents.NONE);
      return;
    }
    Term from = arguments.get(0);
    if (from.type().equals("Ljava/util/Comparator;")) {
      put(made, Contents.NONE);
      return;
    }
    walker.requireThere(from);
    Term of = walker.objects.original(from);
    Term size = walker.state.fields.get(sizeOf(of));
    if (size != null) {
      walker.state.fields.put(sizeOf(made), size);
      copied.put(made, copied.getOrDefault(of, of));
    } else {
      contents(of).ifPresent(held -> put(made, held));
    }
  }

  /**
   * What makes a container of what it is given; empty for other calls, and where that is not known.
   */
  private Optional<Term> made(Call call) {
    List<Term> arguments = call.arguments();
    Optional<Contents> held =
        switch (call.owner() + "." + call.name()) {
          case "java/util/Arrays.asList" -> given(call).or(() -> Optional.of(Contents.LOST));
          case "java/util/List.of" -> given(call);
          case "java/util/Collections.singletonList", "java/util/Collections.singleton" ->
              Optional.of(Contents.of(arguments));
          case "java/util/Collections.emptyList", "java/util/Collections.emptySet" ->
              Optional.of(Contents.NONE);
          default -> Optional.empty();
        };
    return held.map(
        of -> {
          Term.Made made = walker.newObject(call.type());
          put(made, of);
          (call.name().equals("asList") ? asLongAsTheyAre : unchanging).add(made);
          return made;
        });
  }

  private Optional<Contents> given(Call call) {
    List<Term> arguments = call.arguments();
    boolean isArray = call.descriptor().startsWith("([");
    return isArray
        ? Optional.ofNullable(walker.state.elements.get(arguments.get(0))).map(Contents::of)
        : Optional.of(Contents.of(arguments));
  }

  /** What is known of what a container holds; empty for nothing. */
  private Optional<Contents> contents(Term of) {
    Contents known = walker.state.contents.get(of);
    if (known != null) {
      return Optional.of(known).filter(Contents::isKnown);
    }
    return of instanceof Term.Input input
            && input.isFree()
            && !walker.state.fields.containsKey(sizeOf(of))
        ? Optional.of(Contents.of(input))
        : Optional.empty();
  }

  /** Whether code put all together that a container holds. */
  boolean isOfCode(Term container) {
    return Optional.ofNullable(walker.state.contents.get(container))
        .flatMap(Contents::all)
        .isPresent();
  }

  private void change(Term container, Contents contents) {
    put(container, contents);
    if (container instanceof Term.Input input) {
      walker.changedInputs.add(input);
    }
  }

  private void put(Term container, Contents contents) {
    walker.state.contents.put(container, contents);
  }

  /** What a call of a container gives; empty where that is not known. */
  @Override
  public Optional<Term> call(Call call) {
    if (call.isStatic()) {
      return made(call);
    }
    return isKnown(call.owner()) ? ofContainer(call, call.given()) : Optional.empty();
  }

  private static boolean isQueueing(Call call) {
    return QUEUEING.matcher(call.name()).matches() && QUEUES.matcher(call.owner()).matches();
  }

  private Optional<Term> ofContainer(Call call, List<Term> arguments) {
    Term of = walker.objects.original(call.object());
    if (walker.state.cursors.containsKey(of)) {
      return ofIterator(call.name(), of);
    }
    if (call.name().endsWith("All") && arguments.size() == 1) {
      walker.requireThere(arguments.get(0)); // All of another: addAll, putAll, containsAll.
    }
    if (arguments.size() == 1 && isQueueing(call)) {
      walker.requireThere(arguments.get(0));
    }
    Optional<Contents> known = contents(of);
    boolean isAsked = READING.matcher(call.name()).matches();
    if (known.isPresent() && isAsked) {
      return asked(call.name(), of, known.get(), arguments);
    }
    if (!isAsked && refuses(of, call.name())) {
      put(of, Contents.LOST);
      return refused("java/lang/UnsupportedOperationException");
    }
    return known.isPresent()
        ? changed(call, of, known.get(), arguments)
        : ofField(call.name(), of, arguments);
  }

  private boolean refuses(Term container, String call) {
    return unchanging.contains(container)
        || asLongAsTheyAre.contains(container) && HoldingTypes.isWriting(call);
  }

  /** What a call gives that changes nothing; empty where that is not known. */
  private Optional<Term> asked(String name, Term of, Contents held, List<Term> arguments) {
    return switch (name) {
      case "size" -> Optional.of(size(held));
      case "isEmpty" -> Optional.of(truth(size(held), Relation.EQUAL, 0));
      case "iterator" -> Optional.of(iterator(of));
      case "get" -> at(held, arguments.get(0));
      case "getFirst", "element", "first" -> first(held);
      case "peek", "peekFirst" -> firstOrNull(held);
      case "contains" -> held.all().flatMap(all -> contains(all, arguments.get(0)));
      default -> Optional.empty();
    };
  }

  /** What a call gives that changes what a container holds; it holds something else then. */
  private Optional<Term> changed(Call call, Term of, Contents held, List<Term> given) {
    boolean isByIndex = call.descriptor().startsWith("(I");
    Optional<Integer> index = isByIndex ? index(given.get(0)) : Optional.empty();
    Optional<Term> gives = Optional.empty();
    Contents then = Contents.LOST;
    switch (call.name()) {
      case "add", "addLast", "offer", "offerLast" -> {
        then =
            isByIndex
                ? index.map(i -> held.inserting(i, given.get(1))).orElse(Contents.LOST)
                : added(of, held, given.get(0));
        gives = then.isKnown() ? Optional.of(Term.of(then.equals(held) ? 0 : 1)) : gives;
      }
      case "addFirst", "offerFirst", "push" -> {
        then = held.inserting(0, given.get(0));
        gives = Optional.of(Term.of(1));
      }
      case "addAll" -> then = isByIndex ? Contents.LOST : addedAll(of, held, given.get(0));
      case "clear" -> {
        then = Contents.NONE;
        gives = Optional.of(Term.of(0));
      }
      case "set" -> {
        gives = at(held, given.get(0));
        then =
            index
                .filter(i -> held.at(i).isPresent())
                .map(i -> held.putting(i, given.get(1)))
                .orElse(Contents.LOST);
      }
      case "remove" -> {
        if (isByIndex) {
          gives = at(held, given.get(0));
          then = index.map(held::without).orElse(Contents.LOST);
        } else if (given.isEmpty()) {
          gives = first(held);
          then = held.without(0);
        } else {
          gives = mayBeFewer(of, held);
        }
      }
      case "removeFirst", "pop" -> {
        gives = first(held);
        then = held.without(0);
      }
      case "poll", "pollFirst" -> {
        gives = firstOrNull(held);
        then = held.equals(Contents.NONE) ? held : held.without(0);
      }
      case "sort" -> {
        then = held.shuffled();
        gives = Optional.of(Term.of(0));
      }
      default -> {} // Who knows.
    }
    change(of, then);
    return gives;
  }

  /** As a rule what a test gives does not hold what is removed: whether it did. */
  private Optional<Term> mayBeFewer(Term of, Contents held) {
    if (!(of instanceof Term.Input input) || held.of() == null) {
      return Optional.empty();
    }
    String name = walker.state.numbered(input.name() + ".remove(Object)");
    Term removed = new Term.Input(name, "Z", Term.Source.RESULT, 0);
    Term size = Term.operation(Operator.SUBTRACT, "", "I", List.of(size(held), removed));
    walker.state.fields.put(sizeOf(of), size);
    return Optional.of(removed);
  }

  private Optional<Term> firstOrNull(Contents held) {
    return held.equals(Contents.NONE) ? Optional.of(Term.NULL) : first(held);
  }

  /** A set holds nothing twice, and most have an order of their own. */
  private static Contents added(Term of, Contents held, Term element) {
    if (!isSet(of)) {
      return held.adding(element);
    }
    Optional<Boolean> isIn =
        held.all().flatMap(all -> contains(all, element)).map(Term.of(1)::equals);
    return isIn.map(isThere -> isThere ? held : held.adding(element).shuffled())
        .orElse(Contents.LOST);
  }

  private Contents addedAll(Term of, Contents held, Term others) {
    Optional<Contents> more = contents(walker.objects.original(others));
    if (more.isEmpty() || !isSet(of)) {
      return more.map(held::addingAll).orElse(Contents.LOST);
    }
    Contents all = more.get().all().isEmpty() ? Contents.LOST : held;
    for (Term one : more.get().all().orElse(List.of())) {
      all = all.isKnown() ? added(of, all, one) : all;
    }
    return all;
  }

  private static boolean isSet(Term container) {
    return container.type().endsWith("Set;");
  }

  /** Whether one is among some, where that does not depend on what a test gives. */
  private static Optional<Term> contains(List<Term> all, Term one) {
    boolean isPlain = one.isConstant() && all.stream().allMatch(Term::isConstant);
    return all.isEmpty() || isPlain
        ? Optional.of(Term.of(all.contains(one) ? 1 : 0))
        : Optional.empty();
  }

  /** A constructor left a field empty; it may hold something by now. */
  void leftEmpty(Term.Input field) {
    Term size = new Term.Input(field.name() + SIZE, "I", Term.Source.STATE, 0);
    walker.state.fields.put(sizeOf(field), size);
  }

  static State.Field sizeOf(Term container) {
    return new State.Field(container, SIZE);
  }

  /** What a field gives that a constructor left empty. */
  private Optional<Term> ofField(String name, Term of, List<Term> arguments) {
    Term size = walker.state.fields.get(sizeOf(of));
    if (size == null) {
      return Optional.empty();
    }
    boolean isAsItWas = size instanceof Term.Input input && input.isFree();
    switch (name) {
      case "size" -> {
        return Optional.of(size);
      }
      case "isEmpty" -> {
        return Optional.of(truth(size, Relation.EQUAL, 0));
      }
      case "iterator" -> {
        return Optional.of(iterator(of));
      }
      case "get" -> {
        return index(arguments.get(0)).flatMap(index -> ofField(of, index, size));
      }
      case "contains" -> {
        return isAsItWas && of instanceof Term.Input field
            ? Optional.of(contained(field))
            : Optional.empty();
      }
      default -> {
        if (HoldingTypes.isWriting(name)) {
          walker.state.fields.put(sizeOf(of), Term.unknown(SIZE, "I"));
        }
        return Optional.empty();
      }
    }
  }

  private Term contained(Term.Input field) {
    String name = walker.state.numbered(field.name() + CONTAINS);
    return new Term.Input(name, "Z", Term.Source.STATE, 0);
  }

  /** The name of the field that something is known of; its own where it is no such thing. */
  public static String field(String name) {
    return OF_FIELD.matcher(name).replaceFirst("");
  }

  /** A call that was not followed may have changed what it was given. */
  void mayHaveChanged(List<Term> arguments) {
    for (Term argument : arguments) {
      Term of = walker.objects.original(argument);
      if (GivenMaps.isGiven(of)) {
        walker.state.contents.put(of, Contents.LOST);
      } else if (HoldingTypes.holdsSeveral(TypeNames.internal(of.type()))) {
        walker.state.contents.computeIfPresent(of, (container, held) -> Contents.LOST);
        walker.state.fields.computeIfPresent(sizeOf(of), (field, size) -> Term.unknown(SIZE, "I"));
      }
    }
  }

  /** What {@code java.util.Collections} does with what it is given. */
  void byCollections(String name, List<Term> arguments) {
    if (ORDERING.contains(name)) {
      walker.state.contents.computeIfPresent(
          walker.objects.original(arguments.get(0)), (container, held) -> held.shuffled());
    } else if (CHANGING.contains(name)) {
      mayHaveChanged(arguments);
    }
  }

  private Optional<Term> ofIterator(String name, Term iterator) {
    return switch (name) {
      case "hasNext" -> hasNext(iterator);
      case "next" -> next(iterator);
      case "remove" -> removed(iterator);
      default -> Optional.empty();
    };
  }

  /** An iterator removes what it gave last; before it gave anything it throws. */
  private Optional<Term> removed(Term iterator) {
    State.Cursor cursor = walker.state.cursors.get(iterator);
    if (cursor.next() == 0) {
      return refused("java/lang/IllegalStateException");
    }
    if (refuses(cursor.over(), "remove")) {
      return refused("java/lang/UnsupportedOperationException");
    }
    Optional<Contents> over = contents(cursor.over());
    if (over.isEmpty()) {
      walker.state.fields.computeIfPresent(
          sizeOf(cursor.over()), (field, size) -> Term.unknown(SIZE, "I"));
      return Optional.empty();
    }
    change(cursor.over(), over.get().without(cursor.next() - 1));
    walker.state.cursors.put(iterator, new State.Cursor(cursor.over(), cursor.next() - 1));
    return Optional.of(Term.of(0));
  }

  /** A call throws something, and gives nothing; anything where that is caught. */
  private Optional<Term> refused(String exception) {
    if (walker.isCaught()) {
      return Optional.empty();
    }
    walker.throwing(exception);
    return Optional.of(Term.of(0));
  }

  private static Term size(Contents held) {
    int known = held.before().size() + held.after().size() - held.taken();
    if (held.of() == null) {
      return Term.of(known);
    }
    Term size = size(held.of(), SIZE);
    return known == 0 ? size : Term.operation(Operator.ADD, "", "I", List.of(size, Term.of(known)));
  }

  static Term truth(Term size, Relation relation, int than) {
    if (size instanceof Term.Constant constant) {
      int count = (Integer) constant.value();
      return Term.of(relation.holds(Integer.compare(count, than)) ? 1 : 0);
    }
    Compared holds = new Compared(size, relation, Term.of(than), Reason.unwritten(0));
    return Term.either("size", "Z", holds, Term.of(1), Term.of(0));
  }

  private Term iterator(Term of) {
    Term.Made iterator = walker.newObject("Ljava/util/Iterator;");
    walker.state.cursors.put(iterator, new State.Cursor(of, 0));
    return iterator;
  }

  private Optional<Term> hasNext(Term iterator) {
    State.Cursor cursor = walker.state.cursors.get(iterator);
    return contents(cursor.over())
        .map(Containers::size)
        .or(() -> Optional.ofNullable(walker.state.fields.get(sizeOf(cursor.over()))))
        .map(size -> truth(size, Relation.GREATER, cursor.next()));
  }

  private Optional<Term> next(Term iterator) {
    State.Cursor cursor = walker.state.cursors.get(iterator);
    walker.state.cursors.put(iterator, new State.Cursor(cursor.over(), cursor.next() + 1));
    Optional<Contents> held = contents(cursor.over());
    if (held.isPresent()) {
      return at(held.get(), Term.of(cursor.next()), "java/util/NoSuchElementException");
    }
    Term size = walker.state.fields.get(sizeOf(cursor.over()));
    return size == null ? Optional.empty() : ofField(cursor.over(), cursor.next(), size);
  }

  private Optional<Term> ofField(Term container, int index, Term size) {
    return copied.getOrDefault(container, container) instanceof Term.Input input && input.isFree()
        ? Optional.of(ofInput(input, index, size))
        : Optional.empty();
  }

  private Optional<Term> first(Contents held) {
    return at(held, Term.of(0), "java/util/NoSuchElementException");
  }

  private Optional<Term> at(Contents held, Term index) {
    return at(held, index, "java/lang/IndexOutOfBoundsException");
  }

  /** An element; beyond those that are there something is thrown. */
  private Optional<Term> at(Contents held, Term index, String beyond) {
    Optional<Integer> at = index(index);
    if (at.isEmpty()) {
      return Optional.empty();
    }
    Optional<Contents.Place> place = held.at(at.get());
    if (place.isEmpty()) {
      return refused(beyond);
    }
    int inInput = place.get().index();
    Term own = inInput < 0 ? null : ofInput(held.of(), inInput, size(held.of(), SIZE));
    return Optional.of(place.get().term() == null ? own : place.get().term());
  }

  private static Optional<Integer> index(Term index) {
    return index instanceof Term.Constant constant && constant.value() instanceof Integer at
        ? Optional.of(at)
        : Optional.empty();
  }

  private Term ofInput(Term.Input input, int index, Term size) {
    Term than = Term.of(index);
    walker.require(new Compared(size, Relation.GREATER, than, Reason.unwritten(walker.line())));
    Term.Input element =
        new Term.Input(
            input.name() + "[" + index + "]", "Ljava/lang/Object;", Term.Source.ELEMENT, null);
    if (isSet(input) && !GivenMaps.isOfEntries(input)) {
      walker.distinct.isIn(input.name(), element);
    }
    return element;
  }
}
