package harbour.tariff;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.LocalDate;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SeasonTest {
  @ParameterizedTest
  @CsvSource({"1, WINTER, 60", "4, SHOULDER, 100", "7, SUMMER, 150", "10, SHOULDER, 100"})
  void hasARate(int month, Season season, int rate) {
    assertEquals(season, Season.of(LocalDate.of(2026, month, 15)));
    assertEquals(rate, season.rate());
  }
}
