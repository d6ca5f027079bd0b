package atalaya.java.bytecode;

import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import org.objectweb.asm.Handle;
import org.objectweb.asm.Label;
import org.objectweb.asm.Opcodes;

/**
 * Follows switches on types. Such a switch asks a method of the JDK for the number of the first
 * label whose type fits, from a number on that it keeps in a local. Where the label asks more, by a
 * guard or by patterns inside its pattern, and the answer is no, code stores the next number there
 * and jumps back; the code of the label stands right behind that.
 */
final class TypeSwitches {
  private static final int NOTHING = -1;

  /** By the local of a switch; another one may use it again later. */
  private final Map<Integer, Map<Integer, BitSet>> passed = new HashMap<>();

  private final Map<Label, BitSet> waysTo = new HashMap<>();
  private int loaded = NOTHING;
  private int position = NOTHING;
  private int lastNext = NOTHING;
  private int storedIn = NOTHING;
  private int stored;
  private boolean chosen;
  private boolean atCode;

  /** Whether the number of a label was asked for last. */
  boolean isChosen() {
    return chosen;
  }

  /**
   * The points by which control came to the code of those labels of the switch that asked last
   * which ask more; they are known when all of it has been read.
   */
  Map<Integer, BitSet> passed() {
    return passed.getOrDefault(position, Map.of());
  }

  void called(Handle bootstrap) {
    chosen = bootstrap.getOwner().equals("java/lang/runtime/SwitchBootstraps");
    if (chosen) {
      position = loaded;
      passed.put(position, new HashMap<>());
    }
  }

  void local(int opcode, int index, int opcodeBefore, Integer constant) {
    loaded = opcode == Opcodes.ILOAD ? index : loaded;
    boolean ofConstant =
        opcodeBefore >= Opcodes.ICONST_0 && opcodeBefore <= Opcodes.ICONST_5
            || opcodeBefore == Opcodes.BIPUSH
            || opcodeBefore == Opcodes.SIPUSH;
    boolean next = opcode == Opcodes.ISTORE && ofConstant && passed.containsKey(index);
    storedIn = next ? index : NOTHING;
    stored = next ? constant : 0;
  }

  /** A conditional jump: {@code point} when it jumps. */
  void jump(Label target, int point) {
    waysTo.computeIfAbsent(target, t -> new BitSet()).set(point);
    lastNext = point + 1;
  }

  void leap(Label target, boolean back) {
    atCode = back && storedIn != NOTHING;
    if (!back && lastNext != NOTHING) {
      waysTo.computeIfAbsent(target, t -> new BitSet()).set(lastNext);
    }
  }

  void label(Label label) {
    if (atCode && storedIn != NOTHING) {
      passed.get(storedIn).put(stored - 1, waysTo.getOrDefault(label, new BitSet()));
    }
    atCode = false;
    storedIn = NOTHING;
  }
}
