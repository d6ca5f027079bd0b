package atalaya.ways.follow;

import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Completes;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.core.term.Term.Operator;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.IntInsnNode;

/** Arrays: how many elements they have, and which. */
final class Elements {
  private static final Map<Integer, String> PLAIN_TYPES =
      Map.of(
          Opcodes.T_BOOLEAN, "Z",
          Opcodes.T_BYTE, "B",
          Opcodes.T_CHAR, "C",
          Opcodes.T_SHORT, "S",
          Opcodes.T_INT, "I",
          Opcodes.T_LONG, "J",
          Opcodes.T_FLOAT, "F",
          Opcodes.T_DOUBLE, "D");

  private static final String ANYWHERE = "[..]";

  /** Of larger ones it is not known what they hold. */
  static final int LARGEST = 64;

  private final Walker walker;

  Elements(Walker walker) {
    this.walker = walker;
  }

  /** A new array, of nothing but zeros. */
  Term made(AbstractInsnNode making, Term length) {
    Term.Made array = walker.newObject("[");
    if (length instanceof Term.Constant constant
        && constant.value() instanceof Integer count
        && count >= 0
        && count <= LARGEST) {
      Term zero = Objects.initial(elementType(making));
      walker.state.elements.put(array, new ArrayList<>(Collections.nCopies(count, zero)));
    } else {
      walker.require(
          new Compared(length, Relation.AT_LEAST, Term.of(0), Reason.unwritten(walker.line())));
      walker.state.fields.put(FieldArrays.lengthOf(array), length);
    }
    return array;
  }

  private static String elementType(AbstractInsnNode making) {
    return making instanceof IntInsnNode plain
        ? PLAIN_TYPES.get(plain.operand)
        : "Ljava/lang/Object;";
  }

  /** How many elements an array has. */
  Term length(Term array) {
    List<Term> known = walker.state.elements.get(array);
    if (known != null) {
      return Term.of(known.size());
    }
    Term kept = walker.state.fields.get(FieldArrays.lengthOf(array));
    if (kept != null) {
      return kept;
    }
    if (array instanceof Term.Input input) {
      return input.isFree()
          ? Containers.size(input, ".length")
          : Term.unknown(input.name() + ".length", "I");
    }
    if (array instanceof Term.Choice choice) {
      return choice.each("I", this::length);
    }
    if (array instanceof Term.Operation operation) {
      return isLetters(operation)
          ? walker.computed(ofText("length()I", "I", operation.operands()))
          : Term.operation(Operator.LENGTH, "", "I", List.of(array));
    }
    return Term.unknown("length", "I");
  }

  /** The element that code takes from an array. */
  Term of(Term array, Term index, int opcode) {
    requireWithin(array, index);
    String type = elementType(array.type(), opcode);
    return array instanceof Term.Choice choice
        ? choice.each(type, one -> held(one, index, elementType(one.type(), opcode)))
        : held(array, index, type);
  }

  /** An element gets a value. */
  void set(Term array, Term index, Term value) {
    requireWithin(array, index);
    List<Term> known = walker.state.elements.get(array);
    int at = constant(index);
    if (known == null) {
      walker.state.fields.put(new State.Field(array, placeOf(at)), value);
    } else if (at >= 0 && at < known.size()) {
      known.set(at, value);
    } else if (at < 0) {
      known.replaceAll(was -> Term.unknown("element", was.type()));
    }
  }

  /** What an array has in a place that it has for certain. */
  Term held(Term array, Term index, String type) {
    List<Term> known = walker.state.elements.get(array);
    int at = constant(index);
    boolean isConstant = at >= 0;
    if (known != null && at >= 0 && at < known.size()) {
      return known.get(at);
    }
    if (walker.state.fields.containsKey(new State.Field(array, ANYWHERE))) {
      return Term.unknown("element", type);
    }
    Term written = walker.state.fields.get(new State.Field(array, placeOf(at)));
    if (written != null) {
      return written;
    }
    if (array instanceof Term.Input input && input.isFree()) {
      return isConstant
          ? new Term.Input(input.name() + "[" + at + "]", type, Term.Source.ELEMENT, null)
          : Term.unknown(input.name() + "[..]", type);
    }
    if (array instanceof Term.Operation operation) {
      return isLetters(operation)
          ? letter(operation.operands().get(0), index, type)
          : there(Term.operation(Operator.ELEMENT, "", type, List.of(array, index)));
    }
    return Term.unknown("element", type);
  }

  /** A letter of a text, which has to have it. */
  Term letter(Term text, Term index, String type) {
    return there(walker.computed(ofText("charAt(I)C", type, List.of(text, index))));
  }

  private Term there(Term element) {
    walker.require(new Completes(element, Reason.unwritten(walker.line())));
    return element;
  }

  /** The type of what an array holds that the code itself put together. */
  String typeIn(Term array) {
    List<Term> known = walker.state.elements.get(array);
    return known == null || known.isEmpty() ? "I" : known.get(0).type();
  }

  /** Whether an array has the letters of a text. */
  private static boolean isLetters(Term.Operation array) {
    return array.operator() == Operator.CALL
        && array.detail().equals("java/lang/String.toCharArray()[C");
  }

  private static Term ofText(String method, String type, List<Term> operands) {
    return Term.operation(Operator.CALL, "java/lang/String." + method, type, operands);
  }

  /** An array is there, and has the element. */
  private void requireWithin(Term array, Term index) {
    walker.requireThere(array);
    boolean isPutTogether = walker.state.elements.containsKey(array);
    boolean isGiven = array instanceof Term.Input input && input.isFree() && !isPutTogether;
    boolean isCertain = isGiven || isPutTogether && isKnown(index);
    Term kept = walker.state.fields.get(FieldArrays.lengthOf(array));
    Reason reason = Reason.unwritten(walker.line());
    boolean isLengthKnown = array instanceof Term.Choice && isKnown(length(array));
    if (isCertain || kept != null || isLengthKnown) {
      walker.require(new Compared(length(array), Relation.GREATER, index, reason));
    }
    if (isCertain || index instanceof Term.Input input && input.isFree()) {
      walker.require(new Compared(index, Relation.AT_LEAST, Term.of(0), reason));
    }
  }

  private static boolean isKnown(Term term) {
    boolean[] isKnown = {true};
    term.visit(
        part ->
            isKnown[0] &=
                !(part instanceof Term.Input input) || input.source() != Term.Source.UNKNOWN);
    return isKnown[0];
  }

  /** Arrays have all that is copied, and a place for it, as far as their lengths are known. */
  void requireCopied(List<Term> arguments) {
    Term count = arguments.get(4);
    requireKnown(count, Term.of(0));
    for (int i = 0; i < 4; i += 2) {
      Term array = arguments.get(i);
      Term first = arguments.get(i + 1);
      walker.requireThere(array);
      requireKnown(first, Term.of(0));
      Term end = Term.operation(Operator.ADD, "", "I", List.of(first, count));
      requireKnown(length(array), walker.computed(end));
    }
  }

  private void requireKnown(Term one, Term least) {
    Reason reason = Reason.unwritten(walker.line());
    Compared isSo = new Compared(one, Relation.AT_LEAST, least, reason);
    if (isSo.terms().stream().allMatch(Elements::isKnown)) {
      walker.require(isSo);
    }
  }

  /** A number that is known, at least 0; else -1. */
  private static int constant(Term index) {
    return index instanceof Term.Constant constant && constant.value() instanceof Integer at
        ? Math.max(-1, at)
        : -1;
  }

  /** Where an element of an array is that was given; it may be anywhere where that is not known. */
  private static String placeOf(int at) {
    return at < 0 ? ANYWHERE : "[" + at + "]";
  }

  private static String elementType(String array, int opcode) {
    if (array.length() > 1 && array.startsWith("[")) {
      return array.substring(1);
    }
    return switch (opcode) {
      case Opcodes.LALOAD -> "J";
      case Opcodes.FALOAD -> "F";
      case Opcodes.DALOAD -> "D";
      case Opcodes.AALOAD -> "Ljava/lang/Object;";
      default -> "I";
    };
  }
}
