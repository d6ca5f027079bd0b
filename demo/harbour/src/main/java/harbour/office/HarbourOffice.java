package harbour.office;

import harbour.berth.BerthPlan;
import harbour.berth.Booking;
import harbour.berth.Stay;
import harbour.pilot.Pilot;
import harbour.pilot.PilotRota;
import harbour.tariff.BerthTariff;
import harbour.tariff.PilotageTariff;
import harbour.tariff.Quote;
import harbour.vessel.Vessel;
import java.time.LocalTime;
import java.util.Optional;

/** The desk where everything comes together. */
public final class HarbourOffice {
  private final BerthPlan plan;
  private final BerthTariff tariff;
  private final PilotageTariff pilotage = new PilotageTariff();
  private final PilotRota rota;
  private final Logbook logbook;

  public HarbourOffice(BerthPlan plan, BerthTariff tariff, PilotRota rota, Logbook logbook) {
    this.plan = plan;
    this.tariff = tariff;
    this.rota = rota;
    this.logbook = logbook;
  }

  public Booking arrive(Vessel vessel, Stay stay, LocalTime time) {
    Booking booking = plan.book(vessel, stay, false);
    logbook.write("booked " + booking);
    if (pilotage.isCompulsory(vessel)) {
      Optional<Pilot> pilot = rota.assign(vessel);
      if (pilot.isEmpty()) {
        plan.cancel(vessel);
        throw new IllegalStateException("no pilot for " + vessel);
      }
      logbook.write(
          pilot.get().name()
              + " brings in "
              + vessel.name()
              + " for "
              + Quote.money(pilotage.charge(vessel, time, vessel.metres() > 100)));
    }
    return booking;
  }

  public long depart(Vessel vessel, Stay stay) {
    long due = tariff.deposit(vessel, stay);
    plan.cancel(vessel);
    logbook.write(vessel.name() + " left, " + Quote.money(due) + " due");
    return due;
  }

  /** A page for the harbour master, every morning. */
  public String morningReport(int year, int month) {
    StringBuilder report = new StringBuilder("Bookings\n");
    for (Booking booking : plan.bookings()) {
      report.append("  ").append(booking).append('\n');
    }
    report.append("Nights sold: ").append(plan.nightsSold(year, month)).append('\n');
    report.append("Pilots: ").append(rota.order()).append('\n');
    if (logbook.size() > 0) {
      report.append("Last entry: ").append(logbook.last()).append('\n');
    }
    return report.toString();
  }
}
