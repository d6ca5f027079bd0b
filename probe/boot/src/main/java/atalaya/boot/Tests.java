package atalaya.boot;

/** Where test frameworks say which test runs. */
public final class Tests {
  /** Told of tests; set by the agent before any test can run. */
  public static volatile Listener listener;

  private Tests() {}

  /** Takes what the frameworks say. Nothing it does may throw. */
  public interface Listener {
    /** A test or a container of tests began. */
    void started(String framework, String id, String name, boolean isTest);

    /** It ended with {@code SUCCESSFUL}, {@code FAILED} or {@code ABORTED}. */
    void finished(String framework, String id, boolean isTest, String status);

    /** It was left out. */
    void skipped(String framework, String id, String name, boolean isTest);

    /** It failed, and will be finished. */
    void failed(String framework, String id);

    /** TestNG's result of a test has a new status. */
    void changed(Object result, String className, String method, int status);

    /** A thread ends by an exception. */
    void uncaught(Thread thread, Throwable exception);
  }

  /** See {@link Listener#started}. */
  public static void started(String framework, String id, String name, boolean isTest) {
    Listener to = listener;
    if (to != null) {
      to.started(framework, id, name, isTest);
    }
  }

  /** See {@link Listener#finished}. */
  public static void finished(String framework, String id, boolean isTest, String status) {
    Listener to = listener;
    if (to != null) {
      to.finished(framework, id, isTest, status);
    }
  }

  /** See {@link Listener#skipped}. */
  public static void skipped(String framework, String id, String name, boolean isTest) {
    Listener to = listener;
    if (to != null) {
      to.skipped(framework, id, name, isTest);
    }
  }

  /** See {@link Listener#changed}. */
  public static void changed(Object result, String className, String method, int status) {
    Listener to = listener;
    if (to != null) {
      to.changed(result, className, method, status);
    }
  }

  /** See {@link Listener#uncaught}. */
  public static void uncaught(Thread thread, Throwable exception) {
    Listener to = listener;
    if (to != null) {
      to.uncaught(thread, exception);
    }
  }

  /** See {@link Listener#failed}. */
  public static void failed(String framework, String id) {
    Listener to = listener;
    if (to != null) {
      to.failed(framework, id);
    }
  }
}
