package atalaya.core.code;

/**
 * Cyclomatic complexity of a method ({@code docs/measures.md}, section 4).
 *
 * @param value at least 1
 * @param origin what it was counted from
 */
public record Complexity(int value, Origin origin) {
  public Complexity {
    if (value < 1) {
      throw new IllegalArgumentException("complexity must be > 0 (got " + value + ")");
    }
  }

  /** What a complexity was counted from. */
  public enum Origin {
    SOURCE,
    BYTECODE;

    /** The name in tables: {@code source} or {@code bytecode}. */
    public String label() {
      return this == SOURCE ? "source" : "bytecode";
    }
  }
}
