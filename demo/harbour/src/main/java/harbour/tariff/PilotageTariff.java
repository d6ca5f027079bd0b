package harbour.tariff;

import harbour.vessel.Vessel;
import harbour.vessel.VesselType;
import java.time.LocalTime;

/** What a pilot costs. All amounts are in cents. */
public final class PilotageTariff {
  private static final long CALL_OUT = 14_000;
  private static final long PER_METRE = 310;

  public boolean isCompulsory(Vessel vessel) {
    return vessel.type() == VesselType.TANKER
        || vessel.metres() >= 60
        || vessel.type() == VesselType.FERRY && !vessel.isLocal();
  }

  public long charge(Vessel vessel, LocalTime time, boolean tug) {
    long charge = CALL_OUT + PER_METRE * vessel.metres();
    if (time.isBefore(LocalTime.of(6, 0)) || time.isAfter(LocalTime.of(22, 0))) {
      charge += charge / 2;
    }
    if (tug) {
      charge += 52_000;
    }
    return charge;
  }

  /** The surcharge for dangerous goods, in steps of the hazard class. */
  public long hazardSurcharge(int hazardClass, long tonnes) {
    if (hazardClass <= 0 || tonnes <= 0) {
      return 0;
    }
    long perTonne = hazardClass == 1 || hazardClass == 7 ? 400 : hazardClass < 4 ? 150 : 80;
    long surcharge = perTonne * tonnes;
    return Math.min(surcharge, 250_000);
  }
}
