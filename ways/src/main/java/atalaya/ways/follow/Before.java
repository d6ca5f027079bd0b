package atalaya.ways.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.Term;
import atalaya.ways.code.MethodCode;
import atalaya.ways.course.Course;
import atalaya.ways.course.NotFollowed;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A call by which a field of an object gets what it holds when a way begins.
 *
 * @param course how control goes through the method that is called
 */
public record Before(Term.Input object, String field, Course course) {

  /**
   * Follows it.
   *
   * @throws NotFollowed also where nobody knows whether it comes to its end
   */
  Walked.Prepared follow(Walker walker) throws NotFollowed {
    MethodCode by = course.code();
    walker.objects.settle(object, field);
    String name = walker.state.numbered(Objects.prefix(object) + by.node().name);
    List<Term.Input> arguments = by.inputs(name + ".");
    List<Term> all = new ArrayList<>(List.of(object));
    all.addAll(arguments);
    walker.handedOn.addAll(arguments); // What the object keeps may be used by any call.
    int asked = walker.state.constraints.size();
    int ends = walker.ends.size();
    walker.depth = 1; // It is no part of the route.
    walker.underway = Optional.of(object);
    walker.prepared.add(object);
    Walker.End end = walker.run(course, all, Walker.Route.NONE);
    walker.underway = Optional.empty();
    List<Constraint> more =
        walker.state.constraints.subList(asked, walker.state.constraints.size());
    boolean rests =
        walker.ends.size() > ends || more.stream().anyMatch(one -> one.hasInput(Before::isGuessed));
    rests |= walker.closes;
    if (rests || !end.thrown().isEmpty() || end.goesOn()) {
      throw new NotFollowed("nobody knows whether it comes to its end", null);
    }
    arguments.forEach(walker.objects::settle);
    walker.depth = 0;
    walker.effects.clear(); // A test asserts what the way itself does.
    return new Walked.Prepared(object, by.ref(), arguments);
  }

  /** Whether what a call gives, or that it throws nothing, is not known. */
  private static boolean isGuessed(Term.Input input) {
    return input.source() == Term.Source.RESULT
        && (input.usual() == null || Unfollowed.isThrowing(input));
  }
}
