package atalaya.trial.find;

import java.util.List;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.commons.AnalyzerAdapter;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.FrameNode;

/** Whether control may go on behind an exception that is not thrown. */
final class Continuation {
  private Continuation() {}

  static boolean isPossible(CodeSpot spot) {
    AbstractInsnNode behind = spot.behind();
    boolean returnsNothing = Type.getReturnType(spot.method().desc) == Type.VOID_TYPE;
    if (behind == null) {
      return returnsNothing && !spot.method().name.equals("<init>");
    }
    FrameNode frame = frameBefore(spot.instruction(), behind);
    if (frame == null || frame.stack != null && !frame.stack.isEmpty()) {
      return false;
    }
    List<Object> here = localsAt(spot);
    return here != null && fits(frame.local == null ? List.of() : frame.local, here);
  }

  private static FrameNode frameBefore(AbstractInsnNode thrown, AbstractInsnNode behind) {
    for (AbstractInsnNode at = thrown.getNext(); at != behind; at = at.getNext()) {
      if (at instanceof FrameNode frame) {
        return frame;
      }
    }
    return null;
  }

  private static List<Object> localsAt(CodeSpot spot) {
    AnalyzerAdapter state =
        new AnalyzerAdapter(
            spot.type().name, spot.method().access, spot.method().name, spot.method().desc, null);
    spot.method().instructions.resetLabels();
    for (AbstractInsnNode node : spot.method().instructions) {
      if (node == spot.instruction()) {
        return state.locals;
      }
      node.accept(state);
    }
    return null;
  }

  /** Whether what a frame wants is there; of other classes than the same nothing is believed. */
  private static boolean fits(List<Object> wanted, List<Object> there) {
    int slot = 0;
    for (Object local : wanted) {
      boolean fits =
          local == Opcodes.TOP
              || slot < there.size()
                  && (local.equals(there.get(slot))
                      || local.equals("java/lang/Object") && there.get(slot) instanceof String
                      || local instanceof String && there.get(slot) == Opcodes.NULL);
      if (!fits) {
        return false;
      }
      slot += local == Opcodes.LONG || local == Opcodes.DOUBLE ? 2 : 1;
    }
    return true;
  }
}
