package atalaya.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/**
 * Tests to write.
 *
 * @param briefs in the order that buys most
 * @param before unwatched paths of all that was planned for
 * @param after the same once the tests are written
 * @param passedOver how many methods were not looked at, because others may gain more
 */
public record Plan(List<Brief> briefs, double before, double after, int passedOver) {
  public Plan {
    briefs = List.copyOf(briefs);
  }

  /** The same with those together that test the same method, in the order of the first of each. */
  public Plan together() {
    Map<String, List<Brief>> byEntry = new LinkedHashMap<>();
    for (Brief brief : briefs) {
      String entry = brief.way().map(Way::entry).orElse(brief.method());
      byEntry.computeIfAbsent(entry, e -> new ArrayList<>()).add(brief);
    }
    return new Plan(
        byEntry.values().stream().flatMap(List::stream).toList(), before, after, passedOver);
  }

  /** The same with briefs that tell more. */
  public Plan map(UnaryOperator<Brief> told) {
    return new Plan(briefs.stream().map(told).toList(), before, after, passedOver);
  }

  /** The effort in all. */
  public int points() {
    return briefs.stream().mapToInt(brief -> brief.effort().points()).sum();
  }
}
