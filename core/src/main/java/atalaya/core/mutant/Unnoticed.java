package atalaya.core.mutant;

/** Says what no test notices, and so which assertion is missing. */
public final class Unnoticed {
  private Unnoticed() {}

  /** What the mutant does, to follow {@code no test notices when}. */
  public static String when(Mutant mutant) {
    return when(plain(mutant.original()), plain(mutant.mutated()), mutant.method());
  }

  /**
   * What a change of the source does, to follow {@code no test notices when}.
   *
   * @param original what stands there, on one line
   * @param method it stands in, with simple parameter types
   */
  public static String when(String original, String mutated, String method) {
    String quoted = "`" + original + "`";
    if (mutated.equals(";")) {
      return quoted + (original.startsWith("throw") ? " does not throw" : " is missing");
    }
    if (original.startsWith("case ")) {
      return quoted + " and `" + mutated + "` change places";
    }
    if (original.startsWith("return ") && mutated.startsWith("return ")) {
      return "the result of " + name(method) + " is " + value(mutated.substring(7));
    }
    boolean isConstant = mutated.equals("true") || mutated.equals("false");
    return quoted + " is " + (isConstant ? "always " + mutated : "`" + mutated + "`");
  }

  private static String name(String method) {
    return "`" + method.substring(0, method.indexOf('(')) + "`";
  }

  private static String value(String returned) {
    String value = returned.replaceAll(";$", "");
    if (value.equals("\"\"")) {
      return "an empty text";
    }
    if (value.startsWith("new ")) {
      return "an empty array";
    }
    return value.startsWith("java.util.") ? "empty" : value;
  }

  private static String plain(String text) {
    return text.strip().replaceAll("\\s+", " ");
  }
}
