package atalaya.core.leave;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Condition;
import atalaya.core.code.Line;
import atalaya.core.code.Method;
import atalaya.core.code.Outcome;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Leaves code of some natures out of the model, and counts it. */
public final class Leaving {
  private final Set<Nature> natures;
  private final Map<Nature, LeftOut> leftOut = new HashMap<>();

  /** Leaves these out. */
  public Leaving(Set<Nature> natures) {
    this.natures = Set.copyOf(natures);
  }

  /** What was left out so far, by nature. */
  public List<LeftOut> leftOut() {
    return leftOut.values().stream().sorted((a, b) -> a.nature().compareTo(b.nature())).toList();
  }

  /**
   * A class without what is left out of it.
   *
   * @param marks of its source
   * @param reached its points that anything reached
   */
  public CodeClass from(CodeClass code, NatureMarks marks, BitSet reached) {
    if (natures.isEmpty()) {
      return code;
    }
    List<Method> methods = new ArrayList<>();
    for (Method method : code.methods()) {
      Optional<Nature> whole = whole(method, marks);
      if (whole.isPresent()) {
        method.lines().forEach(line -> count(whole.get(), LeftOut.line(line, reached)));
        method
            .conditions()
            .forEach(
                c -> c.outcomes().forEach(o -> count(whole.get(), LeftOut.outcome(o, reached))));
        count(whole.get(), LeftOut.METHOD);
      } else {
        methods.add(parts(method, marks, reached));
      }
    }
    return new CodeClass(
        code.name(),
        code.module(),
        code.path(),
        methods,
        code.jumps(),
        code.jumpsMatched(),
        code.flow());
  }

  private void count(Nature nature, LeftOut.Counts counts) {
    leftOut.merge(nature, new LeftOut(nature, counts), LeftOut::plus);
  }

  private Optional<Nature> whole(Method method, NatureMarks marks) {
    return marks.members().stream()
        .filter(member -> natures.contains(member.nature()))
        .filter(m -> m.firstLine() <= method.firstLine() && method.lastLine() <= m.lastLine())
        .map(NatureMarks.Member::nature)
        .findFirst();
  }

  private Method parts(Method method, NatureMarks marks, BitSet reached) {
    List<Line> lines = new ArrayList<>();
    for (Line line : method.lines()) {
      Optional<Nature> nature = of(line.number(), marks);
      nature.ifPresent(n -> count(n, LeftOut.line(line, reached)));
      if (nature.isEmpty()) {
        lines.add(line);
      }
    }
    List<Condition> conditions = new ArrayList<>();
    for (Condition condition : method.conditions()) {
      List<Outcome> outcomes = new ArrayList<>();
      for (Outcome outcome : condition.outcomes()) {
        Optional<Nature> nature = of(condition, outcome, marks);
        nature.ifPresent(n -> count(n, LeftOut.outcome(outcome, reached)));
        if (nature.isEmpty()) {
          outcomes.add(outcome);
        }
      }
      if (!outcomes.isEmpty()) {
        conditions.add(
            new Condition(condition.line(), condition.text(), condition.matched(), outcomes));
      }
    }
    return method.with(lines, conditions, method.handlers(), method.loops());
  }

  private Optional<Nature> of(int line, NatureMarks marks) {
    return natures.stream()
        .filter(nature -> marks.lines().getOrDefault(nature, new BitSet()).get(line))
        .findFirst();
  }

  private Optional<Nature> of(Condition condition, Outcome outcome, NatureMarks marks) {
    return of(condition.line(), marks)
        .or(
            () ->
                marks.outcomes().stream()
                    .filter(
                        leading ->
                            natures.contains(leading.nature())
                                && leading.line() == condition.line()
                                && leading.condition().equals(condition.text())
                                && leading.outcome().equals(outcome.name()))
                    .map(NatureMarks.LeadingTo::nature)
                    .findFirst());
  }
}
