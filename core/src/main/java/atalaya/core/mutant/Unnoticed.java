package atalaya.core.mutant;

/** Says what no test notices, and so which assertion is missing. */
public final class Unnoticed {
  /** Longer texts beside each other would hide what is different in them. */
  private static final int LONG = 70;

  private Unnoticed() {}

  /** What a mutant needs that changes nothing for any test. */
  public static final String NEEDS_INPUT = " (needs another input)";

  /**
   * What a survivor does, to follow {@code no test notices when}, and whether it needs an input.
   */
  public static String when(TriedMutant survivor) {
    return when(survivor.mutant()) + (survivor.needsInput() ? NEEDS_INPUT : "");
  }

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
    if (mutated.equals(";")
        || mutated.startsWith("{ Object was = ") && !mutated.contains("return ")) {
      return quoted + (original.startsWith("throw") ? " does not throw" : " is missing");
    }
    if (original.startsWith("case ")) {
      return quoted + " and `" + mutated + "` change places";
    }
    int returned = mutated.lastIndexOf("return ");
    if (returned == 0 || mutated.startsWith("{ Object was = ")) {
      String value = value(mutated.substring(returned + 7));
      return original.startsWith("return ")
          ? "the result of " + name(method) + " is " + value
          : quoted + " gives " + value;
    }
    if (mutated.equals("true") || mutated.equals("(" + original + " || true)")) {
      return quoted + " is always true";
    }
    if (mutated.equals("false") || mutated.equals("(" + original + " && false)")) {
      return quoted + " is always false";
    }
    boolean isLong = original.length() + mutated.length() > LONG;
    return isLong ? inPlace(original, mutated) : quoted + " is `" + mutated + "`";
  }

  /** Of long texts only what is different between them is told, then where. */
  private static String inPlace(String original, String mutated) {
    int from = 0;
    while (from < Math.min(original.length(), mutated.length())
        && original.charAt(from) == mutated.charAt(from)) {
      from++;
    }
    int end = original.length();
    int mutatedEnd = mutated.length();
    while (end > from
        && mutatedEnd > from
        && original.charAt(end - 1) == mutated.charAt(mutatedEnd - 1)) {
      end--;
      mutatedEnd--;
    }
    while (from > 0 && isOperator(original.charAt(from - 1))) {
      from--;
    }
    while (end < original.length() && isOperator(original.charAt(end))) {
      end++;
      mutatedEnd++;
    }
    return "`"
        + original.substring(from, end)
        + "` is `"
        + mutated.substring(from, mutatedEnd)
        + "` in `"
        + original
        + "`";
  }

  private static boolean isOperator(char letter) {
    return "<>=!+-*/%&|^".indexOf(letter) >= 0;
  }

  private static String name(String method) {
    return "`" + method.substring(0, method.indexOf('(')) + "`";
  }

  private static String value(String returned) {
    String value = returned.replaceAll("; ?}?$", "");
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
