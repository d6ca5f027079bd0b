package atalaya.ways.code;

import atalaya.ways.code.CodeBase.Ref;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.objectweb.asm.tree.MethodInsnNode;

/**
 * What calls reach at the least, or about that: the way with fewest conditions, and the same of
 * what is called on it.
 */
public final class LikelyPassed {
  private static final int MOST_CALLED = 40;

  private final CodeBase base;
  private final Predicate<MethodCode> isNew;
  private final Map<String, BitSet> points = new HashMap<>();

  /**
   * Nothing was called yet.
   *
   * @param isNew whether nothing reached a method yet
   */
  public LikelyPassed(CodeBase base, Predicate<MethodCode> isNew) {
    this.base = base;
    this.isNew = isNew;
  }

  /** A method is called. */
  public void call(Ref method) {
    base.code(method).ifPresent(code -> pass(code, new HashSet<>()));
  }

  /** The points that are passed, by internal name of the class. */
  public Map<String, BitSet> points() {
    return points;
  }

  private void pass(MethodCode code, Set<Ref> known) {
    pass(code, code.passedByAll());
    Optional<Path> path = code.shortest().filter(p -> isNew.test(code));
    if (path.isEmpty()) {
      return;
    }
    pass(code, path.get().passed());
    for (Path.Move move : path.get().moves()) {
      if (code.at(move.at()) instanceof MethodInsnNode call && known.size() < MOST_CALLED) {
        base.likely(new Ref(call.owner, call.name + call.desc), MethodCode.isVirtual(call))
            .filter(called -> !called.equals(code.ref()) && known.add(called))
            .flatMap(base::code)
            .ifPresent(called -> pass(called, known));
      }
    }
  }

  private void pass(MethodCode code, BitSet passed) {
    if (base.has(code.ref().type())) {
      points.computeIfAbsent(code.ref().type(), t -> new BitSet()).or(passed);
    }
  }
}
