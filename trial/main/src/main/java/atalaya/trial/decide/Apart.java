package atalaya.trial.decide;

import atalaya.worker.Message;
import java.io.DataInputStream;
import java.io.IOException;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Decides mutants apart from all others: in classes that are loaded for each of them, and where
 * that won't do, in a JVM of its own. Of one thread.
 */
public final class Apart implements AutoCloseable {
  /** What classes loaded before have left behind is given up after so many mutants. */
  private static final int MOST_OF_A_WORKER = 100;

  /** Where so many in turn needed a JVM of their own after all, the others are not tried. */
  private static final int MOST_IN_VAIN = 5;

  private final Stage stage;
  private final Stage.Listener listener;
  private final Workers anew;

  /** They may not pass in classes loaded anew. */
  private final Set<Integer> unfit = new HashSet<>();

  private int ofThisWorker;
  private int inVain;

  /** Begins. */
  public Apart(Stage stage, Stage.Listener listener) {
    this.stage = stage;
    this.listener = listener;
    this.anew = new Workers(() -> stage.startWorker(stage.setup(), stage.tests()));
  }

  /** Decides one. */
  public void decide(Task of) throws IOException, InterruptedException {
    long began = System.nanoTime();
    Task task = of.fromOthers();
    boolean isTried = inVain < MOST_IN_VAIN && Collections.disjoint(task.tests(), unfit);
    Decided decided = isTried ? anew(task) : null;
    listener.decided(decided == null ? inOneOfItsOwn(task) : decided);
    stage.spent(new Shares(0, 0, 0, 0, System.nanoTime() - began, 0));
  }

  /** In classes loaded anew; null where that tells nothing. */
  private Decided anew(Task task) throws IOException, InterruptedException {
    if (++ofThisWorker > MOST_OF_A_WORKER) {
      restart();
    }
    anew.decide(List.of(task), List.of(), Message.ANEW);
    boolean hasBegun = false;
    Decided decided = null;
    boolean stands = false;
    while (true) {
      DataInputStream answer = anew.answer(stage.longest(List.of(task)));
      int type = answer == null ? Message.SPOILT : answer.readByte();
      if (type == Message.BEGAN) {
        hasBegun = true;
      } else if (type == Message.SPOILT && answer != null && !hasBegun) {
        restart(); // What it did before was too much for it, not this one.
        anew.decide(List.of(task), List.of(), Message.ANEW);
      } else if (type == Message.DECIDED) {
        decided = Decided.read(answer);
        stands = answer.readBoolean();
      } else if (type == Message.UNIT_DONE && stands) {
        inVain = 0;
        return decided;
      } else if (type == Message.UNIT_DONE || type == Message.SPOILT) {
        if (decided != null && decided.test() > 0) {
          unfit.add(decided.test());
        }
        inVain++;
        restart();
        return null;
      }
    }
  }

  private void restart() throws IOException {
    anew.close();
    ofThisWorker = 0;
  }

  private Decided inOneOfItsOwn(Task task) throws IOException, InterruptedException {
    List<Integer> tests = stage.together(task.tests());
    try (Workers own = new Workers(() -> stage.startWorker(stage.setup().shortLived(), tests))) {
      own.decide(List.of(task), List.of(), Message.ONLY);
      while (true) {
        DataInputStream answer = own.answer(stage.longest(List.of(task)));
        if (answer == null) {
          return Decided.byEnding(task, own.ended());
        }
        if (answer.readByte() == Message.DECIDED) {
          return Decided.read(answer);
        }
      }
    }
  }

  @Override
  public void close() throws IOException {
    anew.close();
  }
}
