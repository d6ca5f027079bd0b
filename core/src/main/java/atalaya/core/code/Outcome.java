package atalaya.core.code;

import java.util.BitSet;

/**
 * One way a condition can come out ({@code docs/measures.md}, section 2).
 *
 * @param name {@code true}, {@code false}, a label group, {@code default}, {@code another}, {@code
 *     no more}; {@code jump} or {@code next} where the condition was not matched to the source
 * @param points any of these marks the outcome as reached; empty when the compiler left no way to
 *     it, so that it can never be reached
 */
public record Outcome(String name, BitSet points) {
  public Outcome {
    if (name.isEmpty()) {
      throw new IllegalArgumentException("an outcome must have a name");
    }
  }
}
