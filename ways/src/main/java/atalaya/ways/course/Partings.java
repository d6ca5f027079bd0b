package atalaya.ways.course;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.ways.code.Meanings;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.MethodCode.Edge;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.JumpInsnNode;
import org.objectweb.asm.tree.LookupSwitchInsnNode;
import org.objectweb.asm.tree.analysis.Frame;

/** What has to hold for control to take an edge where it parts. */
public final class Partings {
  private final Meanings meanings;
  private final MethodCode code;
  private final int line;

  /**
   * Of a method.
   *
   * @param line of what nobody wrote a condition for
   */
  public Partings(Meanings meanings, MethodCode code, int line) {
    this.meanings = meanings;
    this.code = code;
    this.line = line;
  }

  /** For each edge from a jump or a switch; takes what it asks about from the frame. */
  public Function<Edge, List<Constraint>> needs(AbstractInsnNode instruction, Frame<Symbol> frame) {
    if (instruction instanceof LookupSwitchInsnNode choice) {
      Term value = frame.pop().term();
      return to -> chosen(choice, value, to);
    }
    JumpInsnNode jump = (JumpInsnNode) instruction;
    Term right = rightOf(jump, frame);
    Term left = frame.pop().term();
    return to -> List.of(compared(jump, left, right, to));
  }

  private static Term rightOf(JumpInsnNode jump, Frame<Symbol> frame) {
    return switch (jump.getOpcode()) {
      case Opcodes.IFNULL, Opcodes.IFNONNULL -> Term.NULL;
      case Opcodes.IFEQ, Opcodes.IFNE, Opcodes.IFLT, Opcodes.IFGE, Opcodes.IFGT, Opcodes.IFLE ->
          Term.of(0);
      default -> frame.pop().term();
    };
  }

  private Compared compared(JumpInsnNode jump, Term left, Term right, Edge edge) {
    Relation relation =
        switch (jump.getOpcode()) {
          case Opcodes.IFEQ, Opcodes.IF_ICMPEQ, Opcodes.IF_ACMPEQ, Opcodes.IFNULL -> Relation.EQUAL;
          case Opcodes.IFNE, Opcodes.IF_ICMPNE, Opcodes.IF_ACMPNE, Opcodes.IFNONNULL ->
              Relation.NOT_EQUAL;
          case Opcodes.IFLT, Opcodes.IF_ICMPLT -> Relation.LESS;
          case Opcodes.IFGE, Opcodes.IF_ICMPGE -> Relation.AT_LEAST;
          case Opcodes.IFGT, Opcodes.IF_ICMPGT -> Relation.GREATER;
          default -> Relation.AT_MOST;
        };
    boolean jumps = edge.to() != edge.from() + 1 || isJump(edge);
    Relation taken = jumps ? relation : relation.negated();
    boolean isDifference =
        left instanceof Term.Operation operation
            && operation.operator() == Term.Operator.COMPARE
            && jump.getOpcode() <= Opcodes.IFLE;
    if (isDifference) {
      List<Term> operands = ((Term.Operation) left).operands();
      return new Compared(operands.get(0), taken, operands.get(1), reason(edge));
    }
    return new Compared(left, taken, right, reason(edge));
  }

  private List<Constraint> chosen(LookupSwitchInsnNode choice, Term value, Edge edge) {
    Reason reason = reason(edge);
    if (edge.key() != null) {
      return List.of(new Compared(value, Relation.EQUAL, Term.of(edge.key()), reason));
    }
    List<Constraint> needed = new ArrayList<>();
    for (Integer key : choice.keys) {
      boolean leadsHere =
          code.edges(edge.from()).stream().anyMatch(e -> key.equals(e.key()) && isSame(e, edge));
      if (!leadsHere) {
        needed.add(new Compared(value, Relation.NOT_EQUAL, Term.of(key), reason));
      }
    }
    return needed;
  }

  /** Whether a key leads where others do and is not written as a case of its own. */
  private boolean isSame(Edge key, Edge edge) {
    return key.to() == edge.to() && reason(key).outcome().equals(reason(edge).outcome());
  }

  private Reason reason(Edge edge) {
    return meanings.reason(code.ref().type(), edge.point()).orElse(Reason.unwritten(line));
  }

  /** Both ways may lead to the next instruction; the point then tells which it is. */
  private boolean isJump(Edge edge) {
    return code.edges(edge.from()).indexOf(edge) == 1;
  }
}
