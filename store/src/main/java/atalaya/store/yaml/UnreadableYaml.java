package atalaya.store.yaml;

/** A file that can't be read; the message says where and why, in one line. */
public final class UnreadableYaml extends RuntimeException {
  private static final long serialVersionUID = 1;

  UnreadableYaml(String message) {
    super(message);
  }
}
