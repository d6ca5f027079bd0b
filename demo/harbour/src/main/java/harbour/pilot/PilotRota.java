package harbour.pilot;

import harbour.vessel.Vessel;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;

/** Whose turn it is. */
public final class PilotRota {
  private final Deque<Pilot> waiting = new ArrayDeque<>();

  public PilotRota(Pilot... pilots) {
    for (Pilot pilot : pilots) {
      waiting.addLast(pilot);
    }
  }

  /** The first in turn who may bring the vessel in; she goes to the end of the rota. */
  public Optional<Pilot> assign(Vessel vessel) {
    for (Pilot pilot : waiting) {
      if (pilot.maxMetres() >= vessel.metres()) {
        waiting.remove(pilot);
        waiting.addLast(pilot);
        return Optional.of(pilot);
      }
    }
    return Optional.empty();
  }

  public void relieve(Pilot pilot) {
    waiting.remove(pilot);
  }

  public String order() {
    StringBuilder order = new StringBuilder();
    String gap = "";
    for (Pilot pilot : waiting) {
      order.append(gap).append(pilot.name());
      gap = ", ";
    }
    return order.toString();
  }

  /** Used when the rota was kept on paper, a letter for each pilot. */
  String initials() {
    StringBuilder initials = new StringBuilder();
    for (Pilot pilot : waiting) {
      if (!pilot.name().isEmpty()) {
        initials.append(Character.toUpperCase(pilot.name().charAt(0)));
      }
    }
    return initials.toString();
  }
}
