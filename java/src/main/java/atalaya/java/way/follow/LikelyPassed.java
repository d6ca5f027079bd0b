package atalaya.java.way.follow;

import atalaya.java.way.code.CodeBase.Ref;
import atalaya.java.way.code.MethodCode;
import atalaya.java.way.code.Path;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import org.objectweb.asm.tree.MethodInsnNode;

/**
 * What calls reach at the least, or about that: the way with fewest conditions, and the same of
 * what is called on it.
 */
final class LikelyPassed {
  private static final int MOST_CALLED = 40;

  private final Walker walker;

  LikelyPassed(Walker walker) {
    this.walker = walker;
  }

  /** A method is called. */
  void pass(MethodCode code) {
    pass(code, new HashSet<>());
  }

  /** A method is called; which one answers is likely, but not known. */
  void pass(Ref called) {
    walker.base.likely(called, true).flatMap(walker.base::code).ifPresent(this::pass);
  }

  private void pass(MethodCode code, Set<Ref> known) {
    walker.pass(code, code.passedByAll());
    Optional<Path> path = code.shortest().filter(p -> walker.isNew.test(code));
    if (path.isEmpty()) {
      return;
    }
    walker.pass(code, path.get().passed());
    for (Path.Move move : path.get().moves()) {
      if (code.at(move.at()) instanceof MethodInsnNode call && known.size() < MOST_CALLED) {
        walker
            .base
            .likely(new Ref(call.owner, call.name + call.desc), Call.isVirtual(call))
            .filter(called -> !called.equals(code.ref()) && known.add(called))
            .flatMap(walker.base::code)
            .ifPresent(called -> pass(called, known));
      }
    }
  }
}
