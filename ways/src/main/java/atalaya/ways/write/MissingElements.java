package atalaya.ways.write;

import atalaya.core.solve.Solution;
import atalaya.core.solve.Solver;
import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Completes;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.Literals;
import atalaya.ways.code.MethodCode;
import atalaya.ways.follow.Walked;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.objectweb.asm.Opcodes;

/** Elements of arrays that are taken though the code itself doubts that they are there. */
public final class MissingElements {
  private MissingElements() {}

  /** Whether a method asks how many elements an array has, and takes one by a number. */
  public static boolean mayBeOn(CodeBase base, Ref method) {
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
  public static Optional<String> on(Solver solver, Walked walked) {
    List<Constraint> before = new ArrayList<>();
    for (Constraint constraint : walked.conditions().all()) {
      Optional<Compared> there = elementIsThere(constraint);
      boolean isAsked =
          there.isPresent()
              && before.stream()
                  .anyMatch(c -> c.reason().isWritten() && c.terms().contains(there.get().left()));
      if (isAsked) {
        List<Constraint> failing = new ArrayList<>(before);
        failing.add(there.get().negated());
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

  /** How many elements there have to be, where a condition is that one can be taken. */
  private static Optional<Compared> elementIsThere(Constraint constraint) {
    if (constraint.reason().isWritten()) {
      return Optional.empty();
    }
    if (constraint instanceof Completes completes
        && completes.value() instanceof Term.Operation element
        && element.operator() == Term.Operator.ELEMENT
        && element.operands().get(1).isConstant()) {
      List<Term> array = List.of(element.operands().get(0));
      return Optional.of(
          new Compared(
              Term.operation(Term.Operator.LENGTH, "", "I", array),
              Relation.GREATER,
              element.operands().get(1),
              constraint.reason()));
    }
    return constraint instanceof Compared compared
            && compared.relation() == Relation.GREATER
            && compared.left() instanceof Term.Input size
            && size.name().endsWith(".length")
            && compared.right().isConstant()
        ? Optional.of(compared)
        : Optional.empty();
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
