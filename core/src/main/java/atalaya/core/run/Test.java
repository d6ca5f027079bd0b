package atalaya.core.run;

/**
 * A test of a run.
 *
 * @param number from 1, without gaps, in the order in which the tests began
 * @param id unique within the run
 * @param name as a person reads it: {@code BerthTariffTest.quotesSummer() [2] 14 m}
 * @param milliseconds how long it took, at least 0
 * @param overlapped whether another test ran in the same JVM at the same time
 */
public record Test(
    int number, String id, String name, Verdict verdict, long milliseconds, boolean overlapped) {
  public Test {
    if (number < 1) {
      throw new IllegalArgumentException("test number must be > 0 (got " + number + ")");
    }
    if (milliseconds < 0) {
      throw new IllegalArgumentException("milliseconds must be >= 0 (got " + milliseconds + ")");
    }
  }
}
