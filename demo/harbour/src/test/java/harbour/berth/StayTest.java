package harbour.berth;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;

class StayTest {
  private static Stay stay(int from, int to) {
    return new Stay(LocalDate.of(2026, 8, from), LocalDate.of(2026, 8, to));
  }

  @Test
  void countsNights() {
    assertEquals(4, stay(3, 7).nights());
  }

  @Test
  void mayBeADayVisit() {
    assertEquals(0, stay(3, 3).nights());
  }

  @Test
  void doesNotEndBeforeItBegins() {
    assertThrows(IllegalArgumentException.class, () -> stay(7, 3));
  }

  @Test
  void overlaps() {
    assertTrue(stay(3, 7).overlaps(stay(6, 9)));
    assertFalse(stay(3, 7).overlaps(stay(7, 9)));
  }
}
