package atalaya.cli.render;

import atalaya.core.plan.Way;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;

/** A way in words, and those of the methods that the same test calls besides. */
final class WayParts {
  private static final String SET_TO = " is set to ";

  private WayParts() {}

  static List<Part> of(Way way) {
    if (way.also().isEmpty()) {
      return parts(way, way.calls().size() > 1 ? route(way) : "", way.setUp().givens());
    }
    List<Way> all = Stream.concat(Stream.of(way), way.also().stream()).toList();
    List<Part> parts = new ArrayList<>();
    if (way.hasCode()) {
      parts.addAll(joined(way, all.stream().filter(Way::hasCode).toList()));
    }
    parts.addAll(oneByOne(all.stream().filter(one -> !one.hasCode()).toList()));
    return parts;
  }

  /** The method that a way is for, without its class. */
  static String called(Way way) {
    return way.method().substring(way.method().indexOf('#') + 1);
  }

  private static String route(Way way) {
    return String.join(" → ", way.calls());
  }

  private static List<Part> parts(Way way, String call, List<Way.Given> givens) {
    List<Part> parts = new ArrayList<>();
    parts.addAll(Part.of("call", call.isEmpty() ? List.of() : List.of(call)));
    parts.addAll(Part.of("way", steps(way)));
    parts.addAll(Part.of("with", givens.stream().map(WayParts::given).toList()));
    parts.addAll(Part.of("code", way.setUp().code()));
    parts.addAll(Part.of("as long as", way.setUp().assumed()));
    parts.addAll(Part.of("open", way.setUp().open()));
    parts.addAll(Part.of("may fail", way.setUp().mayFail().stream().toList()));
    parts.addAll(Part.of("assert", way.result().asserts()));
    return parts;
  }

  /** The first has the code for all of them: what is given, and to what, stands there. */
  private static List<Part> joined(Way first, List<Way> all) {
    List<Part> parts = new ArrayList<>();
    parts.addAll(Part.of("way", each(all, WayParts::steps)));
    parts.addAll(
        Part.of(
            "with",
            each(all, way -> way.setUp().givens()).stream()
                .filter(given -> !given.beside().isEmpty())
                .map(WayParts::given)
                .toList()));
    parts.addAll(Part.of("code", first.setUp().code()));
    parts.addAll(Part.of("as long as", first.setUp().assumed()));
    parts.addAll(Part.of("may fail", each(all, way -> way.setUp().mayFail().stream().toList())));
    parts.addAll(
        Part.of(
            "assert",
            all.stream().map(WayParts::asserted).filter(text -> !text.isEmpty()).toList()));
    return parts;
  }

  /** In one line, with what the code gives in place of its name. */
  private static String asserted(Way way) {
    List<String> asserts = new ArrayList<>(way.result().asserts());
    for (Way.Given given : way.setUp().givens()) {
      asserts.replaceAll(
          text ->
              text.endsWith(SET_TO + given.name())
                  ? text.replace(SET_TO + given.name(), SET_TO + given.value())
                  : text);
    }
    return String.join("; ", asserts);
  }

  private static List<Part> oneByOne(List<Way> all) {
    List<Way.Given> shared = shared(all);
    List<Part> parts = new ArrayList<>();
    parts.addAll(Part.of("each with", shared.stream().map(WayParts::given).toList()));
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

  private static <T> List<T> each(List<Way> all, Function<Way, List<T>> of) {
    return all.stream().flatMap(way -> of.apply(way).stream()).toList();
  }

  private static List<String> steps(Way way) {
    return way.steps().stream()
        .map(s -> "line " + s.line() + ": `" + s.condition() + "` " + s.outcome())
        .toList();
  }

  private static String given(Way.Given given) {
    boolean isThrown = given.name().contains(" throws ") && given.value().equals("true");
    return given.name()
        + (isThrown ? "" : " = " + given.value())
        + (given.how().isEmpty() ? "" : "  (" + given.how() + ")")
        + (given.beside().isEmpty() ? "" : "; beside it " + given.beside());
  }
}
