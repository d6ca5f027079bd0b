package atalaya.ways;

import atalaya.core.plan.Way;
import atalaya.core.solve.Solution;
import atalaya.core.term.Term;
import atalaya.ways.code.ClassCode;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.LikelyPassed;
import atalaya.ways.code.TypeNames;
import atalaya.ways.follow.Walked;
import atalaya.ways.write.Seen;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * A way that was found, but for what depends on what else is reached already.
 *
 * @param route the methods from one that a test can call
 * @param calls the same by their names
 * @param steps the conditions on it
 * @param setUp what has to be there
 */
record Led(
    List<Ref> route,
    List<String> calls,
    List<Way.Step> steps,
    Walked walked,
    Solution.Found found,
    Way.SetUp setUp) {

  /**
   * The way.
   *
   * @param reached the points of a class, by binary name, that are reached already
   */
  Way way(CodeBase base, Function<String, BitSet> reached) {
    LikelyPassed likely =
        new LikelyPassed(
            base, code -> !code.allPoints().intersects(reached.apply(binary(code.ref().type()))));
    walked.trace().called().forEach(likely::call);
    making(base).forEach(likely::call);
    Map<String, BitSet> points = new HashMap<>();
    for (Map<String, BitSet> some : List.of(walked.trace().points(), likely.points())) {
      some.forEach((type, all) -> points.computeIfAbsent(binary(type), t -> new BitSet()).or(all));
    }
    return new Way(
        calls,
        List.of(),
        steps,
        points,
        setUp,
        new Seen(walked, found, route.get(0)).result(deciding(reached)),
        walked.needs().doubles().size(),
        List.copyOf(walked.trace().surroundings()));
  }

  /**
   * What makes the objects that it needs, and the one that it is called on where there is one way.
   */
  private Stream<Ref> making(CodeBase base) {
    Map<Term.Input, Walked.Built> built = walked.needs().built();
    Stream<Ref> making =
        built.values().stream()
            .filter(Walked.New.class::isInstance)
            .map(made -> ((Walked.New) made).by());
    Term.Input receiver = walked.needs().receiver();
    Stream<Ref> only =
        receiver == null || built.containsKey(receiver)
            ? Stream.empty()
            : base.code(TypeNames.internal(receiver.type())).map(ClassCode::constructors).stream()
                .filter(all -> all.size() == 1)
                .map(all -> all.get(0).ref());
    return Stream.concat(making, only);
  }

  /** How many conditions are passed before the first of the route with a new outcome. */
  private int deciding(Function<String, BitSet> reached) {
    List<Walked.Passed> passed = walked.trace().steps();
    for (int i = 0; i < passed.size(); i++) {
      String type = binary(passed.get(i).type());
      int point = passed.get(i).point();
      boolean isOnRoute =
          steps.stream().anyMatch(s -> s.point() == point && s.className().equals(type));
      if (isOnRoute && !reached.apply(type).get(point)) {
        return i;
      }
    }
    return 0;
  }

  /** Whether there is code for it. */
  boolean hasCode() {
    return !setUp.code().isEmpty();
  }

  private static String binary(String type) {
    return type.replace('/', '.');
  }
}
