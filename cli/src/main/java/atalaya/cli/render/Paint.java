package atalaya.cli.render;

/** Colour in a terminal. Nothing may be readable by colour alone. */
public final class Paint {
  /** When there is colour. */
  public enum When {
    AUTO,
    ALWAYS,
    NEVER
  }

  private final boolean on;

  private Paint(boolean on) {
    this.on = on;
  }

  /** Colour as asked for, or as the terminal and the environment want it. */
  public static Paint of(When when, boolean isTerminal, boolean wantsNone) {
    return new Paint(when == When.ALWAYS || when == When.AUTO && isTerminal && !wantsNone);
  }

  /** No colour. */
  public static Paint none() {
    return new Paint(false);
  }

  /** Whether it colours. */
  public boolean isOn() {
    return on;
  }

  /** What matters. */
  public String bold(String text) {
    return paint("1", text);
  }

  /** What is there for whoever looks for it. */
  public String dim(String text) {
    return paint("2", text);
  }

  /** What is drawn. */
  public String accent(String text) {
    return paint("36", text);
  }

  private String paint(String code, String text) {
    return on && !text.isEmpty() ? "\u001b[" + code + "m" + text + "\u001b[0m" : text;
  }
}
