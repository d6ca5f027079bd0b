package atalaya.core.plan;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * A path from the entry of a method that a test can call to an exit ({@code docs/measures.md},
 * section 9).
 *
 * @param calls the methods on it, qualified, from the one that a test calls to the one that the way
 *     is for
 * @param also further ways that the same test takes: of the same method with other values, or of
 *     other methods; mostly none
 * @param steps the conditions on it and how each has to come out, in order
 * @param points what it reaches, by binary name of the class; of methods that it calls and nothing
 *     entered yet what the way with fewest conditions through them does
 * @param setUp what leads there
 * @param result what is to be seen at its end
 * @param doubles how many arguments need a test double, at least 0
 * @param surroundings what it depends on besides arguments: clock, chance, environment, files
 */
public record Way(
    List<String> calls,
    List<Way> also,
    List<Step> steps,
    Map<String, BitSet> points,
    SetUp setUp,
    Result result,
    int doubles,
    List<String> surroundings) {
  /** Where there is none. */
  public static final Way NONE =
      new Way(
          List.of(),
          List.of(),
          List.of(),
          Map.of(),
          SetUp.NONE,
          new Result(List.of(), ""),
          0,
          List.of());

  public Way {
    calls = List.copyOf(calls);
    also = List.copyOf(also);
    steps = List.copyOf(steps);
    points = Map.copyOf(points);
    surroundings = List.copyOf(surroundings);
  }

  /**
   * Several ways, of one method or of several, which one test takes one after the other: first
   * those with code, which the first has for all of them, and of these at last what may throw.
   *
   * @param joined makes the statements of each into those of one test
   */
  public static Way together(List<Way> ways, Function<List<List<String>>, List<String>> joined) {
    if (ways.size() == 1) {
      return ways.get(0);
    }
    List<Way> coded =
        ways.stream()
            .filter(Way::hasCode)
            .sorted(Comparator.comparing((Way way) -> !way.result().isFollowed()))
            .toList();
    List<Way> all = new ArrayList<>(coded);
    ways.stream().filter(way -> !way.hasCode()).forEach(all::add);
    Map<String, BitSet> points = new HashMap<>();
    for (Way way : ways) {
      way.points().forEach((type, of) -> points.computeIfAbsent(type, t -> new BitSet()).or(of));
    }
    Way first = all.get(0);
    SetUp setUp = first.setUp();
    if (!coded.isEmpty()) {
      List<String> code = joined.apply(coded.stream().map(way -> way.setUp().code()).toList());
      setUp = setUp.withCode(code, all(coded, way -> way.setUp().assumed()));
    }
    return new Way(
        first.calls(),
        all.subList(1, all.size()),
        first.steps(),
        points,
        setUp,
        first.result(),
        ways.stream().mapToInt(Way::doubles).max().orElse(0),
        all(ways, Way::surroundings));
  }

  /** Whether the same test takes further ways of the same method, and of no other. */
  public boolean isRepeated() {
    return !also.isEmpty() && also.stream().allMatch(way -> way.method().equals(method()));
  }

  /** Whether there is code for it. */
  public boolean hasCode() {
    return !setUp.code().isEmpty();
  }

  private static <T> List<T> all(List<Way> ways, Function<Way, List<T>> of) {
    return ways.stream().flatMap(way -> of.apply(way).stream()).distinct().toList();
  }

  /**
   * A condition on a way.
   *
   * @param method qualified
   * @param point that marks the outcome, in the class
   */
  public record Step(String method, int line, String condition, String outcome, int point) {
    /** The binary name of its class. */
    public String className() {
      return method.substring(0, method.indexOf('#'));
    }
  }

  /**
   * What leads to a way.
   *
   * @param givens what has which value
   * @param code statements in Java that make the objects and call the entry; empty when some of it
   *     can't be made
   * @param assumed what the code rests on that could not be found out: that calls give something,
   *     and throw nothing
   * @param open what has to hold besides, and could not be decided
   * @param mayFail what can go wrong on it that nobody wrote a check for; empty for most
   * @param byHand the binary names of classes of which a person has to make an object
   */
  public record SetUp(
      List<Given> givens,
      List<String> code,
      List<String> assumed,
      List<String> open,
      Optional<String> mayFail,
      List<String> byHand) {
    /** Where nothing could be found out. */
    public static final SetUp NONE =
        new SetUp(List.of(), List.of(), List.of(), List.of(), Optional.empty());

    public SetUp {
      givens = List.copyOf(givens);
      code = List.copyOf(code);
      assumed = List.copyOf(assumed);
      open = List.copyOf(open);
      byHand = List.copyOf(byHand);
    }

    /** With nothing that a person has to make. */
    public SetUp(
        List<Given> givens,
        List<String> code,
        List<String> assumed,
        List<String> open,
        Optional<String> mayFail) {
      this(givens, code, assumed, open, mayFail, List.of());
    }

    SetUp withCode(List<String> other, List<String> assumedForIt) {
      return new SetUp(givens, other, assumedForIt, open, mayFail, byHand);
    }
  }

  /**
   * A value that leads to a way.
   *
   * @param name what has it
   * @param type simple
   * @param value as Java has it
   * @param beside the value beside it that leads elsewhere, in words; empty where there is none
   * @param how by which it comes to be there; empty for an argument, unless conditions on it are
   *     open
   */
  public record Given(String name, String type, String value, String beside, String how) {}

  /**
   * What is to be seen at the end of a way, in words.
   *
   * @param asserts what a test can look at, the likeliest first
   * @param thrown the simple name of the exception that it ends with, or empty
   * @param isFollowed whether it is known how it ends; it may throw, else
   */
  public record Result(List<String> asserts, String thrown, boolean isFollowed) {
    public Result {
      asserts = List.copyOf(asserts);
    }

    /** Of a way that was followed to its end. */
    public Result(List<String> asserts, String thrown) {
      this(asserts, thrown, true);
    }
  }

  /** The method that a test calls, qualified. */
  public String entry() {
    return calls.get(0);
  }

  /** The method that the way is for, qualified. */
  public String method() {
    return calls.get(calls.size() - 1);
  }
}
