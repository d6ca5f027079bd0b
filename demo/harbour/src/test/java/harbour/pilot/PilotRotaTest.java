package harbour.pilot;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import harbour.vessel.Vessel;
import harbour.vessel.VesselType;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.Test;

class PilotRotaTest {
  private final Pilot ines = new Pilot("Ines", 150);
  private final Pilot bruno = new Pilot("Bruno", 90);
  private final PilotRota rota = new PilotRota(ines, bruno);
  private final Vessel coaster = new Vessel("Brise", VesselType.CARGO, 7_900, 520, "Port Amaro");

  @RepeatedTest(2)
  void takesTurns() {
    assertEquals(ines, rota.assign(coaster).orElseThrow());
    assertEquals(bruno, rota.assign(coaster).orElseThrow());
    assertEquals("Ines, Bruno", rota.order());
  }

  @Test
  void knowsWhoMayBringHerIn() {
    Vessel giant = new Vessel("Titan", VesselType.CARGO, 20_000, 1_100, "Husby");
    assertTrue(rota.assign(giant).isEmpty());
  }
}
