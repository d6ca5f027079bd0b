package atalaya.agent;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.objectweb.asm.Label;
import org.objectweb.asm.Opcodes;

/**
 * Which code of a method is covered by which handlers.
 *
 * <p>HotSpot's compilers are particular here. A handler may begin by covering itself, as {@code
 * javac} writes it: until the monitor of a {@code synchronized} is left, or what a {@code finally}
 * caught is kept in a local. The first compiler takes no method where such a handler does anything
 * there that could throw, as setting a mark. And neither takes one where something could throw
 * while a monitor is held, and the handler that leaves it does not cover it. Such methods are
 * interpreted.
 */
final class Covers {
  private static final int NONE = -1;

  private static final BitSet QUIET = new BitSet();

  static {
    QUIET.set(Opcodes.ALOAD);
    QUIET.set(Opcodes.ASTORE);
    QUIET.set(Opcodes.MONITOREXIT);
  }

  private final List<Cover> covers = new ArrayList<>();

  /** By the offset of a handler, where it does not cover itself any more. */
  private final Map<Integer, Integer> ends = new HashMap<>();

  private final BitSet leavingMonitors = new BitSet();

  /** The handler that covers itself here. */
  private int within = NONE;

  private static final class Cover {
    final int start;
    final int end;
    final int handler;
    final boolean isForAll;

    Cover(int start, int end, int handler, boolean isForAll) {
      this.start = start;
      this.end = end;
      this.handler = handler;
      this.isForAll = isForAll;
    }

    boolean contains(int offset) {
      return start <= offset && offset < end;
    }
  }

  // ---- reading ----

  void add(Label start, Label end, Label handler, String type) {
    int at = PlacedReader.offset(handler);
    Cover cover = new Cover(PlacedReader.offset(start), PlacedReader.offset(end), at, type == null);
    covers.add(cover);
    if (cover.contains(at)) {
      ends.merge(at, cover.end, Math::max);
    }
  }

  void label(Label label) {
    int offset = PlacedReader.offset(label);
    if (within != NONE && offset >= ends.get(within)) {
      within = NONE;
    }
    if (ends.containsKey(offset)) {
      giveUp(); // Another one begins within it.
      within = offset;
    }
  }

  void instruction(int opcode) {
    if (!QUIET.get(opcode)) {
      giveUp();
    } else if (within != NONE && opcode == Opcodes.MONITOREXIT) {
      leavingMonitors.set(within);
    }
  }

  private void giveUp() {
    if (within != NONE) {
      ends.remove(within);
      leavingMonitors.clear(within);
      within = NONE;
    }
  }

  // ---- asking ----

  /** Whether a handler begins by covering itself, and does nothing there that could throw. */
  boolean coversItself(Label handler) {
    return ends.containsKey(PlacedReader.offset(handler));
  }

  /** Whether that ends at a label. */
  boolean endsItself(Label handler, Label at) {
    Integer end = ends.get(PlacedReader.offset(handler));
    return end != null && end == PlacedReader.offset(at);
  }

  /** Whether a handler is one that leaves a monitor. */
  boolean leavesMonitor(Label handler) {
    return leavingMonitors.get(PlacedReader.offset(handler));
  }

  /**
   * The offset of the innermost handler that leaves a monitor which is held behind two labels; that
   * of none where none is held.
   */
  int held(Label one, Label other) {
    int handler = innermost(PlacedReader.offset(one));
    int offset = PlacedReader.offset(other);
    return covers.stream().anyMatch(c -> c.handler == handler && c.contains(offset))
        ? handler
        : NONE;
  }

  private int innermost(int offset) {
    for (Cover cover : covers) {
      if (cover.isForAll && cover.contains(offset) && leavingMonitors.get(cover.handler)) {
        return cover.handler;
      }
    }
    return NONE;
  }
}
