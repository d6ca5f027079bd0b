package atalaya.java.source;

/** How instructions are called, so that what a compiler made of a source can be recognised. */
public final class CodeKeys {
  private CodeKeys() {}

  /**
   * Of a constant; the same for all types that have its value, since compilers convert literals.
   */
  public static String number(Number value) {
    boolean isWhole =
        value instanceof Integer || value instanceof Long || value.doubleValue() % 1 == 0;
    return isWhole ? "= " + value.longValue() : "= " + value.floatValue();
  }
}
