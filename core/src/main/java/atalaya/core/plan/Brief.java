package atalaya.core.plan;

import java.util.List;
import java.util.Optional;

/**
 * One test worth writing ({@code docs/measures.md}, section 9).
 *
 * @param name of the first gap that it closes: it stays while that gap does
 * @param path of the source file
 * @param method qualified: the one it is mostly for
 * @param kind of test
 * @param way the path that the test takes; empty for a better assertion
 * @param touches the methods, qualified, of which it reaches or checks more
 * @param closes the names of the gaps that it closes
 * @param opens what it reaches that nothing reached before
 * @param start where to begin
 * @param missing what no test notices, in words, for a better assertion; else empty
 * @param gain the fall of unwatched paths, at least 0
 * @param weighted the same times the weights of zones
 * @param effort in points, at least 1
 * @param before unwatched paths of the methods that it touches
 * @param notes what else is to be known before it is written
 */
public record Brief(
    String name,
    String path,
    String method,
    Kind kind,
    Optional<Way> way,
    List<String> touches,
    List<String> closes,
    Opens opens,
    Start start,
    List<String> missing,
    double gain,
    double weighted,
    Effort effort,
    double before,
    List<String> notes) {

  private static final double OF_FAULT = 1e6;

  /** What a brief asks for. */
  public enum Kind {
    /** A test that takes a way. */
    REACH,
    /** An assertion that notices a fault. */
    CHECK
  }

  /** What is reached that was not. */
  public record Opens(int lines, int outcomes, int methods) {}

  /**
   * Where to begin.
   *
   * @param test the name of the test that comes closest; empty when there is none
   * @param testClass where the new test belongs
   * @param exists whether that class is there already
   * @param changes what has to come out otherwise than in that test, in words
   * @param examples how tests call the same method now, and make such objects
   */
  public record Start(
      String test, String testClass, boolean exists, List<String> changes, List<Example> examples) {
    public Start {
      changes = List.copyOf(changes);
      examples = List.copyOf(examples);
    }

    /** Without examples. */
    public Start(String test, String testClass, boolean exists, List<String> changes) {
      this(test, testClass, exists, changes, List.of());
    }
  }

  /**
   * Code of a test.
   *
   * @param code as Java has it, {@code ..} for what is left out
   * @param place the file and the line
   */
  public record Example(String code, String place) {}

  /** The same with examples to start from. */
  public Brief with(List<Example> examples) {
    Start shown =
        new Start(start.test(), start.testClass(), start.exists(), start.changes(), examples);
    return new Brief(
        name, path, method, kind, way, touches, closes, opens, shown, missing, gain, weighted,
        effort, before, notes);
  }

  public Brief {
    touches = List.copyOf(touches);
    closes = List.copyOf(closes);
    missing = List.copyOf(missing);
    notes = List.copyOf(notes);
    if (!(gain >= 0)) {
      throw new IllegalArgumentException("gain must be >= 0 (got " + gain + ")");
    }
  }

  /** Unwatched paths of the methods that it touches, once the test is written. */
  public double after() {
    return before - gain;
  }

  /**
   * What it is worth, by what is scarce: its weighted gain for each point, or in all. What may well
   * be a fault comes before all that was merely never tried.
   */
  public double worth(boolean perPoint) {
    return weighted / (perPoint ? effort.points() : 1) + (mayFail() ? OF_FAULT : 0);
  }

  /** Whether something may well go wrong on its way that nobody wrote a check for. */
  public boolean mayFail() {
    return way.isPresent() && way.get().setUp().mayFail().isPresent();
  }

  /** The class and the method without the package. */
  public String shortMethod() {
    int hash = method.indexOf('#');
    return method.substring(method.lastIndexOf('.', hash) + 1);
  }
}
