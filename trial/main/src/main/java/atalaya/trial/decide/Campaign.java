package atalaya.trial.decide;

import atalaya.core.mutant.Fate;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BooleanSupplier;

/** Decides mutants stage by stage, with several workers where that pays. */
public final class Campaign {
  private static final long LOOK_EVERY_MILLIS = 200;

  /** A further worker needs so long to warm up that less work than this is done sooner without. */
  private static final long WORTH_A_WORKER = TimeUnit.SECONDS.toNanos(15);

  private static final long UNTIL_SURE = TimeUnit.SECONDS.toNanos(5);

  /** So much of a core has to be idle: a worker's compiler uses more cores than its tests do. */
  private static final double A_CORE = 0.8;

  private final int workers;
  private final BooleanSupplier isOver;
  private final Stage.Listener listener;

  /**
   * Begins.
   *
   * @param workers how many JVMs may run at once, at least 1
   * @param isOver whether no further unit is to begin
   * @param listener told of each verdict, by one thread at a time
   */
  public Campaign(int workers, BooleanSupplier isOver, Stage.Listener listener) {
    this.workers = workers;
    this.isOver = isOver;
    this.listener = listener;
  }

  /** Mutants in the order in which they are to be decided, with the tests that one stage has. */
  public record Part(Stage stage, List<Task> tasks) {
    public Part {
      tasks = List.copyOf(tasks);
    }
  }

  /** Decides; a mutant that survives the tests of one part goes on to the next that has it. */
  public void run(List<Part> parts) throws IOException, InterruptedException {
    Set<Integer> noticed = new HashSet<>();
    for (int i = 0; i < parts.size() && !isOver.getAsBoolean(); i++) {
      Set<Integer> later = new HashSet<>();
      parts
          .subList(i + 1, parts.size())
          .forEach(part -> part.tasks().forEach(task -> later.add(task.mutant())));
      List<Task> left =
          parts.get(i).tasks().stream().filter(t -> !noticed.contains(t.mutant())).toList();
      decide(
          new Part(parts.get(i).stage(), left),
          decided -> {
            if (decided.fate() != Fate.SURVIVED || !later.contains(decided.mutant())) {
              noticed.add(decided.mutant());
              listener.decided(decided);
            }
          });
    }
  }

  private void decide(Part part, Stage.Listener to) throws IOException, InterruptedException {
    Work work = new Work(part, to);
    List<Thread> threads = new ArrayList<>();
    IdleCores idle = IdleCores.ofThisMachine();
    long began = System.nanoTime();
    idle.forget(began);
    threads.add(work.start(work::decideAll));
    while (threads.stream().anyMatch(Thread::isAlive)) {
      Thread.sleep(LOOK_EVERY_MILLIS);
      long now = System.nanoTime();
      threads.removeIf(thread -> !thread.isAlive());
      boolean isRoom = idle.look(now) > A_CORE || work.isOnlyApart();
      if (threads.size() < workers && !threads.isEmpty() && isRoom) {
        if (work.isWorthAnother(now - began)) {
          threads.add(work.start(work::decideAll));
          idle.forget(now);
        } else if (work.isAnyApart()) {
          threads.add(work.start(work::decideApart));
          idle.forget(now);
        }
      }
    }
    IOException problem = work.problem.get();
    if (problem != null) {
      throw problem;
    }
  }

  private final class Work {
    private final Part part;
    private final Stage.Listener to;
    private final Deque<List<Task>> units = new ArrayDeque<>();
    private final ConcurrentLinkedQueue<Task> apart = new ConcurrentLinkedQueue<>();
    private final AtomicReference<IOException> problem = new AtomicReference<>();
    private int done;

    Work(Part part, Stage.Listener to) {
      this.part = part;
      this.to = to;
      Map<Integer, List<Task>> byMethod = new LinkedHashMap<>();
      int last = -1;
      for (Task task : part.tasks()) {
        if (task.method() != last && byMethod.containsKey(task.method())) {
          units.addAll(byMethod.values());
          byMethod.clear();
        }
        last = task.method();
        byMethod.computeIfAbsent(last, m -> new ArrayList<>()).add(task);
      }
      units.addAll(byMethod.values());
    }

    Thread start(Decider decider) {
      Thread thread = new Thread(() -> decide(decider), "atalaya-bench");
      thread.start();
      return thread;
    }

    synchronized boolean isWorthAnother(long nanos) {
      int left = part.tasks().size() - done - apart.size();
      return nanos > UNTIL_SURE
          && !units.isEmpty()
          && left * (double) nanos / Math.max(1, done) > WORTH_A_WORKER;
    }

    /** Whether mutants wait that are decided apart. */
    boolean isAnyApart() {
      return !apart.isEmpty();
    }

    /**
     * Whether nothing else waits: such mutants share nothing, so that as many JVMs as may can run.
     */
    synchronized boolean isOnlyApart() {
      return units.isEmpty() && !apart.isEmpty();
    }

    private synchronized List<Task> next() {
      return isOver.getAsBoolean() || problem.get() != null ? null : units.poll();
    }

    private synchronized void tell(Decided decided) {
      done++;
      to.decided(decided);
    }

    private void decide(Decider decider) {
      try {
        decider.decide();
      } catch (IOException e) {
        problem.compareAndSet(null, e);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      } catch (RuntimeException | Error e) {
        problem.compareAndSet(null, new IOException(e));
      }
    }

    /**
     * What has to be decided apart is as it comes up: it survives more often or less than the rest,
     * so that the sample would not be a fair one if time ran out before.
     */
    private void decideAll() throws IOException, InterruptedException {
      try (Bench bench = new Bench(part.stage(), this::tell);
          Apart others = new Apart(part.stage(), this::tell)) {
        for (List<Task> unit = next(); unit != null; unit = next()) {
          apart.addAll(bench.decide(unit));
          decideApart(others);
        }
      }
    }

    private void decideApart() throws IOException, InterruptedException {
      try (Apart others = new Apart(part.stage(), this::tell)) {
        decideApart(others);
      }
    }

    private void decideApart(Apart bench) throws IOException, InterruptedException {
      while (problem.get() == null && !isOver.getAsBoolean()) {
        Task task = apart.poll();
        if (task == null) {
          return;
        }
        bench.decide(task);
      }
    }
  }

  /** What a thread does. */
  private interface Decider {
    void decide() throws IOException, InterruptedException;
  }
}
