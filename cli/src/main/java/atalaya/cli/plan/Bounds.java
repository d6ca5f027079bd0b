package atalaya.cli.plan;

import atalaya.core.figure.MethodFigures;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** What a way through a method may gain at most. */
final class Bounds {
  private static final int CALLED_DEPTH = 4;

  private Bounds() {}

  /** Unreached paths of each method, and of those never entered that it calls. */
  static Map<String, Double> of(CodeBase base, List<MethodFigures> methods) {
    Map<Ref, MethodFigures> lacking = new HashMap<>();
    Map<Ref, MethodFigures> never = new HashMap<>();
    for (MethodFigures method : methods) {
      if (method.unwatched().unreached() > 0) {
        base.named(method.className().replace('.', '/'), method.method())
            .ifPresent(ref -> lacking.put(ref, method));
      }
    }
    lacking.forEach(
        (ref, method) -> {
          if (!Planning.isEntered(method)) {
            never.put(ref, method);
          }
        });
    Map<Ref, List<Ref>> called = new HashMap<>();
    for (Ref ref : lacking.keySet()) {
      List<Ref> known = base.called(ref).stream().filter(never::containsKey).toList();
      if (!known.isEmpty()) {
        called.put(ref, known);
      }
    }
    Map<Ref, Double> bound = new HashMap<>();
    for (int depth = 0; depth < CALLED_DEPTH; depth++) {
      Map<Ref, Double> next = new HashMap<>();
      called.forEach(
          (ref, known) -> {
            double sum = lacking.get(ref).unwatched().unreached();
            for (Ref callee : known) {
              sum += bound.getOrDefault(callee, lacking.get(callee).unwatched().unreached());
            }
            next.put(ref, sum);
          });
      bound.putAll(next);
    }
    Map<String, Double> bounds = new HashMap<>();
    bound.forEach((ref, most) -> bounds.put(lacking.get(ref).qualifiedName(), most));
    return bounds;
  }
}
