package atalaya.cli;

/** Something a person can mend; the message is one line: what is wrong, with what, what to do. */
public final class Failure extends RuntimeException {
  private static final long serialVersionUID = 1;
  private final int exitCode;

  /** The exit code is one of {@link ExitCode}, or that of an observed command. */
  public Failure(int exitCode, String message) {
    super(message);
    this.exitCode = exitCode;
  }

  /** With what caused it, for {@code --verbose}. */
  public Failure(int exitCode, String message, Throwable cause) {
    super(message, cause);
    this.exitCode = exitCode;
  }

  /** What the program ends with. */
  public int exitCode() {
    return exitCode;
  }
}
