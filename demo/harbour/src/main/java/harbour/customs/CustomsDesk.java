package harbour.customs;

import harbour.cargo.CargoKind;
import harbour.cargo.CargoLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Clears declarations and says what is due. Amounts are in cents. */
public final class CustomsDesk {
  private static final long FREE = 50_000;

  private final List<String> inspections = new ArrayList<>();

  public List<String> inspections() {
    return List.copyOf(inspections);
  }

  public long duty(Declaration declaration) {
    if (!declaration.comesFromAbroad() || declaration.valueInCents() <= FREE) {
      return 0;
    }
    long duty = 0;
    long kilograms = Math.max(1, declaration.manifest().kilograms());
    for (CargoLine line : declaration.manifest().lines()) {
      long value = declaration.valueInCents() * line.kilograms() / kilograms;
      duty += value * perMille(line.kind()) / 1000;
    }
    return duty;
  }

  private static int perMille(CargoKind kind) {
    return switch (kind) {
      case FISH -> 0;
      case VEHICLE -> 100;
      case LIQUID -> 75;
      case BULK -> 25;
      case CONTAINER -> 50;
    };
  }

  /** Whether the cargo is to be looked at before it leaves the quay. */
  public boolean needsInspection(Declaration declaration) {
    boolean unreadable = !declaration.manifest().problems().isEmpty();
    boolean dangerous = declaration.manifest().worstHazardClass() > 0;
    if (declaration.comesFromAbroad()
        && (unreadable || dangerous || declaration.valueInCents() > 10_000_000)) {
      inspections.add(declaration.vessel().name());
      return true;
    }
    return false;
  }

  public String report(Declaration declaration) {
    StringBuilder report = new StringBuilder();
    report.append(declaration.vessel()).append(" from ").append(declaration.lastPort());
    for (Map.Entry<CargoKind, Long> entry : declaration.manifest().byKind().entrySet()) {
      report.append('\n').append(entry.getKey()).append(' ').append(entry.getValue()).append(" kg");
    }
    report.append("\ninspection: ").append(needsInspection(declaration));
    report.append("\nduty: ").append(duty(declaration));
    return report.toString();
  }
}
