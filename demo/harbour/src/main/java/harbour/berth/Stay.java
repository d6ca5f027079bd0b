package harbour.berth;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;

/** From one day to another; the day of departure is not part of it. */
public final class Stay {
  private final LocalDate arrival;
  private final LocalDate departure;

  public Stay(LocalDate arrival, LocalDate departure) {
    if (departure.isBefore(arrival)) {
      throw new IllegalArgumentException("departure before arrival: " + arrival + ", " + departure);
    }
    this.arrival = arrival;
    this.departure = departure;
  }

  public LocalDate arrival() {
    return arrival;
  }

  public LocalDate departure() {
    return departure;
  }

  public int nights() {
    return (int) ChronoUnit.DAYS.between(arrival, departure);
  }

  public boolean overlaps(Stay other) {
    return arrival.isBefore(other.departure) && other.arrival.isBefore(departure);
  }

  @Override
  public String toString() {
    return arrival + " to " + departure;
  }
}
