package atalaya.trial.plant;

import atalaya.boot.Fault;
import java.util.BitSet;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.MethodNode;

/**
 * What is watched where a mutant stands while the tests run unmutated: whether it would have
 * changed the state of the program there. Where it would not, no test can notice it (state
 * infection: Just, Ernst, Fraser 2014).
 *
 * @param mutant its number
 * @param place the number of the mutant that stands for its place
 * @param sights those of {@link Fault} at which the mutant would change something
 * @param isShared whether it changes a static field, which later tests find as it left it
 * @param isNearShared whether its method does
 */
public record Watched(
    int mutant, int place, BitSet sights, boolean isShared, boolean isNearShared) {
  /** All sights of the place: control comes to it. */
  public BitSet any() {
    BitSet any = new BitSet();
    any.set(0, Fault.SIGHTS);
    return any;
  }

  /** Tells {@code Fault} what an instruction finds on the stack, as far as mutants depend on it. */
  static void look(MethodVisitor to, AbstractInsnNode at, int place) {
    tell(to, at, "at", place);
  }

  /** Tells {@code Fault} that the mutant acts there, if it changes anything this time. */
  void act(MethodVisitor to, AbstractInsnNode at) {
    tell(to, at, "acts", sights.stream().map(sight -> 1 << sight).sum());
  }

  private static void tell(MethodVisitor to, AbstractInsnNode at, String method, int number) {
    switch (at.getOpcode()) {
      case Opcodes.IFEQ,
          Opcodes.IFNE,
          Opcodes.IFLT,
          Opcodes.IFGE,
          Opcodes.IFGT,
          Opcodes.IFLE,
          Opcodes.IRETURN ->
          tell(to, Opcodes.DUP, method + "Number", "(II)V", number);
      case Opcodes.IF_ICMPEQ,
          Opcodes.IF_ICMPNE,
          Opcodes.IF_ICMPLT,
          Opcodes.IF_ICMPGE,
          Opcodes.IF_ICMPGT,
          Opcodes.IF_ICMPLE ->
          tell(to, Opcodes.DUP2, method + "Numbers", "(III)V", number);
      case Opcodes.IFNULL, Opcodes.IFNONNULL, Opcodes.ARETURN ->
          tell(to, Opcodes.DUP, method + "Object", "(Ljava/lang/Object;I)V", number);
      case Opcodes.IF_ACMPEQ, Opcodes.IF_ACMPNE ->
          tell(
              to,
              Opcodes.DUP2,
              method + "Objects",
              "(Ljava/lang/Object;Ljava/lang/Object;I)V",
              number);
      default -> tell(to, Opcodes.NOP, method, "(I)V", number);
    }
  }

  private static void tell(
      MethodVisitor to, int copy, String method, String descriptor, int number) {
    to.visitInsn(copy);
    Pushing.integer(to, number);
    to.visitMethodInsn(Opcodes.INVOKESTATIC, SchemaMethod.FAULT, method, descriptor, false);
  }

  static Watched of(AbstractInsnNode at, Planting planting, MethodNode method, int place) {
    BitSet sights = new BitSet();
    for (int sight = 0; sight < Fault.SIGHTS; sight++) {
      if (differs(at.getOpcode(), planting.replacement(), method.desc.endsWith(")Z"), sight)) {
        sights.set(sight);
      }
    }
    boolean isShared = at.getOpcode() == Opcodes.PUTSTATIC;
    return new Watched(planting.mutant(), place, sights, isShared, setsStatic(method));
  }

  private static boolean setsStatic(MethodNode method) {
    for (AbstractInsnNode node : method.instructions) {
      if (node.getOpcode() == Opcodes.PUTSTATIC) {
        return true;
      }
    }
    return false;
  }

  private static boolean differs(
      int opcode, Replacement replacement, boolean returnsBoolean, int sight) {
    if (sight == Fault.PASSED) {
      return true;
    }
    if (replacement instanceof Replacement.JumpOn jump) {
      return jumps(opcode, sight) != jumps(jump.opcode(), sight);
    }
    if (replacement instanceof Replacement.Jump jump) {
      return jumps(opcode, sight) != jump.taken();
    }
    if (replacement instanceof Replacement.Returned returned
        && returned.value() instanceof Value.Of value) {
      Object constant = value.constant();
      boolean isNothing = constant == null || constant.equals(0);
      boolean isTrue = returnsBoolean && constant.equals(1);
      return !(isNothing && sight == Fault.SAME || isTrue && sight == Fault.MORE);
    }
    return true;
  }

  private static boolean jumps(int opcode, int sight) {
    return switch (opcode) {
      case Opcodes.IFEQ, Opcodes.IF_ICMPEQ, Opcodes.IF_ACMPEQ, Opcodes.IFNULL ->
          sight == Fault.SAME;
      case Opcodes.IFNE, Opcodes.IF_ICMPNE, Opcodes.IF_ACMPNE, Opcodes.IFNONNULL ->
          sight != Fault.SAME;
      case Opcodes.IFLT, Opcodes.IF_ICMPLT -> sight == Fault.LESS;
      case Opcodes.IFGE, Opcodes.IF_ICMPGE -> sight != Fault.LESS;
      case Opcodes.IFGT, Opcodes.IF_ICMPGT -> sight == Fault.MORE;
      case Opcodes.IFLE, Opcodes.IF_ICMPLE -> sight != Fault.MORE;
      default -> throw new IllegalArgumentException("not a conditional jump: " + opcode);
    };
  }
}
