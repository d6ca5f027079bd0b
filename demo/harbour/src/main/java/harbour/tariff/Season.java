package harbour.tariff;

import java.time.LocalDate;

/** The seasons of the tariff. */
public enum Season {
  WINTER,
  SHOULDER,
  SUMMER;

  public static Season of(LocalDate day) {
    switch (day.getMonthValue()) {
      case 6:
      case 7:
      case 8:
        return SUMMER;
      case 4:
      case 5:
      case 9:
      case 10:
        return SHOULDER;
      default:
        return WINTER;
    }
  }

  /** In per cent of the basic rate. */
  public int rate() {
    switch (this) {
      case SUMMER:
        return 150;
      case SHOULDER:
        return 100;
      case WINTER:
        return 60;
      default:
        throw new IllegalStateException("no rate for " + this);
    }
  }
}
