package atalaya.worker;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.File;
import java.io.IOException;
import java.io.RandomAccessFile;

/**
 * One direction between Atalaya and a worker: a file that one side appends messages to and the
 * other reads as they come. No port is open, and tests may do to the standard streams what they
 * like.
 */
public final class Channel implements Closeable {
  private static final int LARGEST = 256 << 20;

  private final RandomAccessFile file;

  private Channel(RandomAccessFile file) {
    this.file = file;
  }

  /** Opens it, on either side; the file is made where there is none. */
  public static Channel open(File file) throws IOException {
    return new Channel(new RandomAccessFile(file, "rw"));
  }

  /** What a message says. */
  public interface Body {
    /** Writes it. */
    void write(DataOutputStream to) throws IOException;
  }

  /**
   * Appends a message, whole.
   *
   * @param type one of {@link Message}
   */
  public synchronized void send(int type, Body body) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    DataOutputStream to = new DataOutputStream(bytes);
    to.writeInt(0);
    to.writeByte(type);
    body.write(to);
    byte[] all = bytes.toByteArray();
    int length = all.length - 4;
    all[0] = (byte) (length >>> 24);
    all[1] = (byte) (length >>> 16);
    all[2] = (byte) (length >>> 8);
    all[3] = (byte) length;
    file.write(all);
  }

  /** The next message, its type first; null when it is not there yet. */
  public DataInputStream poll() throws IOException {
    long at = file.getFilePointer();
    long there = file.length() - at;
    if (there < 4) {
      return null;
    }
    int length = file.readInt();
    if (length < 1 || length > LARGEST) {
      throw new IOException("a message of " + length + " bytes");
    }
    if (there - 4 < length) {
      file.seek(at);
      return null;
    }
    byte[] message = new byte[length];
    file.readFully(message);
    return new DataInputStream(new ByteArrayInputStream(message));
  }

  /** A text of any length. */
  public static void writeText(DataOutputStream to, String text) throws IOException {
    byte[] bytes = text.getBytes(java.nio.charset.StandardCharsets.UTF_8);
    to.writeInt(bytes.length);
    to.write(bytes);
  }

  /** The text that {@link #writeText} wrote. */
  public static String readText(DataInputStream from) throws IOException {
    byte[] bytes = new byte[from.readInt()];
    from.readFully(bytes);
    return new String(bytes, java.nio.charset.StandardCharsets.UTF_8);
  }

  /** Numbers, with how many there are in front. */
  public static void writeNumbers(DataOutputStream to, int[] numbers) throws IOException {
    to.writeInt(numbers.length);
    for (int number : numbers) {
      to.writeInt(number);
    }
  }

  /** The numbers that {@link #writeNumbers} wrote. */
  public static int[] readNumbers(DataInputStream from) throws IOException {
    int[] numbers = new int[from.readInt()];
    for (int i = 0; i < numbers.length; i++) {
      numbers[i] = from.readInt();
    }
    return numbers;
  }

  @Override
  public void close() throws IOException {
    file.close();
  }
}
