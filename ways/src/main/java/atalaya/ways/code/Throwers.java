package atalaya.ways.code;

import atalaya.ways.code.CodeBase.Ref;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/** Which methods of a project can lead to an exception of its own, as they or others make it. */
final class Throwers {
  private final CodeBase base;
  private final Collection<String> types;
  private final Map<String, Set<Ref>> of = new ConcurrentHashMap<>();

  /**
   * Of a project.
   *
   * @param types the internal names of its classes
   */
  Throwers(CodeBase base, Collection<String> types) {
    this.base = base;
    this.types = types;
  }

  /**
   * Whether a method may throw an exception. Where the project makes none, nobody knows who does,
   * and what is abstract others may implement.
   */
  boolean mayThrow(Ref method, String exception) {
    Set<Ref> all = of.computeIfAbsent(exception, this::found);
    return all.isEmpty() || all.contains(method) || base.isAbstract(method.type());
  }

  private Set<Ref> found(String exception) {
    Deque<Ref> waiting = new ArrayDeque<>();
    for (String type : types) {
      if (base.isA(type, exception)) {
        base.methods(type).stream()
            .filter(code -> code.startsWith("<init>"))
            .forEach(code -> waiting.addAll(base.callers(new Ref(type, code))));
      }
    }
    Set<Ref> found = new HashSet<>();
    while (!waiting.isEmpty()) {
      Ref method = waiting.remove();
      if (found.add(method)) {
        waiting.addAll(base.callers(method));
        waiting.addAll(overridden(method));
      }
    }
    return found;
  }

  /** What a call names that the method may answer. */
  private List<Ref> overridden(Ref method) {
    boolean isAlone = method.code().startsWith("<") || !base.has(method.type());
    return isAlone
        ? List.of()
        : Stream.concat(base.above(method.type()).stream(), base.interfaces(method.type()).stream())
            .filter(base::has)
            .map(above -> new Ref(above, method.code()))
            .flatMap(
                above ->
                    base.methods(above.type()).contains(above.code())
                        ? Stream.of(above)
                        : overridden(above).stream())
            .toList();
  }
}
