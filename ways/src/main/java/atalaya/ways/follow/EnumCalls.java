package atalaya.ways.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Completes;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.EnumValue;
import atalaya.core.term.Term;
import atalaya.core.term.Values;
import atalaya.ways.code.ClassCode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.objectweb.asm.Type;

/** What the methods give that all enums of the project have, and mostly leave as they are. */
final class EnumCalls implements CallRule {
  private static final String TEXT = "Ljava/lang/String;";

  private final Walker walker;
  private final OwnCalls own;

  EnumCalls(Walker walker, OwnCalls own) {
    this.walker = walker;
    this.own = own;
  }

  @Override
  public Optional<Term> call(Call call) {
    List<Term> arguments = call.arguments();
    Optional<ClassCode> code = walker.base.code(call.owner()).filter(ClassCode::isEnum);
    if (code.isEmpty()) {
      return Optional.empty();
    }
    List<EnumValue> constants = code.get().constants();
    return switch (call.name() + call.descriptor().replace("L" + call.owner() + ";", "*")) {
      case "values()[*" -> Optional.of(all(call, constants));
      case "valueOf(" + TEXT + ")*" -> Optional.of(byName(call, arguments.get(0), constants));
      case "name()" + TEXT -> Optional.of(nameOf(arguments.get(0)));
      case "toString()" + TEXT ->
          own.answering(call).isPresent()
              ? Optional.empty()
              : Optional.of(nameOf(arguments.get(0)));
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
                      "java/lang/Object." + call.name() + call.descriptor(),
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

  private Term all(Call call, List<EnumValue> constants) {
    String type = Type.getReturnType(call.descriptor()).getElementType().getDescriptor();
    List<Term> all = new ArrayList<>();
    for (EnumValue value : constants) {
      all.add(new Term.Constant(value, type));
    }
    Term array = walker.newObject("[");
    walker.state.elements.put(array, all);
    return array;
  }

  private Term byName(Call call, Term name, List<EnumValue> constants) {
    List<Term.Case> cases = new ArrayList<>();
    List<Constraint> others = new ArrayList<>();
    Reason reason = Reason.unwritten(walker.line());
    String type = call.type();
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
    Term result = Term.choice(call.name() + "(..)", type, cases);
    walker.require(new Completes(result, reason));
    return result;
  }
}
