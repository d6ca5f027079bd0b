package atalaya.core.figure;

import atalaya.core.code.Complexity;
import java.util.OptionalDouble;

/**
 * The figures of one method in one run.
 *
 * @param path of the source file, or empty
 * @param className the binary name
 * @param method with simple parameter types
 * @param tests how many tests reached any of its lines or outcomes
 */
public record MethodFigures(
    String path,
    String className,
    String method,
    int firstLine,
    int lastLine,
    Complexity complexity,
    Share lines,
    Share outcomes,
    int tests,
    Mutants mutants) {

  /** The share of its lines and outcomes that were reached, 0 to 1 (section 5). */
  public double reach() {
    Share both = lines.plus(outcomes);
    return both.whole() == 0 ? 0 : both.value();
  }

  /** The share of planted faults that its tests noticed; empty when it was not tried. */
  public OptionalDouble notice() {
    return mutants.notice();
  }

  /** Its unwatched paths (section 7). */
  public Unwatched unwatched() {
    return Unwatched.of(complexity.value(), reach(), notice());
  }

  /** The same method with other mutants. */
  public MethodFigures with(Mutants other) {
    return new MethodFigures(
        path, className, method, firstLine, lastLine, complexity, lines, outcomes, tests, other);
  }

  /** {@code harbour.tariff.BerthTariff#quote(Vessel,Stay)}. */
  public String qualifiedName() {
    return className + "#" + method;
  }

  /** Without the package: {@code BerthTariff#quote(Vessel,Stay)}. */
  public String shortName() {
    return qualifiedName().substring(className.lastIndexOf('.') + 1);
  }
}
