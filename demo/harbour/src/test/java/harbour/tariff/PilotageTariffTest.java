package harbour.tariff;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import harbour.vessel.Vessel;
import harbour.vessel.VesselType;
import java.time.LocalTime;
import org.junit.jupiter.api.Test;

class PilotageTariffTest {
  private final PilotageTariff tariff = new PilotageTariff();
  private final Vessel tanker = new Vessel("Ister", VesselType.TANKER, 11_000, 700, "Husby");
  private final Vessel yacht = new Vessel("Nele", VesselType.YACHT, 1_100, 180, "Husby");
  private final Vessel aurora = new Vessel("Aurora", VesselType.FERRY, 4_450, 410, "Port Amaro");

  @Test
  void isCompulsoryForTankers() {
    assertTrue(tariff.isCompulsory(tanker));
  }

  @Test
  void isNotForYachtsNorForTheFerryOfTheTown() {
    assertFalse(tariff.isCompulsory(yacht));
    assertFalse(tariff.isCompulsory(aurora));
  }

  @Test
  void countsMetres() {
    assertEquals(48_100, tariff.charge(tanker, LocalTime.NOON, false));
  }

  @Test
  void costsMoreAtNight() {
    assertEquals(72_150, tariff.charge(tanker, LocalTime.of(3, 30), false));
  }

  @Test
  void countsMetresOfATanker() {
    assertEquals(48_100, tariff.charge(tanker, LocalTime.of(12, 30), false));
  }
}
