package atalaya.core.plan;

import static atalaya.core.plan.MadeUpScene.method;
import static atalaya.core.plan.MadeUpScene.points;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import atalaya.core.gap.Gap;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a test of a way buys, where it begins, and what it costs. */
class MethodTaskTest {
  private static final String LIGHT = "Buoy#light(int)";

  /**
   * {@code light} has four lines and two conditions: eight places for a complexity of 4, so that
   * each is worth half a path. {@code paint} is not reached by anything.
   */
  private static MadeUpScene scene() {
    return new MadeUpScene()
        .with(
            "Buoy",
            method(
                "light(int)", 4, "10:0 11:1 13:2 15:3", "10:depth > 5:10:11", "13:depth > 9:12:13"),
            method("paint()", 2, "20:20 21:21"));
  }

  private static Way way(String points, String steps, String... calls) {
    List<Way.Step> all = new ArrayList<>();
    for (String step : steps.split(", ")) {
      String[] parts = step.split(":");
      all.add(new Way.Step(LIGHT, Integer.parseInt(parts[0]), parts[1], parts[2], at(parts[3])));
    }
    return new Way(
        calls.length == 0 ? List.of(LIGHT) : List.of(calls),
        List.of(),
        all,
        Map.of("Buoy", points(points)),
        Way.SetUp.NONE,
        new Way.Result(List.of(), ""),
        0,
        List.of());
  }

  private static int at(String number) {
    return Integer.parseInt(number);
  }

  private static Optional<Brief> brief(MadeUpScene scene, Way way, Work work) {
    MethodTask task =
        new MethodTask(
            scene,
            scene.figures(LIGHT).orElseThrow(),
            9,
            done -> List.of(way),
            codes -> List.of(),
            List.of("ask the harbour master"));
    return task.best(work);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        // reached before | the way's points   | gain | lines, outcomes, methods
        "                | 0 10 1             | 1.5  | 2 1 1",
        "0 10 1          | 0 11 2 13 3        | 2.0  | 2 2 0",
        "0 10 1          | 0 11 2 13 3 20 21  | 4.0  | 4 2 1",
        "0 10 1 11 2 13  | 0 11 2 12          | 0.5  | 0 1 0",
      })
  void gainsTheShareOfPathsThatItReachesFirst(
      String before, String passed, double gain, String opens) {
    MadeUpScene scene =
        scene().withTest(1, "BuoyTest.a()", 3, "Buoy", before == null ? "" : before);
    Brief brief = brief(scene, way(passed, "10:depth > 5:false:11"), new Work()).orElseThrow();
    assertThat(brief.gain()).isCloseTo(gain, within(1e-9));
    assertThat(brief.weighted()).isCloseTo(2 * gain, within(1e-9));
    assertThat(brief.after()).isCloseTo(brief.before() - gain, within(1e-9));
    Brief.Opens all = brief.opens();
    assertThat(all.lines() + " " + all.outcomes() + " " + all.methods()).isEqualTo(opens);
    assertThat(brief.notes()).containsExactly("ask the harbour master");
  }

  @Test
  void isNoBriefWhereAllIsReached() {
    MadeUpScene scene = scene().withTest(1, "BuoyTest.a()", 3, "Buoy", "0 10 1");
    assertThat(brief(scene, way("0 10 1", "10:depth > 5:true:10"), new Work())).isEmpty();
  }

  @Test
  void countsWhatChosenBriefsReachAsReached() {
    MadeUpScene scene = scene().withTest(1, "BuoyTest.a()", 3, "Buoy", "0 10 1");
    Work work = new Work();
    Way way = way("0 11 2 13 3", "10:depth > 5:false:11, 13:depth > 9:false:13");
    work.add(brief(scene, way, work).orElseThrow());
    assertThat(brief(scene, way, work)).isEmpty();
    Way other = way("0 11 2 12", "10:depth > 5:false:11, 13:depth > 9:true:12");
    Brief second = brief(scene, other, work).orElseThrow();
    assertThat(second.gain()).isCloseTo(0.5, within(1e-9));
    // The test that the first brief asks for is there to be extended.
    assertThat(second.effort().reasons()).containsExactly("extends a test");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      nullValues = "none",
      value = {
        // what tests 1 and 2 reach, their methods | has BuoyTest | test, class, changes | points
        "0 10 1, 3; 0 11 2 13, 5 | no  | WestTest.b() WestTest [`depth > 9` true] | 1",
        "0 11 2 13, 9; 0 11 2 13, 5 | no  | WestTest.b() WestTest [`depth > 9` true] | 1",
        "0 11 2 13, 5; 0 11 2 13, 5 | no  | EastTest.a() EastTest [`depth > 9` true] | 1",
        "0 10 1, 3; 0 10 1, 2 | no | WestTest.b() WestTest [`depth > 5` false, `depth > 9` true] | 1",
        "20, 3; 20 21, 2 | no  | WestTest.b() WestTest [] | 2",
        "20, 3; 20 21, 2 | yes | WestTest.b() BuoyTest [] | 2",
        "none | yes | none BuoyTest [] | 2",
        "none | no  | none BuoyTest [] | 3",
      })
  void beginsWhereLeastIsToBeChanged(String tests, String hasHome, String start, int points) {
    MadeUpScene scene = scene();
    if (hasHome.equals("yes")) {
      scene.withTestClassOf("Buoy");
    }
    if (tests != null) {
      String[] both = tests.split("; ");
      String[] names = {"EastTest.a()", "WestTest.b()"};
      for (int i = 0; i < both.length; i++) {
        String[] parts = both[i].split(", ");
        scene.withTest(i + 1, names[i], Integer.parseInt(parts[1]), "Buoy", parts[0]);
      }
    }
    Way way = way("0 11 2 12", "10:depth > 5:false:11, 13:depth > 9:true:12");
    Brief brief = brief(scene, way, new Work()).orElseThrow();
    Brief.Start from = brief.start();
    assertThat(
            (from.test().isEmpty() ? "none" : from.test())
                + " "
                + from.testClass()
                + " "
                + from.changes())
        .isEqualTo(start);
    assertThat(brief.effort().points()).isEqualTo(points);
  }

  @Test
  void isCalledAfterTheGapThatItCloses() {
    Gap gap =
        new Gap(
            "light-abc1234",
            Gap.Kind.OUTCOME,
            "Buoy.java",
            "Buoy",
            "light(int)",
            13,
            "depth > 9",
            "true",
            true,
            new Gap.Opens(0, 0, 0),
            "");
    MadeUpScene scene =
        scene().withTest(1, "BuoyTest.a()", 3, "Buoy", "0 10 1 11 2 13 3").withGap(gap);
    Way way = way("0 11 2 12", "10:depth > 5:false:11, 13:depth > 9:true:12", "Buoy#keep()", LIGHT);
    Brief brief = brief(scene, way, new Work()).orElseThrow();
    assertThat(brief.name()).isEqualTo("light-abc1234");
    assertThat(brief.closes()).containsExactly("light-abc1234");
    assertThat(brief.effort().reasons())
        .containsExactly("extends a test", "through another method");
    BitSet beside = points("0 11 2 13");
    assertThat(Reached.of(scene, new Work(), Map.of("Buoy", beside)).closed())
        .as("another outcome does not close it")
        .isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        // ways, the best first: points, what is special | most points | worth of one | taken,
        // points
        "10, 11 12, 11 13             | 9 | 0 | 10, 11 12, 11 13 = 3",
        "10, 11 12, 11 13             | 2 | 0 | 10 = 2",
        "10, 11 12, 11 13             | 9 | 2.5 | 10, 11 12, 11 13 = 3",
        "10, 11 12, 11 13             | 9 | 9 | 10 = 2",
        "10, 11 12 throws, 11 13      | 9 | 0 | 10, 11 13 = 3",
        "10, 11 12 goeson, 11 13      | 9 | 0 | 10, 11 13 = 3",
        "10, 11 12 code, 11 13 code   | 9 | 0 | 10 = 2",
        "10 throws, 11 12, 11 13      | 9 | 0 | 10 = 2",
        "10, 0, 1, 11, 2, 13, 3, 12, 4 | 9 | 0 | 10, 0, 1, 11, 2, 13, 3, 12 = 6",
      })
  void takesOtherWaysOfTheMethodInTheSameTest(
      String ways, int points, double worth, String expected) {
    MadeUpScene scene = scene().withTestClassOf("Buoy");
    List<Way> all = new ArrayList<>();
    for (String text : ways.trim().split(", ")) {
      all.add(special(text));
    }
    MethodTask task =
        new MethodTask(
            scene,
            scene.figures(LIGHT).orElseThrow(),
            9,
            done -> all.stream().filter(way -> adds(way, done)).limit(1).toList(),
            codes -> List.of(),
            List.of());
    Work work = new Work();
    Brief first = task.best(work).orElseThrow();
    Brief grown = task.grown(first, work, points, worth);
    List<String> taken = new ArrayList<>();
    taken.add(passed(grown.way().orElseThrow().steps()));
    grown.way().orElseThrow().also().forEach(way -> taken.add(passed(way.steps())));
    assertThat(String.join(", ", taken) + " = " + grown.effort().points()).isEqualTo(expected);
    assertThat(task.best(work)).as("nothing is taken for done yet").contains(first);
  }

  private static Way special(String text) {
    String points = text.replaceAll(" [a-z]+$", "");
    Way way = way(points, "10:" + points + ":true:10");
    return new Way(
        way.calls(),
        way.also(),
        way.steps(),
        way.points(),
        new Way.SetUp(
            List.of(),
            text.endsWith("code") ? List.of("light(6);") : List.of(),
            List.of(),
            List.of(),
            Optional.empty()),
        new Way.Result(
            List.of(), text.endsWith("throws") ? "Aground" : "", !text.endsWith("goeson")),
        0,
        List.of());
  }

  private static String passed(List<Way.Step> steps) {
    return steps.get(0).condition();
  }

  private static boolean adds(Way way, Work done) {
    BitSet more = (BitSet) way.points().get("Buoy").clone();
    more.andNot(done.reached("Buoy"));
    return !more.isEmpty();
  }
}
