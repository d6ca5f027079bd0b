package harbour.berth;

import harbour.vessel.Vessel;

/** A vessel at a berth for a stay. */
public final class Booking {
  private final Vessel vessel;
  private final Berth berth;
  private final Stay stay;

  public Booking(Vessel vessel, Berth berth, Stay stay) {
    this.vessel = vessel;
    this.berth = berth;
    this.stay = stay;
  }

  public Vessel vessel() {
    return vessel;
  }

  public Berth berth() {
    return berth;
  }

  public Stay stay() {
    return stay;
  }

  public boolean collidesWith(Berth otherBerth, Stay otherStay) {
    return berth == otherBerth && stay.overlaps(otherStay);
  }

  @Override
  public String toString() {
    return vessel.name() + " at " + berth + ", " + stay;
  }
}
