package atalaya.trial.decide;

import atalaya.core.mutant.Fate;
import atalaya.worker.Message;
import java.io.DataInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Decides units one after the other, in one worker after the other. Of one thread. */
public final class Bench implements AutoCloseable {
  private static final int KILLERS_KEPT = 3;

  /** A JVM that dies so often of one unit leaves the rest of it undecided. */
  private static final int MOST_RESTARTS = 200;

  private final Stage stage;
  private final Stage.Listener listener;
  private final Workers workers;
  private final Map<Integer, List<Integer>> killersOf = new HashMap<>();

  /** Begins. */
  public Bench(Stage stage, Stage.Listener listener) {
    this.stage = stage;
    this.listener = listener;
    this.workers = new Workers(() -> stage.startWorker(stage.setup(), stage.tests()));
  }

  /**
   * Decides the mutants of one method.
   *
   * @return those that must be decided apart from all others
   */
  public List<Task> decide(List<Task> unit) throws IOException, InterruptedException {
    List<Task> apart = new ArrayList<>();
    Map<Integer, Task> left = new LinkedHashMap<>();
    unit.forEach(task -> left.put(task.mutant(), task));
    List<Integer> killers = killersOf.computeIfAbsent(unit.get(0).method(), m -> new ArrayList<>());
    int way = Message.TOGETHER;
    long longest = stage.longest(unit);
    unit.stream().filter(task -> task.tests().isEmpty()).forEach(this::unchanging);
    left.values().removeIf(task -> task.tests().isEmpty());
    int restarts = 0;
    while (!left.isEmpty() && restarts++ < MOST_RESTARTS) {
      workers.decide(List.copyOf(left.values()), killers, way);
      int current = -1;
      boolean done = false;
      while (!done) {
        DataInputStream answer = workers.answer(longest);
        if (answer == null) {
          ended(left, current);
          break;
        }
        switch (answer.readByte()) {
          case Message.BEGAN -> current = answer.readInt();
          case Message.DECIDED -> {
            Decided decided = Decided.read(answer);
            boolean stands = answer.readBoolean();
            Task task = left.remove(decided.mutant());
            // What tests left behind may hide it, in this JVM.
            boolean mayBeHidden = task.isShared() || !stands;
            if (mayBeHidden && !decided.fate().isNoticed()) {
              apart.add(task);
            } else {
              remember(killers, decided.test());
              listener.decided(decided);
            }
          }
          case Message.SPOILT -> {
            Task by = left.remove(answer.readInt());
            if (by != null) {
              apart.add(by);
            }
            // Whoever left something behind, each one has to answer for itself now; not here where
            // it may well do the same.
            way = Message.ONE_BY_ONE;
            left.values().removeIf(task -> task.isShared() && apart.add(task));
            workers.close();
            done = true;
          }
          default -> {
            stage.spent(Shares.ofUnit(answer));
            done = true;
          }
        }
      }
    }
    apart.addAll(left.values());
    return apart;
  }

  /** Where it changes nothing, for any test, none has to be run. */
  private void unchanging(Task task) {
    listener.decided(new Decided(task.mutant(), Fate.SURVIVED, 0, "", 0));
  }

  /** The worker ended by itself: the mutant that it had brought that about. */
  private void ended(Map<Integer, Task> left, int current)
      throws IOException, InterruptedException {
    Workers.End end = workers.ended();
    if (current < 0) {
      throw Stage.NoWorker.after(end);
    }
    Task by = left.remove(current);
    if (by != null) {
      listener.decided(Decided.byEnding(by, end));
    }
  }

  private static void remember(List<Integer> killers, int test) {
    if (test > 0) {
      killers.remove((Integer) test);
      killers.add(0, test);
      if (killers.size() > KILLERS_KEPT) {
        killers.remove(KILLERS_KEPT);
      }
    }
  }

  @Override
  public void close() throws IOException {
    workers.close();
  }
}
