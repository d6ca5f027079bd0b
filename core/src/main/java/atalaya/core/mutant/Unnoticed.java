package atalaya.core.mutant;

/** Says what no test notices, and so which assertion is missing. */
public final class Unnoticed {
  private Unnoticed() {}

  /** As a sentence without its full stop: {@code no test notices when ...}. */
  public static String words(Mutant mutant) {
    return "no test notices when " + when(mutant);
  }

  /** What the mutant does, to follow {@code when}. */
  public static String when(Mutant mutant) {
    String original = plain(mutant.original());
    String mutated = plain(mutant.mutated());
    return switch (mutant.operator()) {
      case RVR -> "the result of " + name(mutant) + " is " + value(mutated);
      case SDL -> "`" + original + "` is missing";
      case EXD -> "`" + original + "` does not throw";
      case SLE -> "`" + original + "` and `" + mutated + "` change places";
      case COR -> "`" + original + "` is always " + mutated;
      default ->
          mutated.equals("true") || mutated.equals("false")
              ? "`" + original + "` is always " + mutated
              : "`" + original + "` is `" + mutated + "`";
    };
  }

  private static String name(Mutant mutant) {
    String method = mutant.method();
    return "`" + method.substring(0, method.indexOf('(')) + "`";
  }

  private static String value(String mutated) {
    String value = mutated.startsWith("return ") ? mutated.substring(7) : mutated;
    String bare = value.replaceAll(";$", "");
    return switch (bare) {
      case "\"\"" -> "an empty text";
      case "java.util.Collections.emptyList()", "java.util.Collections.emptySet()" -> "empty";
      case "java.util.Collections.emptyMap()", "java.util.Collections.emptyIterator()" -> "empty";
      case "java.util.Optional.empty()", "java.util.stream.Stream.empty()" -> "empty";
      default -> bare.startsWith("new ") ? "an empty array" : bare;
    };
  }

  private static String plain(String text) {
    return text.strip().replaceAll("\\s+", " ");
  }
}
