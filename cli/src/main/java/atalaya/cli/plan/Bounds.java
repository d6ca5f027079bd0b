package atalaya.cli.plan;

import atalaya.core.figure.MethodFigures;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;

/** What a way through a method may gain, as a rule at most, and one test that calls several. */
final class Bounds {
  private static final int CALLED_DEPTH = 4;

  /** Of what is called a way does not pass all; of what that calls, less. */
  private static final double SHARE = 0.6;

  private final CodeBase base;
  private final ToDoubleFunction<String> weights;
  private final Map<Ref, MethodFigures> never = new HashMap<>();
  private final Map<Ref, List<Ref>> called = new HashMap<>();

  /**
   * For the methods of a run.
   *
   * @param weights of paths
   */
  Bounds(CodeBase base, List<MethodFigures> methods, ToDoubleFunction<String> weights) {
    this.base = base;
    this.weights = weights;
    for (MethodFigures method : methods) {
      if (!Planning.isEntered(method)) {
        ref(method).ifPresent(ref -> never.put(ref, method));
      }
    }
  }

  private Optional<Ref> ref(MethodFigures method) {
    return base.named(method.className().replace('.', '/'), method.method());
  }

  /**
   * Unreached paths of one method, and a share of those of what it calls that was never entered.
   */
  double most(MethodFigures method) {
    return most(List.of(method));
  }

  /** The same of several, each once. */
  double most(List<MethodFigures> methods) {
    Set<MethodFigures> all = new LinkedHashSet<>(methods);
    List<Ref> callers = methods.stream().flatMap(method -> ref(method).stream()).toList();
    double most = methods.stream().mapToDouble(this::lacking).sum();
    double share = 1;
    for (int depth = 0; depth < CALLED_DEPTH; depth++) {
      share *= SHARE;
      callers =
          callers.stream()
              .flatMap(caller -> called.computeIfAbsent(caller, this::neverEntered).stream())
              .filter(callee -> all.add(never.get(callee)))
              .toList();
      most += share * callers.stream().mapToDouble(callee -> lacking(never.get(callee))).sum();
    }
    return most;
  }

  private double lacking(MethodFigures method) {
    return method.unwatched().unreached() * weights.applyAsDouble(method.path());
  }

  private List<Ref> neverEntered(Ref caller) {
    return base.called(caller).stream().filter(never::containsKey).toList();
  }
}
