package atalaya.points;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Map;

/** Names the bytes of a class file: two versions of a class have different hashes. */
public final class Hash {
  private static final char[] DIGITS = "0123456789abcdef".toCharArray();

  private Hash() {}

  /** Of an environment variable, so that it can be known again but not read. */
  public static String ofVariable(Map.Entry<String, String> variable) {
    String text = variable.getKey() + "=" + variable.getValue();
    return of(text.getBytes(StandardCharsets.UTF_8));
  }

  /** SHA-256 in 64 lower-case hexadecimal digits. */
  public static String of(byte[] bytes) {
    byte[] digest;
    try {
      digest = MessageDigest.getInstance("SHA-256").digest(bytes);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java has SHA-256", e);
    }
    StringBuilder text = new StringBuilder(2 * digest.length);
    for (byte b : digest) {
      text.append(DIGITS[(b >> 4) & 15]).append(DIGITS[b & 15]);
    }
    return text.toString();
  }
}
