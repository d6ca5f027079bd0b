package atalaya.cli;

/** The exit codes that scripts rely on. */
public final class ExitCode {
  /** Done. */
  public static final int DONE = 0;

  /** Wrong usage. */
  public static final int USAGE = 2;

  /** An input is missing, unreadable or does not fit. */
  public static final int INPUT = 3;

  /** A fault of Atalaya's own. */
  public static final int FAULT = 4;

  /** {@code observe} failed itself, or observed nothing. */
  public static final int NOT_OBSERVED = 125;

  private ExitCode() {}
}
