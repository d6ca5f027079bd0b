package atalaya.core.plan;

import static atalaya.core.MadeUpMutants.tried;
import static atalaya.core.plan.MadeUpScene.method;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Mutants;
import atalaya.core.gap.Survivors;
import atalaya.core.mutant.Fate;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What the survivors of a method ask for. */
class SurvivorTaskTest {
  private static final String ALL = "0 1 2 3 10 11 12 13";

  private static MadeUpScene scene() {
    return new MadeUpScene()
        .with(
            "Buoy",
            method(
                "light(int)",
                4,
                "10:0 11:1 13:2 15:3",
                "10:depth > 5:10:11",
                "13:depth > 9:12:13"));
  }

  private static SurvivorTask task(MadeUpScene scene) {
    MethodFigures light = scene.figures("Buoy#light(int)").orElseThrow().with(new Mutants(3, 3));
    return new SurvivorTask(
        scene,
        light,
        Survivors.places(
            List.of(
                tried(13, "depth > 9", "depth >= 9", Fate.SURVIVED, 0),
                tried(11, "fee + 1", "fee - 1", Fate.SURVIVED, 7),
                tried(11, "fee + 1", "fee", Fate.SURVIVED, 0))));
  }

  @Test
  void isAnAssertionOrAnotherInputPlaceByPlace() {
    MadeUpScene scene =
        scene()
            .withTest(1, "EastTest.a()", 9, "Buoy", ALL)
            .withTest(2, "WestTest.b()", 5, "Buoy", ALL);
    SurvivorTask task = task(scene);
    Work work = new Work();
    // 4 paths, all reached; of three killed and three survived with two more, two or one.
    assertThat(task.most()).isCloseTo(2 * 1.0, within(1e-9));

    Brief first = task.best(work).orElseThrow();
    assertThat(first.kind()).isEqualTo(Brief.Kind.CHECK);
    assertThat(first.gain()).isCloseTo(1.0, within(1e-9));
    assertThat(first.weighted()).isCloseTo(2.0, within(1e-9));
    assertThat(first.missing())
        .containsExactly(
            "line 11: `fee + 1` is `fee - 1`", "line 11: `fee + 1` is `fee` (needs another input)");
    assertThat(first.start())
        .as("the one that reaches least else is asked for more")
        .isEqualTo(new Brief.Start("WestTest.b()", "WestTest", true, List.of()));
    assertThat(first.effort().points()).isEqualTo(1);

    work.add(first);
    Brief second = task.best(work).orElseThrow();
    assertThat(second.gain()).isCloseTo(0.5, within(1e-9));
    assertThat(second.before()).isCloseTo(first.after(), within(1e-9));
    assertThat(second.missing())
        .containsExactly("line 13: `depth > 9` is `depth >= 9` (needs another input)");
    assertThat(second.start().changes()).containsExactly("another input");

    work.add(second);
    assertThat(task.best(work)).isEmpty();
  }

  @Test
  void isANewTestWhereNoneReachesIt() {
    Brief brief = task(scene().withTestClassOf("Buoy")).best(new Work()).orElseThrow();
    assertThat(brief.start()).isEqualTo(new Brief.Start("", "BuoyTest", true, List.of()));
    assertThat(brief.effort().points()).isEqualTo(2);
  }
}
