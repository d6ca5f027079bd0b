package atalaya.points;

import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.DataOutputStream;
import java.io.FileOutputStream;
import java.io.IOException;
import java.util.BitSet;
import java.util.Map;
import java.util.zip.CRC32;

/**
 * Appends records to a part file, each with its checksum. They are held back until {@link #flush},
 * and go to the operating system together: a JVM that is killed loses those, and at most the record
 * it was writing.
 */
public final class PartWriter implements Closeable {
  /** In place of a test's number: outside of any test. */
  public static final int OUTSIDE = 0;

  /** In place of a test's number: while several tests ran at once. */
  public static final int SOME_TEST = -1;

  private static final int HELD_BACK = 1 << 16;

  private final DataOutputStream out;
  private final Payload payload = new Payload();

  /** Begins a new part file. */
  public PartWriter(java.io.File file, Jvm jvm) throws IOException {
    out = new DataOutputStream(new BufferedOutputStream(new FileOutputStream(file), HELD_BACK));
    out.write(PartFormat.MAGIC);
    record(
        PartFormat.JVM,
        data -> {
          PartFormat.writeText(data, jvm.id);
          data.writeLong(jvm.started);
          PartFormat.writeText(data, jvm.javaVersion);
          PartFormat.writeText(data, jvm.javaHome);
          PartFormat.writeText(data, jvm.mainCommand);
          PartFormat.writeText(data, jvm.workingDirectory);
          PartFormat.writeTexts(data, jvm.options);
          PartFormat.writeTexts(data, jvm.classPath);
          PartFormat.writeTexts(data, jvm.properties);
          PartFormat.writeTexts(data, jvm.environment);
        });
  }

  /**
   * A class was loaded and its points planted.
   *
   * @param number of the class in this file, from 0
   * @param hash of its bytes before anything was planted
   */
  public void planted(int number, String name, String hash, int points, String location)
      throws IOException {
    record(
        PartFormat.CLASS,
        data -> {
          data.writeInt(number);
          PartFormat.writeText(data, name);
          PartFormat.writeText(data, hash);
          data.writeInt(points);
          PartFormat.writeText(data, location);
        });
  }

  /** A class, or one method of it, could not be observed. */
  public void notPlanted(String name, String reason) throws IOException {
    record(
        PartFormat.NOT_PLANTED,
        data -> {
          PartFormat.writeText(data, name);
          PartFormat.writeText(data, reason);
        });
  }

  /**
   * A test began.
   *
   * @param number of the test in this file, from 1
   */
  public void testStarted(int number, String id, String name, long millis) throws IOException {
    record(
        PartFormat.TEST_STARTED,
        data -> {
          data.writeInt(number);
          PartFormat.writeText(data, id);
          PartFormat.writeText(data, name);
          data.writeLong(millis);
        });
  }

  /**
   * A test ended.
   *
   * @param verdict {@code PASSED}, {@code FAILED} or {@code SKIPPED}
   * @param overlapped whether another test ran at the same time
   */
  public void testEnded(int number, String verdict, long nanos, boolean overlapped)
      throws IOException {
    record(
        PartFormat.TEST_ENDED,
        data -> {
          data.writeInt(number);
          PartFormat.writeText(data, verdict);
          data.writeLong(nanos);
          data.writeBoolean(overlapped);
        });
  }

  /**
   * Points were reached.
   *
   * @param test its number, {@link #OUTSIDE} or {@link #SOME_TEST}
   * @param points by the number of the class
   */
  public void reached(int test, Map<Integer, BitSet> points) throws IOException {
    record(
        PartFormat.REACH,
        data -> {
          data.writeInt(test);
          data.writeLong(System.currentTimeMillis());
          writePoints(data, points);
        });
  }

  /**
   * Points that were passed by threads which stand in calls and have not told of them yet. It
   * replaces what was pending before.
   *
   * @param points by the number of the class
   */
  public void pending(Map<Integer, BitSet> points) throws IOException {
    record(PartFormat.PENDING, data -> writePoints(data, points));
  }

  private static void writePoints(DataOutputStream data, Map<Integer, BitSet> points)
      throws IOException {
    data.writeInt(points.size());
    for (Map.Entry<Integer, BitSet> entry : points.entrySet()) {
      byte[] bits = entry.getValue().toByteArray();
      data.writeInt(entry.getKey());
      data.writeInt(bits.length);
      data.write(bits);
    }
  }

  /**
   * Points of a class were passed so many times more.
   *
   * @param times by point; those without any are left out of the file
   */
  public void hits(int classNumber, long[] times) throws IOException {
    record(
        PartFormat.HITS,
        data -> {
          data.writeInt(classNumber);
          for (int point = 0; point < times.length; point++) {
            if (times[point] != 0) {
              data.writeInt(point);
              data.writeLong(times[point]);
            }
          }
        });
  }

  /**
   * A thread ended by an exception.
   *
   * @param type the binary name of the exception's class
   * @param place where it was thrown, the program's own code if possible: class, method and line
   */
  public void uncaught(String thread, String type, String message, String place)
      throws IOException {
    record(
        PartFormat.UNCAUGHT,
        data -> {
          PartFormat.writeText(data, thread);
          PartFormat.writeText(data, type);
          PartFormat.writeText(data, message);
          PartFormat.writeText(data, place);
        });
  }

  /** The JVM ends in order. */
  public void end() throws IOException {
    record(PartFormat.END, data -> {});
  }

  /** Writes what was held back. */
  public void flush() throws IOException {
    out.flush();
  }

  @Override
  public void close() throws IOException {
    out.close();
  }

  private interface Body {
    void write(DataOutputStream data) throws IOException;
  }

  private void record(int type, Body body) throws IOException {
    payload.reset();
    body.write(new DataOutputStream(payload));
    out.writeByte(type);
    out.writeInt(payload.size());
    payload.writeTo(out);
    out.writeInt((int) payload.sum(type));
  }

  /** Bytes that know their checksum. */
  private static final class Payload extends ByteArrayOutputStream {
    long sum(int type) {
      CRC32 sum = new CRC32();
      sum.update(type);
      sum.update(buf, 0, count);
      return sum.getValue();
    }
  }
}
