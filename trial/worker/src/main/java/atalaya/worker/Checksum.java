package atalaya.worker;

import java.util.zip.CRC32;

/** Tells whether a class file is the one that was planted, at next to no cost for each JVM. */
public final class Checksum {
  private Checksum() {}

  /** The length and the CRC-32 of some bytes. */
  public static String of(byte[] bytes) {
    CRC32 sum = new CRC32();
    sum.update(bytes, 0, bytes.length);
    return bytes.length + "-" + Long.toHexString(sum.getValue());
  }
}
