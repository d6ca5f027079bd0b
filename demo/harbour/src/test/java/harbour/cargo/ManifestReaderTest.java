package harbour.cargo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.StringReader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ManifestReaderTest {
  private static Manifest read(String text) throws IOException {
    return new ManifestReader().read(new StringReader(text));
  }

  @Test
  void readsALot() throws IOException {
    Manifest manifest = read("KX-104; container; 18.4 t");
    assertEquals(1, manifest.lines().size());
    assertEquals(18_400, manifest.kilograms());
  }

  @Test
  void readsHazardClasses() throws IOException {
    Manifest manifest = read("# agent: Lund\nKX-104; oil; 18 t; 3; paint\n");
    assertEquals(3, manifest.worstHazardClass());
    assertEquals("paint", manifest.lines().get(0).note());
  }

  @Test
  void hasNoProblemsWithGoodLines() throws IOException {
    assertTrue(read("KX-104; bulk; 120000 kg\n\n").problems().isEmpty());
  }

  @ParameterizedTest
  @CsvSource({"12 t, 12000", "350 kg, 350", "7, 7"})
  void readsWeights(String text, long kilograms) {
    assertEquals(kilograms, ManifestReader.weight(text));
  }
}
