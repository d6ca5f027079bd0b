package atalaya.agent;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the marks of classes tell of the points that were passed. */
class RoomTest {
  private static final int POINTS = 700;

  /** Straight on up to 299; there it forks: 300 to 349 and, from 299 as well, 350 to 399. */
  private static int[] before() {
    int[] before = IntStream.range(-1, POINTS - 1).toArray();
    before[350] = 299;
    Arrays.fill(before, 400, POINTS, Paths.NONE);
    return before;
  }

  private static Map<Integer, BitSet> take(Room room) {
    Map<Integer, BitSet> reached = new HashMap<>();
    room.take(reached);
    return reached;
  }

  @ParameterizedTest
  @CsvSource({
    "0, 0-0",
    "63, 0-63",
    "64, 0-64",
    "299, 0-299",
    "320, 0-320",
    "360, 0-299 350-360",
    "320 360, 0-320 350-360",
    "360 10 320, 0-320 350-360",
    "450 699, 450-450 699-699",
  })
  void aMarkTellsAllPointsOfItsPathSoFar(String marked, String passed) {
    Room room = Room.of(PlantedClass.marks(POINTS));
    int base = room.take(PlantedClass.marks(POINTS));
    room.add(7, base, new PlantedClass(before(), new int[0], new int[0]));
    for (String point : marked.split(" ")) {
      room.marks()[base + Integer.parseInt(point)] = true;
    }
    BitSet expected = new BitSet();
    for (String range : passed.split(" ")) {
      String[] ends = range.split("-");
      expected.set(Integer.parseInt(ends[0]), Integer.parseInt(ends[1]) + 1);
    }
    assertThat(take(room)).containsOnlyKeys(7).containsValue(expected);
    assertThat(take(room)).as("taken once").isEmpty();
  }

  @Test
  void classesInOneRoomKeepApart() {
    Room room = Room.of(3);
    int[] alone = {Paths.NONE, Paths.NONE};
    for (int type = 0; type < 3; type++) {
      assertThat(room.fits(3)).isTrue();
      room.add(type, room.take(3), new PlantedClass(alone, new int[0], new int[0]));
    }
    assertThat(room.fits(room.marks().length)).isFalse();
    room.marks()[3] = true;
    room.marks()[7] = true;
    Map<Integer, BitSet> expected = new HashMap<>();
    expected.put(1, BitSet.valueOf(new long[] {0b01}));
    expected.put(2, BitSet.valueOf(new long[] {0b10}));
    assertThat(take(room)).isEqualTo(expected);
  }

  @Test
  void aLargeClassIsLookedThroughToItsEnd() {
    int points = 40_000;
    int[] alone = new int[points];
    Arrays.fill(alone, Paths.NONE);
    Room room = Room.of(PlantedClass.marks(points));
    int base = room.take(PlantedClass.marks(points));
    room.add(0, base, new PlantedClass(alone, new int[0], new int[0]));
    int[] marked = {0, 16_383, 16_384, 39_999};
    BitSet expected = new BitSet();
    for (int point : marked) {
      room.marks()[base + point] = true;
      expected.set(point);
    }
    room.marks()[base + points] = true;
    assertThat(take(room)).containsOnlyKeys(0).containsValue(expected);
    room.marks()[base + points] = true;
    assertThat(take(room)).as("where nothing was passed").isEmpty();
  }
}
