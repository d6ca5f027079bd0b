package atalaya.java.way.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Completes;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.EnumValue;
import atalaya.core.term.Term;
import atalaya.core.term.Values;
import atalaya.java.way.code.ClassCode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.MethodInsnNode;

/** What the methods give that all enums of the project have, and mostly leave as they are. */
final class EnumCalls {
  private static final String TEXT = "Ljava/lang/String;";

  private final Walker walker;

  EnumCalls(Walker walker) {
    this.walker = walker;
  }

  /**
   * What a call gives; empty for other calls.
   *
   * @param isOverridden whether an enum has a method of its own instead
   */
  Optional<Term> call(MethodInsnNode call, List<Term> arguments, BooleanSupplier isOverridden) {
    Optional<ClassCode> code = walker.base.code(call.owner).filter(ClassCode::isEnum);
    if (code.isEmpty()) {
      return Optional.empty();
    }
    List<EnumValue> constants = code.get().constants();
    return switch (call.name + call.desc.replace("L" + call.owner + ";", "*")) {
      case "values()[*" -> Optional.of(all(call, constants));
      case "valueOf(" + TEXT + ")*" -> Optional.of(byName(call, arguments.get(0), constants));
      case "name()" + TEXT -> Optional.of(nameOf(arguments.get(0)));
      case "toString()" + TEXT ->
          isOverridden.getAsBoolean() ? Optional.empty() : Optional.of(nameOf(arguments.get(0)));
      case "compareTo(Ljava/lang/Enum;)I" -> {
        walker.requireThere(arguments.get(1));
        yield Optional.of(
            walker.computed(
                Term.operation(
                    Term.Operator.SUBTRACT,
                    "",
                    "I",
                    List.of(ordinal(arguments.get(0)), ordinal(arguments.get(1))))));
      }
      case "equals(Ljava/lang/Object;)Z" ->
          Optional.of(
              walker.computed(
                  Term.operation(
                      Term.Operator.CALL,
                      "java/lang/Object." + call.name + call.desc,
                      "Z",
                      arguments)));
      default -> Optional.empty();
    };
  }

  private Term nameOf(Term constant) {
    return walker.computed(
        Term.operation(Term.Operator.CALL, Values.NAME, TEXT, List.of(constant)));
  }

  /** Not computed, as by its operand the arrays are read by which a switch goes. */
  static Term ordinal(Term constant) {
    return Term.operation(Term.Operator.ORDINAL, "", "I", List.of(constant));
  }

  private Term all(MethodInsnNode call, List<EnumValue> constants) {
    String type = Type.getReturnType(call.desc).getElementType().getDescriptor();
    List<Term> all = new ArrayList<>();
    for (EnumValue value : constants) {
      all.add(new Term.Constant(value, type));
    }
    Term array = walker.newObject("[");
    walker.state.elements.put(array, all);
    return array;
  }

  private Term byName(MethodInsnNode call, Term name, List<EnumValue> constants) {
    List<Term.Case> cases = new ArrayList<>();
    List<Constraint> others = new ArrayList<>();
    Reason reason = Reason.unwritten(walker.line());
    String type = Type.getReturnType(call.desc).getDescriptor();
    for (EnumValue value : constants) {
      Term text = new Term.Constant(value.name(), TEXT);
      Term isIt =
          Term.operation(
              Term.Operator.CALL,
              "java/lang/String.equals(Ljava/lang/Object;)Z",
              "Z",
              List.of(text, name));
      cases.add(
          new Term.Case(
              List.of(new Compared(isIt, Relation.NOT_EQUAL, Term.of(0), reason)),
              new Term.Constant(value, type),
              ""));
      others.add(new Compared(isIt, Relation.EQUAL, Term.of(0), reason));
    }
    cases.add(new Term.Case(others, null, "java/lang/IllegalArgumentException"));
    Term result = Term.choice(call.name + "(..)", type, cases);
    walker.require(new Completes(result, reason));
    return result;
  }
}
