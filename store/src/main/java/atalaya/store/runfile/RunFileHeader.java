package atalaya.store.runfile;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;

/** Checks the first 100 bytes of a file before SQLite is trusted with it. */
final class RunFileHeader {
  /** {@code ATAL}. */
  static final int APPLICATION_ID = 0x4154414C;

  /** The format that this version writes. */
  static final int FORMAT = 5;

  private static final byte[] MAGIC = "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);
  private static final int LENGTH = 100;

  private RunFileHeader() {}

  /**
   * Checks that a file is a whole run file of this format.
   *
   * @throws UnreadableRun when it is not
   */
  static void check(Path file) {
    if (!Files.isRegularFile(file)) {
      throw new UnreadableRun("no run file " + file + "; see atalaya runs");
    }
    byte[] head;
    long size;
    try (InputStream in = Files.newInputStream(file)) {
      head = in.readNBytes(LENGTH);
      size = Files.size(file);
    } catch (IOException e) {
      throw new UnreadableRun("can't read " + file + ": " + e.getMessage(), e);
    }
    if (size == 0) {
      throw new UnreadableRun(file + " is empty; observe again");
    }
    if (head.length < LENGTH || !Arrays.equals(Arrays.copyOf(head, MAGIC.length), MAGIC)) {
      throw new UnreadableRun(file + " is no run file");
    }
    ByteBuffer fields = ByteBuffer.wrap(head);
    if (fields.getInt(68) != APPLICATION_ID) {
      throw new UnreadableRun(file + " is a database, but not a run file of Atalaya");
    }
    int format = fields.getInt(60);
    if (format < FORMAT) {
      throw new UnreadableRun(file + " was made by an older Atalaya; observe again");
    }
    if (format > FORMAT) {
      throw new UnreadableRun(
          file
              + " has format "
              + format
              + ", and this Atalaya reads up to "
              + FORMAT
              + "; use a newer Atalaya");
    }
    int pageSize = Short.toUnsignedInt(fields.getShort(16));
    long whole = Integer.toUnsignedLong(fields.getInt(28)) * (pageSize == 1 ? 65_536 : pageSize);
    if (size < whole) {
      throw new UnreadableRun(
          file + " is cut off: " + size + " of " + whole + " bytes are there; copy it again");
    }
  }
}
