package atalaya.trial.decide;

/**
 * Where the time of the workers went, in nanoseconds.
 *
 * @param units deciding mutants, in all
 * @param frameworks of that, in test frameworks and tests
 * @param tests of that, in tests
 * @param unmutated running the tests once, start of the JVM included
 * @param alone deciding mutants in JVMs of their own, start of the JVM included
 * @param workers how many JVMs were started
 */
public record Shares(
    long units, long frameworks, long tests, long unmutated, long alone, int workers) {
  /** None so far. */
  public static final Shares NONE = new Shares(0, 0, 0, 0, 0, 0);

  /** Both added up. */
  public Shares plus(Shares other) {
    return new Shares(
        units + other.units,
        frameworks + other.frameworks,
        tests + other.tests,
        unmutated + other.unmutated,
        alone + other.alone,
        workers + other.workers);
  }
}
