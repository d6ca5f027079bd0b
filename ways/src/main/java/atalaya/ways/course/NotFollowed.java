package atalaya.ways.course;

/** A way that can't be followed. */
public final class NotFollowed extends Exception {
  private static final long serialVersionUID = 1;

  public NotFollowed(String message, Throwable cause) {
    super(message, cause);
  }
}
