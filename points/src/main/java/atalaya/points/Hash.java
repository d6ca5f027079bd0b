package atalaya.points;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;

/** Names the bytes of a class file: two versions of a class have different hashes. */
public final class Hash {
  private static final char[] DIGITS = "0123456789abcdef".toCharArray();

  private Hash() {}

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
