package harbour.office;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import harbour.berth.Berth;
import harbour.berth.BerthPlan;
import harbour.berth.Stay;
import harbour.pilot.Pilot;
import harbour.pilot.PilotRota;
import harbour.tariff.BerthTariff;
import harbour.vessel.Vessel;
import harbour.vessel.VesselType;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import org.junit.jupiter.api.Test;

class HarbourOfficeTest {
  private final Logbook logbook = new Logbook(Clock.systemUTC());
  private final BerthPlan plan = new BerthPlan(List.of(new Berth("A1", 20_000, 900, true, false)));
  private final HarbourOffice office =
      new HarbourOffice(
          plan, new BerthTariff(false), new PilotRota(new Pilot("Ines", 120)), logbook);
  private final Stay stay = new Stay(LocalDate.of(2026, 5, 4), LocalDate.of(2026, 5, 6));

  @Test
  void booksAndCallsAPilot() {
    Vessel tanker = new Vessel("Ister", VesselType.TANKER, 5_000, 700, "Husby");
    assertEquals("A1", office.arrive(tanker, stay, LocalTime.NOON).berth().name());
    assertEquals(2, logbook.size());
  }

  @Test
  void sendsAwayWhomNoPilotMayBringIn() {
    Vessel giant = new Vessel("Titan", VesselType.TANKER, 15_000, 800, "Husby");
    assertThrows(
        IllegalStateException.class, () -> office.arrive(giant, stay, LocalTime.NOON));
    assertEquals(0, plan.bookings().size());
  }

  @Test
  void collectsWhatIsDue() {
    Vessel nele = new Vessel("Nele", VesselType.YACHT, 1_100, 180, "Husby");
    office.arrive(nele, stay, LocalTime.NOON);
    assertEquals(3_960, office.depart(nele, stay));
  }
}
