package atalaya.cli.challenge;

import atalaya.core.mutant.Fate;
import atalaya.trial.decide.Campaign;
import atalaya.trial.decide.Stage;
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
 * Finds tests that reach many mutants and notice none. That a test was not the first to notice says
 * little: others are asked before it. So those that never were are asked by themselves.
 */
public final class SilentTests {
  private static final int MANY = 10;
  private static final int TESTS_ASKED = 20;
  private static final int MUTANTS_ASKED = 20;

  private final Campaign.Part part;
  private final Map<Integer, Fate> fates;
  private final BooleanSupplier isOver;
  private boolean isNoticed;
  private int asked;

  /**
   * A test that noticed nothing.
   *
   * @param test its number
   * @param reached how many mutants it reaches
   * @param asked by how many of them it was run
   */
  public record Silent(int test, int reached, int asked) {}

  private SilentTests(Campaign.Part part, Map<Integer, Fate> fates, BooleanSupplier isOver) {
    this.part = part;
    this.fates = fates;
    this.isOver = isOver;
  }

  /**
   * Those of a part whose mutants are decided, those that reach most first.
   *
   * @param fates of the mutants, by number
   * @param noticing the tests that noticed one before the others
   * @param isOver whether no more may be asked
   */
  static List<Silent> of(
      Campaign.Part part, Map<Integer, Fate> fates, Set<Integer> noticing, BooleanSupplier isOver)
      throws IOException, InterruptedException {
    Map<Integer, List<Task>> tasksOf = new HashMap<>();
    for (Task task : part.tasks()) {
      boolean isClear = !task.atStart() && fates.get(task.mutant()) != Fate.TIMEOUT;
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
    return tests.isEmpty() ? List.of() : new SilentTests(part, fates, isOver).among(tests, tasksOf);
  }

  private List<Silent> among(List<Integer> tests, Map<Integer, List<Task>> tasksOf)
      throws IOException, InterruptedException {
    List<Silent> silent = new ArrayList<>();
    try (Stage.Bench bench =
        part.stage()
        .new Bench(
            decided -> {
              isNoticed |= decided.fate().isNoticed();
              asked++;
            })) {
      for (int test : tests) {
        ask(test, tasksOf.get(test), bench);
        if (!isNoticed && asked >= MANY) {
          silent.add(new Silent(test, tasksOf.get(test).size(), asked));
        }
      }
    }
    return silent;
  }

  /** By all mutants that survived all their tests it was run already. */
  private void ask(int test, List<Task> reached, Stage.Bench bench)
      throws IOException, InterruptedException {
    isNoticed = false;
    List<Task> noticedByOthers =
        reached.stream().filter(task -> fates.get(task.mutant()) == Fate.KILLED).toList();
    asked = reached.size() - noticedByOthers.size();
    Map<Integer, List<Task>> byMethod = new LinkedHashMap<>();
    for (Task task : spread(noticedByOthers)) {
      byMethod
          .computeIfAbsent(task.method(), m -> new ArrayList<>())
          .add(new Task(task.mutant(), task.method(), List.of(test), false));
    }
    for (List<Task> unit : byMethod.values()) {
      if (!isNoticed && !isOver.getAsBoolean()) {
        bench.decide(unit);
      }
    }
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
