package atalaya.worker;

import java.util.List;

/** Runs tests by one test framework. */
interface Driver {
  /** Told what happens. */
  interface Listener {
    /** A test begins. */
    void started(String id);

    /**
     * A test ended.
     *
     * @param failure null when it passed
     */
    void finished(String id, Throwable failure);

    /** A test was left out. */
    void skipped(String id);

    /** Something around the tests failed, so that some of them may not run. */
    void failedAround(Throwable failure);

    /** Whether the rest need not run. */
    boolean isEnough();
  }

  /** Runs tests, those of a class together; to its end, whatever the tests do. */
  void run(List<TestRef> tests, Listener listener);
}
