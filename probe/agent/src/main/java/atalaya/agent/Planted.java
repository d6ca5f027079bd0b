package atalaya.agent;

import java.util.Set;
import org.objectweb.asm.ClassReader;

/**
 * A class file with points in it, for any JVM: in place of the numbers of marks, which differ from
 * one JVM to the next, it has numbers of a range that the class itself does not use.
 */
final class Planted {
  private static final int CONSTANT_INTEGER = 3;
  private static final int FIRST_RANGE = 0x6A000000;

  /** The class file; none of it may be changed. */
  final byte[] bytes;

  /** The number that stands for the class's first mark. */
  final int range;

  /** Its points, and which of them imply which. */
  final PlantedClass type;

  /** Methods that would have grown too large, left as they were; name and descriptor. */
  final Set<String> leftAlone;

  Planted(byte[] bytes, int range, PlantedClass type, Set<String> leftAlone) {
    this.bytes = bytes;
    this.range = range;
    this.type = type;
    this.leftAlone = leftAlone;
  }

  /** A range of so many numbers that this class file does not use. */
  static int freeRange(ClassReader reader, int numbers) {
    int range = FIRST_RANGE;
    for (int item = 1; item < reader.getItemCount(); item++) {
      int at = reader.getItem(item);
      if (isInteger(reader, at) && isIn(range, numbers, reader.readInt(at))) {
        range = reader.readInt(at) + 1;
        item = 0;
      }
    }
    return range;
  }

  private static boolean isInteger(ClassReader reader, int at) {
    return at > 0 && reader.readByte(at - 1) == CONSTANT_INTEGER;
  }

  private static boolean isIn(int range, int numbers, int number) {
    return number >= range && number - range < numbers;
  }

  /** What stands for the index of a class with so many points. */
  static int indexIn(int range, int points) {
    return range + PlantedClass.marks(points);
  }

  /**
   * The class file to load.
   *
   * @param index where the class finds its marks in {@code Reach.table}
   * @param base where they begin in the array that stands there
   */
  byte[] at(int index, int base) {
    byte[] placed = bytes.clone();
    ClassReader reader = new ClassReader(bytes);
    int marks = PlantedClass.marks(type.points());
    for (int item = 1; item < reader.getItemCount(); item++) {
      int at = reader.getItem(item);
      if (isInteger(reader, at) && isIn(range, marks + 1, reader.readInt(at))) {
        int number = reader.readInt(at) - range;
        int value = number == marks ? index : base + number;
        placed[at] = (byte) (value >> 24);
        placed[at + 1] = (byte) (value >> 16);
        placed[at + 2] = (byte) (value >> 8);
        placed[at + 3] = (byte) value;
      }
    }
    return placed;
  }
}
