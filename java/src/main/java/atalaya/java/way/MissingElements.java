package atalaya.java.way;

import atalaya.core.solve.Solution;
import atalaya.core.solve.Solver;
import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Completes;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.java.way.CodeBase.Ref;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.objectweb.asm.Opcodes;

/** Elements of arrays that are taken though the code itself doubts that they are there. */
final class MissingElements {
  private MissingElements() {}

  /** Whether a method asks how many elements an array has, and takes one by a number. */
  static boolean mayBeOn(CodeBase base, Ref method) {
    Optional<MethodCode> code = base.code(method);
    boolean asks = false;
    boolean takes = false;
    for (int i = 0; code.isPresent() && i < code.get().size(); i++) {
      int opcode = code.get().at(i).getOpcode();
      asks |= opcode == Opcodes.ARRAYLENGTH;
      takes |= opcode >= Opcodes.IALOAD && opcode <= Opcodes.SALOAD;
    }
    return asks && takes;
  }

  /**
   * An element that is taken by its number on a way on which the code asks for the very number of
   * elements, and does not exclude that it is missing.
   */
  static Optional<String> on(Solver solver, Walked walked) {
    List<Constraint> before = new ArrayList<>();
    for (Constraint constraint : walked.conditions().all()) {
      Optional<Term> asked = elementTaken(constraint);
      boolean isAsked =
          asked.isPresent()
              && before.stream()
                  .anyMatch(c -> c.reason().isWritten() && c.terms().contains(asked.get()));
      if (isAsked) {
        List<Constraint> failing = new ArrayList<>(before);
        failing.add(missing(constraint));
        Optional<Solution.Found> found = solver.find(failing).filter(f -> f.open().isEmpty());
        if (found.isPresent()) {
          return Optional.of(
              "line "
                  + constraint.reason().line()
                  + " takes an element that may be missing: with "
                  + shown(found.get())
                  + " it throws an exception that nobody wrote");
        }
      }
      before.add(constraint);
    }
    return Optional.empty();
  }

  /** The number of elements that taking one depends on. */
  private static Optional<Term> elementTaken(Constraint constraint) {
    if (constraint.reason().isWritten()) {
      return Optional.empty();
    }
    if (constraint instanceof Completes completes
        && completes.value() instanceof Term.Operation element
        && element.operator() == Term.Operator.ELEMENT
        && element.operands().get(1).isConstant()) {
      return Optional.of(
          Term.operation(Term.Operator.LENGTH, "", "I", List.of(element.operands().get(0))));
    }
    boolean isTaken =
        constraint instanceof Compared compared
            && compared.relation() == Relation.GREATER
            && compared.left() instanceof Term.Input size
            && size.name().endsWith(".length")
            && compared.right().isConstant();
    return isTaken ? Optional.of(((Compared) constraint).left()) : Optional.empty();
  }

  private static Constraint missing(Constraint constraint) {
    if (constraint instanceof Compared compared) {
      return new Compared(
          compared.left(), compared.relation().negated(), compared.right(), compared.reason());
    }
    return new Constraint.Throws(
        ((Completes) constraint).value(),
        "java/lang/ArrayIndexOutOfBoundsException",
        constraint.reason());
  }

  private static String shown(Solution.Found found) {
    List<String> values = new ArrayList<>();
    found
        .inputs()
        .forEach(
            (input, value) ->
                Literals.of(value, input.type())
                    .ifPresent(literal -> values.add(input.name() + " " + literal)));
    return String.join(", ", values.subList(0, Math.min(3, values.size())));
  }
}
