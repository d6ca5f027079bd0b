package atalaya.ways;

import atalaya.core.solve.Solver;
import atalaya.core.term.Term;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.Path;
import atalaya.ways.code.PathSearch;
import atalaya.ways.code.TypeNames;
import atalaya.ways.course.Course;
import atalaya.ways.course.Steering;
import atalaya.ways.write.Setters;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.objectweb.asm.Type;

/**
 * A call by which a test gives an object that it made a state, before it goes a way.
 *
 * @param by the method that is called
 * @param field of the object
 * @param site the instruction that sets the field, or puts something into what it holds
 */
record Preparation(Term.Input object, MethodCode by, String field, int site) {
  private static final Comparator<Preparation> PLAINEST =
      Comparator.comparingInt(
              (Preparation one) -> Type.getArgumentTypes(one.by().node().desc).length)
          .thenComparingInt(one -> one.by().node().instructions.size());

  /** The calls that may bring about what a field holds, the plainest first. */
  static List<Preparation> all(Setters setters, Term.Input object, String field) {
    return setters.writers(TypeNames.internal(object.type()), field).stream()
        .flatMap(
            method ->
                method.setting(field).stream()
                    .map(site -> new Preparation(object, method, field, site)))
        .sorted(PLAINEST)
        .toList();
  }

  /** How control goes there and on; empty where it can't. */
  Optional<Course> course(Solver solver, CodeBase base) {
    Steering steering = new Steering(solver, (level, begun) -> path(begun, base));
    return path(List.of(), base).map(path -> new Course.Planned(path, steering, 0));
  }

  private Optional<Path> path(List<Path.Move> begun, CodeBase base) {
    boolean isThere = begun.stream().anyMatch(move -> move.at() == site);
    Set<Integer> forced = isThere ? Set.of() : Set.of(site);
    PathSearch.Wanted wanted =
        new PathSearch.Wanted(PathSearch.Wanted.NO_WEIGHTS, forced, begun, Set.of(), true);
    return PathSearch.heaviest(by, wanted, base::code);
  }
}
