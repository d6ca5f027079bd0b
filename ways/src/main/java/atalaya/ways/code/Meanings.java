package atalaya.ways.code;

import atalaya.core.code.CodeClass;
import atalaya.core.term.Constraint.Reason;
import atalaya.ways.code.CodeBase.Ref;
import java.util.BitSet;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/** What the points of classes stand for in the source; classes are known by internal name. */
public final class Meanings {
  private final Function<String, Optional<CodeClass>> model;
  private final Map<String, Optional<Meaning>> known = new ConcurrentHashMap<>();

  /**
   * For a project.
   *
   * @param model of a class, by binary name
   */
  public Meanings(Function<String, Optional<CodeClass>> model) {
    this.model = model;
  }

  private Optional<Meaning> of(String type) {
    return known.computeIfAbsent(type, t -> model.apply(t.replace('/', '.')).map(Meaning::new));
  }

  /**
   * Which outcome of which condition a point is; empty for other points, and where the source is
   * not known.
   */
  public Optional<Meaning.Named> outcome(String type, int point) {
    return of(type).flatMap(meaning -> meaning.outcome(point));
  }

  /** The condition and its outcome; empty for what no person wrote. */
  public Optional<Reason> reason(String type, int point) {
    return outcome(type, point).map(Meaning.Named::reason);
  }

  /** Those of some points of a class that count. */
  public BitSet counting(String type, BitSet points) {
    BitSet counting = (BitSet) points.clone();
    counting.and(of(type).map(Meaning::counting).orElse(new BitSet()));
    return counting;
  }

  /** The method's name with its class, as people know it. */
  public String qualified(Ref ref) {
    String method =
        of(ref.type())
            .flatMap(m -> m.method(ref.code()))
            .map(m -> m.name())
            .orElse(ref.name() + "()");
    return ref.type().replace('/', '.') + "#" + method;
  }
}
