package atalaya.java.bytecode;

import java.util.ArrayList;
import java.util.List;
import org.objectweb.asm.Opcodes;

/**
 * Finds the jumps by which the {@code javac} of Java 7 and 8 closes a resource: {@code if (resource
 * != null) if (thrown != null) try { resource.close(); } catch (Throwable t) {
 * thrown.addSuppressed(t); } else resource.close();}, where {@code thrown} is a local that has no
 * name.
 */
final class Closings {
  private static final int NONE = -1;

  /**
   * A closing.
   *
   * @param first the item that is the jump on the resource
   * @param second the item that is the jump on what was thrown
   * @param thrown the local that holds what was thrown
   * @param label how many labels stand before
   */
  record Closing(int first, int second, int thrown, int label) {}

  private final List<Closing> begun = new ArrayList<>();
  private final List<Closing> found = new ArrayList<>();

  /** The locals that the last instructions loaded, the last one first. */
  private int loaded = NONE;

  private int loadedBefore = NONE;

  /** What the last jump, a test for {@code null}, asked of, and which item it is. */
  private int asked = NONE;

  private int item = NONE;

  /** The last two such jumps, of which the first one asked of this local. */
  private Closing pair;

  private int resource = NONE;

  void local(int opcode, int index) {
    loadedBefore = loaded;
    loaded = opcode == Opcodes.ALOAD ? index : NONE;
    if (opcode != Opcodes.ALOAD) {
      forget();
    }
  }

  /**
   * A conditional jump.
   *
   * @param number which item it is
   * @param label how many labels stand before
   */
  void jump(int opcode, int number, int label) {
    boolean tests = opcode == Opcodes.IFNULL && loaded != NONE;
    boolean follows = tests && item != NONE && loadedBefore == NONE;
    pair = follows ? new Closing(item, number, loaded, label) : null;
    resource = asked;
    asked = loaded;
    item = tests ? number : NONE;
    loaded = NONE;
    loadedBefore = NONE;
  }

  void call(String name) {
    if (name.equals("close") && pair != null && loaded == resource) {
      begun.add(pair);
    } else if (name.equals("addSuppressed")) {
      int thrown = loadedBefore;
      begun.stream().filter(closing -> closing.thrown() == thrown).forEach(found::add);
      begun.removeAll(found);
    }
    other();
  }

  /** Any other instruction. */
  void other() {
    loaded = NONE;
    loadedBefore = NONE;
    forget();
  }

  /** A local has a name, between two labels by their numbers. */
  void named(int index, int start, int end) {
    found.removeIf(
        closing -> closing.thrown() == index && start < closing.label() && closing.label() <= end);
  }

  List<Closing> found() {
    return found;
  }

  private void forget() {
    item = NONE;
    pair = null;
  }
}
