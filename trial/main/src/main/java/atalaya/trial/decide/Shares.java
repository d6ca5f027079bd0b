package atalaya.trial.decide;

import java.io.DataInputStream;
import java.io.IOException;

/**
 * Where the time of the workers went, in nanoseconds.
 *
 * @param units deciding mutants, in all
 * @param frameworks of that, in test frameworks and tests
 * @param tests of that, in tests
 * @param unmutated running the tests once, start of the JVM included
 * @param apart deciding mutants apart, start of JVMs included
 * @param workers how many JVMs were started
 */
public record Shares(
    long units, long frameworks, long tests, long unmutated, long apart, int workers) {
  /** None so far. */
  public static final Shares NONE = new Shares(0, 0, 0, 0, 0, 0);

  /** Both added up. */
  public Shares plus(Shares other) {
    return new Shares(
        units + other.units,
        frameworks + other.frameworks,
        tests + other.tests,
        unmutated + other.unmutated,
        apart + other.apart,
        workers + other.workers);
  }

  /** Of the mutants of a method, as a worker tells it. */
  static Shares ofUnit(DataInputStream answer) throws IOException {
    return new Shares(answer.readLong(), answer.readLong(), answer.readLong(), 0, 0, 0);
  }
}
