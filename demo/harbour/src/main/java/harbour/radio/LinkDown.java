package harbour.radio;

/** The radio does not answer. */
public class LinkDown extends Exception {
  private static final long serialVersionUID = 1;

  public LinkDown(String message) {
    super(message);
  }
}
