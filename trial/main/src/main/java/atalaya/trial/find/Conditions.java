package atalaya.trial.find;

import atalaya.core.mutant.Operator;
import atalaya.java.match.CodePlace;
import atalaya.java.source.SourceCondition;
import atalaya.trial.plant.Replacement;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.FieldInsnNode;
import org.objectweb.asm.tree.JumpInsnNode;
import org.objectweb.asm.tree.MethodInsnNode;

/**
 * Varies conditions. Of a comparison's replacements only those are made that imply the others
 * (Kaminski, Ammann, Offutt 2013, "Improving logic-based testing", table 2).
 */
final class Conditions {
  private static final Pattern BINDING =
      Pattern.compile("\\binstanceof\\s+(?:final\\s+)?[\\w.<>?,\\s]+(?:\\s\\w+|\\(.*\\))$");

  private static final Set<String> ASKING = Set.of("==", "!=", ">", "<=");

  /** Names, numbers and what compares them. */
  private static final Pattern WITHOUT_EFFECT = Pattern.compile("[\\w.\\s<>=!-]+(?<!--)");

  private final String source;

  Conditions(String source) {
    this.source = source;
  }

  List<Variation> of(CodeSpot spot) {
    CodePlace.Jump jump = (CodePlace.Jump) spot.place();
    List<Variation> variations = new ArrayList<>();
    for (String to : replacements(jump, spot)) {
      if (to.equals("false") || to.equals("true") && !bindsNames(jump.condition())) {
        variations.add(constant(jump, to));
      } else if (!to.equals("true")) {
        variations.add(comparison(jump.condition(), to));
      }
    }
    return variations;
  }

  private static List<String> replacements(CodePlace.Jump jump, CodeSpot spot) {
    String operator = jump.condition().operator();
    boolean isYesOrNo =
        operator.isEmpty()
            || !comparesNumbers(spot)
            || asksWhetherEmpty(spot) && ASKING.contains(operator);
    if (isYesOrNo) {
      return jump.steersLoop() ? List.of("false") : List.of("true", "false");
    }
    boolean withFractions = comparesFractions(spot);
    return switch (operator) {
      case "<" -> jump.steersLoop() ? List.of("<=", "false") : List.of("<=", "!=", "false");
      case ">" -> jump.steersLoop() ? List.of(">=", "false") : List.of(">=", "!=", "false");
      case "<=" -> jump.steersLoop() ? List.of("<", "false") : List.of("<", "==", "true");
      case ">=" -> jump.steersLoop() ? List.of(">", "false") : List.of(">", "==", "true");
      case "==" -> withFractions ? List.of("true", "false") : List.of("<=", ">=", "false");
      default -> jump.steersLoop() || withFractions ? List.of("false") : List.of("<", ">", "true");
    };
  }

  private static boolean comparesNumbers(CodeSpot spot) {
    int opcode = spot.opcode();
    boolean numbers = opcode >= Opcodes.IFEQ && opcode <= Opcodes.IF_ICMPLE;
    return numbers && !isBoolean(spot.before());
  }

  /** A length is never below zero, so that more or less is the same as other than that. */
  private static boolean asksWhetherEmpty(CodeSpot spot) {
    AbstractInsnNode last = spot.before();
    boolean isCount =
        last != null && last.getOpcode() == Opcodes.ARRAYLENGTH
            || last instanceof MethodInsnNode call
                && call.desc.equals("()I")
                && (call.name.equals("length") || call.name.equals("size"));
    return isCount && spot.opcode() <= Opcodes.IFLE;
  }

  private static boolean isBoolean(AbstractInsnNode last) {
    return last instanceof MethodInsnNode call && call.desc.endsWith(")Z")
        || last instanceof FieldInsnNode field && field.desc.equals("Z");
  }

  private static boolean comparesFractions(CodeSpot spot) {
    AbstractInsnNode last = spot.before();
    return last != null && last.getOpcode() >= Opcodes.FCMPL && last.getOpcode() <= Opcodes.DCMPG;
  }

  /** Where a pattern's names were not bound, what uses them would be no source. */
  private static boolean bindsNames(SourceCondition condition) {
    return BINDING.matcher(condition.text()).find();
  }

  /** The condition is evaluated all the same, and a loop's must not be a constant for compilers. */
  private static String always(CodePlace.Jump jump, String to) {
    SourceCondition condition = jump.condition();
    boolean hasNoEffect = WITHOUT_EFFECT.matcher(condition.text()).matches();
    if (hasNoEffect && !jump.steersLoop()) {
      return to;
    }
    return "(" + condition.text() + (to.equals("true") ? " || true)" : " && false)");
  }

  private static Variation constant(CodePlace.Jump jump, String to) {
    SourceCondition condition = jump.condition();
    Operator operator = condition.operator().isEmpty() ? Operator.COR : Operator.ROR;
    return new Variation(
        operator,
        condition.start(),
        condition.end(),
        always(jump, to),
        spot ->
            new Replacement.Jump(
                to.equals("true") == ((CodePlace.Jump) spot.place()).whenJumping()));
  }

  private Variation comparison(SourceCondition condition, String to) {
    int at = (int) condition.operatorAt();
    String mutated =
        source.substring((int) condition.start(), at)
            + to
            + source.substring(at + condition.operator().length(), (int) condition.end());
    return new Variation(
        Operator.ROR,
        condition.start(),
        condition.end(),
        mutated,
        spot -> {
          boolean jumpsOn = ((CodePlace.Jump) spot.place()).whenJumping();
          boolean two = spot.opcode() >= Opcodes.IF_ICMPEQ;
          return new Replacement.JumpOn(opcode(jumpsOn ? to : opposite(to), two));
        });
  }

  private static String opposite(String operator) {
    return switch (operator) {
      case "<" -> ">=";
      case ">=" -> "<";
      case ">" -> "<=";
      case "<=" -> ">";
      case "==" -> "!=";
      default -> "==";
    };
  }

  private static int opcode(String operator, boolean two) {
    int one =
        switch (operator) {
          case "==" -> Opcodes.IFEQ;
          case "!=" -> Opcodes.IFNE;
          case "<" -> Opcodes.IFLT;
          case ">=" -> Opcodes.IFGE;
          case ">" -> Opcodes.IFGT;
          default -> Opcodes.IFLE;
        };
    return two ? one - Opcodes.IFEQ + Opcodes.IF_ICMPEQ : one;
  }

  /** Where control goes under a replacement by a constant; null for any other. */
  static AbstractInsnNode destination(CodeSpot spot, Replacement replacement) {
    if (!(replacement instanceof Replacement.Jump jump)) {
      return null;
    }
    return jump.taken()
        ? CodeSpot.firstFrom(((JumpInsnNode) spot.instruction()).label)
        : spot.behind();
  }
}
