package harbour.vessel;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class VesselTest {
  private final Vessel aurora = new Vessel("Aurora", VesselType.FERRY, 8_450, 410, "Port Amaro");

  @Test
  void countsBegunMetres() {
    assertEquals(85, aurora.metres());
  }

  @Test
  void isLocalInPortAmaro() {
    assertTrue(aurora.isLocal());
    assertFalse(new Vessel("Nele", VesselType.YACHT, 900, 150, "Husby").isLocal());
  }

  @Test
  void isWhatHerNameSays() {
    assertEquals(aurora, new Vessel("Aurora", VesselType.FERRY, 8_450, 410, null));
    assertEquals(aurora.hashCode(), "Aurora".hashCode());
  }

  @Test
  void hasALength() {
    assertThrows(
        IllegalArgumentException.class, () -> new Vessel("Ghost", VesselType.YACHT, 0, 100, ""));
  }

  @ParameterizedTest
  @CsvSource({"C, CARGO", "T, TANKER", "F, FISHING", "R, FERRY", "Y, YACHT"})
  void hasATypeByCode(String code, VesselType type) {
    assertEquals(type, VesselType.ofCode(code));
    assertEquals(code, type.code());
  }
}
