package harbour.vessel;

/** What a vessel is used for; it decides tariffs, pilotage and where she may lie. */
public enum VesselType {
  CARGO("C"),
  TANKER("T"),
  FISHING("F"),
  FERRY("R"),
  YACHT("Y");

  private final String code;

  VesselType(String code) {
    this.code = code;
  }

  public String code() {
    return code;
  }

  public boolean isCommercial() {
    return this != YACHT;
  }

  public static VesselType ofCode(String code) {
    for (VesselType type : values()) {
      if (type.code.equals(code)) {
        return type;
      }
    }
    throw new IllegalArgumentException("unknown vessel type: " + code);
  }
}
