package atalaya.worker;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.platform.engine.DiscoverySelector;
import org.junit.platform.engine.TestExecutionResult;
import org.junit.platform.engine.discovery.DiscoverySelectors;
import org.junit.platform.launcher.Launcher;
import org.junit.platform.launcher.TestExecutionListener;
import org.junit.platform.launcher.TestIdentifier;
import org.junit.platform.launcher.core.LauncherDiscoveryRequestBuilder;
import org.junit.platform.launcher.core.LauncherFactory;

/**
 * By the JUnit Platform; tests run one after the other, also where they would run in parallel.
 * Where all tests of a class or of a method are wanted, the platform is asked for it as a whole:
 * finding them one by one takes it longer than running them.
 */
final class PlatformDriver implements Driver {
  private final Launcher launcher = launcher();
  private final Map<String, Integer> sizes = new HashMap<>();

  /** Of all the tests that there are. */
  PlatformDriver(Collection<TestRef> known) {
    for (TestRef test : known) {
      wholes(test).forEach(whole -> sizes.merge(whole, 1, Integer::sum));
    }
  }

  /** Without a session of our own each request would have one, and look for all providers anew. */
  private static Launcher launcher() {
    try {
      return LauncherFactory.openSession().getLauncher();
    } catch (NoSuchMethodError e) {
      // A platform older than 1.8 has no sessions.
      return LauncherFactory.create();
    }
  }

  /** The ids of the class and the method that a test is of, the largest first. */
  private static List<String> wholes(TestRef test) {
    if (!test.amongFit) {
      return Collections.emptyList();
    }
    List<String> wholes = new ArrayList<>();
    int first = test.id.indexOf("/[");
    int second = first < 0 ? -1 : test.id.indexOf("/[", first + 1);
    int last = test.id.lastIndexOf("/[");
    if (second > 0) {
      wholes.add(test.id.substring(0, second));
      if (last > second) {
        wholes.add(test.id.substring(0, last));
      }
    }
    return wholes;
  }

  private Set<String> selected(List<TestRef> tests) {
    Map<String, Integer> wanted = new HashMap<>();
    for (TestRef test : tests) {
      wholes(test).forEach(whole -> wanted.merge(whole, 1, Integer::sum));
    }
    Set<String> selected = new LinkedHashSet<>();
    for (TestRef test : tests) {
      selected.add(
          wholes(test).stream()
              .filter(whole -> wanted.get(whole).equals(sizes.get(whole)))
              .findFirst()
              .orElse(test.id));
    }
    return selected;
  }

  @Override
  public void run(List<TestRef> tests, Listener listener) {
    List<DiscoverySelector> selectors = new ArrayList<>();
    for (String id : selected(tests)) {
      selectors.add(DiscoverySelectors.selectUniqueId(id));
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
