package harbour.customs;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import harbour.cargo.CargoKind;
import harbour.cargo.CargoLine;
import harbour.cargo.Manifest;
import harbour.vessel.Vessel;
import harbour.vessel.VesselType;
import org.junit.jupiter.api.Test;

class CustomsDeskTest {
  private final CustomsDesk desk = new CustomsDesk();
  private final Vessel coaster = new Vessel("Brise", VesselType.CARGO, 7_900, 520, "Port Amaro");

  private Declaration declaration(String lastPort, CargoKind kind, int hazardClass) {
    Manifest manifest = new Manifest();
    manifest.add(new CargoLine("KX-104", kind, 1_000, hazardClass, ""));
    return new Declaration(coaster, lastPort, manifest, 1_000_000);
  }

  @Test
  void chargesNothingFromHome() {
    assertEquals(0, desk.duty(declaration("AM-HUS", CargoKind.BULK, 0)));
  }

  @Test
  void chargesByKind() {
    assertEquals(25_000, desk.duty(declaration("NO-OSL", CargoKind.BULK, 0)));
    assertEquals(100_000, desk.duty(declaration("NO-OSL", CargoKind.VEHICLE, 0)));
  }

  @Test
  void letsHarmlessCargoPass() {
    assertFalse(desk.needsInspection(declaration("NO-OSL", CargoKind.BULK, 0)));
  }

  @Test
  void reports() {
    desk.report(declaration("NO-OSL", CargoKind.LIQUID, 3));
  }
}
