package atalaya.trial.decide;

import atalaya.core.run.TestId;
import atalaya.worker.Message;
import java.util.Optional;

/**
 * A test that can be run again.
 *
 * @param number in the run, from 1
 * @param framework one of {@link Message}
 * @param group its class, as a rule: what is set up for one test of a group is set up for all
 * @param id as the framework calls it
 */
public record RunnableTest(int number, int framework, String group, String id) {
  /**
   * A test of a run; empty for one of a framework that can't be started here, or that ran twice.
   *
   * @param hasNotifier whether JUnit 4 is on the class path
   * @param hasNg whether TestNG is
   */
  public static Optional<RunnableTest> of(
      int number, String id, boolean hasNotifier, boolean hasNg) {
    TestId of = TestId.of(id);
    boolean isFirst = of.time() == 1;
    return switch (of.form()) {
      case DOTTED -> hasNg ? some(number, Message.NG, of.className(), id) : Optional.empty();
      case IN_BRACKETS ->
          isFirst
              ? some(number, hasNotifier ? Message.NOTIFIER : Message.OLD, of.className(), id)
              : Optional.empty();
      case SEGMENTS -> isFirst ? ofPlatform(number, of, id, hasNotifier) : Optional.empty();
      case WORDS -> Optional.empty();
    };
  }

  /** Tests of JUnit 4 are run by it itself where it is there: it finds them sooner. */
  private static Optional<RunnableTest> ofPlatform(
      int number, TestId of, String id, boolean hasNotifier) {
    Optional<String> runner = of.segment("runner");
    Optional<String> test = of.segment("test");
    boolean isOld = runner.isPresent() && test.map(RunnableTest::isInBrackets).orElse(false);
    if (isOld && hasNotifier) {
      return some(number, Message.NOTIFIER, runner.get(), test.get());
    }
    return of.segments().size() < 2
        ? Optional.empty()
        : some(number, Message.PLATFORM, of.segments().get(1).text(), id);
  }

  private static boolean isInBrackets(String id) {
    return TestId.of(id).form() == TestId.Form.IN_BRACKETS;
  }

  private static Optional<RunnableTest> some(int number, int framework, String group, String id) {
    return Optional.of(new RunnableTest(number, framework, group, id));
  }
}
