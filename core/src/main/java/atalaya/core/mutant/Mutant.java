package atalaya.core.mutant;

/**
 * A small fault that can be planted.
 *
 * @param name short; stays the same while the code of its method does
 * @param path of the source file
 * @param className the binary name
 * @param method with simple parameter types
 * @param line where {@code original} starts
 * @param original the source text, exactly as it stands there
 * @param mutated what stands there instead
 */
public record Mutant(
    String name,
    String path,
    String className,
    String method,
    int line,
    Operator operator,
    String original,
    String mutated) {

  /** {@code harbour.tariff.BerthTariff#quote(Vessel,Stay)}. */
  public String qualifiedName() {
    return className + "#" + method;
  }
}
