package harbour.customs;

import harbour.cargo.Manifest;
import harbour.vessel.Vessel;

/** What a vessel declares on arrival. */
public record Declaration(Vessel vessel, String lastPort, Manifest manifest, long valueInCents) {
  public boolean comesFromAbroad() {
    return !lastPort.startsWith("AM-");
  }
}
