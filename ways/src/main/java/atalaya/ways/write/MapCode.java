package atalaya.ways.write;

import atalaya.core.solve.Solution;
import atalaya.core.term.Stand;
import atalaya.core.term.Term;
import atalaya.core.term.Term.Input;
import atalaya.core.term.Values;
import atalaya.ways.code.HoldingTypes;
import atalaya.ways.code.Literals;
import atalaya.ways.code.TypeNames;
import atalaya.ways.follow.GivenMaps;
import atalaya.ways.follow.Walked;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** How a test makes a map with what a way asks of it. */
final class MapCode {
  private static final String OBJECT = "Ljava/lang/Object;";
  private static final String TEXT = "Ljava/lang/String;";

  /** In place of any object that is the same at several places. */
  static final String ANY_TEXT = "\"a\"";

  private static final String ANY_OBJECT = "new Object()";

  /** What is equal to what is written in the same way. */
  private static final Pattern PLAIN = Pattern.compile("\".*\"|'.*'|-?[\\d.]+[Lfd]?");

  /** A larger one is not written out. */
  private static final int MOST = 20;

  /** Those whose entries stand in the order in which they were put in. */
  private static final Set<String> ORDERED =
      Set.of("java/util/Map", "java/util/HashMap", "java/util/LinkedHashMap");

  /** What is made for those of which there are no objects. */
  private static final Map<String, String> MADE =
      Map.of(
          "java/util/Map", "HashMap",
          "java/util/SortedMap", "TreeMap",
          "java/util/NavigableMap", "TreeMap",
          "java/util/concurrent/ConcurrentMap", "ConcurrentHashMap");

  private final Walked.Needs needs;
  private final Solution.Found found;
  private final Made made;
  private final Statements statements;
  private final BiFunction<Input, Input, String> element;

  /**
   * For a way.
   *
   * @param made is told what is made
   * @param statements are told what has several entries
   * @param element gives the code of a key or a value of a map
   */
  MapCode(
      Walked.Needs needs,
      Solution.Found found,
      Made made,
      Statements statements,
      BiFunction<Input, Input, String> element) {
    this.needs = needs;
    this.found = found;
    this.made = made;
    this.statements = statements;
    this.element = element;
  }

  /** What is put into a map, by key. */
  private final class Entries {
    private final Input map;
    private final Map<Object, String> codes = new LinkedHashMap<>();
    private final Map<Object, String> values = new LinkedHashMap<>();
    private final Set<Object> missing = new HashSet<>();
    private boolean isSound = true;
    private boolean isPlaced;

    /** Whether something is missing by a key that may be any. */
    private boolean lacksAny;

    Entries(Input map) {
      this.map = map;
    }

    void add(Object key, Optional<String> code, Optional<String> value) {
      boolean isNew = key != null && code.isPresent() && !codes.containsKey(key);
      isSound &= isNew;
      if (isNew) {
        codes.put(key, code.get());
        value.ifPresent(one -> values.put(key, one));
      }
    }

    /** What stands in the views, in their order. */
    void addPlaced(int many) {
      for (int i = 0; i < many; i++) {
        Optional<Input> key = first(i, "keySet()[%d]", "entrySet()[%d].getKey()");
        Optional<Input> value = first(i, "values()[%d]", "entrySet()[%d].getValue()");
        isPlaced |= key.isPresent() || value.isPresent();
        Object of = key.map(found.inputs()::get).orElse(null);
        if (key.isPresent()) {
          add(of, key.map(one -> element.apply(map, one)), value.map(this::coded));
          settled.add(key.get());
        } else if (value.isPresent()) {
          addAny(value.map(this::coded));
        }
        value.ifPresent(settled::add);
      }
    }

    private Optional<Input> first(int at, String... names) {
      return Stream.of(names)
          .map(name -> map.name() + "." + String.format(name, at))
          .flatMap(name -> named(name).stream())
          .findFirst();
    }

    /** The code of a value; where all that is asked is that it is there, any of its type. */
    private String coded(Input value) {
      String code = element.apply(map, value);
      if (!code.equals(ANY_OBJECT)) {
        return code;
      }
      isSound &= found.inputs().keySet().stream().noneMatch(one -> isTypeOf(one, value));
      Optional<String> usual = held(map, 1).flatMap(Literals::usual).filter(c -> !c.equals("null"));
      isSound &= usual.isPresent() || held(map, 1).isEmpty();
      return usual.orElse(ANY_TEXT);
    }

    /** What is asked for by keys. */
    void addAsked(Map<Input, Term> asked, Values values) {
      asked.forEach(
          (of, key) -> named(of.name()).ifPresent(value -> addAsked(key, values.of(key), value)));
      isSound &= missing.stream().noneMatch(codes::containsKey) && !(lacksAny && !codes.isEmpty());
    }

    private void addAsked(Term by, Object key, Input value) {
      settled.add(value);
      boolean isAny = key == Values.UNDECIDED;
      Optional<String> code =
          isAny
              ? Optional.of(by)
                  .filter(Input.class::isInstance)
                  .map(one -> element.apply(map, (Input) one))
                  .filter(PLAIN.asMatchPredicate())
              : Literals.of(key, by.type());
      Object known = isAny ? code : key;
      isSound &= key != null && !isAny || ORDERED.contains(TypeNames.internal(map.type()));
      if (found.inputs().get(value) == null) {
        missing.add(known);
        lacksAny |= isAny;
      } else if (codes.containsKey(known) && !values.containsKey(known)) {
        values.put(known, coded(value));
      } else {
        isSound &= !isAny || code.filter(codes.values()::contains).isEmpty();
        add(known, code, Optional.of(coded(value)));
      }
    }

    /** One of which nothing is asked, or not by which key. */
    void addAny(Optional<String> value) {
      boolean isOfTexts =
          held(map, 0)
              .map(TEXT::equals)
              .orElse(codes.keySet().stream().allMatch(String.class::isInstance));
      Object key =
          IntStream.range(0, MOST)
              .mapToObj(
                  i -> isOfTexts ? (Object) String.valueOf((char) ('a' + i)) : (Object) (i + 1))
              .filter(one -> !codes.containsKey(one) && !missing.contains(one))
              .findFirst()
              .orElse(null);
      boolean isOfNumbers = held(map, 0).filter("Ljava/lang/Integer;"::equals).isPresent();
      isSound &= isOfTexts || isOfNumbers;
      add(key, Literals.of(key, isOfTexts ? TEXT : "I"), value);
    }

    /** What is told of each; where anything may stand for a key, a text does. */
    List<String> pairs() {
      String any = held(map, 1).isPresent() ? "null" : ANY_TEXT;
      String usual =
          held(map, 1)
              .flatMap(Literals::usual)
              .or(() -> values.values().stream().findFirst())
              .orElse(any);
      return codes.keySet().stream()
          .map(key -> codes.get(key) + ", " + values.getOrDefault(key, usual))
          .toList();
    }
  }

  private final Map<Input, List<String>> held = new LinkedHashMap<>();

  /** What comes of the map that is made now, if it can be made. */
  private final List<Input> settled = new ArrayList<>();

  /** The types of keys and values, by their descriptors, are known. */
  void isOf(Input map, List<String> types) {
    held.put(map, types);
  }

  private Optional<String> held(Input map, int at) {
    return held.getOrDefault(map, List.of()).stream()
        .skip(at)
        .findFirst()
        .filter(t -> !t.isEmpty());
  }

  /** What has a name, under the type by which most is asked of it. */
  private Optional<Input> named(String name) {
    List<Input> all =
        found.inputs().keySet().stream().filter(one -> one.name().equals(name)).toList();
    all.forEach(settled::add);
    return all.stream()
        .filter(one -> !(found.inputs().get(one) instanceof Stand))
        .findFirst()
        .or(() -> all.stream().findFirst());
  }

  /** Empty for what is no map, or is not asked for anything. */
  Optional<String> of(Input map) {
    String type = TypeNames.internal(map.type());
    String known = made.code(map);
    if (known != null && !known.isEmpty()) {
      return Optional.of(known);
    }
    if (!HoldingTypes.isMap(type) || map.source() != Term.Source.ARGUMENT) {
      return Optional.empty();
    }
    settled.clear();
    List<Input> sizes =
        Stream.concat(
                Stream.of(GivenMaps.size(map)),
                GivenMaps.VIEWS.stream().map(view -> GivenMaps.size(GivenMaps.view(map, view, ""))))
            .filter(found.inputs()::containsKey)
            .toList();
    sizes.forEach(settled::add);
    found.inputs().keySet().stream().filter(one -> isOfView(map, one)).forEach(settled::add);
    List<Object> asked = sizes.stream().map(found.inputs()::get).distinct().toList();
    Entries entries = new Entries(map);
    entries.addPlaced(MOST);
    entries.addAsked(needs.mapped().getOrDefault(map, Map.of()), new Values(found.inputs()));
    if (settled.isEmpty()) {
      return Optional.empty();
    }
    int many = asked.isEmpty() ? entries.codes.size() : (Integer) asked.get(0);
    while (entries.isSound && entries.codes.size() < Math.min(many, MOST)) {
      entries.addAny(Optional.empty());
    }
    boolean isWhole = asked.size() <= 1 && entries.codes.size() == many && entries.isSound;
    boolean hasOrder = !entries.isPlaced || many < 2 || ORDERED.contains(type);
    if (!isWhole || !hasOrder) {
      return Optional.empty();
    }
    settled.forEach(made::along);
    String code = code(map, type, entries.pairs(), entries.isPlaced);
    made.by(code, map);
    return Optional.of(code);
  }

  /** Whether something of any type is asked for only as a key. */
  boolean isAnyKey(Input input) {
    return input.type().equals(OBJECT)
        && !found.inputs().containsKey(input)
        && needs.mapped().values().stream().anyMatch(of -> of.containsValue(input));
  }

  /** Whether it stands for what type a value is of. */
  private static boolean isTypeOf(Input one, Input value) {
    return one.name().startsWith(value.name() + " ");
  }

  /** Whether it is a view of a map, or an entry in one: both are there with the map. */
  private static boolean isOfView(Input map, Input one) {
    String part =
        one.name().startsWith(map.name() + ".")
            ? one.name().substring(map.name().length() + 1)
            : "";
    return part.matches("(keySet|values)\\(\\)|entrySet\\(\\)(\\[\\d+])?");
  }

  private String code(Input map, String type, List<String> pairs, boolean isPlaced) {
    String plain = MADE.getOrDefault(type, type.substring(type.lastIndexOf('/') + 1));
    if (pairs.size() < 2) {
      String only = pairs.isEmpty() ? "" : "Collections.singletonMap(" + pairs.get(0) + ")";
      return "new " + plain + "<>(" + only + ")";
    }
    String making =
        "new " + (isPlaced && ORDERED.contains(type) ? "LinkedHashMap" : plain) + "<>()";
    String types =
        held(map, 0)
            .flatMap(
                key -> held(map, 1).map(value -> "<" + simple(key) + ", " + simple(value) + ">"))
            .orElse("");
    List<String> calls = pairs.stream().map(pair -> "put(" + pair + ")").toList();
    return statements.named(map.name(), TypeNames.simple(map.type()) + types, making, calls);
  }

  private static String simple(String type) {
    return TypeNames.simple(type);
  }
}
