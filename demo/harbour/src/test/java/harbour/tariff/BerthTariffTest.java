package harbour.tariff;

import static org.junit.jupiter.api.Assertions.assertEquals;

import harbour.berth.Stay;
import harbour.vessel.Vessel;
import harbour.vessel.VesselType;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;

class BerthTariffTest {
  private final BerthTariff tariff = new BerthTariff(false);
  private final Vessel yacht = new Vessel("Nele", VesselType.YACHT, 1_100, 180, "Husby");

  @Test
  void chargesByTheMetre() {
    assertEquals(1_980, tariff.night(yacht, LocalDate.of(2026, 5, 4)));
  }

  @Test
  void chargesMoreInSummer() {
    assertEquals(2_970, tariff.night(yacht, LocalDate.of(2026, 7, 4)));
  }

  @Test
  void wantsThreeNightsInAdvance() {
    Stay week = new Stay(LocalDate.of(2026, 5, 4), LocalDate.of(2026, 5, 11));
    assertEquals(5_940, tariff.deposit(yacht, week));
  }
}
