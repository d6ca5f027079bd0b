package harbour.vessel;

import java.util.Objects;

/** A vessel as the harbour office knows her. Lengths and draughts are in centimetres. */
public final class Vessel {
  private final String name;
  private final VesselType type;
  private final int length;
  private final int draught;
  private final String homePort;

  public Vessel(String name, VesselType type, int length, int draught, String homePort) {
    if (length <= 0 || draught <= 0) {
      throw new IllegalArgumentException(
          "length and draught must be positive: " + length + ", " + draught);
    }
    this.name = Objects.requireNonNull(name);
    this.type = Objects.requireNonNull(type);
    this.length = length;
    this.draught = draught;
    this.homePort = homePort;
  }

  public String name() {
    return name;
  }

  public VesselType type() {
    return type;
  }

  public int length() {
    return length;
  }

  public int draught() {
    return draught;
  }

  public boolean isLocal() {
    return "Port Amaro".equals(homePort);
  }

  /** Begun metres of length, as tariffs count them. */
  public int metres() {
    return (length + 99) / 100;
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Vessel && ((Vessel) other).name.equals(name);
  }

  @Override
  public int hashCode() {
    return name.hashCode();
  }

  @Override
  public String toString() {
    return name + " (" + type + ", " + metres() + " m)";
  }
}
