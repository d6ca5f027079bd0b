package atalaya.boot;

/** Where observed code marks the points it reached. */
public final class Reach {
  /**
   * The marks of each observed class, by the index that was planted into it. The outer array is
   * replaced when it must grow; the inner ones stay.
   */
  public static boolean[][] table = new boolean[256][];

  private Reach() {}
}
