package atalaya.worker;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.runner.Description;
import org.junit.runner.Request;
import org.junit.runner.Runner;
import org.junit.runner.manipulation.Filter;
import org.junit.runner.notification.Failure;
import org.junit.runner.notification.RunListener;
import org.junit.runner.notification.RunNotifier;
import org.junit.runner.notification.StoppedByUserException;

/** By JUnit 4, which runs tests of JUnit 3 too. */
final class NotifierDriver implements Driver {
  @Override
  public void run(List<TestRef> tests, Listener listener) {
    Map<String, List<TestRef>> byClass = new LinkedHashMap<>();
    for (TestRef test : tests) {
      byClass.computeIfAbsent(test.container, c -> new ArrayList<>()).add(test);
    }
    byClass.forEach((container, of) -> run(container, of, listener));
  }

  private static void run(String container, List<TestRef> tests, Listener listener) {
    if (listener.isEnough()) {
      return;
    }
    Set<String> wanted = new HashSet<>();
    tests.forEach(test -> wanted.add(test.id));
    try {
      Class<?> type =
          Class.forName(container, false, Thread.currentThread().getContextClassLoader());
      Runner runner = Request.aClass(type).filterWith(new Only(wanted)).getRunner();
      RunNotifier notifier = new RunNotifier();
      notifier.addListener(new Told(listener, notifier));
      runner.run(notifier);
    } catch (StoppedByUserException enough) {
      // as the listener wanted
      return;
    } catch (ClassNotFoundException | LinkageError | RuntimeException e) {
      listener.failedAround(e);
    }
  }

  private static final class Only extends Filter {
    private final Set<String> wanted;

    Only(Set<String> wanted) {
      this.wanted = wanted;
    }

    @Override
    public boolean shouldRun(Description description) {
      if (description.isTest()) {
        return wanted.contains(description.getDisplayName());
      }
      return description.getChildren().stream().anyMatch(this::shouldRun);
    }

    @Override
    public String describe() {
      return "the wanted tests";
    }
  }

  private static final class Told extends RunListener {
    private final Listener listener;
    private final RunNotifier notifier;
    private Throwable failure;
    private boolean assumed;

    Told(Listener listener, RunNotifier notifier) {
      this.listener = listener;
      this.notifier = notifier;
    }

    @Override
    public void testStarted(Description description) {
      failure = null;
      assumed = false;
      listener.started(description.getDisplayName());
    }

    @Override
    public void testFailure(Failure of) {
      if (of.getDescription().isTest()) {
        failure = of.getException();
      } else {
        listener.failedAround(of.getException());
      }
    }

    @Override
    public void testAssumptionFailure(Failure of) {
      assumed = true;
    }

    @Override
    public void testFinished(Description description) {
      if (assumed && failure == null) {
        listener.skipped(description.getDisplayName());
      } else {
        listener.finished(description.getDisplayName(), failure);
      }
      if (listener.isEnough()) {
        notifier.pleaseStop();
      }
    }

    @Override
    public void testIgnored(Description description) {
      listener.skipped(description.getDisplayName());
    }
  }
}
