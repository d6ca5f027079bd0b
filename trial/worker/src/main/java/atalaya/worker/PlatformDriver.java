package atalaya.worker;

import java.util.ArrayList;
import java.util.List;
import org.junit.platform.engine.DiscoverySelector;
import org.junit.platform.engine.TestExecutionResult;
import org.junit.platform.engine.discovery.DiscoverySelectors;
import org.junit.platform.launcher.Launcher;
import org.junit.platform.launcher.TestExecutionListener;
import org.junit.platform.launcher.TestIdentifier;
import org.junit.platform.launcher.core.LauncherDiscoveryRequestBuilder;
import org.junit.platform.launcher.core.LauncherFactory;

/** By the JUnit Platform; tests run one after the other, also where they would run in parallel. */
final class PlatformDriver implements Driver {
  private final Launcher launcher = LauncherFactory.create();

  @Override
  public void run(List<TestRef> tests, Listener listener) {
    List<DiscoverySelector> selectors = new ArrayList<>();
    for (TestRef test : tests) {
      selectors.add(DiscoverySelectors.selectUniqueId(test.id));
    }
    launcher.execute(
        LauncherDiscoveryRequestBuilder.request()
            .selectors(selectors)
            .configurationParameter("junit.jupiter.execution.parallel.enabled", "false")
            .build(),
        new Told(listener));
  }

  private static final class Told implements TestExecutionListener {
    private final Listener listener;

    Told(Listener listener) {
      this.listener = listener;
    }

    @Override
    public void executionStarted(TestIdentifier test) {
      if (test.isTest()) {
        listener.started(test.getUniqueId());
      }
    }

    @Override
    public void executionFinished(TestIdentifier test, TestExecutionResult result) {
      Throwable failure =
          result.getStatus() == TestExecutionResult.Status.FAILED
              ? result.getThrowable().orElseGet(AssertionError::new)
              : null;
      if (!test.isTest()) {
        if (failure != null) {
          listener.failedAround(failure);
        }
      } else if (result.getStatus() == TestExecutionResult.Status.ABORTED) {
        listener.skipped(test.getUniqueId());
      } else {
        listener.finished(test.getUniqueId(), failure);
      }
    }

    @Override
    public void executionSkipped(TestIdentifier test, String reason) {
      if (test.isTest()) {
        listener.skipped(test.getUniqueId());
      }
    }
  }
}
