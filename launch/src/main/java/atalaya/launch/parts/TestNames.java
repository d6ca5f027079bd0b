package atalaya.launch.parts;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Names tests as a person reads them, from the unique ids of the test frameworks. */
final class TestNames {
  private static final Pattern SEGMENT = Pattern.compile("\\[([^:\\]]+):((?:[^\\]])*)\\]");
  private static final Pattern AGAIN = Pattern.compile("(.*[^ ]) \\((\\d+)\\)");
  private static final Pattern QUALIFIED = Pattern.compile("(?:\\w+[.$])*(\\w+\\.\\w+)");
  private static final Pattern NOTIFIED = Pattern.compile("(.+)\\(([^()]+)\\)");

  private TestNames() {}

  /**
   * The name of a test, with its simple class name first.
   *
   * @param id the framework's own id
   * @param displayName what the framework calls it
   */
  static String of(String id, String displayName) {
    Matcher again = AGAIN.matcher(id);
    if (again.matches()) {
      return of(again.group(1), displayName) + " (" + again.group(2) + ")";
    }
    StringBuilder classes = new StringBuilder();
    String method = "";
    String tail = "";
    Matcher segment = SEGMENT.matcher(id);
    while (segment.find()) {
      String value = segment.group(2).replace("%5B", "[").replace("%5D", "]");
      switch (segment.group(1)) {
        case "class", "runner" -> classes.append(simple(value));
        case "nested-class" -> classes.append('.').append(value);
        case "method", "test-template", "test-factory" -> method = value;
        case "test-template-invocation", "dynamic-test", "dynamic-container" ->
            tail = displayName.startsWith("[") ? " " + displayName : " [" + displayName + "]";
        case "test" -> method = beforeBracket(value) + "()";
        default -> {}
      }
    }
    if (classes.length() > 0 && !method.isEmpty()) {
      return classes + "." + withSimpleTypes(method) + tail;
    }
    Matcher notified = NOTIFIED.matcher(id);
    if (notified.matches() && !id.startsWith("[")) {
      return simple(notified.group(2)) + "." + notified.group(1) + "()";
    }
    Matcher qualified = QUALIFIED.matcher(id);
    if (qualified.matches()) {
      return qualified.group(1) + "()";
    }
    return classes.length() > 0 ? classes.toString() : displayName;
  }

  private static String simple(String className) {
    return className.substring(className.lastIndexOf('.') + 1);
  }

  private static String beforeBracket(String text) {
    int bracket = text.indexOf('(');
    return bracket < 0 ? text : text.substring(0, bracket);
  }

  private static String withSimpleTypes(String method) {
    int bracket = method.indexOf('(');
    if (bracket < 0) {
      return method;
    }
    return method.substring(0, bracket) + method.substring(bracket).replaceAll("\\w+[.$]|\\s", "");
  }
}
