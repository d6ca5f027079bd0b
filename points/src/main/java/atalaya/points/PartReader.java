package atalaya.points;

import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.File;
import java.io.FileInputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.zip.CRC32;

/** Reads part files, also those of JVMs that were killed. */
public final class PartReader {

  /** Told of each record, in the order of the file. */
  public interface Sink {
    /** See {@link PartWriter#PartWriter}. */
    void jvm(Jvm jvm);

    /** See {@link PartWriter#planted}. */
    void planted(int number, String name, String hash, int points, String location);

    /** See {@link PartWriter#notPlanted}. */
    void notPlanted(String name, String reason);

    /** See {@link PartWriter#testStarted}. */
    void testStarted(int number, String id, String name, long millis);

    /** See {@link PartWriter#testEnded}. */
    void testEnded(int number, String verdict, long nanos, boolean overlapped);

    /** When the points that are told next were written, in milliseconds since 1970. */
    default void written(long millis) {}

    /** See {@link PartWriter#hits}; called once for each point. */
    default void hits(int classNumber, int point, long times) {}

    /** See {@link PartWriter#uncaught}. */
    default void uncaught(String thread, String type, String message, String place) {}

    /** See {@link PartWriter#reached}; called once for each class. */
    void reached(int test, int classNumber, BitSet points);
  }

  private static final int LARGEST_RECORD = 1 << 30;

  private PartReader() {}

  /**
   * Reads a file up to its last whole record.
   *
   * @return whether the JVM ended in order
   * @throws IOException when it can't be read, or is no part file of this version
   */
  public static boolean read(File file, Sink sink) throws IOException {
    try (DataInputStream in =
        new DataInputStream(new BufferedInputStream(new FileInputStream(file), 1 << 16))) {
      byte[] magic = new byte[PartFormat.MAGIC.length];
      try {
        in.readFully(magic);
      } catch (EOFException e) {
        return false;
      }
      if (!Arrays.equals(magic, PartFormat.MAGIC)) {
        throw new IOException(file + " is no part file of this version of Atalaya");
      }
      return records(in, sink);
    }
  }

  private static boolean records(DataInputStream in, Sink sink) throws IOException {
    boolean ended = false;
    byte[] pending = null;
    while (true) {
      byte[] payload;
      int type;
      try {
        type = in.readUnsignedByte();
        payload = payload(in, type);
      } catch (EOFException e) {
        break;
      }
      if (type == PartFormat.END) {
        // Other shutdown hooks may have reached more since.
        ended = true;
      } else if (type == PartFormat.PENDING) {
        pending = payload;
      } else {
        record(type, new DataInputStream(new ByteArrayInputStream(payload)), sink);
      }
    }
    if (pending != null) {
      // By whom is not known: their threads may have stood there before the last test began.
      points(new DataInputStream(new ByteArrayInputStream(pending)), PartWriter.SOME_TEST, sink);
    }
    return ended;
  }

  private static byte[] payload(DataInputStream in, int type) throws IOException {
    int length = in.readInt();
    if (length < 0 || length > LARGEST_RECORD) {
      throw new EOFException("a record of " + length + " bytes");
    }
    byte[] payload = new byte[length];
    in.readFully(payload);
    CRC32 sum = new CRC32();
    sum.update(type);
    sum.update(payload, 0, payload.length);
    if ((int) sum.getValue() != in.readInt()) {
      throw new EOFException("a record with a wrong checksum");
    }
    return payload;
  }

  private static void record(int type, DataInputStream in, Sink sink) throws IOException {
    switch (type) {
      case PartFormat.JVM:
        sink.jvm(jvm(in));
        break;
      case PartFormat.CLASS:
        sink.planted(in.readInt(), text(in), text(in), in.readInt(), text(in));
        break;
      case PartFormat.NOT_PLANTED:
        sink.notPlanted(text(in), text(in));
        break;
      case PartFormat.TEST_STARTED:
        sink.testStarted(in.readInt(), text(in), text(in), in.readLong());
        break;
      case PartFormat.TEST_ENDED:
        sink.testEnded(in.readInt(), text(in), in.readLong(), in.readBoolean());
        break;
      case PartFormat.REACH:
        int test = in.readInt();
        sink.written(in.readLong());
        points(in, test, sink);
        break;
      case PartFormat.HITS:
        int classNumber = in.readInt();
        while (in.available() > 0) {
          sink.hits(classNumber, in.readInt(), in.readLong());
        }
        break;
      case PartFormat.UNCAUGHT:
        sink.uncaught(text(in), text(in), text(in), text(in));
        break;
      default:
        throw new IOException("a part file holds an unknown record: " + type);
    }
  }

  private static Jvm jvm(DataInputStream in) throws IOException {
    String id = text(in);
    long started = in.readLong();
    String javaVersion = text(in);
    String javaHome = text(in);
    String mainCommand = text(in);
    String workingDirectory = text(in);
    List<String> options = PartFormat.readTexts(in);
    List<String> classPath = PartFormat.readTexts(in);
    List<String> properties = PartFormat.readTexts(in);
    List<String> environment = PartFormat.readTexts(in);
    return new Jvm(
        id,
        started,
        javaVersion,
        javaHome,
        mainCommand,
        workingDirectory,
        options,
        classPath,
        properties,
        environment);
  }

  private static void points(DataInputStream in, int test, Sink sink) throws IOException {
    int classes = in.readInt();
    for (int i = 0; i < classes; i++) {
      int number = in.readInt();
      sink.reached(test, number, BitSet.valueOf(PartFormat.readBytes(in)));
    }
  }

  private static String text(DataInputStream in) throws IOException {
    return PartFormat.readText(in);
  }
}
