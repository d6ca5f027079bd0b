package harbour.tariff;

import harbour.berth.Stay;
import harbour.vessel.Vessel;

/** The tariff of 2019, for stays that were booked before it changed. */
public final class LegacyTariff {
  private static final long RATE = 140;

  public Quote quote(Vessel vessel, Stay stay) {
    long berth = RATE * vessel.metres() * stay.nights();
    Quote quote = new Quote().add("berth (2019)", berth);
    if (stay.nights() > 10) {
      quote.add("long stay", -berth / 20);
    }
    return quote;
  }
}
