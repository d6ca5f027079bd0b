package atalaya.store;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.plan.Brief;
import atalaya.core.plan.Effort;
import atalaya.core.plan.Plan;
import atalaya.core.plan.Planned;
import atalaya.core.plan.Remedy;
import atalaya.core.plan.Way;
import atalaya.store.plan.PlanFolder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PlanFolderTest {
  private static final Way WAY =
      new Way(
          List.of("harbour.Buoy#light(int)"),
          List.of(Way.NONE),
          List.of(new Way.Step("harbour.Buoy#light(int)", 4, "metres > 3", "true", 7)),
          Map.of("harbour.Buoy", BitSet.valueOf(new long[] {5, 1L << 40})),
          new Way.SetUp(
              List.of(new Way.Given("metres", "int", "4", "3 \u2260 4", "")),
              List.of("new Buoy().light(4);"),
              List.of("it throws nothing"),
              List.of("line 4"),
              Optional.of("it may fail")),
          new Way.Result(List.of("the result of light"), "Fog"),
          2,
          List.of("System.getenv"));

  private static final Planned PLANNED =
      new Planned(
          new Plan(
              List.of(brief(Brief.Kind.REACH, Optional.of(WAY)), brief(Brief.Kind.CHECK, null)),
              212.4,
              151.0 + 1e-9,
              3),
          List.of(new Remedy(Remedy.Kind.SPLIT, "harbour.Buoy#light(int)", 32, true, "lines 3-9")),
          Map.of("light-abc1234", "it cannot happen"),
          Map.of("", ""));

  @TempDir Path temporary;

  private static Brief brief(Brief.Kind kind, Optional<Way> way) {
    return new Brief(
        "light-abc1234",
        "src/Buoy.java",
        "harbour.Buoy#light(int)",
        kind,
        way == null ? Optional.empty() : way,
        List.of("harbour.Buoy#light(int)"),
        List.of("light-abc1234"),
        new Brief.Opens(3, 2, 1),
        new Brief.Start("BuoyTest.lights()", "harbour.BuoyTest", true, List.of("metres")),
        List.of("the result"),
        1.5,
        3.0,
        new Effort(2, List.of("a new test")),
        4.25,
        List.of("nothing calls it"));
  }

  @Test
  void givesBackWhatWasKept() throws IOException {
    PlanFolder folder = new PlanFolder(temporary.resolve("plans"));
    assertThat(folder.find("one")).isEmpty();
    folder.keep("one", PLANNED);
    assertThat(folder.find("one")).contains(PLANNED);
    assertThat(folder.find("other")).isEmpty();
  }

  @Test
  void makesNothingOfWhatIsDamaged() throws IOException {
    PlanFolder folder = new PlanFolder(temporary);
    folder.keep("whole", PLANNED);
    byte[] whole = Files.readAllBytes(temporary.resolve("whole.plan"));
    for (int length = 0; length < whole.length; length++) {
      Files.write(temporary.resolve("cut.plan"), Arrays.copyOf(whole, length));
      assertThat(folder.find("cut")).as("the first %d bytes", length).isEmpty();
    }
    byte[] changed = whole.clone();
    changed[whole.length / 2] ^= 1;
    Files.write(temporary.resolve("changed.plan"), changed);
    assertThat(folder.find("changed")).isEmpty();
  }

  @Test
  void keepsTheLastOnes() throws IOException {
    PlanFolder folder = new PlanFolder(temporary);
    for (int i = 0; i < 25; i++) {
      folder.keep("plan" + i, PLANNED);
      temporary.resolve("plan" + i + ".plan").toFile().setLastModified(1000L * (i + 1));
    }
    folder.keep("last", PLANNED);
    try (Stream<Path> all = Files.list(temporary)) {
      assertThat(all).hasSize(20);
    }
    assertThat(folder.find("last")).isPresent();
    assertThat(folder.find("plan24")).isPresent();
    assertThat(folder.find("plan5")).isEmpty();
  }
}
