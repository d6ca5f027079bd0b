package atalaya.points;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PartFileTest {
  @TempDir Path folder;

  private static final class Heard implements PartReader.Sink {
    final List<String> records = new ArrayList<>();

    @Override
    public void jvm(Jvm jvm) {
      records.add("jvm " + jvm.id + " " + jvm.options + " " + jvm.classPath);
    }

    @Override
    public void planted(int number, String name, String hash, int points, String location) {
      records.add("planted " + number + " " + name + " " + hash + " " + points + " " + location);
    }

    @Override
    public void notPlanted(String name, String reason) {
      records.add("not planted " + name + " " + reason);
    }

    @Override
    public void testStarted(int number, String id, String name, long millis) {
      records.add("started " + number + " " + id + " " + name + " " + millis);
    }

    @Override
    public void testEnded(int number, String verdict, long nanos, boolean overlapped) {
      records.add("ended " + number + " " + verdict + " " + nanos + " " + overlapped);
    }

    @Override
    public void reached(int test, int classNumber, BitSet points) {
      records.add("reached " + test + " " + classNumber + " " + points);
    }
  }

  private File write() throws IOException {
    File file = folder.resolve("a.part").toFile();
    Jvm jvm =
        new Jvm(
            "j",
            1,
            "17",
            "/java",
            "Main",
            "/work",
            Arrays.asList("-ea"),
            Arrays.asList("a"),
            Arrays.asList("basedir=/b"),
            Arrays.asList("PORT=7"));
    try (PartWriter writer = new PartWriter(file, jvm)) {
      writer.planted(0, "harbour.Buoy", "ab12", 70, "/out");
      writer.notPlanted("harbour.Fog", "too large");
      writer.testStarted(1, "[t:ü]", "lights", 5);
      writer.reached(1, Collections.singletonMap(0, BitSet.valueOf(new long[] {5, 1})));
      writer.end();
      writer.testEnded(1, "PASSED", 99, true);
    }
    return file;
  }

  private static final List<String> WHOLE =
      Arrays.asList(
          "jvm j [-ea] [a]",
          "planted 0 harbour.Buoy ab12 70 /out",
          "not planted harbour.Fog too large",
          "started 1 [t:ü] lights 5",
          "reached 1 0 {0, 2, 64}",
          "ended 1 PASSED 99 true");

  /** Type, length, number, text of six letters with its length, nanoseconds, truth, checksum. */
  private static final int LAST_RECORD = 1 + 4 + 4 + 4 + 6 + 8 + 1 + 4;

  @Test
  void comesBackAsItWasWritten() throws IOException {
    Heard heard = new Heard();
    assertThat(PartReader.read(write(), heard)).isTrue();
    assertThat(heard.records).isEqualTo(WHOLE);
  }

  @Test
  void losesNothingButTheLastRecordWhenItIsCutAnywhere() throws IOException {
    byte[] bytes = Files.readAllBytes(write().toPath());
    File cut = folder.resolve("cut.part").toFile();
    int before = 0;
    for (int length = 0; length < bytes.length; length++) {
      Files.write(cut.toPath(), Arrays.copyOf(bytes, length));
      Heard heard = new Heard();
      assertThat(PartReader.read(cut, heard))
          .as("ended in order at %d", length)
          .isEqualTo(length >= bytes.length - LAST_RECORD);
      assertThat(heard.records).isEqualTo(WHOLE.subList(0, heard.records.size()));
      assertThat(heard.records.size()).isGreaterThanOrEqualTo(before);
      before = heard.records.size();
    }
    assertThat(before).isEqualTo(WHOLE.size() - 1);
  }

  @Test
  void believesNoDamagedRecord() throws IOException {
    byte[] bytes = Files.readAllBytes(write().toPath());
    for (int at = 8; at < bytes.length; at += 3) {
      byte[] damaged = bytes.clone();
      damaged[at] ^= 0x40;
      File file = folder.resolve("damaged.part").toFile();
      Files.write(file.toPath(), damaged);
      Heard heard = new Heard();
      assertThat(PartReader.read(file, heard)).isEqualTo(at >= damaged.length - LAST_RECORD);
      assertThat(heard.records).isEqualTo(WHOLE.subList(0, heard.records.size()));
    }
  }

  @Test
  void isToldFromOtherFiles() throws IOException {
    File other = folder.resolve("other.part").toFile();
    Files.write(other.toPath(), "something else".getBytes());
    assertThatThrownBy(() -> PartReader.read(other, new Heard()))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("no part file");
  }
}
