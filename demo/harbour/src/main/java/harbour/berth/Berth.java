package harbour.berth;

import harbour.vessel.Vessel;
import harbour.vessel.VesselType;

/** A place to lie. Lengths and depths are in centimetres, depths at chart datum. */
public final class Berth {
  private final String name;
  private final int length;
  private final int depth;
  private final boolean crane;
  private final boolean exposed;

  public Berth(String name, int length, int depth, boolean crane, boolean exposed) {
    this.name = name;
    this.length = length;
    this.depth = depth;
    this.crane = crane;
    this.exposed = exposed;
  }

  public String name() {
    return name;
  }

  public int depth() {
    return depth;
  }

  public boolean hasCrane() {
    return crane;
  }

  /** Whether a vessel fits, lies sheltered enough, and can be worked there. */
  public boolean suits(Vessel vessel, boolean galeWarning) {
    if (vessel.length() > length || vessel.draught() > depth) {
      return false;
    }
    if (exposed && (galeWarning || vessel.type() == VesselType.YACHT && vessel.length() < 800)) {
      return false;
    }
    return vessel.type() != VesselType.CARGO || crane;
  }

  @Override
  public String toString() {
    return "berth " + name;
  }
}
