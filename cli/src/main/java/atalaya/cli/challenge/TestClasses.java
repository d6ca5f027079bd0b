package atalaya.cli.challenge;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Tells the class of a test from its id. */
final class TestClasses {
  private static final Pattern SEGMENT = Pattern.compile("\\[(?:class|runner):([^\\]]+)\\]");
  private static final Pattern NOTIFIED = Pattern.compile("(?s).*\\(([^()]+)\\)(?: \\(\\d+\\))?");

  private static final Pattern METHOD = Pattern.compile("([\\w$.]+)\\.[\\w$]+(?: \\(\\d+\\))?");

  private TestClasses() {}

  /** The binary name, or empty where the id does not tell. */
  static String of(String id) {
    Matcher segment = SEGMENT.matcher(id);
    if (segment.find()) {
      return segment.group(1);
    }
    Matcher method = METHOD.matcher(id);
    if (method.matches()) {
      return method.group(1);
    }
    Matcher notified = NOTIFIED.matcher(id);
    return notified.matches() && !id.startsWith("[") ? notified.group(1) : "";
  }
}
