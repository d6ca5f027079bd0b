package atalaya.worker;

import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.testng.IConfigurationListener;
import org.testng.IMethodSelector;
import org.testng.IMethodSelectorContext;
import org.testng.ITestContext;
import org.testng.ITestListener;
import org.testng.ITestNGMethod;
import org.testng.ITestResult;
import org.testng.TestNG;
import org.testng.xml.XmlClass;
import org.testng.xml.XmlMethodSelector;
import org.testng.xml.XmlSuite;
import org.testng.xml.XmlTest;

/**
 * By TestNG, those of a class together. A method that has rows of data runs with all of them, and
 * is another test each time, as it was when it was observed.
 */
final class NgDriver implements Driver {
  /** Below zero, TestNG asks no selector that comes after. */
  private static final int BEFORE_ALL_OTHERS = -1;

  @Override
  public void run(List<TestRef> tests, Listener listener) {
    Map<String, Set<String>> methods = new LinkedHashMap<>();
    for (TestRef test : tests) {
      String id = test.id.replaceFirst(" \\(\\d+\\)$", "");
      methods
          .computeIfAbsent(test.container, c -> new LinkedHashSet<>())
          .add(id.substring(test.container.length() + 1));
    }
    methods.forEach((container, of) -> run(container, of, listener));
  }

  private static void run(String container, Set<String> methods, Listener listener) {
    if (listener.isEnough()) {
      return;
    }
    try {
      XmlSuite suite = new XmlSuite();
      XmlTest test = new XmlTest(suite);
      test.setXmlClasses(Collections.singletonList(new XmlClass(container, false)));
      XmlMethodSelector selector = new XmlMethodSelector();
      selector.setClassName(Only.class.getName());
      selector.setPriority(BEFORE_ALL_OTHERS);
      test.setMethodSelectors(Collections.singletonList(selector));
      Only.wanted = methods;
      TestNG framework = new TestNG(false);
      framework.setVerbose(0);
      framework.setXmlSuites(Collections.singletonList(suite));
      framework.addListener(new Told(listener));
      framework.run();
    } catch (LinkageError | RuntimeException e) {
      listener.failedAround(e);
    }
  }

  /**
   * Selects tests. Names of methods in an {@code XmlClass} would do the same, but TestNG makes a
   * pattern of each anew for each method that there is.
   */
  public static final class Only implements IMethodSelector {
    private static final long serialVersionUID = 1;
    private static volatile Set<String> wanted = Collections.emptySet();

    @Override
    public boolean includeMethod(
        IMethodSelectorContext context, ITestNGMethod method, boolean isTest) {
      return !isTest || wanted.contains(method.getMethodName());
    }

    @Override
    public void setTestMethods(List<ITestNGMethod> methods) {}
  }

  private static final class Told implements ITestListener, IConfigurationListener {
    private final Listener listener;
    private final Map<String, Integer> occurrences = new HashMap<>();
    private final Map<ITestResult, String> running = new HashMap<>();

    Told(Listener listener) {
      this.listener = listener;
    }

    @Override
    public void onTestStart(ITestResult result) {
      listener.started(running.computeIfAbsent(result, this::unique));
    }

    private String unique(ITestResult result) {
      String id = result.getTestClass().getName() + "." + result.getName();
      int occurrence = occurrences.merge(id, 1, Integer::sum);
      return occurrence == 1 ? id : id + " (" + occurrence + ")";
    }

    private String ended(ITestResult result) {
      String id = running.remove(result);
      return id == null ? unique(result) : id;
    }

    @Override
    public void onTestSuccess(ITestResult result) {
      listener.finished(ended(result), null);
    }

    @Override
    public void onTestFailure(ITestResult result) {
      listener.finished(ended(result), thrown(result));
    }

    @Override
    public void onTestFailedButWithinSuccessPercentage(ITestResult result) {
      onTestFailure(result);
    }

    @Override
    public void onTestSkipped(ITestResult result) {
      listener.skipped(ended(result));
    }

    @Override
    public void onConfigurationFailure(ITestResult setUp) {
      listener.failedAround(thrown(setUp));
    }

    @Override
    public void onConfigurationSuccess(ITestResult setUp) {}

    @Override
    public void onConfigurationSkip(ITestResult setUp) {}

    @Override
    public void onStart(ITestContext context) {}

    @Override
    public void onFinish(ITestContext context) {}

    private static Throwable thrown(ITestResult result) {
      return result.getThrowable() == null ? new AssertionError() : result.getThrowable();
    }
  }
}
