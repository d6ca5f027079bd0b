package atalaya.trial.decide;

import atalaya.worker.Channel;
import atalaya.worker.Message;
import java.io.DataInputStream;
import java.io.IOException;
import java.util.List;

/** One worker after the other: a new one is started when the last has ended and is needed. */
final class Workers implements AutoCloseable {
  private final Starter starter;
  private Worker worker;

  Workers(Starter starter) {
    this.starter = starter;
  }

  /** Starts one. */
  interface Starter {
    Worker start() throws IOException;
  }

  /** How one ended by itself. */
  record End(int code, String output) {}

  private Worker worker() throws IOException {
    if (worker == null) {
      worker = starter.start();
    }
    return worker;
  }

  /**
   * Has mutants decided.
   *
   * @param killers the tests that are asked first
   * @param way one of {@link Message}
   */
  void decide(List<Task> tasks, List<Integer> killers, int way) throws IOException {
    worker()
        .send(
            Message.DECIDE,
            to -> {
              to.writeInt(tasks.get(0).method());
              to.writeByte(way);
              Channel.writeNumbers(to, Stage.array(killers));
              to.writeInt(tasks.size());
              for (Task task : tasks) {
                to.writeInt(task.mutant());
                Channel.writeNumbers(to, Stage.array(task.tests()));
                Channel.writeNumbers(to, Stage.array(task.acting()));
              }
            });
  }

  /** The next answer, as {@link Worker#answer} has it; null when it has ended by itself. */
  DataInputStream answer(long longest) throws IOException, InterruptedException {
    return worker().answer(longest);
  }

  /** How the one that ended did. */
  End ended() throws IOException, InterruptedException {
    End end = new End(worker.exitCode(), worker.output());
    close();
    return end;
  }

  @Override
  public void close() throws IOException {
    if (worker != null) {
      worker.close();
      worker = null;
    }
  }
}
