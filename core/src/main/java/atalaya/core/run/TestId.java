package atalaya.core.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a test framework calls a test, taken apart.
 *
 * @param segments those of the JUnit Platform, outermost first; none in other forms
 * @param topClass the binary name of the class that is run; empty where the id does not tell
 * @param className the same of the class that the test is in, which may be nested
 * @param method with its parameters, as the framework writes it; empty where the id does not tell
 * @param time which time a test of this name ran, from 1
 */
public record TestId(
    Form form, List<Segment> segments, String topClass, String className, String method, int time) {
  private static final Pattern AGAIN = Pattern.compile("(?s)(.*[^ ]) \\((\\d{1,9})\\)");
  private static final Pattern SEGMENT = Pattern.compile("\\[([^:\\]]+):([^\\]]*)\\]");
  private static final Pattern IN_BRACKETS = Pattern.compile("(?s)(.+)\\(([^()\\s]+)\\)");
  private static final Pattern DOTTED = Pattern.compile("([\\w$.]+)\\.([\\w$]+)");

  /** How ids are written. */
  public enum Form {
    /** {@code [engine:e]/[class:a.B]/[method:c()]}: the JUnit Platform's. */
    SEGMENTS,
    /** {@code c(a.B)}: those of JUnit 3 and 4. */
    IN_BRACKETS,
    /** {@code a.B.c}: TestNG's. */
    DOTTED,
    /** Any other. */
    WORDS
  }

  /**
   * A part of an id of the JUnit Platform.
   *
   * @param kind such as {@code class}
   * @param value decoded
   */
  public record Segment(String kind, String value) {
    /** Both, as ids have them. */
    public String text() {
      return kind + ":" + value;
    }
  }

  public TestId {
    segments = List.copyOf(segments);
  }

  /** Takes an id apart. */
  public static TestId of(String id) {
    Matcher again = AGAIN.matcher(id);
    return again.matches() ? of(again.group(1), Integer.parseInt(again.group(2))) : of(id, 1);
  }

  private static TestId of(String id, int time) {
    if (id.startsWith("[")) {
      return ofSegments(id, time);
    }
    Matcher inBrackets = IN_BRACKETS.matcher(id);
    if (inBrackets.matches()) {
      String type = inBrackets.group(2);
      String method = inBrackets.group(1) + "()";
      return new TestId(Form.IN_BRACKETS, List.of(), type, type, method, time);
    }
    Matcher dotted = DOTTED.matcher(id);
    if (dotted.matches()) {
      String type = dotted.group(1);
      return new TestId(Form.DOTTED, List.of(), type, type, dotted.group(2) + "()", time);
    }
    return new TestId(Form.WORDS, List.of(), "", "", "", time);
  }

  private static TestId ofSegments(String id, int time) {
    List<Segment> segments = new ArrayList<>();
    String topClass = "";
    StringBuilder className = new StringBuilder();
    String method = "";
    Matcher matcher = SEGMENT.matcher(id);
    while (matcher.find()) {
      Segment segment = new Segment(matcher.group(1), decoded(matcher.group(2)));
      segments.add(segment);
      switch (segment.kind()) {
        case "class", "runner" -> {
          topClass = topClass.isEmpty() ? segment.value() : topClass;
          className.append(segment.value());
        }
        case "nested-class" -> className.append('$').append(segment.value());
        case "method", "test-template", "test-factory" -> method = segment.value();
        case "test" -> method = of(segment.value()).method();
        default -> {}
      }
    }
    return new TestId(Form.SEGMENTS, segments, topClass, className.toString(), method, time);
  }

  private static String decoded(String text) {
    return text.replace("%5B", "[")
        .replace("%5D", "]")
        .replace("%2F", "/")
        .replace("%3A", ":")
        .replace("%2B", "+")
        .replace("%20", " ")
        .replace("%25", "%");
  }

  /** The first segment of a kind. */
  public Optional<String> segment(String kind) {
    return segments.stream().filter(s -> s.kind().equals(kind)).map(Segment::value).findFirst();
  }

  /** The name of its method without parameters. */
  public String methodName() {
    return method.replaceAll("(?s)\\W.*", "");
  }
}
