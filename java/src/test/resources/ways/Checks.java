/** What Ways uses, and does not belong to. */
public final class Checks {
  private Checks() {}

  /** Takes not everything. */
  public static class Permit {
    public Permit(int days) {
      that(days > 2, "too short");
    }
  }

  /** Lets through, but not when it is closed. */
  public static class Gate {
    private boolean isClosed;

    /** Its width. */
    public int width() {
      check();
      return 4;
    }

    private void check() {
      that(!isClosed, "closed");
    }

    private StringBuilder log = new StringBuilder();

    /** Notes something. */
    public void note(String text) {
      log().append(text);
    }

    private StringBuilder log() {
      return log;
    }

    /** Closes it. */
    public void close() {
      isClosed = true;
    }
  }

  /** Throws unless something holds. */
  public static void that(boolean holds, String otherwise) {
    if (!holds) {
      throw new IllegalArgumentException(otherwise);
    }
  }

  /** Whether there is a text. */
  public static boolean isGiven(String text) {
    return text != null && !text.isEmpty();
  }

  /** Decimetres as metres. */
  public static int metres(int decimetres) {
    return decimetres / 10;
  }
}
