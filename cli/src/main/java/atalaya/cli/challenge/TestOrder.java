package atalaya.cli.challenge;

import atalaya.core.figure.TestFigures;
import atalaya.core.mutant.Reaching;
import atalaya.trial.decide.Stage;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Which tests of a stage may notice a mutant, the likeliest and cheapest first. */
final class TestOrder {
  /** So many tests are run by themselves, before those of a class together. */
  private static final int BY_THEMSELVES = 3;

  /** Tests of less than this cost the same. */
  private static final double CHEAP_MILLIS = 5;

  /** What is set up around a test costs nothing, something or much. */
  private static final long SOMETHING_NANOS = 40_000_000L;

  private static final long MUCH_NANOS = 400_000_000L;

  /**
   * A method by number, and who entered it: constructors have one number, and each its own tests.
   */
  private record Entered(Reaching.Reached by, int method) {}

  private final Stage stage;
  private final Judges judges;
  private final List<Integer> ranked;
  private final Map<BitSet, List<Integer>> orders = new HashMap<>();
  private final Map<Entered, List<Integer>> entering = new HashMap<>();

  /**
   * Of a stage whose tests have run unmutated.
   *
   * @param tests all of the run
   * @param judges who may judge mutants
   */
  TestOrder(Stage stage, List<TestFigures> tests, Judges judges) {
    this.stage = stage;
    this.judges = judges;
    Map<Integer, TestFigures> figures = new HashMap<>();
    tests.forEach(test -> figures.put(test.test().number(), test));
    this.ranked =
        stage.unmutated().entrySet().stream()
            .filter(test -> test.getValue().isFit())
            .map(test -> figures.get(test.getKey()))
            .sorted(
                Comparator.comparingInt(this::magnitude)
                    .thenComparingInt(TestFigures::methods)
                    .thenComparingInt(test -> test.test().number()))
            .map(test -> test.test().number())
            .toList();
  }

  /**
   * Tests that cost about the same are as good as each other: what matters is what they reach. What
   * the observed run measured counts, so that the order is the same for all parts of a challenge.
   */
  private int magnitude(TestFigures test) {
    double own = 2 * Math.log10(Math.max(1, test.test().milliseconds() / CHEAP_MILLIS));
    long around = stage.around(test.test().number());
    return (int) own + (around < SOMETHING_NANOS ? 0 : around < MUCH_NANOS ? 2 : 4);
  }

  /**
   * The tests that reached something of a method, and may judge mutants.
   *
   * @param method its number
   */
  List<Integer> of(Reaching.Reached reached, int method) {
    return of(judges.of(reached, method));
  }

  /** The tests that enter a method, in the order in which they were observed. */
  List<Integer> entering(Reaching.Reached entered, int method) {
    return entering.computeIfAbsent(
        new Entered(entered, method),
        of -> List.copyOf(of(of.by(), of.method()).stream().sorted().toList()));
  }

  /** Some tests, and the others after them. */
  static List<Integer> both(List<Integer> first, List<Integer> others) {
    Set<Integer> all = new LinkedHashSet<>(first);
    all.addAll(others);
    return List.copyOf(all);
  }

  /** Those of some tests that may judge mutants. */
  List<Integer> of(BitSet wanted) {
    List<Integer> known = orders.get(wanted);
    if (known == null) {
      known = classByClass(ranked.stream().filter(wanted::get).toList());
      orders.put((BitSet) wanted.clone(), known);
    }
    return known;
  }

  /** After the first few the others class by class, in the order of each one's first. */
  private List<Integer> classByClass(List<Integer> byRank) {
    int first = Math.min(BY_THEMSELVES, byRank.size());
    Map<String, List<Integer>> byGroup = new LinkedHashMap<>();
    for (int test : byRank.subList(first, byRank.size())) {
      byGroup.computeIfAbsent(stage.group(test), g -> new ArrayList<>()).add(test);
    }
    List<Integer> order = new ArrayList<>(byRank.subList(0, first));
    byGroup.values().forEach(order::addAll);
    return List.copyOf(order); // Shared by all mutants that the same tests may notice.
  }
}
