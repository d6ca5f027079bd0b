package harbour.tariff;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;

class QuoteTest {
  @Test
  void writesMoney() {
    assertEquals("12.05", Quote.money(1_205));
    assertEquals("3.40", Quote.money(340));
  }

  @Test
  void addsUp() {
    Quote quote = new Quote().add("berth", 1_000).add("power", 250);
    assertEquals(1_250, quote.total());
    assertEquals(2, quote.size());
  }
}
