package harbour.tide;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import harbour.vessel.Vessel;
import harbour.vessel.VesselType;
import java.time.LocalDateTime;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class TideWindowTest {
  private static final LocalDateTime HIGH = LocalDateTime.parse("2026-05-04T03:00");

  private final TideTable table = TideTable.parse("2026-05-04T03:00 400\n2026-05-04T09:00 100\n");
  private final TideWindow window = new TideWindow(table, 350);
  private final Vessel coaster = new Vessel("Brise", VesselType.CARGO, 7_900, 520, "Port Amaro");

  @Test
  void isOpenAtHighWater() {
    assertTrue(window.isOpen(coaster, HIGH));
  }

  @Test
  void isClosedAtLowWater() {
    assertFalse(window.isOpen(coaster, HIGH.plusHours(6)));
  }

  @Test
  void isOpenAtOnceWhenItIs() {
    assertEquals(Optional.of(HIGH), window.next(coaster, HIGH, 3));
  }
}
