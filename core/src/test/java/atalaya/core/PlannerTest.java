package atalaya.core;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.plan.Brief;
import atalaya.core.plan.Effort;
import atalaya.core.plan.Limits;
import atalaya.core.plan.Plan;
import atalaya.core.plan.Planner;
import atalaya.core.plan.Task;
import atalaya.core.plan.Way;
import atalaya.core.plan.Work;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Which briefs are chosen, in which order. */
class PlannerTest {
  /** A method with several briefs, of which each is left once the ones before it are written. */
  private static final class Briefs implements Task {
    private final String name;
    private final List<double[]> left = new ArrayList<>();

    /** Of {@code gain/points gain/points+gain/points ...}, where some grow. */
    Briefs(String name, String text) {
      this.name = name;
      for (String brief : text.split(" ")) {
        left.add(Arrays.stream(brief.split("[/+]")).mapToDouble(Double::parseDouble).toArray());
      }
    }

    @Override
    public String name() {
      return name;
    }

    @Override
    public double most() {
      return 100;
    }

    @Override
    public boolean isFirst() {
      return name.equals("first");
    }

    @Override
    public Optional<Brief> best(Work done) {
      for (int i = 0; i < left.size(); i++) {
        if (!done.isClosed(name + (i + 1))) {
          return Optional.of(brief(name + (i + 1), left.get(i)[0], (int) left.get(i)[1]));
        }
      }
      return Optional.empty();
    }

    @Override
    public Brief grown(Brief brief, Work done, int points, double worth) {
      double[] of = left.get(Integer.parseInt(brief.name().substring(name.length())) - 1);
      return of.length > 2 && of[2] >= worth * of[3]
          ? brief(brief.name() + "+", of[0] + of[2], (int) (of[1] + of[3]))
          : brief;
    }
  }

  private static Brief brief(String name, double gain, int points) {
    return new Brief(
        name,
        "Buoy.java",
        "harbour.Buoy#" + name,
        Brief.Kind.CHECK,
        Optional.empty(),
        List.of(),
        List.of(name.replace("+", "")),
        new Brief.Opens(1, 1, 0),
        new Brief.Start("", "BuoyTest", true, List.of()),
        List.of(),
        gain,
        gain,
        new Effort(points, List.of("a new test")),
        20,
        List.of());
  }

  @ParameterizedTest
  @CsvSource({
    // briefs of a; of b; points; tests; plan
    "8/2 1/1, 5/1, 100, 100, b1 a1 a2",
    "8/2 1/1, 5/1, 100, 2, b1 a1",
    "8/2 1/1, 5/1, 2, 100, a1", // b1 and a2 together gain 6
    "8/2 6/1, 5/1, 3, 100, b1 a1",
    "4/1, 4/1, 100, 100, a1 b1", // equal ones in a fixed order
    "1/1 9/1, 2/1, 100, 100, b1 a1 a2", // what stands behind is not known before
    "9/4, 1/1, 3, 100, b1",
    "8/2, 5/1 1/1, 3, 100, b1 a1",
    "10/3 1/1, 8/2, 4, 100, a1 a2", // after the single best one comes what still fits
    "9/4, 1/1, 0, 100, ''",
    "8/2 1/1, 5/1, 2147483647, 2, a1 b1", // tests are scarce, and not their effort
    "5/1+2/1, 4/1, 2, 100, a1 b1", // grows by nothing that is worth less than the next
    "5/1+8/2, 3/1, 3, 100, a1+",
    "5/1+2/1, 6/1, 2147483647, 2, a1+ b1",
  })
  void choosesWhatBuysMost(String a, String b, int points, int tests, String expected) {
    Limits limits =
        new Limits(
            points,
            tests,
            Double.POSITIVE_INFINITY,
            Integer.MAX_VALUE,
            points == Integer.MAX_VALUE);
    Plan plan = Planner.plan(List.of(new Briefs("b", b), new Briefs("a", a)), limits, 30);
    assertThat(String.join(" ", plan.briefs().stream().map(Brief::name).toList()))
        .isEqualTo(expected);
    double gain = plan.briefs().stream().mapToDouble(Brief::gain).sum();
    assertThat(plan.before() - plan.after()).isEqualTo(gain);
    assertThat(plan.points()).isLessThanOrEqualTo(points);
  }

  @Test
  void looksAtFirstOnesBesidesTheMostOfOthers() {
    List<Task> tasks = new ArrayList<>();
    IntStream.rangeClosed(0, Planner.MOST_TASKS).forEach(i -> tasks.add(new Briefs("a", "1/1")));
    tasks.add(new Briefs("first", "5/1"));
    Plan plan = Planner.plan(tasks, Limits.ofTests(1), 200);
    assertThat(plan.briefs()).extracting(Brief::name).containsExactly("first1");
    assertThat(plan.passedOver()).isEqualTo(1);
  }

  @ParameterizedTest
  @CsvSource({
    "EXTEND, 0, a, no, none, 1",
    "NEW_TEST, 2, b a, no, none, 5",
    "NEW_CLASS, 0, a, yes, b c d, 4",
    "NEW_TEST, 0, a, no, b c d e f g h i j, 4",
    "EXTEND, 0, a, no, a, 2",
    "NEW_TEST, 1, a, no, a a a, 5"
  })
  void countsEffort(
      Effort.Base base, int doubles, String calls, String surroundings, String also, int points) {
    List<Way> further =
        also.equals("none")
            ? List.of()
            : Arrays.stream(also.split(" ")).map(to -> way(0, to, "no", List.of())).toList();
    assertThat(Effort.of(base, way(doubles, calls, surroundings, further)).points())
        .isEqualTo(points);
  }

  private static Way way(int doubles, String calls, String surroundings, List<Way> also) {
    return new Way(
        List.of(calls.split(" ")),
        also,
        List.of(),
        Map.of(),
        Way.SetUp.NONE,
        new Way.Result(List.of(), ""),
        doubles,
        surroundings.equals("yes") ? List.of("Clock.now") : List.of());
  }
}
