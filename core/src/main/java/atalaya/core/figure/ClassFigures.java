package atalaya.core.figure;

import atalaya.core.code.ClassState;
import atalaya.core.gap.Gap;
import java.util.List;
import java.util.Map;

/**
 * A class of a run, with everything that has a figure in it.
 *
 * @param jumps the conditional jumps and switches in written code: matched to the source, of all
 */
public record ClassFigures(
    String name,
    String module,
    String path,
    ClassState state,
    Share jumps,
    List<MethodFigures> methods,
    List<LineFigures> lines,
    List<OutcomeFigures> outcomes,
    List<HandlerFigures> handlers,
    List<LoopFigures> loops,
    List<Gap> gaps) {
  public ClassFigures {
    methods = List.copyOf(methods);
    lines = List.copyOf(lines);
    outcomes = List.copyOf(outcomes);
    handlers = List.copyOf(handlers);
    loops = List.copyOf(loops);
    gaps = List.copyOf(gaps);
  }

  /** The same with what became of mutants, by qualified name of the method. */
  public ClassFigures with(Map<String, Mutants> mutants) {
    List<MethodFigures> tried =
        methods.stream()
            .map(m -> m.with(mutants.getOrDefault(m.qualifiedName(), m.mutants())))
            .toList();
    return new ClassFigures(
        name, module, path, state, jumps, tried, lines, outcomes, handlers, loops, gaps);
  }

  /** Whether its figures count. */
  public boolean counts() {
    return state != ClassState.LEFT_OUT;
  }
}
