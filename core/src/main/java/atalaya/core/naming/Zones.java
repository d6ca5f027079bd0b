package atalaya.core.naming;

import java.util.List;

/** Parts of the code that matter more or less than others; the first one that has a path counts. */
public record Zones(List<Zone> zones) {
  /** Where all code matters alike. */
  public static final Zones NONE = new Zones(List.of());

  /**
   * A part of the code.
   *
   * @param weight by which gains and ranks in it are multiplied, above 0 and at most 1000
   */
  public record Zone(String name, PathPatterns paths, double weight) {}

  public Zones {
    zones = List.copyOf(zones);
  }

  /** The weight of a source file; 1 outside of all zones. */
  public double weight(String path) {
    return zones.stream()
        .filter(zone -> zone.paths().match(path))
        .mapToDouble(Zone::weight)
        .findFirst()
        .orElse(1);
  }
}
