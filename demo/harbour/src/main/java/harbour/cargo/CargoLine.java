package harbour.cargo;

/** One line of a manifest. */
public record CargoLine(String mark, CargoKind kind, long kilograms, int hazardClass, String note) {
  public CargoLine {
    if (kilograms < 0) {
      throw new IllegalArgumentException("weight must not be negative: " + kilograms);
    }
  }

  public boolean isDangerous() {
    return hazardClass > 0;
  }

  public long tonnes() {
    return (kilograms + 999) / 1000;
  }
}
