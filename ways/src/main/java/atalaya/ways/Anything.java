package atalaya.ways;

import atalaya.core.solve.Solution;
import atalaya.core.term.Term.Input;
import atalaya.ways.follow.Walked;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;

/** What a test gives where anything will do. */
final class Anything {
  private Anything() {}

  /** What the way's method and the constructors of objects are given. */
  static Stream<Input> given(Walked.Needs needs) {
    return Stream.concat(
        needs.arguments().stream(),
        needs.built().values().stream().flatMap(built -> built.arguments().stream()));
  }

  /** The same inputs, and such a text as tests pass for each that may be any, where they do. */
  static Solution.Found of(
      Walked walked, Solution.Found found, Function<Input, List<String>> texts) {
    Map<Input, Object> inputs = new LinkedHashMap<>(found.inputs());
    Stream<Input> doubted = walked.conditions().doubted().values().stream().flatMap(Set::stream);
    Stream.concat(given(walked.needs()), doubted)
        .filter(input -> !inputs.containsKey(input))
        .forEach(
            input -> texts.apply(input).stream().limit(1).forEach(text -> inputs.put(input, text)));
    return new Solution.Found(inputs, found.open(), found.doubts());
  }

  /** What code is written for otherwise. */
  static Optional<Object> usual(String type) {
    return Optional.ofNullable(
        switch (type) {
          case "Z", "B", "S", "I" -> 0;
          case "C" -> (int) 'a';
          case "J" -> 0L;
          case "F" -> 0f;
          case "D" -> 0.0;
          case "Ljava/lang/String;" -> "a";
          default -> null;
        });
  }
}
