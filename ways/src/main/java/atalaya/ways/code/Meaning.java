package atalaya.ways.code;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Condition;
import atalaya.core.code.Handler;
import atalaya.core.code.Line;
import atalaya.core.code.Method;
import atalaya.core.code.Outcome;
import atalaya.core.term.Constraint.Reason;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** What the points of a class stand for in the source. */
public final class Meaning {
  /** An outcome and the method that it belongs to. */
  public record Named(String method, Reason reason) {}

  private final CodeClass code;
  private final Map<Integer, Named> outcomes = new HashMap<>();
  private final BitSet counting = new BitSet();

  Meaning(CodeClass code) {
    this.code = code;
    for (Method method : code.methods()) {
      for (Condition condition : method.conditions()) {
        for (Outcome outcome : condition.outcomes()) {
          Reason reason = new Reason(condition.line(), condition.text(), outcome.name());
          Named named = new Named(code.name() + "#" + method.name(), reason);
          outcome.points().stream().forEach(point -> outcomes.put(point, named));
          counting.or(outcome.points());
        }
      }
      for (Line line : method.lines()) {
        counting.or(line.points());
      }
      for (Handler handler : method.handlers()) {
        counting.or(handler.points());
      }
    }
  }

  Optional<Named> outcome(int point) {
    return Optional.ofNullable(outcomes.get(point));
  }

  /** The points of lines, outcomes and handlers that a person wrote. */
  BitSet counting() {
    return counting;
  }

  /** The method of the model that a method of the class file is. */
  Optional<Method> method(String codeName) {
    return code.methods().stream().filter(m -> m.code().equals(codeName)).findFirst();
  }
}
