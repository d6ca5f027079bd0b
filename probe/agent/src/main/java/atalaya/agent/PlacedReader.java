package atalaya.agent;

import org.objectweb.asm.ClassReader;
import org.objectweb.asm.Label;

/** Reads a class file with labels that know where they are, however often it is read. */
final class PlacedReader extends ClassReader {
  PlacedReader(byte[] classFile) {
    super(classFile);
  }

  private static final class Placed extends Label {
    final int offset;

    Placed(int offset) {
      this.offset = offset;
    }
  }

  @Override
  protected Label readLabel(int bytecodeOffset, Label[] labels) {
    if (labels[bytecodeOffset] == null) {
      labels[bytecodeOffset] = new Placed(bytecodeOffset);
    }
    return labels[bytecodeOffset];
  }

  /** Where a label that this reader made stands in its method's code, in bytes. */
  static int offset(Label label) {
    return ((Placed) label).offset;
  }
}
