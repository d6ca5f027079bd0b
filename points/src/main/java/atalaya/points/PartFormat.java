package atalaya.points;

import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** What part files are made of ({@code docs/points.md}). */
final class PartFormat {
  /** The first eight bytes of a part file; the last one is the format's number. */
  static final byte[] MAGIC = {'A', 'T', 'P', 'A', 'R', 'T', '\n', 4};

  static final int JVM = 1;
  static final int CLASS = 2;
  static final int NOT_PLANTED = 3;
  static final int TEST_STARTED = 4;
  static final int TEST_ENDED = 5;
  static final int REACH = 6;
  static final int END = 7;
  static final int PENDING = 8;
  static final int UNCAUGHT = 9;
  static final int HITS = 10;

  private PartFormat() {}

  static void writeText(DataOutputStream out, String text) throws IOException {
    byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
    out.writeInt(bytes.length);
    out.write(bytes);
  }

  static String readText(DataInputStream in) throws IOException {
    return new String(readBytes(in), StandardCharsets.UTF_8);
  }

  static byte[] readBytes(DataInputStream in) throws IOException {
    int length = in.readInt();
    if (length < 0 || length > in.available()) {
      throw new IOException("a text of " + length + " bytes does not fit its record");
    }
    byte[] bytes = new byte[length];
    in.readFully(bytes);
    return bytes;
  }

  static void writeTexts(DataOutputStream out, List<String> texts) throws IOException {
    out.writeInt(texts.size());
    for (String text : texts) {
      writeText(out, text);
    }
  }

  static List<String> readTexts(DataInputStream in) throws IOException {
    int count = in.readInt();
    if (count < 0 || count > in.available()) {
      throw new IOException("a list of " + count + " does not fit its record");
    }
    List<String> texts = new ArrayList<>(count);
    for (int i = 0; i < count; i++) {
      texts.add(readText(in));
    }
    return texts;
  }
}
