package harbour.tide;

import harbour.vessel.Vessel;
import java.time.LocalDateTime;
import java.util.Optional;

/** When a vessel can pass the bar at the harbour mouth. */
public final class TideWindow {
  private static final int STEP_MINUTES = 10;
  private static final int UNDER_KEEL = 60;

  private final TideTable tides;
  private final int barDepth;

  public TideWindow(TideTable tides, int barDepth) {
    this.tides = tides;
    this.barDepth = barDepth;
  }

  public boolean isOpen(Vessel vessel, LocalDateTime time) {
    return barDepth + tides.heightAt(time) >= vessel.draught() + UNDER_KEEL;
  }

  /** The first time in the next so many hours. */
  public Optional<LocalDateTime> next(Vessel vessel, LocalDateTime from, int hours) {
    LocalDateTime last = from.plusHours(hours);
    for (LocalDateTime at = from; !at.isAfter(last); at = at.plusMinutes(STEP_MINUTES)) {
      if (isOpen(vessel, at)) {
        return Optional.of(at);
      }
    }
    return Optional.empty();
  }

  /** Minutes until it closes, counted in steps; 0 when it is closed. */
  public int minutesOpen(Vessel vessel, LocalDateTime from) {
    int minutes = 0;
    while (isOpen(vessel, from.plusMinutes(minutes))) {
      minutes += STEP_MINUTES;
    }
    return minutes;
  }
}
