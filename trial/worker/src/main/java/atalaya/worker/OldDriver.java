package atalaya.worker;

import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import junit.framework.AssertionFailedError;
import junit.framework.Test;
import junit.framework.TestListener;
import junit.framework.TestResult;
import junit.framework.TestSuite;

/** By JUnit 3 alone, where there is no newer one. */
final class OldDriver implements Driver {
  @Override
  public void run(List<TestRef> tests, Listener listener) {
    Map<String, Map<String, Test>> byClass = new HashMap<>();
    for (TestRef test : tests) {
      Test found = byClass.computeIfAbsent(test.container, c -> testsOf(c, listener)).get(test.id);
      if (found != null && !listener.isEnough()) {
        TestResult result = new TestResult();
        result.addListener(new Told(listener));
        found.run(result);
      }
    }
  }

  private static Map<String, Test> testsOf(String container, Listener listener) {
    try {
      Class<?> type =
          Class.forName(container, true, Thread.currentThread().getContextClassLoader());
      Map<String, Test> tests = new HashMap<>();
      for (Test test :
          Collections.list(
              new TestSuite(type.asSubclass(junit.framework.TestCase.class)).tests())) {
        tests.put(test.toString(), test);
      }
      return tests;
    } catch (ClassNotFoundException | ClassCastException | LinkageError e) {
      listener.failedAround(e);
      return Collections.emptyMap();
    }
  }

  private static final class Told implements TestListener {
    private final Listener listener;
    private Throwable failure;

    Told(Listener listener) {
      this.listener = listener;
    }

    @Override
    public void addError(Test test, Throwable error) {
      failure = error;
    }

    @Override
    public void addFailure(Test test, AssertionFailedError failed) {
      failure = failed;
    }

    @Override
    public void startTest(Test test) {
      listener.started(test.toString());
    }

    @Override
    public void endTest(Test test) {
      listener.finished(test.toString(), failure);
    }
  }
}
