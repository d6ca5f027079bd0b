package atalaya.java.way;

import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.MethodInsnNode;

/**
 * Maps of the platform: whether they hold anything, and what for keys that are known. Keys and
 * values stand by turns in their contents.
 */
final class Mappings {
  private static final Set<String> TYPES =
      Set.of(
          "java/util/Map",
          "java/util/SortedMap",
          "java/util/NavigableMap",
          "java/util/HashMap",
          "java/util/LinkedHashMap",
          "java/util/IdentityHashMap",
          "java/util/WeakHashMap",
          "java/util/EnumMap",
          "java/util/TreeMap",
          "java/util/concurrent/ConcurrentMap",
          "java/util/concurrent/ConcurrentHashMap",
          "java/util/concurrent/ConcurrentSkipListMap");

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

  private static final Set<String> VIEWS = Set.of("keySet", "values", "entrySet");

  private final Walker walker;

  Mappings(Walker walker) {
    this.walker = walker;
  }

  static boolean isMap(String owner) {
    return TYPES.contains(owner);
  }

  /** A new map, empty unless it is made of another one. */
  void made(Term made, MethodInsnNode constructor) {
    boolean isCopy = constructor.desc.contains("Map;");
    if (!isCopy) {
      put(made, Contents.NONE);
    }
  }

  /**
   * What a call of a map gives; empty where nothing is known of it.
   *
   * @param otherwise what it gives as far as nobody knows
   */
  Optional<Term> call(
      MethodInsnNode call, Term map, List<Term> arguments, Supplier<Term> otherwise) {
    Term of = walker.objects.original(map);
    boolean mayRefuse = arguments.stream().anyMatch(Term::isNull);
    Optional<List<Term>> known =
        Optional.ofNullable(walker.state.contents.get(of)).flatMap(Contents::all);
    if (known.isPresent() && !mayRefuse) {
      return held(call, of, known.get(), arguments);
    }
    Term size = walker.state.fields.get(Containers.sizeOf(of));
    if (size != null && !mayRefuse) {
      return ofField(call, of, size, arguments, otherwise);
    }
    lose(of, call.name);
    return Optional.empty();
  }

  /** What a map gives that code put together. */
  private Optional<Term> held(MethodInsnNode call, Term of, List<Term> all, List<Term> arguments) {
    Optional<Integer> place = arguments.isEmpty() ? Optional.of(-1) : place(all, arguments.get(0));
    Term there = place.filter(at -> at >= 0).map(at -> all.get(at + 1)).orElse(Term.NULL);
    switch (call.name) {
      case "size" -> {
        return Optional.of(Term.of(all.size() / 2));
      }
      case "isEmpty" -> {
        return Optional.of(Term.of(all.isEmpty() ? 1 : 0));
      }
      case "get" -> {
        return place.map(at -> there);
      }
      case "containsKey" -> {
        return place.map(at -> Term.of(at < 0 ? 0 : 1));
      }
      case "getOrDefault" -> {
        return place.map(at -> at < 0 ? arguments.get(1) : there);
      }
      case "put" -> {
        put(of, place.map(at -> putting(all, at, arguments)).orElse(Contents.LOST));
        return place.map(at -> there);
      }
      case "clear" -> {
        put(of, Contents.NONE);
        return Optional.empty();
      }
      default -> {
        Optional<Term> ofNothing = all.isEmpty() ? ofNothing(call) : Optional.empty();
        if (ofNothing.isEmpty()) {
          lose(of, call.name);
        }
        return ofNothing;
      }
    }
  }

  /** What an empty map gives; empty where it does not stay so. */
  private Optional<Term> ofNothing(MethodInsnNode call) {
    if (VIEWS.contains(call.name)) {
      Term view = walker.newObject(Type.getReturnType(call.desc).getDescriptor());
      put(view, Contents.NONE);
      return Optional.of(view);
    }
    boolean isTaken = call.name.equals("remove") && Type.getArgumentTypes(call.desc).length == 1;
    if (isTaken || call.name.equals("get") || NEAR.contains(call.name)) {
      return Optional.of(Term.NULL);
    }
    return call.name.startsWith("contains") ? Optional.of(Term.of(0)) : Optional.empty();
  }

  /** What a field gives that a constructor left empty. */
  private Optional<Term> ofField(
      MethodInsnNode call, Term of, Term size, List<Term> arguments, Supplier<Term> otherwise) {
    switch (call.name) {
      case "size" -> {
        return Optional.of(size);
      }
      case "isEmpty" -> {
        return Optional.of(Containers.truth(size, Relation.EQUAL, 0));
      }
      case "keySet", "values", "entrySet" -> {
        Term view = walker.newObject(Type.getReturnType(call.desc).getDescriptor());
        walker.state.fields.put(Containers.sizeOf(view), size);
        return Optional.of(view);
      }
      default -> {
        boolean isAsItWas = size instanceof Term.Input input && input.isFree();
        Optional<Term> ofNothing =
            call.name.equals("getOrDefault") ? Optional.of(arguments.get(1)) : ofNothing(call);
        lose(of, call.name);
        if (!isAsItWas || ofNothing.isEmpty()) {
          return Optional.empty();
        }
        Compared isEmpty =
            new Compared(size, Relation.EQUAL, Term.of(0), Reason.unwritten(walker.line()));
        String type = Type.getReturnType(call.desc).getDescriptor();
        return Optional.of(
            Term.either(call.name, type, isEmpty, ofNothing.get(), otherwise.get()));
      }
    }
  }

  /** After what may change it nobody knows what a map holds. */
  private void lose(Term of, String call) {
    if (CHANGING.matcher(call).matches()) {
      walker.state.contents.computeIfPresent(of, (map, held) -> Contents.LOST);
      walker.state.fields.computeIfPresent(
          Containers.sizeOf(of), (field, size) -> Term.unknown("size()", "I"));
    }
  }

  private static Contents putting(List<Term> all, int at, List<Term> pair) {
    List<Term> then = new ArrayList<>(all);
    if (at < 0) {
      then.addAll(pair);
    } else {
      then.set(at + 1, pair.get(1));
    }
    return Contents.of(then);
  }

  /** Where a key stands, or -1; empty where that depends on what a test gives. */
  private static Optional<Integer> place(List<Term> all, Term key) {
    boolean isPlain = true;
    for (int i = 0; i < all.size(); i += 2) {
      if (all.get(i).equals(key)) {
        return Optional.of(i);
      }
      isPlain &= all.get(i).isConstant() && key.isConstant();
    }
    return isPlain ? Optional.of(-1) : Optional.empty();
  }

  private void put(Term map, Contents contents) {
    walker.state.contents.put(map, contents);
  }
}
