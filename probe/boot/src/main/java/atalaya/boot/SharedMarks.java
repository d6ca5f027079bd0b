package atalaya.boot;

/**
 * The marks of all classes that can't have theirs as a constant. Compiled code knows where these
 * are, too, as the field never changes once this class is there, which is when the first needs it.
 */
public final class SharedMarks {
  /** One for each point. */
  public static final boolean[] ALL = new boolean[Reach.shared(1)];

  private SharedMarks() {}
}
