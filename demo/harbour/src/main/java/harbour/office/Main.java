package harbour.office;

import harbour.berth.Berth;
import harbour.berth.BerthPlan;
import harbour.berth.Stay;
import harbour.pilot.Pilot;
import harbour.pilot.PilotRota;
import harbour.tariff.BerthTariff;
import harbour.vessel.Vessel;
import harbour.vessel.VesselType;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;

/** Takes orders from a script file, one a line. */
public final class Main {
  private final HarbourOffice office;
  private final PrintStream out;

  Main(PrintStream out) {
    this.out = out;
    BerthPlan plan =
        new BerthPlan(
            List.of(
                new Berth("A1", 12_000, 900, true, false),
                new Berth("B1", 2_500, 400, false, false),
                new Berth("C1", 1_400, 250, false, true)));
    PilotRota rota = new PilotRota(new Pilot("Ines", 150), new Pilot("Bruno", 90));
    office = new HarbourOffice(plan, new BerthTariff(false), rota, new Logbook(Clock.systemUTC()));
  }

  public static void main(String[] arguments) throws IOException {
    if (arguments.length != 1) {
      System.err.println("usage: Main SCRIPT");
      System.exit(2);
    }
    new Main(System.out).run(Files.readAllLines(Path.of(arguments[0])));
  }

  void run(List<String> script) {
    for (String order : script) {
      if (!order.isBlank()) {
        obey(order.trim().split("\\s+"));
      }
    }
  }

  private void obey(String[] words) {
    switch (words[0]) {
      case "arrive":
        out.println(office.arrive(vessel(words), stay(words), LocalTime.NOON));
        break;
      case "depart":
        out.println(office.depart(vessel(words), stay(words)));
        break;
      case "report":
        out.print(office.morningReport(Integer.parseInt(words[1]), Integer.parseInt(words[2])));
        break;
      default:
        out.println("unknown order: " + words[0]);
    }
  }

  private static Vessel vessel(String[] words) {
    return new Vessel(
        words[1],
        VesselType.ofCode(words[2]),
        Integer.parseInt(words[3]),
        Integer.parseInt(words[4]),
        "Port Amaro");
  }

  private static Stay stay(String[] words) {
    return new Stay(LocalDate.parse(words[5]), LocalDate.parse(words[6]));
  }
}
