package harbour.office;

import static org.junit.Assert.assertEquals;
import static org.junit.Assert.assertTrue;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import org.junit.Test;

public class LogbookTest {
  private final Logbook logbook =
      new Logbook(Clock.fixed(Instant.parse("2026-05-04T12:00:00Z"), ZoneOffset.UTC));

  @Test
  public void beginsEmpty() {
    assertEquals(0, logbook.size());
    assertEquals("", logbook.last());
  }

  @Test
  public void writesTheTime() {
    logbook.write("fog");
    assertEquals("2026-05-04T12:00 fog", logbook.last());
  }

  @Test
  public void finds() {
    logbook.write("fog");
    logbook.write("rain");
    assertTrue(logbook.find("rain").get(0).endsWith("rain"));
  }
}
