package atalaya.store.runfile;

/** A run file that is missing, damaged or foreign; the message says which, and what to do. */
public final class UnreadableRun extends RuntimeException {
  private static final long serialVersionUID = 1;

  UnreadableRun(String message) {
    super(message);
  }

  UnreadableRun(String message, Throwable cause) {
    super(message, cause);
  }
}
