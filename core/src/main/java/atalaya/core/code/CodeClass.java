package atalaya.core.code;

import java.util.BitSet;
import java.util.List;

/**
 * A class of the observed code.
 *
 * @param name the binary name: {@code harbour.tariff.BerthTariff$Season}
 * @param module the name of the module it belongs to
 * @param path the source file from the project's root, with slashes; empty when there is none
 * @param methods in the order of the source
 * @param jumps the conditional jumps and switches in code that a person wrote
 * @param jumpsMatched those of them that were matched to a condition of the source
 * @param flow of control in it
 */
public record CodeClass(
    String name,
    String module,
    String path,
    List<Method> methods,
    int jumps,
    int jumpsMatched,
    Flow flow) {
  public CodeClass {
    methods = List.copyOf(methods);
    if (jumpsMatched < 0 || jumpsMatched > jumps) {
      throw new IllegalArgumentException(
          "matched jumps of " + name + " must be 0 to " + jumps + " (got " + jumpsMatched + ")");
    }
  }

  /** The same without the flow of control, which takes much room and is needed for gaps only. */
  public CodeClass withoutFlow() {
    return new CodeClass(name, module, path, methods, jumps, jumpsMatched, Flow.NONE);
  }

  /** Whether any of these points reaches a line. */
  public boolean hasLineIn(BitSet reached) {
    return methods.stream()
        .flatMap(method -> method.lines().stream())
        .anyMatch(line -> line.points().intersects(reached));
  }
}
