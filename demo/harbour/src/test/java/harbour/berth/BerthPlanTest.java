package harbour.berth;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import harbour.vessel.Vessel;
import harbour.vessel.VesselType;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

class BerthPlanTest {
  private final Berth deep = new Berth("A1", 12_000, 900, true, false);
  private final Berth shallow = new Berth("B1", 2_500, 400, false, false);
  private final Vessel yacht = new Vessel("Nele", VesselType.YACHT, 1_100, 180, "Husby");
  private final Vessel coaster = new Vessel("Brise", VesselType.CARGO, 7_900, 520, "Port Amaro");
  private BerthPlan plan;

  @BeforeEach
  void makePlan() {
    plan = new BerthPlan(List.of(deep, shallow));
  }

  private static Stay stay(int from, int to) {
    return new Stay(LocalDate.of(2026, 5, from), LocalDate.of(2026, 5, to));
  }

  @Test
  void prefersTheShallowestBerth() {
    assertEquals(shallow, plan.book(yacht, stay(1, 3), false).berth());
  }

  @Test
  void givesCargoACrane() {
    assertEquals(deep, plan.book(coaster, stay(1, 3), false).berth());
  }

  @Test
  void refusesWhenFull() {
    plan.book(coaster, stay(1, 3), false);
    assertThrows(IllegalStateException.class, () -> plan.book(coaster, stay(2, 4), false));
  }

  @Test
  void booksAgainAfterDeparture() {
    plan.book(coaster, stay(1, 3), false);
    plan.book(coaster, stay(3, 4), false);
    assertEquals(2, plan.bookings().size());
  }

  @Test
  void cancels() {
    plan.book(yacht, stay(1, 3), false);
    assertTrue(plan.cancel(yacht));
    assertTrue(plan.isFree(shallow, stay(1, 3)));
  }

  @Test
  void cancelsNobodyElse() {
    assertFalse(plan.cancel(yacht));
  }

  @Nested
  class NightsSold {
    @Test
    void countsNights() {
      plan.book(yacht, stay(1, 4), false);
      assertEquals(3, plan.nightsSold(2026, 5));
    }

    @Test
    void leavesOutOtherMonths() {
      plan.book(yacht, stay(1, 4), false);
      assertEquals(0, plan.nightsSold(2026, 7));
    }
  }
}
