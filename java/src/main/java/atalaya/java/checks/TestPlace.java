package atalaya.java.checks;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Where a test stands.
 *
 * @param className the binary name
 * @param method its name without parameters
 */
public record TestPlace(String className, String method) {
  private static final Pattern SEGMENT = Pattern.compile("\\[([^:\\]]+):([^\\]]*)\\]");
  private static final Pattern IN_BRACKETS = Pattern.compile("(\\w+)(?:\\[[^(]*)?\\(([\\w.$]+)\\)");
  private static final Pattern DOTTED = Pattern.compile("([\\w.$]+)\\.(\\w+)(?:[ (\\[].*)?");

  /** The place of a test, by the framework's id for it; empty when the id does not tell. */
  public static Optional<TestPlace> of(String id) {
    StringBuilder type = new StringBuilder();
    String method = "";
    Matcher segment = SEGMENT.matcher(id);
    while (segment.find()) {
      String value = segment.group(2);
      switch (segment.group(1)) {
        case "class", "runner" -> type.append(value);
        case "nested-class" -> type.append('$').append(value);
        case "method", "test-template", "test-factory", "test" ->
            method = value.replaceAll("\\W.*", "");
        default -> {}
      }
    }
    if (type.length() > 0 && !method.isEmpty()) {
      return Optional.of(new TestPlace(type.toString(), method));
    }
    if (id.startsWith("[")) {
      return Optional.empty();
    }
    Matcher inBrackets = IN_BRACKETS.matcher(id);
    if (inBrackets.matches()) {
      return Optional.of(new TestPlace(inBrackets.group(2), inBrackets.group(1)));
    }
    Matcher dotted = DOTTED.matcher(id);
    return dotted.matches()
        ? Optional.of(new TestPlace(dotted.group(1), dotted.group(2)))
        : Optional.empty();
  }
}
