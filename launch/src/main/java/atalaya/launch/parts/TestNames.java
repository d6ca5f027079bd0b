package atalaya.launch.parts;

import atalaya.core.run.TestId;
import java.util.Set;

/** Names tests as a person reads them, from the unique ids of the test frameworks. */
final class TestNames {
  /** What a method runs several of. */
  private static final Set<String> OF_MANY =
      Set.of("test-template-invocation", "dynamic-test", "dynamic-container");

  private TestNames() {}

  /**
   * The name of a test, with its simple class name first.
   *
   * @param id the framework's own id
   * @param displayName what the framework calls it
   */
  static String of(String id, String displayName) {
    TestId of = TestId.of(id);
    String again = of.time() > 1 ? " (" + of.time() + ")" : "";
    if (of.className().isEmpty()) {
      return displayName + again;
    }
    String type = simple(of.topClass());
    String nested = of.className().substring(of.topClass().length()).replace('$', '.');
    if (of.method().isEmpty()) {
      return type + nested + again;
    }
    return type + nested + "." + withSimpleTypes(of.method()) + which(of, displayName) + again;
  }

  private static String which(TestId of, String displayName) {
    if (of.segments().stream().map(TestId.Segment::kind).noneMatch(OF_MANY::contains)) {
      return "";
    }
    return displayName.startsWith("[") ? " " + displayName : " [" + displayName + "]";
  }

  private static String simple(String className) {
    return className.substring(className.lastIndexOf('.') + 1);
  }

  private static String withSimpleTypes(String method) {
    int bracket = method.indexOf('(');
    if (bracket < 0) {
      return method;
    }
    return method.substring(0, bracket) + method.substring(bracket).replaceAll("\\w+[.$]|\\s", "");
  }
}
