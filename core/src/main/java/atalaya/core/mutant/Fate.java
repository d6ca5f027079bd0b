package atalaya.core.mutant;

import java.util.Locale;

/** What became of a mutant; of two verdicts about one mutant the first of these is the surer. */
public enum Fate {
  /** A test failed. */
  KILLED,
  /** A test that ends otherwise did not end; it counts as killed. */
  TIMEOUT,
  /** All tests that reach it passed. */
  SURVIVED,
  /** No test that could be run again reaches it. */
  UNREACHED,
  /** The code with it could not be loaded. */
  INVALID;

  /** Lower case, as in tables. */
  public String label() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** Whether tests noticed it. */
  public boolean isNoticed() {
    return this == KILLED || this == TIMEOUT;
  }
}
