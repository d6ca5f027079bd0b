package atalaya.ways.follow;

import atalaya.core.term.Term;
import atalaya.ways.code.ClassCode;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.Path;
import atalaya.ways.code.PathSearch;
import atalaya.ways.course.Allowance;
import atalaya.ways.course.NotFollowed;
import atalaya.ways.course.Steering;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/** What the static final fields of classes hold, as far as their initialisers tell. */
final class Statics {
  /** Knows nothing. */
  static final Statics NONE = new Statics(type -> Map.of());

  private static final int MOST_PATHS = 8;
  private static final int OF_CLASS = 20_000;

  private final Function<String, Map<String, Term.Constant>> held;
  private final Map<String, Map<String, Term.Constant>> read = new ConcurrentHashMap<>();

  private Statics(Function<String, Map<String, Term.Constant>> held) {
    this.held = held;
  }

  /**
   * Of a project.
   *
   * @param known what initialisers may use
   */
  static Statics of(Known known) {
    return new Statics(type -> held(known, type));
  }

  /** What a field holds; empty where it is not the same on every path, or no plain value. */
  Optional<Term.Constant> of(String type, String field) {
    return Optional.ofNullable(read.computeIfAbsent(type, held).get(field));
  }

  private static Map<String, Term.Constant> held(Known known, String type) {
    Optional<ClassCode> code = known.base().code(type);
    Optional<MethodCode> initialiser = known.base().code(new Ref(type, "<clinit>()V"));
    List<Path> paths =
        initialiser.flatMap(method -> PathSearch.all(method, MOST_PATHS)).orElse(List.of());
    Map<String, Term.Constant> same = null;
    for (Path path : paths) {
      Optional<Map<State.Field, Term>> fields = after(known, type, path);
      if (fields.isEmpty()) {
        return Map.of();
      }
      Map<String, Term.Constant> here = new HashMap<>();
      fields
          .get()
          .forEach(
              (field, term) -> {
                boolean isOwn = field.equals(State.Field.ofClass(type, field.name()));
                boolean isFinal =
                    isOwn
                        && code.flatMap(c -> c.field(field.name()))
                            .filter(ClassCode::isFinal)
                            .isPresent();
                if (isFinal && term instanceof Term.Constant constant) {
                  here.put(field.name(), constant);
                }
              });
      if (same == null) {
        same = here;
      } else {
        same.entrySet().retainAll(here.entrySet());
      }
    }
    return same == null ? Map.of() : same;
  }

  private static Optional<Map<State.Field, Term>> after(Known known, String type, Path path) {
    State state = new State();
    Walker walker =
        new Walker(known, Steering.NONE, Allowance.of(OF_CLASS), Makings.PLAINEST, type);
    try {
      walker.apart(state, path, List.of());
      return Optional.of(state.fields);
    } catch (NotFollowed e) {
      return Optional.empty();
    }
  }

  /** Whether it is a number, a truth value or a text, by its descriptor. */
  static boolean isPlain(String type) {
    return type.length() == 1 || type.equals("Ljava/lang/String;");
  }
}
