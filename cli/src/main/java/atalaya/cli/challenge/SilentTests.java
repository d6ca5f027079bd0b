package atalaya.cli.challenge;

import atalaya.core.mutant.Fate;
import atalaya.trial.decide.Task;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;

/**
 * Finds tests for which many mutants change something and that notice none. That a test was not the
 * first to notice says little: others are asked before it. So those that never were are asked by
 * themselves.
 */
public final class SilentTests {
  private static final int MANY = 10;
  private static final int TESTS_ASKED = 20;
  private static final int MUTANTS_ASKED = 20;

  private final Map<Integer, Fate> fates;
  private final Asking asking;
  private final BooleanSupplier isOver;

  /** Runs tests with mutants. */
  interface Asking {
    /** The fates of mutants of one method, each under its tests alone. */
    List<Fate> decide(List<Task> unit) throws IOException, InterruptedException;
  }

  /**
   * A test that noticed nothing.
   *
   * @param test its number
   * @param reached how many mutants change something for it
   * @param asked by how many of them it was run
   */
  public record Silent(int test, int reached, int asked) {}

  private SilentTests(Map<Integer, Fate> fates, Asking asking, BooleanSupplier isOver) {
    this.fates = fates;
    this.asking = asking;
    this.isOver = isOver;
  }

  /**
   * Those that may notice mutants which are decided, those that reach most first.
   *
   * @param tasks all mutants with the tests for which they change something
   * @param fates of the mutants, by number
   * @param noticing the tests that noticed one before the others
   * @param isOver whether no more may be asked
   */
  static List<Silent> of(
      List<Task> tasks,
      Map<Integer, Fate> fates,
      Set<Integer> noticing,
      Asking asking,
      BooleanSupplier isOver)
      throws IOException, InterruptedException {
    Map<Integer, List<Task>> tasksOf = new HashMap<>();
    for (Task task : tasks) {
      boolean isClear = !task.isShared() && fates.get(task.mutant()) != Fate.TIMEOUT;
      for (int test : task.tests()) {
        if (isClear && fates.containsKey(task.mutant()) && !noticing.contains(test)) {
          tasksOf.computeIfAbsent(test, t -> new ArrayList<>()).add(task);
        }
      }
    }
    List<Integer> tests =
        tasksOf.keySet().stream()
            .filter(test -> tasksOf.get(test).size() >= MANY)
            .sorted(
                Comparator.comparingInt((Integer test) -> -tasksOf.get(test).size())
                    .thenComparing(test -> test))
            .limit(TESTS_ASKED)
            .toList();
    SilentTests silent = new SilentTests(fates, asking, isOver);
    List<Silent> found = new ArrayList<>();
    for (int test : tests) {
      List<Task> reached = tasksOf.get(test);
      int asked = silent.ask(test, reached);
      if (asked >= MANY) {
        found.add(new Silent(test, reached.size(), asked));
      }
    }
    return found;
  }

  /**
   * With how many mutants a test was run without noticing any; 0 when it noticed one. With all that
   * survived all their tests it was run already.
   */
  private int ask(int test, List<Task> reached) throws IOException, InterruptedException {
    List<Task> noticedByOthers =
        reached.stream().filter(task -> fates.get(task.mutant()) == Fate.KILLED).toList();
    int asked = reached.size() - noticedByOthers.size();
    Map<Integer, List<Task>> byMethod = new LinkedHashMap<>();
    for (Task task : spread(noticedByOthers)) {
      byMethod.computeIfAbsent(task.method(), m -> new ArrayList<>()).add(task.by(test));
    }
    for (List<Task> unit : byMethod.values()) {
      if (isOver.getAsBoolean()) {
        return asked;
      }
      List<Fate> decided = asking.decide(unit);
      if (decided.stream().anyMatch(Fate::isNoticed)) {
        return 0;
      }
      asked += decided.size();
    }
    return asked;
  }

  private static List<Task> spread(List<Task> tasks) {
    List<Task> some = new ArrayList<>();
    int count = Math.min(MUTANTS_ASKED, tasks.size());
    for (int i = 0; i < count; i++) {
      some.add(tasks.get((int) ((long) i * tasks.size() / count)));
    }
    return some;
  }
}
