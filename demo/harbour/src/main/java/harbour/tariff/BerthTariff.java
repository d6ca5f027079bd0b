package harbour.tariff;

import harbour.berth.Stay;
import harbour.vessel.Vessel;
import harbour.vessel.VesselType;
import java.time.DayOfWeek;
import java.time.LocalDate;

/** What a berth costs. All amounts are in cents. */
public final class BerthTariff {
  private static final long BASIC_RATE = 180;
  private static final long SHORE_POWER = 450;
  private static final long WASTE = 1_200;

  private final boolean festival;

  public BerthTariff(boolean festival) {
    this.festival = festival;
  }

  /** The basic charge of one night. */
  public long night(Vessel vessel, LocalDate night) {
    return BASIC_RATE * vessel.metres() * Season.of(night).rate() / 100;
  }

  /** The full quote for a stay, by the harbour's tariff of 2026. */
  public Quote quote(Vessel vessel, Stay stay, boolean shorePower, int crew, String voucher) {
    Quote quote = new Quote();
    long berth = 0;
    int weekends = 0;
    for (LocalDate day = stay.arrival(); day.isBefore(stay.departure()); day = day.plusDays(1)) {
      long night = night(vessel, day);
      if (day.getDayOfWeek() == DayOfWeek.FRIDAY || day.getDayOfWeek() == DayOfWeek.SATURDAY) {
        weekends++;
        if (Season.of(day) == Season.SUMMER && !vessel.type().isCommercial()) {
          night += night / 4;
        }
      }
      if (festival && day.getMonthValue() == 7 && day.getDayOfMonth() >= 14) {
        night += day.getDayOfMonth() <= 17 ? night / 2 : 0;
      }
      berth += night;
    }
    quote.add("berth, " + stay.nights() + " nights", berth);

    if (stay.nights() >= 28) {
      quote.add("monthly rate", -berth * 30 / 100);
    } else if (stay.nights() >= 7) {
      quote.add("weekly rate", -berth / 10);
    } else if (stay.nights() == 0) {
      quote.add("day visit", BASIC_RATE * vessel.metres() / 2);
    }

    switch (vessel.type()) {
      case TANKER:
        quote.add("fire watch", 25_000L * Math.max(1, stay.nights()));
        if (vessel.metres() > 90) {
          quote.add("second fire watch", 18_000L * Math.max(1, stay.nights()));
        }
        break;
      case FISHING:
        if (vessel.isLocal()) {
          quote.add("home fleet", -berth / 2);
        }
        break;
      case FERRY:
        quote.add("ramp", 9_500L * stay.nights());
        break;
      default:
        break;
    }

    if (shorePower) {
      long power = SHORE_POWER * stay.nights() * (vessel.metres() > 20 ? 3 : 1);
      quote.add("shore power", vessel.type() == VesselType.YACHT ? power : power * 2);
    }
    if (crew > 0 && vessel.type() == VesselType.YACHT) {
      quote.add("visitors' tax", 120L * crew * stay.nights());
    }
    if (stay.nights() > 2 || vessel.type().isCommercial()) {
      quote.add("waste", WASTE + (vessel.metres() > 40 ? WASTE * 2 : 0));
    }
    if (voucher != null && !voucher.isBlank()) {
      if (voucher.startsWith("CLUB") && !vessel.type().isCommercial()) {
        quote.add("club members", -berth * 15 / 100);
      } else if (voucher.startsWith("RACE") && weekends > 0) {
        quote.add("regatta", -berth / 5);
      } else {
        throw new IllegalArgumentException("voucher not valid here: " + voucher);
      }
    }
    return quote;
  }

  /** What is due before a vessel may leave. */
  public long deposit(Vessel vessel, Stay stay) {
    long perNight = night(vessel, stay.arrival());
    return stay.nights() > 3
        ? perNight * 3
        : vessel.isLocal()
            ? 0
            : perNight
                * Math.max(
                    1,
                    stay.nights());
  }
}
