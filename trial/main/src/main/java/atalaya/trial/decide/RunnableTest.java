package atalaya.trial.decide;

import atalaya.worker.Message;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A test that can be run again.
 *
 * @param number in the run, from 1
 * @param framework one of {@link Message}
 * @param group its class, as a rule: what is set up for one test of a group is set up for all
 * @param id as the framework calls it
 */
public record RunnableTest(int number, int framework, String group, String id) {
  private static final Pattern VINTAGE =
      Pattern.compile("\\[engine:junit-vintage\\]/\\[runner:([^\\]]+)\\]/.*\\[test:(.+)\\]");
  private static final Pattern TOP = Pattern.compile("\\[engine:[^\\]]+\\]/\\[([^\\]]+)\\].*");
  private static final Pattern NOTIFIED = Pattern.compile("(?s).*\\(([^()]+)\\)");

  /** A class and a method, and which time it is. */
  private static final Pattern NG = Pattern.compile("([\\w$.]+)\\.[\\w$]+(?: \\(\\d+\\))?");

  private static final Pattern AGAIN = Pattern.compile("(?s)(.*[^ ]) \\(\\d+\\)");

  /**
   * A test of a run; empty for one of a framework that can't be started here, or that ran twice.
   *
   * @param hasNotifier whether JUnit 4 is on the class path
   * @param hasNg whether TestNG is
   */
  public static Optional<RunnableTest> of(
      int number, String id, boolean hasNotifier, boolean hasNg) {
    Matcher ng = NG.matcher(id);
    if (hasNg && ng.matches()) {
      return Optional.of(new RunnableTest(number, Message.NG, ng.group(1), id));
    }
    Matcher vintage = VINTAGE.matcher(id);
    if (vintage.matches()) {
      String name = decoded(vintage.group(2));
      Matcher of = NOTIFIED.matcher(name);
      if (of.matches() && hasNotifier) {
        String container = decoded(vintage.group(1));
        return Optional.of(new RunnableTest(number, Message.NOTIFIER, container, name));
      }
    }
    Matcher top = TOP.matcher(id);
    if (top.matches()) {
      return AGAIN.matcher(id).matches()
          ? Optional.empty()
          : Optional.of(new RunnableTest(number, Message.PLATFORM, top.group(1), id));
    }
    Matcher notified = NOTIFIED.matcher(id);
    if (!notified.matches() || AGAIN.matcher(id).matches()) {
      return Optional.empty();
    }
    String container = notified.group(1);
    int framework = hasNotifier ? Message.NOTIFIER : Message.OLD;
    return Optional.of(new RunnableTest(number, framework, container, id));
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
}
