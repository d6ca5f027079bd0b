package atalaya.core.compare;

import atalaya.core.figure.MethodFigures;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Tests beside real use.
 *
 * @param untested methods that were used, and have more unwatched lines than tests reach; as the
 *     tests saw them, those with most unwatched paths first
 * @param idle methods that neither use nor tests entered, the most complex first
 * @param unused methods that only tests entered
 */
public record Use(List<MethodFigures> untested, List<MethodFigures> idle, int unused) {
  public Use {
    untested = List.copyOf(untested);
    idle = List.copyOf(idle);
  }

  /** Compares. */
  public static Use of(List<MethodFigures> tested, List<MethodFigures> used) {
    Map<String, MethodFigures> inUse = new HashMap<>();
    used.forEach(m -> inUse.put(m.qualifiedName(), m));
    List<MethodFigures> untested = new ArrayList<>();
    List<MethodFigures> idle = new ArrayList<>();
    int unused = 0;
    for (MethodFigures method : tested) {
      MethodFigures use = inUse.get(method.qualifiedName());
      boolean isUsed = use != null && use.reach() > 0;
      if (isUsed && method.reach() < use.reach()) {
        untested.add(method);
      } else if (!isUsed && method.reach() == 0) {
        idle.add(method);
      } else if (!isUsed) {
        unused++;
      }
    }
    untested.sort(worst(m -> m.unwatched().total()));
    idle.sort(worst(m -> m.complexity().value()));
    return new Use(untested, idle, unused);
  }

  private static Comparator<MethodFigures> worst(
      java.util.function.ToDoubleFunction<MethodFigures> figure) {
    return Comparator.comparingDouble(figure)
        .reversed()
        .thenComparing(MethodFigures::qualifiedName);
  }
}
