package atalaya.trial.decide;

import atalaya.core.mutant.Fate;
import atalaya.worker.Channel;
import atalaya.worker.Message;
import java.io.DataInputStream;
import java.io.IOException;

/**
 * A verdict.
 *
 * @param mutant its number
 * @param test the number of the test that noticed it, or 0
 * @param words what was wrong in that test, or empty
 */
public record Decided(int mutant, Fate fate, int test, String words, int testsRun) {
  /** As a worker tells it. */
  static Decided read(DataInputStream answer) throws IOException {
    int mutant = answer.readInt();
    Fate fate =
        switch (answer.readByte()) {
          case Message.KILLED -> Fate.KILLED;
          case Message.TIMEOUT -> Fate.TIMEOUT;
          default -> Fate.SURVIVED;
        };
    int test = answer.readInt();
    return new Decided(mutant, fate, test, Channel.readText(answer), answer.readInt());
  }

  /** It ended the JVM, which a test would not have survived. */
  static Decided byEnding(Task task, Workers.End end) {
    return new Decided(task.mutant(), Fate.KILLED, 0, "the JVM ended with code " + end.code(), 1);
  }
}
