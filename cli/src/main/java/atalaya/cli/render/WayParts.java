package atalaya.cli.render;

import atalaya.core.plan.Way;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** A way in words, and what else the same test takes. */
final class WayParts {
  private static final String SET_TO = " is set to ";

  private WayParts() {}

  static List<Part> of(Way way) {
    if (way.also().isEmpty()) {
      return parts(way, way.calls().size() > 1 ? route(way) : "", way.setUp().givens());
    }
    List<Way> all = Stream.concat(Stream.of(way), way.also().stream()).toList();
    List<Way> uncoded = all.stream().filter(one -> !one.hasCode()).toList();
    List<Part> parts = new ArrayList<>();
    if (way.hasCode()) {
      parts.addAll(joined(way.setUp(), all.stream().filter(Way::hasCode).toList()));
    }
    parts.addAll(way.isRepeated() ? repeated(uncoded) : oneByOne(uncoded));
    return parts;
  }

  /** In one line what the same test takes besides a way. */
  static Optional<String> also(Way way) {
    if (way.isRepeated()) {
      return Optional.of(way.also().size() + 1 + " ways through it in one test");
    }
    List<String> called =
        way.also().stream()
            .map(WayParts::called)
            .filter(name -> !name.equals(called(way)))
            .distinct()
            .toList();
    return called.isEmpty()
        ? Optional.empty()
        : Optional.of("and with it " + String.join(", ", called));
  }

  /** The method that a way is for, without its class. */
  private static String called(Way way) {
    return way.method().substring(way.method().indexOf('#') + 1);
  }

  private static String route(Way way) {
    return String.join(" → ", way.calls());
  }

  private static List<Part> parts(Way way, String call, List<Way.Given> givens) {
    List<Part> parts = new ArrayList<>();
    parts.addAll(Part.of("call", call.isEmpty() ? List.of() : List.of(call)));
    parts.addAll(Part.of("way", steps(way)));
    parts.addAll(Part.of("with", Givens.told(givens)));
    parts.addAll(Part.of("code", way.setUp().code()));
    parts.addAll(Part.of("as long as", way.setUp().assumed()));
    parts.addAll(Part.of("open", way.setUp().open()));
    parts.addAll(Part.of("may fail", way.setUp().mayFail().stream().toList()));
    parts.addAll(Part.of("assert", way.result().asserts()));
    return parts;
  }

  /**
   * Those on which something is asked one after the other, of each method the others against its
   * first; then what else is called.
   *
   * @param whole the code for all of them: what is given, and to what, stands there
   */
  private static List<Part> joined(Way.SetUp whole, List<Way> all) {
    List<String> code = whole.code();
    boolean hasOneEach = code.size() == all.size();
    boolean areSeveral = all.stream().map(Way::method).distinct().count() > 1;
    boolean isOne = all.stream().filter(way -> !asksNothing(way)).count() == 1;
    Map<String, Numbered> firsts = new HashMap<>();
    List<String> otherCode = new ArrayList<>();
    List<String> otherAsserts = new ArrayList<>();
    List<Part> parts = new ArrayList<>(areSeveral ? List.of() : throughOthers(all.get(0)));
    int number = 0;
    for (int i = 0; i < all.size(); i++) {
      Way way = all.get(i);
      List<String> steps = steps(way);
      List<String> its = hasOneEach ? List.of(code.get(i)) : List.of();
      if (asksNothing(way)) {
        otherCode.addAll(its);
        otherAsserts.addAll(asserted(way).stream().toList());
        continue;
      }
      number++;
      Numbered first = firsts.putIfAbsent(way.method(), new Numbered(number, steps));
      List<String> told = first == null ? steps : otherwise(first, steps);
      String label = isOne ? "way" : "way " + number;
      parts.addAll(Part.of(label, areSeveral ? inCall(shortest(way, all), told) : told));
      parts.addAll(Part.of("with", toldWithCode(way)));
      parts.addAll(Part.of("code", its));
      parts.addAll(Part.of("may fail", way.setUp().mayFail().stream().toList()));
      parts.addAll(Part.of("assert", asserted(way).stream().toList()));
    }
    parts.addAll(Part.of("code", hasOneEach ? otherCode : code));
    parts.addAll(Part.of("assert", otherAsserts));
    parts.addAll(Part.of("as long as", whole.assumed()));
    return parts;
  }

  private static boolean asksNothing(Way way) {
    return way.steps().isEmpty() && toldWithCode(way).isEmpty();
  }

  /** A way that has a number, by its conditions. */
  private record Numbered(int number, List<String> steps) {}

  private static List<Part> throughOthers(Way way) {
    return Part.of("call", way.calls().size() > 1 ? List.of(route(way)) : List.of());
  }

  /** Ways of one method without code: of all but the first what is not as in the first. */
  private static List<Part> repeated(List<Way> all) {
    List<Way.Given> shared = shared(all);
    List<Part> parts = new ArrayList<>();
    for (int i = 0; i < all.size(); i++) {
      Way way = all.get(i);
      Way.SetUp setUp = way.setUp();
      if (i == 0) {
        parts.addAll(throughOthers(way));
        parts.addAll(Part.of("each with", Givens.told(shared)));
      }
      Numbered first = new Numbered(1, steps(all.get(0)));
      parts.addAll(Part.of("way " + (i + 1), i == 0 ? steps(way) : otherwise(first, steps(way))));
      parts.addAll(
          Part.of(
              "with",
              Givens.told(
                  setUp.givens().stream().filter(given -> !shared.contains(given)).toList())));
      parts.addAll(Part.of("as long as", setUp.assumed()));
      parts.addAll(Part.of("open", setUp.open()));
      parts.addAll(Part.of("assert", way.result().asserts()));
    }
    return parts;
  }

  /** What is called, in front of the first. */
  private static List<String> inCall(String call, List<String> texts) {
    List<String> told = new ArrayList<>(texts.isEmpty() ? List.of(call) : texts);
    if (!texts.isEmpty()) {
      told.set(0, call + ", " + texts.get(0));
    }
    return told;
  }

  /** The name of the method that a way is for, with its parameters where others are called so. */
  private static String shortest(Way way, List<Way> all) {
    String whole = called(way);
    String name = whole.replaceAll("\\(.*", "");
    boolean isAlone =
        all.stream()
            .map(WayParts::called)
            .noneMatch(other -> other.startsWith(name + "(") && !other.equals(whole));
    return isAlone ? name : whole;
  }

  private static List<String> toldWithCode(Way way) {
    return Givens.told(way.setUp().givens().stream().filter(WayParts::isToldWithCode).toList());
  }

  /** In one line, with what the code gives in place of its name. */
  private static Optional<String> asserted(Way way) {
    List<String> asserts = new ArrayList<>(way.result().asserts());
    for (Way.Given given : way.setUp().givens()) {
      asserts.replaceAll(
          text ->
              text.endsWith(SET_TO + given.name())
                  ? text.replace(SET_TO + given.name(), SET_TO + given.value())
                  : text);
    }
    return asserts.isEmpty() ? Optional.empty() : Optional.of(String.join("; ", asserts));
  }

  /** The steps from where they are not those of the first way any more. */
  private static List<String> otherwise(Numbered first, List<String> steps) {
    int same = 0;
    int most = Math.min(first.steps().size(), steps.size());
    while (same < most && steps.get(same).equals(first.steps().get(same))) {
      same++;
    }
    if (same < 2) {
      return steps;
    }
    List<String> otherwise =
        new ArrayList<>(List.of("the first " + same + " conditions of way " + first.number()));
    otherwise.addAll(steps.subList(same, steps.size()));
    return otherwise;
  }

  /** What code gives stands there; what would lead elsewhere does not. */
  private static boolean isToldWithCode(Way.Given given) {
    return !given.beside().isEmpty();
  }

  private static List<Part> oneByOne(List<Way> all) {
    List<Way.Given> shared = shared(all);
    List<Part> parts = new ArrayList<>();
    parts.addAll(Part.of("each with", Givens.told(shared)));
    for (Way way : all) {
      List<Way.Given> own =
          way.setUp().givens().stream().filter(given -> !shared.contains(given)).toList();
      parts.addAll(parts(way, way.calls().size() > 1 ? route(way) : called(way), own));
    }
    return parts;
  }

  /** What each of several ways needs. */
  private static List<Way.Given> shared(List<Way> all) {
    return all.size() < 2
        ? List.of()
        : all.get(0).setUp().givens().stream()
            .filter(given -> all.stream().allMatch(way -> way.setUp().givens().contains(given)))
            .toList();
  }

  private static List<String> steps(Way way) {
    return way.steps().stream()
        .map(s -> "line " + s.line() + ": `" + s.condition() + "` " + s.outcome())
        .toList();
  }
}
