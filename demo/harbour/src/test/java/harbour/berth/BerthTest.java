package harbour.berth;

import static org.junit.jupiter.api.Assertions.assertEquals;

import harbour.vessel.Vessel;
import harbour.vessel.VesselType;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class BerthTest {
  private final Berth sheltered = new Berth("B1", 2_500, 400, false, false);

  private static Vessel yacht(int length, int draught) {
    return new Vessel("Nele", VesselType.YACHT, length, draught, "Husby");
  }

  @Test
  @DisplayName("a yacht that fits may lie in a sheltered berth")
  void suitsAYacht() {
    assertEquals(true, sheltered.suits(yacht(1_100, 180), false));
  }

  @Test
  @DisplayName("a yacht that is too long may not")
  void doesNotSuitALongOne() {
    assertEquals(false, sheltered.suits(yacht(2_600, 180), false));
  }

  @Test
  void saysItsName() {
    assertEquals("berth B1", sheltered.toString());
    assertEquals("B1", sheltered.name());
  }
}
