package atalaya.ways;

import atalaya.core.solve.Solver;
import atalaya.core.term.Term;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.Path;
import atalaya.ways.code.PathSearch;
import atalaya.ways.course.Course;
import atalaya.ways.course.Steering;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A call by which a test gives an object that it made a state, before it goes a way.
 *
 * @param by the method that is called
 * @param field of the object
 * @param site the instruction that sets the field, or puts something into what it holds
 */
record Preparation(Term.Input object, MethodCode by, String field, int site) {

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
