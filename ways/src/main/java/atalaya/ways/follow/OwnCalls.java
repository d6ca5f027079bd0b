package atalaya.ways.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Completes;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.TypeNames;
import atalaya.ways.course.Course;
import atalaya.ways.course.NotFollowed;
import atalaya.ways.course.Steering;
import java.util.List;
import java.util.Optional;

/** Calls of the project's own methods, and of static ones of libraries: they are followed. */
final class OwnCalls implements CallRule {
  private final Walker walker;
  private final Branches branches;
  private final Unfollowed unfollowed;

  OwnCalls(Walker walker, Branches branches, Unfollowed unfollowed) {
    this.walker = walker;
    this.branches = branches;
    this.unfollowed = unfollowed;
  }

  @Override
  public Optional<Term> call(Call call) {
    return answering(call).map(ref -> given(call, ref));
  }

  /** The project's own method that answers for certain. */
  Optional<Ref> answering(Call call) {
    Ref named = call.method();
    boolean isVirtual = call.isVirtual();
    if (isVirtual && isExactly(call.object())) {
      if (call.object() instanceof Term.Input input) {
        walker.objects.answersItself(input);
      }
      String type = TypeNames.internal(call.object().type());
      return walker.base.answering(new Ref(type, named.code()), false);
    }
    if (call.isStatic() && !walker.base.has(call.owner())) {
      return Optional.of(named).filter(ref -> walker.base.code(ref).isPresent());
    }
    return walker.base.answering(named, isVirtual);
  }

  /** Whether an object is of its type, and of none that extends it. */
  boolean isExactly(Term object) {
    String type = TypeNames.internal(object.type());
    boolean isMade =
        object instanceof Term.Made
            || object instanceof Term.Input input
                && (walker.objects.built().containsKey(input) || isMadeAsItIs(input, type));
    return isMade && walker.base.has(type);
  }

  /** Whether a test makes an object of the very type that it has to be of. */
  private boolean isMadeAsItIs(Term.Input input, String type) {
    return input.source() == Term.Source.ARGUMENT
        && !walker.base.isAbstract(type)
        && walker.visible.sees(type)
        && !walker.objects.isDouble(input)
        && !walker.objects.isOther(input);
  }

  private Term given(Call call, Ref ref) {
    Optional<MethodCode> known = walker.base.code(ref);
    List<Term> arguments = call.arguments();
    if (known.isEmpty() || walker.isAtEnd(known.get())) {
      walker.changes.ofArrays(arguments);
      known.ifPresentOrElse(
          code -> walker.changes.by(code, arguments), () -> walker.changes.ofAny(arguments));
      return unfollowed(call, known);
    }
    MethodCode code = known.get();
    walker.calls(ref);
    Optional<Course> decided = branches.decided(code, arguments);
    if (decided.isPresent() || code.isStraight() || call.isConstructor()) {
      return followed(call, code, decided.or(() -> straight(code, arguments)));
    }
    Optional<Term> only =
        walker.isCaught() ? Optional.empty() : branches.onlyResult(code, arguments);
    if (only.isPresent()) {
      boolean isNothing = only.get().isNull() && call.type().equals("V");
      return isNothing ? walker.results.of(call) : only.get();
    }
    return byCases(call, code);
  }

  /** Through what is called to its end, along one course. */
  private Term followed(Call call, MethodCode code, Optional<Course> course) {
    State before = walker.state.fork();
    int asked = walker.state.constraints.size();
    try {
      if (course.isPresent()) {
        Walker.End end = walker.run(course.get(), call.arguments(), Walker.Route.NONE);
        isEnding(call, asked);
        if (!end.thrown().isEmpty()) {
          walker.throwing(end.thrown());
        }
        return end.result() == null ? walker.results.of(call) : end.result();
      }
    } catch (NotFollowed e) {
      walker.state.restoreFields(before);
    }
    walker.changes.by(code, call.arguments());
    return unfollowed(call, Optional.of(code));
  }

  /** What its code asks without saying so, as of indexes, is asked for nothing but that it ends. */
  private void isEnding(Call call, int asked) {
    List<Constraint> all = walker.state.constraints;
    all.subList(asked, all.size()).stream()
        .filter(one -> !one.reason().isWritten())
        .forEach(one -> walker.endings.put(one, Unfollowed.asText(call)));
  }

  /** Through what does not part, or is taken not to. */
  private Optional<Course> straight(MethodCode code, List<Term> arguments) {
    return branches
        .possible(code, arguments)
        .or(code::shortest)
        .or(() -> walker.isCaught() ? Optional.empty() : code.shortestThrowing())
        .map(path -> new Course.Planned(path, Steering.NONE, 0));
  }

  /** What it gives case by case, where those can be told. */
  private Term byCases(Call call, MethodCode code) {
    List<Term> arguments = call.arguments();
    Optional<Term> result =
        branches
            .cases(code.ref(), arguments)
            .filter(term -> walker.base.has(code.ref().type()) || Branches.isKnown(term));
    walker.changes.ofArrays(arguments);
    Optional<String> thrown = result.flatMap(Branches::thrownAnyway);
    if (thrown.isPresent() && !walker.isCaught()) {
      walker.throwing(thrown.get());
      return walker.results.of(call);
    }
    result.ifPresent(cases -> returns(call, code, cases));
    walker.changes.by(code, arguments);
    return result.orElseGet(() -> unfollowed(call, Optional.of(code)));
  }

  /** It has to come to an end, by a case that was found or in another way. */
  private void returns(Call call, MethodCode code, Term cases) {
    Completes ends = new Completes(cases, Reason.unwritten(walker.line()));
    walker.require(ends);
    walker.endings.put(ends, Unfollowed.asText(call));
    if (cases instanceof Term.Choice choice) {
      isReturning(choice, code);
    }
    if (!walker.base.mayRefuse(code)) {
      return;
    }
    if (!(cases instanceof Term.Choice told)) {
      if (branches.mayThrow(code.ref(), call.arguments())) {
        unfollowed.handOn(call.arguments());
        unfollowed.throwsNothing(call);
      }
    } else if (Branches.mayHaveOthers(code)) {
      unfollowed.handOn(call.arguments());
      unfollowed.throwsNothing(call, told);
    } else if (!walker.isApart()) {
      walker.ends.put(ends, Unfollowed.asText(call));
    }
  }

  /** Of what a test decides, what has to be for a call to return, whatever else it asks. */
  private void isReturning(Term.Choice result, MethodCode called) {
    if (!Branches.mayHaveOthers(called)) {
      Reason reason = Reason.unwritten(walker.line());
      result
          .returning(branches.isBreakable(result))
          .map(one -> new Compared(one, Relation.EQUAL, Term.of(0), reason))
          .ifPresent(walker::require);
    }
  }

  /**
   * Of a call that could not be followed it is not known whether it throws; where there is a
   * handler nobody may take it for granted that it does not.
   */
  private Term unfollowed(Call call, Optional<MethodCode> code) {
    unfollowed.handOn(call.arguments());
    walker.mayHalt |= code.filter(c -> walker.base.isHalting(c.ref())).isPresent();
    boolean usesDouble =
        call.arguments().stream()
            .anyMatch(a -> a instanceof Term.Input i && walker.objects.isDouble(i));
    if (code.isEmpty() || usesDouble || walker.base.mayRefuse(code.get())) {
      unfollowed.throwsNothing(call);
    }
    return walker.results.of(call);
  }
}
