package harbour.radio;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class NoticeBoardTest {
  private static final LocalDateTime NOON = LocalDateTime.parse("2026-05-04T12:00");

  private final List<String> heard = new ArrayList<>();
  private final NoticeBoard board = new NoticeBoard((channel, text) -> heard.add(channel + text));

  private static Notice notice(boolean urgent) {
    return new Notice(NOON.minusHours(1), NOON.plusHours(1), urgent, " dredging at C1");
  }

  @Test
  void readsOut() {
    board.post(notice(false));
    assertEquals(1, board.readOut(NOON));
    assertEquals(List.of("12 dredging at C1"), heard);
  }

  @Test
  void readsUrgentOnesThreeTimes() {
    board.post(notice(true));
    board.readOut(NOON);
    assertEquals(3, heard.size());
  }

  @Test
  void keepsQuietAfterwards() {
    board.post(notice(false));
    assertEquals(0, board.readOut(NOON.plusHours(3)));
  }

  @Test
  void takesDown() {
    board.post(notice(false));
    assertEquals(1, board.takeDown(NOON.plusDays(1)));
  }
}
