package atalaya.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;

/**
 * Chooses briefs: each time the one with the most gain, or where effort is limited the most gain
 * for its effort, the earlier ones assumed written (lazy greedy choice; Minoux 1978); the latter is
 * compared with the best single one that can be afforded (Khuller, Moss, Naor 1999).
 */
public final class Planner {
  private static final double NEGLIGIBLE = 1e-9;

  private Planner() {}

  /** A task with what its best brief is worth, or at most is. */
  private record Entry(Task task, double worth, Brief brief, int asOf) {}

  /**
   * Plans.
   *
   * @param before unwatched paths of all that is planned for
   */
  public static Plan plan(List<? extends Task> tasks, Limits limits, double before) {
    Comparator<Entry> order =
        Comparator.comparingDouble((Entry entry) -> -entry.worth())
            .thenComparingInt(entry -> entry.brief() == null ? 0 : entry.brief().effort().points())
            .thenComparing(entry -> entry.task().name());
    PriorityQueue<Entry> queue = new PriorityQueue<>(order);
    boolean perPoint = limits.points() < Integer.MAX_VALUE;
    for (Task task : tasks) {
      if (task.most() > NEGLIGIBLE) {
        queue.add(new Entry(task, task.most() / (perPoint ? task.leastPoints() : 1), null, -1));
      }
    }
    Work work = new Work();
    List<Brief> chosen = new ArrayList<>();
    int points = 0;
    double gain = 0;
    Brief single = null;
    int reached = 0;
    while (!queue.isEmpty()
        && chosen.size() < limits.tests()
        && gain < limits.fall()
        && reached < limits.reached()) {
      Entry entry = queue.remove();
      boolean isCurrent = entry.brief() != null && entry.asOf() == chosen.size();
      if (!isCurrent) {
        Optional<Brief> best = entry.task().best(work);
        if (best.isPresent() && best.get().gain() > NEGLIGIBLE) {
          Brief brief = best.get();
          queue.add(new Entry(entry.task(), brief.worth(perPoint), brief, chosen.size()));
          boolean isAffordable = brief.effort().points() <= limits.points();
          if (isAffordable && (single == null || brief.gain() > single.gain())) {
            single = brief;
          }
        }
        continue;
      }
      if (points + entry.brief().effort().points() > limits.points()) {
        continue; // Another one may still fit.
      }
      chosen.add(entry.brief());
      points += entry.brief().effort().points();
      gain += entry.brief().gain();
      reached += entry.brief().opens().lines() + entry.brief().opens().outcomes();
      work.add(entry.brief());
      queue.add(new Entry(entry.task(), Double.MAX_VALUE, null, -1));
    }
    boolean oneIsBetter = perPoint && single != null && single.gain() > gain;
    List<Brief> briefs = oneIsBetter ? List.of(single) : chosen;
    double fall = oneIsBetter ? single.gain() : gain;
    return new Plan(briefs, before, before - fall);
  }
}
