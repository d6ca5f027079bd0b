package harbour.cargo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import org.junit.jupiter.api.Test;

class ManifestTest {
  private final Manifest manifest = new Manifest();

  @Test
  void sumsByKind() {
    manifest.add(new CargoLine("A", CargoKind.BULK, 1_000, 0, ""));
    manifest.add(new CargoLine("B", CargoKind.BULK, 500, 0, ""));
    assertEquals(1_500L, manifest.byKind().get(CargoKind.BULK));
  }

  @Test
  void weighsInBegunTonnes() {
    assertEquals(2, new CargoLine("A", CargoKind.BULK, 1_001, 0, "").tonnes());
  }

  @Test
  void weighsSomething() {
    assertThrows(
        IllegalArgumentException.class, () -> new CargoLine("A", CargoKind.BULK, -1, 0, ""));
  }
}
