package atalaya.core.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Chooses briefs: each time the one with the most gain, or where effort is limited the most gain
 * for its effort, the earlier ones assumed written (lazy greedy choice; Minoux 1978); the latter is
 * compared with the best single one that can be afforded (Khuller, Moss, Naor 1999).
 */
public final class Planner {
  private static final double NEGLIGIBLE = 1e-9;

  /** So many tasks are looked at, those that may gain most; more when more tests are wanted. */
  public static final int MOST_TASKS = 150;

  private static final int TASKS_FOR_A_TEST = 8;

  /** A brief of one way rarely gains by seven more so many times as much besides. */
  private static final double MOST_GROWTH = 4;

  /**
   * So many are looked at at once, however many cores there are: so the plan is always the same.
   */
  private static final int AT_ONCE = 16;

  /**
   * A task with what its best brief is worth, or at most is.
   *
   * @param isGrown whether the brief has all that its test may do
   */
  private record Entry(Task task, double worth, Brief brief, int asOf, boolean isGrown) {
    /** Of which nothing is known yet. */
    static Entry unknown(Task task, double worth) {
      return new Entry(task, worth, null, -1, false);
    }
  }

  /**
   * Plans.
   *
   * @param before unwatched paths of all that is planned for
   */
  public static Plan plan(List<? extends Task> tasks, Limits limits, double before) {
    return plan(tasks, limits, before, chosen -> {});
  }

  /**
   * Plans.
   *
   * @param before unwatched paths of all that is planned for
   * @param progress is told how many briefs are chosen, each time that others are looked for
   */
  public static Plan plan(
      List<? extends Task> tasks, Limits limits, double before, IntConsumer progress) {
    Planner planner = new Planner(tasks, limits, progress);
    List<Brief> briefs = planner.greedy(Optional.empty());
    Optional<Brief> single = planner.single;
    boolean oneIsBetter =
        limits.points() < Integer.MAX_VALUE
            && single.isPresent()
            && single.get().gain() > gain(briefs)
            && briefs.stream().noneMatch(Brief::mayFail);
    List<Brief> chosen = oneIsBetter ? planner.greedy(single) : briefs;
    int passedOver = (int) Math.max(0, others(tasks).count() - MOST_TASKS);
    return new Plan(chosen, before, before - gain(chosen), passedOver);
  }

  private static double gain(List<Brief> briefs) {
    return briefs.stream().mapToDouble(Brief::gain).sum();
  }

  private final List<? extends Task> tasks;
  private final Limits limits;
  private final IntConsumer progress;
  private final boolean perPoint;

  /** The brief with most gain of those that could be afforded at some time. */
  private Optional<Brief> single = Optional.empty();

  private Planner(List<? extends Task> tasks, Limits limits, IntConsumer progress) {
    this.tasks = tasks;
    this.limits = limits;
    this.progress = progress;
    this.perPoint = !limits.fewTests();
  }

  private PriorityQueue<Entry> queue() {
    PriorityQueue<Entry> queue =
        new PriorityQueue<>(
            Comparator.comparingDouble((Entry entry) -> -entry.worth())
                .thenComparingInt(entry -> entry.brief() == null ? 0 : points(entry.brief()))
                .thenComparing(entry -> entry.task().name()));
    tasks.stream()
        .filter(Task::isFirst)
        .map(task -> Entry.unknown(task, Double.MAX_VALUE))
        .forEach(queue::add);
    others(tasks)
        .map(task -> Entry.unknown(task, task.most() / (perPoint ? task.leastPoints() : 1)))
        .sorted(queue.comparator())
        .limit(mostTasks())
        .forEach(queue::add);
    return queue;
  }

  private static Stream<? extends Task> others(List<? extends Task> tasks) {
    return tasks.stream().filter(task -> !task.isFirst() && task.most() > NEGLIGIBLE);
  }

  private long mostTasks() {
    boolean isLimited = limits.tests() < Integer.MAX_VALUE || limits.points() < Integer.MAX_VALUE;
    long most = (long) TASKS_FOR_A_TEST * Math.min(limits.tests(), limits.points());
    return isLimited ? Math.max(MOST_TASKS, most) : Long.MAX_VALUE;
  }

  private static int points(Brief brief) {
    return brief.effort().points();
  }

  /** Each time what is worth most, after one that is chosen already. */
  private List<Brief> greedy(Optional<Brief> first) {
    PriorityQueue<Entry> queue = queue();
    Work work = new Work();
    List<Brief> chosen = new ArrayList<>(first.stream().toList());
    first.ifPresent(work::add);
    while (!queue.isEmpty() && goesOn(chosen)) {
      Entry entry = queue.remove();
      int left = limits.points() - spent(chosen);
      boolean isCurrent = entry.brief() != null && entry.asOf() == chosen.size();
      if (left < (isCurrent ? points(entry.brief()) : entry.task().leastPoints())) {
        continue; // Another one may still fit.
      }
      if (!isCurrent) {
        progress.accept(chosen.size());
        looked(together(entry, queue), work, chosen.size())
            .forEach(
                found -> {
                  queue.add(found);
                  note(found.brief());
                });
      } else if (!entry.isGrown()) {
        queue.add(grown(entry, work, left, next(queue)));
      } else {
        chosen.add(entry.brief());
        work.add(entry.brief());
        queue.add(Entry.unknown(entry.task(), Double.MAX_VALUE));
      }
    }
    return chosen;
  }

  /** One, and those next in line of which nothing is known yet either: their turn comes soon. */
  private static List<Entry> together(Entry first, PriorityQueue<Entry> queue) {
    List<Entry> together = new ArrayList<>(List.of(first));
    while (together.size() < AT_ONCE && !queue.isEmpty() && queue.peek().brief() == null) {
      together.add(queue.remove());
    }
    return together;
  }

  /**
   * Each with its best brief; those without one are left out. Some take a hundred times as long as
   * others: who has done with one goes on with the next that nobody has begun.
   */
  private List<Entry> looked(List<Entry> entries, Work work, int asOf) {
    List<Optional<Brief>> briefs = new ArrayList<>(Collections.nCopies(entries.size(), null));
    AtomicInteger next = new AtomicInteger();
    IntStream.range(0, Math.min(entries.size(), Runtime.getRuntime().availableProcessors()))
        .parallel()
        .forEach(
            worker -> {
              for (int i; (i = next.getAndIncrement()) < entries.size(); ) {
                briefs.set(i, entries.get(i).task().best(work));
              }
            });
    List<Entry> looked = new ArrayList<>();
    for (int i = 0; i < entries.size(); i++) {
      Task task = entries.get(i).task();
      briefs
          .get(i)
          .filter(brief -> brief.gain() > NEGLIGIBLE)
          .ifPresent(brief -> looked.add(new Entry(task, expected(brief), brief, asOf, false)));
    }
    return looked;
  }

  /** What a brief is worth with all that its test may do, as far as can be expected. */
  private double expected(Brief brief) {
    double worth = brief.worth(perPoint);
    int ways = brief.way().map(way -> 1 + way.also().size()).orElse(1);
    double room = Math.max(0, Task.MOST_WAYS - ways) / (Task.MOST_WAYS - 1.0);
    return perPoint || brief.mayFail() ? worth : worth * (1 + room * MOST_GROWTH);
  }

  /** What a point buys that goes into the next best brief, as far as that is known. */
  private static double next(PriorityQueue<Entry> queue) {
    return queue.stream()
        .filter(entry -> entry.brief() != null && !entry.brief().mayFail())
        .mapToDouble(Entry::worth)
        .max()
        .orElse(0);
  }

  /**
   * Where effort is scarce the brief keeps its place, and grows by what is worth more than that.
   */
  private Entry grown(Entry entry, Work work, int left, double next) {
    Brief brief = entry.task().grown(entry.brief(), work, left, perPoint ? next : 0);
    double worth = perPoint ? entry.worth() : brief.worth(false);
    return new Entry(entry.task(), worth, brief, entry.asOf(), true);
  }

  private void note(Brief brief) {
    boolean isBetter = single.isEmpty() || brief.gain() > single.get().gain();
    if (isBetter && points(brief) <= limits.points()) {
      single = Optional.of(brief);
    }
  }

  private static int spent(List<Brief> chosen) {
    return chosen.stream().mapToInt(Planner::points).sum();
  }

  private boolean goesOn(List<Brief> chosen) {
    int reached =
        chosen.stream().mapToInt(brief -> brief.opens().lines() + brief.opens().outcomes()).sum();
    return chosen.size() < limits.tests()
        && gain(chosen) < limits.fall()
        && reached < limits.reached();
  }
}
