/** What Ways uses, and does not belong to. */
public final class Checks {
  private Checks() {}

  /** Takes not everything. */
  public static class Permit {
    public Permit(int days) {
      that(days > 2, "too short");
    }
  }

  /** What a guard asks for. */
  public abstract static class Paper {
    /** Whose it is. */
    public abstract String holder();
  }

  /** One that is made of something that is not usual. */
  public static class Pass extends Paper {
    private final String holder;

    public Pass(String holder, Gate gate) {
      this.holder = holder;
    }

    @Override
    public String holder() {
      return holder;
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
