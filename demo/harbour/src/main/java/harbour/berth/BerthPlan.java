package harbour.berth;

import harbour.vessel.Vessel;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Who lies where, and when. */
public final class BerthPlan {
  private final List<Berth> berths;
  private final List<Booking> bookings = new ArrayList<>();

  public BerthPlan(List<Berth> berths) {
    this.berths = new ArrayList<>(berths);
  }

  public List<Booking> bookings() {
    return List.copyOf(bookings);
  }

  /** The shallowest free berth that suits, so that deep ones stay free for those who need them. */
  public Optional<Berth> find(Vessel vessel, Stay stay, boolean galeWarning) {
    return berths.stream()
        .filter(berth -> berth.suits(vessel, galeWarning))
        .filter(berth -> isFree(berth, stay))
        .min(Comparator.comparingInt(Berth::depth));
  }

  public Booking book(Vessel vessel, Stay stay, boolean galeWarning) {
    Berth berth =
        find(vessel, stay, galeWarning)
            .orElseThrow(() -> new IllegalStateException("no berth for " + vessel + ", " + stay));
    Booking booking = new Booking(vessel, berth, stay);
    bookings.add(booking);
    return booking;
  }

  public boolean cancel(Vessel vessel) {
    return bookings.removeIf(booking -> booking.vessel().equals(vessel));
  }

  public boolean isFree(Berth berth, Stay stay) {
    for (Booking booking : bookings) {
      if (booking.collidesWith(berth, stay)) {
        return false;
      }
    }
    return true;
  }

  /** Berth nights sold in a month. */
  public int nightsSold(int year, int month) {
    LocalDate first = LocalDate.of(year, month, 1);
    Stay wholeMonth = new Stay(first, first.plusMonths(1));
    int nights = 0;
    for (Booking booking : bookings) {
      if (!booking.stay().overlaps(wholeMonth)) {
        continue;
      }
      LocalDate day = booking.stay().arrival();
      while (day.isBefore(booking.stay().departure())) {
        if (day.getYear() == year && day.getMonthValue() == month) {
          nights++;
        }
        day = day.plusDays(1);
      }
    }
    return nights;
  }

  /** Moves bookings together so that the longest free stretch of berths gets longer. */
  public int compact() {
    int moved = 0;
    List<Booking> before = new ArrayList<>(bookings);
    bookings.clear();
    for (Booking booking : before) {
      Berth better = find(booking.vessel(), booking.stay(), false).orElse(booking.berth());
      if (better != booking.berth()) {
        moved++;
      }
      bookings.add(new Booking(booking.vessel(), better, booking.stay()));
    }
    return moved;
  }
}
