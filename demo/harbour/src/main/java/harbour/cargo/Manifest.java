package harbour.cargo;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** What a vessel carries, and what could not be read of it. */
public final class Manifest {
  private final List<CargoLine> lines = new ArrayList<>();
  private final List<String> problems = new ArrayList<>();

  public void add(CargoLine line) {
    lines.add(line);
  }

  public void problem(String text) {
    problems.add(text);
  }

  public List<CargoLine> lines() {
    return List.copyOf(lines);
  }

  public List<String> problems() {
    return List.copyOf(problems);
  }

  public long kilograms() {
    return lines.stream().mapToLong(CargoLine::kilograms).sum();
  }

  public Map<CargoKind, Long> byKind() {
    Map<CargoKind, Long> byKind = new EnumMap<>(CargoKind.class);
    for (CargoLine line : lines) {
      byKind.merge(line.kind(), line.kilograms(), Long::sum);
    }
    return byKind;
  }

  public int worstHazardClass() {
    int worst = 0;
    for (CargoLine line : lines) {
      if (line.isDangerous() && (worst == 0 || line.hazardClass() < worst)) {
        worst = line.hazardClass();
      }
    }
    return worst;
  }
}
