package atalaya.agent;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.boot.Reach;
import atalaya.points.Jvm;
import atalaya.points.PartReader;
import java.io.File;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a test framework says, and to whom what is reached meanwhile belongs. */
class TestClockTest {
  @TempDir File folder;

  private TestClock clock;
  private Recorder recorder;

  @BeforeEach
  void start() {
    Reach.table = new boolean[1][];
    int[] before = new int[10];
    Arrays.fill(before, Paths.NONE);
    PlantedClass type = new PlantedClass(before, new int[0], new int[0]);
    recorder = new Recorder(folder, false, Collections.emptySet(), () -> {});
    recorder.room(0, PlantedClass.marks(10), true);
    recorder.planted(0, "harbour.Buoy", "ab", type, "/out");
    clock = new TestClock(recorder);
  }

  private void reach(int point) {
    Reach.table[0][point] = true;
  }

  private void begin(String id) {
    clock.started("platform", id, id, true);
  }

  private void end(String id, String status) {
    clock.finished("platform", id, true, status);
  }

  private List<String> records() throws Exception {
    recorder.end();
    List<String> heard = new ArrayList<>();
    PartReader.read(
        folder.listFiles()[0],
        new PartReader.Sink() {
          @Override
          public void jvm(Jvm jvm) {}

          @Override
          public void planted(int number, String name, String hash, int points, String place) {}

          @Override
          public void notPlanted(String name, String reason) {}

          @Override
          public void testStarted(int number, String id, String name, long millis) {
            heard.add(number + "=" + id);
          }

          @Override
          public void testEnded(int number, String verdict, long nanos, boolean overlapped) {
            heard.add(number + " " + verdict + (overlapped ? " overlapped" : ""));
          }

          @Override
          public void reached(int test, int classNumber, BitSet points) {
            heard.add(test + ":" + points);
          }
        });
    return heard;
  }

  @Test
  void keepsTestsApartFromEachOtherAndFromWhatIsOutside() throws Exception {
    reach(0);
    begin("a");
    reach(1);
    end("a", "SUCCESSFUL");
    reach(2);
    begin("b");
    reach(1);
    end("b", "FAILED");
    clock.skipped("platform", "c", "c", true);
    clock.started("platform", "good", "x", false);
    clock.finished("platform", "good", false, "SUCCESSFUL");
    clock.finished("platform", "bad", false, "FAILED");
    assertThat(records())
        .containsExactly(
            "1=a",
            "0:{0}",
            "1:{1}",
            "1 PASSED",
            "2=b",
            "0:{2}",
            "2:{1}",
            "2 FAILED",
            "3=c",
            "3 SKIPPED",
            "4=bad",
            "4 FAILED");
  }

  @Test
  void givesATestWhatRunsWithinIt() throws Exception {
    begin("outer");
    begin("inner");
    reach(1);
    end("inner", "FAILED");
    reach(2);
    end("outer", "SUCCESSFUL");
    assertThat(records()).containsExactly("1=outer", "1:{1, 2}", "1 PASSED");
  }

  @Test
  void givesNobodyWhatSeveralReachAtOnce() throws Exception {
    begin("a");
    reach(1);
    Thread other = new Thread(() -> begin("b"));
    other.start();
    other.join();
    reach(2);
    end("a", "SUCCESSFUL");
    reach(3);
    Thread again = new Thread(() -> end("b", "SUCCESSFUL"));
    again.start();
    again.join();
    assertThat(records())
        .containsExactly(
            "1=a", "2=b", "1:{1}", "-1:{2}", "1 PASSED overlapped", "2:{3}", "2 PASSED overlapped");
  }

  @Test
  void numbersOccurrencesAndTakesTheFrameworkThatKnowsMore() throws Exception {
    clock.started("notifier", "t(C)", "t(C)", true);
    clock.failed("notifier", "t(C)");
    clock.finished("notifier", "t(C)", true, "SUCCESSFUL");
    clock.started("notifier", "t(C)", "t(C)", true);
    clock.finished("notifier", "t(C)", true, "SUCCESSFUL");
    clock.started("platform", "container", "container", false);
    clock.started("notifier", "u(C)", "u(C)", true);
    begin("u");
    end("u", "ABORTED");
    clock.finished("notifier", "u(C)", true, "SUCCESSFUL");
    assertThat(records())
        .containsExactly("1=t(C)", "1 FAILED", "2=t(C) (2)", "2 PASSED", "3=u", "3 SKIPPED");
  }
}
