package atalaya.core.plan;

import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Mutants;
import atalaya.core.figure.TestFigures;
import atalaya.core.gap.Gap;
import atalaya.core.mutant.Reaching;
import atalaya.core.mutant.TriedMutant;
import atalaya.core.mutant.Unnoticed;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The assertions that would notice the faults that survived in a method, and the inputs for which
 * they would make a difference.
 */
public final class SurvivorTask implements Task {
  private final Scene scene;
  private final MethodFigures method;
  private final Map<Gap, List<TriedMutant>> places;

  /**
   * Of a method.
   *
   * @param places the survivors by their gap
   */
  public SurvivorTask(Scene scene, MethodFigures method, Map<Gap, List<TriedMutant>> places) {
    this.scene = scene;
    this.method = method;
    this.places = places;
  }

  @Override
  public String name() {
    return method.qualifiedName() + " survivors";
  }

  @Override
  public double most() {
    return places.keySet().stream().mapToDouble(gap -> gain(gap) * weight()).max().orElse(0);
  }

  private double weight() {
    return scene.weight(method.path());
  }

  /** The fall of what is unchecked when the survivors of a place count as killed. */
  private double gain(Gap gap) {
    Mutants mutants = method.mutants();
    double decided = mutants.killed() + mutants.survived() + 2;
    int count = Math.min(mutants.survived(), places.get(gap).size());
    return method.complexity().value() * method.reach() * count / decided;
  }

  @Override
  public Optional<Brief> best(Work done) {
    return places.keySet().stream()
        .filter(gap -> !done.isClosed(gap.name()))
        .max(
            Comparator.comparingDouble(this::gain)
                .thenComparing(Comparator.comparingInt(Gap::line).reversed())
                .thenComparing(Comparator.comparing(Gap::name).reversed()))
        .map(gap -> brief(gap, done));
  }

  private Brief brief(Gap gap, Work done) {
    double closedBefore =
        places.keySet().stream()
            .filter(other -> done.isClosed(other.name()))
            .mapToDouble(this::gain)
            .sum();
    Optional<TestFigures> test = closest(gap);
    boolean needsInput = places.get(gap).stream().allMatch(TriedMutant::needsInput);
    List<String> changes = needsInput ? List.of("another input") : List.of();
    Brief.Start start =
        test.map(t -> new Brief.Start(t.test().name(), scene.classOf(t), true, changes))
            .orElseGet(
                () -> {
                  Scene.TestHome home = scene.home(method.className());
                  return new Brief.Start("", home.name(), home.exists(), List.of());
                });
    Effort.Base base = test.isPresent() ? Effort.Base.EXTEND : Effort.Base.NEW_TEST;
    return new Brief(
        gap.name(),
        method.path(),
        method.qualifiedName(),
        Brief.Kind.CHECK,
        Optional.empty(),
        List.of(method.qualifiedName()),
        List.of(gap.name()),
        new Brief.Opens(0, 0, 0),
        start,
        places.get(gap).stream()
            .map(tried -> "line " + tried.mutant().line() + ": " + Unnoticed.when(tried))
            .distinct()
            .toList(),
        gain(gap),
        gain(gap) * weight(),
        Effort.of(base, Way.NONE),
        method.unwatched().total() - closedBefore,
        List.of());
  }

  private Optional<TestFigures> closest(Gap gap) {
    return scene
        .code(method.className())
        .flatMap(
            code ->
                new Reaching(code, scene.reach(method.className()))
                    .line(gap.method(), gap.line()).tests().stream()
                        .mapToObj(scene::test)
                        .flatMap(Optional::stream)
                        .min(
                            Comparator.comparingInt(TestFigures::methods)
                                .thenComparingInt(t -> t.test().number())));
  }
}
