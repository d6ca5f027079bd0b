package atalaya.trial.find;

import atalaya.core.mutant.Operator;
import atalaya.java.match.CodePlace;
import atalaya.java.source.SourceOperation;
import atalaya.trial.plant.Replacement;
import java.util.List;
import java.util.Map;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.FieldInsnNode;
import org.objectweb.asm.tree.IincInsnNode;
import org.objectweb.asm.tree.InsnNode;
import org.objectweb.asm.tree.IntInsnNode;
import org.objectweb.asm.tree.LdcInsnNode;
import org.objectweb.asm.tree.MethodInsnNode;

/** Varies what computes, calls, assigns, returns or throws. */
final class Operations {
  private static final Map<String, String> OTHER =
      Map.ofEntries(
          Map.entry("+", "-"),
          Map.entry("-", "+"),
          Map.entry("*", "/"),
          Map.entry("/", "*"),
          Map.entry("%", "*"),
          Map.entry("&", "|"),
          Map.entry("|", "&"),
          Map.entry("^", "|"),
          Map.entry("<<", ">>"),
          Map.entry(">>", "<<"),
          Map.entry(">>>", "<<"));

  private final String source;

  Operations(String source) {
    this.source = source;
  }

  List<Variation> of(CodeSpot spot) {
    SourceOperation operation = ((CodePlace.Operation) spot.place()).operation();
    return switch (operation.kind()) {
      case ARITHMETIC -> List.of(exchanged(operation));
      case INCREMENT -> List.of(turnedRound(operation));
      case NEGATION -> List.of(withoutSign(operation));
      case NUMBER -> number(operation, spot);
      case CALL -> List.of(without(operation, ";", Operations::noCall));
      case ASSIGNMENT ->
          List.of(
              without(
                  operation, ReturnedValues.only(operation.operand()), Operations::noAssignment));
      case RETURN -> ReturnedValues.of(operation, spot, source);
      case THROW -> List.of(thrown(operation));
      case OTHER -> List.of();
    };
  }

  private Variation exchanged(SourceOperation operation) {
    String to = OTHER.get(operation.operator());
    Operator operator = "+-*/%".contains(operation.operator()) ? Operator.AOR : Operator.LCR;
    boolean bindsOtherwise = "&|^".contains(to) && source.charAt(after(operation)) != '=';
    String text = bindsOtherwise ? bracketed(operation, to) : with(operation, to);
    return new Variation(operator, operation.start(), operation.end(), text, s -> other(s, to));
  }

  private static int after(SourceOperation operation) {
    return (int) operation.operatorAt() + operation.operator().length();
  }

  /** The text with an operator that would bind its operands otherwise. */
  private String bracketed(SourceOperation operation, String to) {
    String left = source.substring((int) operation.start(), (int) operation.operatorAt()).strip();
    String right = source.substring(after(operation), (int) operation.end()).strip();
    return "(" + bracketed(left) + " " + to + " " + bracketed(right) + ")";
  }

  private static String bracketed(String operand) {
    return operand.matches("[\\w.]+") ? operand : "(" + operand + ")";
  }

  private static Replacement other(CodeSpot spot, String to) {
    if (spot.opcode() == Opcodes.IINC) {
      return ((IincInsnNode) spot.instruction()).incr == 0 ? null : new Replacement.Opposite();
    }
    int type = type(spot.opcode());
    return type < 0 ? null : new Replacement.Plain(base(to) + type);
  }

  /** 0 for int, 1 for long, 2 for float, 3 for double; negative for no arithmetic. */
  private static int type(int opcode) {
    if (opcode >= Opcodes.IADD && opcode <= Opcodes.DREM) {
      return (opcode - Opcodes.IADD) % 4;
    }
    return opcode >= Opcodes.ISHL && opcode <= Opcodes.LXOR ? (opcode - Opcodes.ISHL) % 2 : -1;
  }

  private static int base(String operator) {
    return switch (operator) {
      case "+" -> Opcodes.IADD;
      case "-" -> Opcodes.ISUB;
      case "*" -> Opcodes.IMUL;
      case "/" -> Opcodes.IDIV;
      case "&" -> Opcodes.IAND;
      case "|" -> Opcodes.IOR;
      case "<<" -> Opcodes.ISHL;
      default -> Opcodes.ISHR;
    };
  }

  private Variation turnedRound(SourceOperation operation) {
    String to = operation.operator().equals("++") ? "--" : "++";
    return new Variation(
        Operator.UOI,
        operation.start(),
        operation.end(),
        with(operation, to),
        spot -> other(spot, to.substring(1)));
  }

  /** The text with another operator. */
  private String with(SourceOperation operation, String to) {
    int at = (int) operation.operatorAt();
    return source.substring((int) operation.start(), at)
        + to
        + source.substring(after(operation), (int) operation.end());
  }

  private Variation withoutSign(SourceOperation operation) {
    String text = source.substring((int) operation.operatorAt() + 1, (int) operation.end()).strip();
    return new Variation(
        Operator.UOI, operation.start(), operation.end(), text, s -> new Replacement.Nothing());
  }

  private static List<Variation> number(SourceOperation operation, CodeSpot spot) {
    Object value = constant(spot.instruction());
    if (value == null
        || value.equals((int) Byte.MAX_VALUE)
        || value.equals((int) Short.MAX_VALUE)) {
      return List.of();
    }
    boolean isLetter = operation.operand().startsWith("'");
    Object other = next(value, isLetter);
    if (other == null) {
      return List.of();
    }
    String text = isLetter ? "'" + (char) (int) other + "'" : literal(other, operation.operand());
    return List.of(
        new Variation(
            Operator.CRP,
            operation.start(),
            operation.end(),
            text,
            s -> {
              Object own = next(constant(s.instruction()), isLetter);
              return own == null ? null : new Replacement.Constant(own);
            }));
  }

  private static Object constant(AbstractInsnNode node) {
    if (node instanceof LdcInsnNode ldc) {
      return ldc.cst;
    }
    if (node instanceof IntInsnNode push) {
      return push.operand;
    }
    int opcode = node instanceof InsnNode ? node.getOpcode() : -1;
    if (opcode >= Opcodes.ICONST_M1 && opcode <= Opcodes.ICONST_5) {
      return opcode - Opcodes.ICONST_0;
    }
    return switch (opcode) {
      case Opcodes.LCONST_0 -> 0L;
      case Opcodes.LCONST_1 -> 1L;
      case Opcodes.FCONST_0 -> 0f;
      case Opcodes.FCONST_1 -> 1f;
      case Opcodes.FCONST_2 -> 2f;
      case Opcodes.DCONST_0 -> 0d;
      case Opcodes.DCONST_1 -> 1d;
      default -> null;
    };
  }

  /** One more; but none in the place of one. Null where that is not a number of its own. */
  private static Object next(Object value, boolean isLetter) {
    if (isLetter) {
      boolean plain = value instanceof Integer c && c < 127 && Character.isLetterOrDigit(c);
      boolean inRow = plain && Character.isLetterOrDigit((Integer) value + 1);
      return inRow ? (Integer) value + 1 : null;
    }
    if (value instanceof Integer number) {
      return number == 1 ? 0 : number == Integer.MAX_VALUE ? number - 1 : number + 1;
    }
    if (value instanceof Long number) {
      return number == 1 ? 0 : number == Long.MAX_VALUE ? number - 1 : number + 1;
    }
    if (value instanceof Float number) {
      float other = number == 1 ? 0 : number + 1;
      return other == number ? null : (Object) other;
    }
    if (value instanceof Double number) {
      double other = number == 1 ? 0 : number + 1;
      return other == number ? null : (Object) other;
    }
    return null;
  }

  private static String literal(Object value, String like) {
    char last = Character.toUpperCase(like.charAt(like.length() - 1));
    boolean isHex = like.startsWith("0x") || like.startsWith("0X");
    String suffix = last == 'L' || !isHex && (last == 'F' || last == 'D') ? "" + last : "";
    boolean isWhole = value instanceof Integer || value instanceof Long;
    return (isWhole || like.contains(".") || like.contains("e") ? "" + value : whole(value))
        + suffix;
  }

  private static String whole(Object value) {
    return Double.toString(((Number) value).doubleValue()).replaceAll("\\.0$", "");
  }

  private interface Removal {
    Replacement of(CodeSpot spot);
  }

  private static Variation without(SourceOperation operation, String mutated, Removal removal) {
    return new Variation(Operator.SDL, operation.start(), operation.end(), mutated, removal::of);
  }

  private static Replacement noCall(CodeSpot spot) {
    if (!(spot.instruction() instanceof MethodInsnNode call)) {
      return null;
    }
    AbstractInsnNode behind = spot.behind();
    boolean isVoid = Type.getReturnType(call.desc) == Type.VOID_TYPE;
    boolean isUnused =
        behind != null && (behind.getOpcode() == Opcodes.POP || behind.getOpcode() == Opcodes.POP2);
    return isVoid || isUnused ? new Replacement.NoCall() : null;
  }

  /** Final fields must be assigned, so the source without that is none. */
  private static Replacement noAssignment(CodeSpot spot) {
    FieldInsnNode field = (FieldInsnNode) spot.instruction();
    boolean isFinal =
        field.owner.equals(spot.type().name)
            && spot.type().fields.stream()
                .anyMatch(f -> f.name.equals(field.name) && (f.access & Opcodes.ACC_FINAL) != 0);
    return isFinal ? null : new Replacement.NoAssignment();
  }

  private static Variation thrown(SourceOperation operation) {
    return new Variation(
        Operator.EXD,
        operation.start(),
        operation.end(),
        ";",
        spot -> Continuation.isPossible(spot) ? new Replacement.NoThrow() : null);
  }
}
