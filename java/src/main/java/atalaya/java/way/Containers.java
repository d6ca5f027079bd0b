package atalaya.java.way;

import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** Collections of the platform: how many elements they have, and which. */
final class Containers {
  private static final Set<String> TYPES =
      Set.of(
          "java/util/Collection",
          "java/util/List",
          "java/util/Set",
          "java/util/SortedSet",
          "java/util/NavigableSet",
          "java/util/Queue",
          "java/util/Deque",
          "java/lang/Iterable",
          "java/util/ArrayList",
          "java/util/LinkedList",
          "java/util/ArrayDeque",
          "java/util/HashSet",
          "java/util/LinkedHashSet",
          "java/util/TreeSet");

  private static final Set<String> LISTS =
      Set.of("java/util/List", "java/util/Collection", "java/lang/Iterable");

  /** What a test makes where a type is asked for that is not one of the plain ones. */
  private static final Map<String, String> MADE =
      Map.of(
          "java/util/Set", "HashSet",
          "java/util/SortedSet", "TreeSet",
          "java/util/NavigableSet", "TreeSet",
          "java/util/Queue", "ArrayDeque",
          "java/util/Deque", "ArrayDeque");

  /** What changes how many elements there are. */
  private static final Pattern WRITING =
      Pattern.compile("(add|offer|push|pop|poll|put|remove|retain|clear|drain|take).*");

  private static final String SIZE = ".size()";
  private static final String CONTAINS = ".contains(..)";
  private static final Pattern OF_FIELD =
      Pattern.compile("\\.(length|size\\(\\)|contains\\(\\.\\.\\)( the \\w+ time)?)$");

  private final Walker walker;

  Containers(Walker walker) {
    this.walker = walker;
  }

  static boolean isContainer(String owner) {
    return TYPES.contains(owner);
  }

  static boolean isKnown(String owner) {
    return isContainer(owner) || owner.equals("java/util/Iterator");
  }

  /** Code that makes a container of some elements. */
  static String made(String type, List<String> elements) {
    // One that is null, or an array, would be taken for all elements.
    boolean isOne = elements.size() == 1 && elements.get(0).matches("null|new [^(]*\\[.*");
    String list =
        (isOne ? "Collections.singletonList(" : "Arrays.asList(")
            + String.join(", ", elements)
            + ")";
    return LISTS.contains(type)
        ? list
        : "new "
            + MADE.getOrDefault(type, type.substring(type.lastIndexOf('/') + 1))
            + "<>("
            + list
            + ")";
  }

  /** How many elements an input has. */
  static Term.Input size(Term.Input of, String suffix) {
    return new Term.Input(of.name() + suffix, "I", Term.Source.ELEMENT, null);
  }

  private static boolean isInput(Term term) {
    return term instanceof Term.Input input && input.isFree();
  }

  /** A new container. */
  void made(Term made, List<Term> arguments) {
    boolean isCopy = arguments.size() == 1 && !arguments.get(0).type().equals("I");
    if (!isCopy) {
      walker.state.elements.put(made, new ArrayList<>());
      return;
    }
    Term from = arguments.get(0);
    if (!from.type().equals("Ljava/util/Comparator;")) {
      walker.requireThere(from);
    }
    List<Term> known = walker.state.elements.get(from);
    if (known != null) {
      walker.state.elements.put(made, new ArrayList<>(known));
    } else if (isInput(from)) {
      walker.objects.copies(made, (Term.Input) from);
      Term size = walker.state.fields.get(sizeOf(from));
      if (size != null) {
        walker.state.fields.put(sizeOf(made), size);
      }
    }
  }

  /** What a call of a container gives; empty where that is not known. */
  Optional<Term> call(String name, Term container, List<Term> arguments) {
    Term of = walker.objects.original(container);
    List<Term> known = walker.state.elements.get(of);
    Term sized = walker.state.fields.containsKey(sizeOf(container)) ? container : of;
    Optional<Term> ofField = known == null ? ofField(name, sized) : Optional.empty();
    if (ofField.isPresent()) {
      return ofField;
    }
    if (name.endsWith("All") && arguments.size() == 1) {
      walker.requireThere(arguments.get(0)); // All of another: addAll, putAll, containsAll.
    }
    return switch (name) {
      case "size" -> size(of, known);
      case "isEmpty" -> size(of, known).map(size -> truth(size, Relation.EQUAL, 0));
      case "iterator" -> iterator(sized);
      case "hasNext" -> hasNext(of);
      case "next" -> next(of);
      case "get" -> element(sized, arguments.get(0));
      case "add", "addLast", "offer" -> {
        if (known != null && arguments.size() == 1) {
          known.add(arguments.get(0));
        }
        yield Optional.of(Term.of(1));
      }
      case "contains" ->
          known != null && known.isEmpty() ? Optional.of(Term.of(0)) : Optional.empty();
      case "remove" -> arguments.isEmpty() ? removed(of) : lost(of);
      case "clear" -> {
        if (known != null) {
          known.clear();
        }
        yield Optional.of(Term.of(0));
      }
      default -> lost(of);
    };
  }

  /** A constructor left a field empty; it may hold something by now. */
  void leftEmpty(Term.Input field) {
    Term size = new Term.Input(field.name() + SIZE, "I", Term.Source.STATE, 0);
    walker.state.fields.put(sizeOf(field), size);
  }

  private static State.Field sizeOf(Term container) {
    return new State.Field(container, SIZE);
  }

  /** What a field gives that a constructor left empty. */
  private Optional<Term> ofField(String name, Term of) {
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
      case "contains" -> {
        return isAsItWas && of instanceof Term.Input field
            ? Optional.of(contained(field))
            : Optional.empty();
      }
      default -> {
        if (WRITING.matcher(name).matches()) {
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
  static String field(String name) {
    return OF_FIELD.matcher(name).replaceFirst("");
  }

  /** A call that was not followed may have changed what it was given. */
  void mayHaveChanged(List<Term> arguments) {
    for (Term argument : arguments) {
      Term of = walker.objects.original(argument);
      if (isContainer(Walker.internal(of.type()))) {
        walker.state.elements.remove(of);
        walker.state.fields.computeIfPresent(sizeOf(of), (field, size) -> Term.unknown(SIZE, "I"));
      }
    }
  }

  /** Whether a call changes how many elements something has. */
  static boolean isWriting(String owner, String name) {
    return owner.startsWith("java/util/") && WRITING.matcher(name).matches()
        || Holders.isWriting(owner, name);
  }

  private Optional<Term> lost(Term of) {
    walker.state.elements.remove(of);
    return Optional.empty();
  }

  /** An iterator removes what it gave last; before it gave anything it throws. */
  private Optional<Term> removed(Term iterator) {
    State.Cursor cursor = walker.state.cursors.get(iterator);
    if (cursor == null || cursor.next() == 0 && walker.isCaught()) {
      return lost(iterator);
    }
    List<Term> over = walker.state.elements.get(cursor.over());
    if (cursor.next() == 0) {
      walker.throwing("java/lang/IllegalStateException");
    } else if (over != null && cursor.next() <= over.size()) {
      over.remove(cursor.next() - 1);
      walker.state.cursors.put(iterator, new State.Cursor(cursor.over(), cursor.next() - 1));
    } else {
      walker.state.fields.computeIfPresent(
          sizeOf(cursor.over()), (field, size) -> Term.unknown(SIZE, "I"));
      return Optional.empty();
    }
    return Optional.of(Term.of(0));
  }

  private Optional<Term> size(Term of, List<Term> known) {
    Term ofField = walker.state.fields.get(sizeOf(of));
    if (known == null && ofField != null) {
      return Optional.of(ofField);
    }
    if (known != null) {
      return Optional.of(Term.of(known.size()));
    }
    return isInput(of) ? Optional.of(size((Term.Input) of, SIZE)) : Optional.empty();
  }

  private static Term truth(Term size, Relation relation, int than) {
    if (size instanceof Term.Constant constant) {
      int count = (Integer) constant.value();
      return Term.of(relation.holds(Integer.compare(count, than)) ? 1 : 0);
    }
    Compared holds = new Compared(size, relation, Term.of(than), Reason.unwritten(0));
    return Term.either("size", "Z", holds, Term.of(1), Term.of(0));
  }

  private Optional<Term> iterator(Term of) {
    boolean isKnown =
        walker.state.elements.containsKey(of)
            || isInput(of)
            || walker.state.fields.containsKey(sizeOf(of));
    if (!isKnown) {
      return Optional.empty();
    }
    Term.Made iterator = walker.newObject("Ljava/util/Iterator;");
    walker.state.cursors.put(iterator, new State.Cursor(of, 0));
    return Optional.of(iterator);
  }

  private Optional<Term> hasNext(Term iterator) {
    State.Cursor cursor = walker.state.cursors.get(iterator);
    if (cursor == null) {
      return Optional.empty();
    }
    return size(cursor.over(), walker.state.elements.get(cursor.over()))
        .map(size -> truth(size, Relation.GREATER, cursor.next()));
  }

  private Optional<Term> next(Term iterator) {
    State.Cursor cursor = walker.state.cursors.get(iterator);
    if (cursor == null) {
      return Optional.empty();
    }
    walker.state.cursors.put(iterator, new State.Cursor(cursor.over(), cursor.next() + 1));
    return element(cursor.over(), Term.of(cursor.next()));
  }

  private Optional<Term> element(Term container, Term index) {
    Term of = walker.objects.original(container);
    List<Term> known = walker.state.elements.get(of);
    if (!(index instanceof Term.Constant constant) || !(constant.value() instanceof Integer at)) {
      return Optional.empty();
    }
    if (known != null) {
      return at >= 0 && at < known.size() ? Optional.of(known.get(at)) : Optional.empty();
    }
    if (!isInput(of)) {
      return Optional.empty();
    }
    Term.Input input = (Term.Input) of;
    Term size = size(container, null).orElseGet(() -> size(input, SIZE));
    walker.require(new Compared(size, Relation.GREATER, index, Reason.unwritten(walker.line())));
    return Optional.of(
        new Term.Input(
            input.name() + "[" + at + "]", "Ljava/lang/Object;", Term.Source.ELEMENT, null));
  }
}
