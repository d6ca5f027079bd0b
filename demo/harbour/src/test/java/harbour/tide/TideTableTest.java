package harbour.tide;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDateTime;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TideTableTest {
  private static final String MAY = "# Port Amaro\n2026-05-04T03:00 400\n2026-05-04T09:00 100\n";

  private final TideTable table = TideTable.parse(MAY);

  @Test
  void readsLines() {
    assertEquals(2, table.size());
  }

  @ParameterizedTest
  @CsvSource({
    "2026-05-04T03:00, 400",
    "2026-05-04T05:00, 325",
    "2026-05-04T06:00, 250",
    "2026-05-04T07:00, 175",
    "2026-05-04T09:00, 100"
  })
  void knowsTheHeight(LocalDateTime time, int height) {
    assertEquals(height, table.heightAt(time));
  }

  @Test
  void knowsNothingOutside() {
    assertThrows(
        IllegalArgumentException.class,
        () -> table.heightAt(LocalDateTime.parse("2026-05-03T23:00")));
  }

  @Test
  void falls() {
    assertTrue(!table.isRising(LocalDateTime.parse("2026-05-04T05:00")));
  }
}
