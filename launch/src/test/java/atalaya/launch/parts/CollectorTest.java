package atalaya.launch.parts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import atalaya.core.run.ClassReach;
import atalaya.core.run.NotObserved;
import atalaya.core.run.Verdict;
import atalaya.points.Jvm;
import atalaya.points.PartWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Several JVMs make one run. */
class CollectorTest {
  private static final ClassVersion BUOY = new ClassVersion("harbour.Buoy", "aa");

  @TempDir Path folder;

  private PartWriter part(String id) throws IOException {
    Jvm jvm =
        new Jvm(id, 1, "17", "/java", "Main", "/work", List.of(), List.of(), List.of(), List.of());
    PartWriter writer = new PartWriter(folder.resolve(id + ".part").toFile(), jvm);
    writer.planted(0, BUOY.name(), BUOY.hash(), 9, "/out");
    return writer;
  }

  private static Map<Integer, BitSet> points(int... points) {
    BitSet bits = new BitSet();
    for (int point : points) {
      bits.set(point);
    }
    return Map.of(0, bits);
  }

  @Test
  void numbersTestsByTheirBeginAndJoinsWhatTheyReached() throws IOException {
    try (PartWriter one = part("one")) {
      one.reached(PartWriter.OUTSIDE, points(0));
      one.testStarted(1, "[t:late]", "late", 50);
      one.reached(1, points(1));
      one.reached(1, points(2));
      one.testEnded(1, "FAILED", 3_000_000, false);
      one.end();
    }
    try (PartWriter two = part("two")) {
      two.testStarted(1, "[t:early]", "early", 10);
      two.reached(1, points(3));
      two.testEnded(1, "PASSED", 2_000_000, true);
      two.testStarted(2, "[t:late]", "late", 60);
      two.reached(PartWriter.SOME_TEST, points(4));
      two.reached(2, points(5));
      two.notPlanted("harbour.Fog", "Unsupported class file version 120.0");
      two.notPlanted("harbour.Fog", "Unsupported class file version 120.0");
      two.end();
    }
    Files.writeString(folder.resolve("something.else"), "x");
    Collected collected = Collector.collect(folder);
    assertThat(collected.complete()).isTrue();
    assertThat(collected.jvms()).hasSize(2);
    assertThat(collected.tests())
        .extracting(t -> t.number() + " " + t.id() + " " + t.verdict() + " " + t.milliseconds())
        .containsExactly(
            "1 [t:early] PASSED 2",
            "2 [t:late] FAILED 3",
            "3 [t:late] (2) " + Verdict.UNFINISHED + " 0");
    assertThat(collected.tests().get(0).overlapped()).isTrue();
    assertThat(collected.reach().get(BUOY).byTest())
        .containsEntry(ClassReach.SOME_TEST, points(4).get(0))
        .containsEntry(ClassReach.OUTSIDE, points(0).get(0))
        .containsEntry(1, points(3).get(0))
        .containsEntry(2, points(1, 2).get(0))
        .containsEntry(3, points(5).get(0));
    assertThat(collected.problems())
        .extracting(p -> p.reason() + " " + p.what())
        .containsExactly(NotObserved.Reason.TOO_NEW + " harbour.Fog");
  }

  @Test
  void knowsWhenAJvmDidNotEndInOrder() throws IOException {
    try (PartWriter killed = part("killed")) {
      killed.reached(PartWriter.OUTSIDE, points(7));
    }
    Collected collected = Collector.collect(folder);
    assertThat(collected.complete()).isFalse();
    assertThat(collected.reach().get(BUOY).all()).isEqualTo(points(7).get(0));
  }

  @Test
  void keepsVersionsOfAClassApart() throws IOException {
    try (PartWriter one = part("one")) {
      one.planted(1, BUOY.name(), "bb", 9, "/elsewhere");
      one.reached(PartWriter.OUTSIDE, points(7));
      one.end();
    }
    Collected collected = Collector.collect(folder);
    assertThat(collected.reach()).hasSize(2);
    assertThat(collected.reach().get(new ClassVersion(BUOY.name(), "bb")).all().isEmpty()).isTrue();
  }

  @Test
  void doesNotBelieveAForeignFile() throws IOException {
    Files.writeString(folder.resolve("foreign.part"), "not a part file at all");
    assertThatThrownBy(() -> Collector.collect(folder))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("foreign.part");
    assertThat(Collector.collect(Files.createDirectory(folder.resolve("empty"))).reach()).isEmpty();
  }
}
