package atalaya.core.term;

/** Characters that are no {@code String}: each is equal to itself only, as a builder of text is. */
public class Characters implements CharSequence {
  /** The internal name of the class that has them. */
  static final String TYPE = "java/lang/StringBuilder";

  private final String text;

  /** Those of a text. */
  public Characters(String text) {
    this.text = text;
  }

  @Override
  public int length() {
    return text.length();
  }

  @Override
  public char charAt(int index) {
    return text.charAt(index);
  }

  @Override
  public CharSequence subSequence(int start, int end) {
    return text.substring(start, end);
  }

  @Override
  public String toString() {
    return text;
  }
}
