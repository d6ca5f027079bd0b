package atalaya.ways.code;

import atalaya.ways.code.CodeBase.Ref;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** The code of libraries, as far as it may end a call that the project makes. */
final class LibraryCode {
  /** So many methods are looked at for whether one of them throws something. */
  private static final int MOST_CALLED = 40;

  private final CodeBase base;
  private final Map<Ref, Boolean> refusing = new ConcurrentHashMap<>();

  LibraryCode(CodeBase base) {
    this.base = base;
  }

  /**
   * Whether a library's method, or what it calls of libraries, throws something new, or has to be
   * linked first, or needs of an object of the project what nobody may have given it; not where its
   * code is not known.
   *
   * @param called as a call names it: it may stand in what the class there extends
   */
  boolean mayRefuse(Ref called) {
    return refusing.computeIfAbsent(
        called, first -> mayRefuse(first, base.has(first.type()), new HashSet<>(Set.of(first))));
  }

  private boolean mayRefuse(Ref called, boolean isInherited, Set<Ref> known) {
    boolean isNative =
        !base.has(called.type())
            && base.library(called.type()).filter(of -> of.isNative(called.code())).isPresent();
    Optional<MethodCode> code = declared(called.type(), called.code());
    return isNative
        || code.isPresent()
            && (code.get().mayRefuse()
                || isInherited && code.get().usesWhatMayBeMissing()
                || code.get().called().stream()
                    .filter(further -> known.size() < MOST_CALLED && known.add(further))
                    .anyMatch(further -> mayRefuse(further, isInherited, known)));
  }

  private Optional<MethodCode> declared(String type, String code) {
    if (base.has(type)) {
      return base.above(type).flatMap(above -> declared(above, code));
    }
    Optional<MethodCode> own = base.library(type).flatMap(library -> library.method(code));
    return own.isPresent()
        ? own
        : base.library(type).map(ClassCode::supertypes).orElse(List.of()).stream()
            .flatMap(above -> declared(above, code).stream())
            .findFirst();
  }
}
