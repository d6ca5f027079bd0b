package atalaya.boot;

/** In place of {@link SharedMarks}, where hits are counted. */
public final class SharedCounts {
  /** One for each point. */
  public static final long[] ALL = new long[Reach.shared(Long.BYTES)];

  private SharedCounts() {}
}
