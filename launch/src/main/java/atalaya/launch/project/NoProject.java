package atalaya.launch.project;

/** There is no project, or it can't be read; the message says what to do. */
public final class NoProject extends RuntimeException {
  private static final long serialVersionUID = 1;

  NoProject(String message) {
    super(message);
  }
}
