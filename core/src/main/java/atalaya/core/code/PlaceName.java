package atalaya.core.code;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;

/** Names places in methods: the method's name, and a few letters that stand for the place in it. */
public final class PlaceName {
  private static final String LETTERS = "abcdefghijkmnpqrstuvwxyz23456789";
  private static final int LENGTH = 7;

  private PlaceName() {}

  /**
   * The name.
   *
   * @param kind of what is there
   * @param ordinal from 0, among the places of the method that are else alike
   */
  public static String of(
      String className, String method, String kind, String text, String outcome, int ordinal) {
    String place = String.join("\n", className, method, kind, text, outcome, "" + ordinal);
    byte[] hash = sha256().digest(place.getBytes(StandardCharsets.UTF_8));
    StringBuilder name = new StringBuilder(plainName(className, method)).append('-');
    for (int i = 0; i < LENGTH; i++) {
      name.append(LETTERS.charAt(hash[i] & 31));
    }
    return name.toString();
  }

  /** Without anything that a shell would take for its own. */
  private static String plainName(String className, String method) {
    String simple = className.substring(className.lastIndexOf('.') + 1).replaceAll(".*\\$", "");
    String name =
        method.startsWith("<init>")
            ? simple
            : method.startsWith("<clinit>") ? "static" : method.substring(0, method.indexOf('('));
    return name.replaceAll("[^\\p{Alnum}_]", "_");
  }

  private static MessageDigest sha256() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java platform has SHA-256", e);
    }
  }
}
