package atalaya.agent;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.LinkedHashSet;
import java.util.Set;
import java.util.function.Supplier;
import java.util.zip.CRC32;

/**
 * Planted classes of earlier runs, each in a file that the hash of its class names. Planting costs
 * a JVM several times what reading such a file does, and keeps its compiler from the program's own
 * code. Whatever is wrong with the folder or a file, the class is planted anew.
 */
final class KeptClasses {
  private final Path folder;
  private final String suffix;

  /**
   * Those in a folder.
   *
   * @param folder is made when it is missing; null to keep none
   * @param kind names what else the planted class depends on
   */
  KeptClasses(File folder, String kind) {
    this.folder = folder == null ? null : folder.toPath();
    this.suffix = "-" + kind;
  }

  /** The class with this hash, planted then or now. */
  Planted get(String hash, Supplier<Planted> plant) {
    if (folder == null) {
      return plant.get();
    }
    Path file = folder.resolve(hash + suffix);
    try {
      return read(Files.readAllBytes(file));
    } catch (IOException | RuntimeException e) {
      // It is not there, or not whole.
      Planted planted = plant.get();
      keep(file, planted);
      return planted;
    }
  }

  private void keep(Path file, Planted planted) {
    try {
      Files.createDirectories(folder);
      Path part = Files.createTempFile(folder, "part", null);
      Files.write(part, write(planted));
      Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } catch (IOException e) {
      // The folder can't be written to: the next JVM plants the class again.
      return;
    }
  }

  private static byte[] write(Planted planted) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream(2 * planted.bytes.length);
    DataOutputStream out = new DataOutputStream(bytes);
    out.writeInt(planted.range);
    out.writeInt(planted.leftAlone.size());
    for (String method : planted.leftAlone) {
      out.writeUTF(method);
    }
    planted.type.write(out);
    out.writeInt(planted.bytes.length);
    out.write(planted.bytes);
    CRC32 sum = new CRC32();
    sum.update(bytes.toByteArray());
    out.writeLong(sum.getValue());
    return bytes.toByteArray();
  }

  private static Planted read(byte[] file) throws IOException {
    int length = file.length - Long.BYTES;
    if (length < 0) {
      throw new IOException("too short");
    }
    DataInputStream in = new DataInputStream(new ByteArrayInputStream(file));
    int range = in.readInt();
    Set<String> leftAlone = new LinkedHashSet<>();
    for (int i = in.readInt(); i > 0; i--) {
      leftAlone.add(in.readUTF());
    }
    PlantedClass type = PlantedClass.read(in);
    byte[] bytes = new byte[Math.min(in.readInt(), length)];
    in.readFully(bytes);
    CRC32 sum = new CRC32();
    sum.update(file, 0, length);
    if (in.readLong() != sum.getValue()) {
      throw new IOException("changed");
    }
    return new Planted(bytes, range, type, leftAlone);
  }
}
