package atalaya.core.run;

/** How a test ended. */
public enum Verdict {
  PASSED,
  FAILED,
  SKIPPED,
  /** It began, and nothing was heard of it again: the JVM was killed, or is still running. */
  UNFINISHED;

  /** The name in tables, in lower case. */
  public String label() {
    return name().toLowerCase(java.util.Locale.ROOT);
  }
}
