package atalaya.ways.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.HoldingTypes;
import atalaya.ways.code.Surroundings;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What calls give, and what they throw. */
final class Calls {
  private final Walker walker;
  private final Branches branches;
  private final TakenTexts texts;
  private final Unfollowed unfollowed;
  private final OwnCalls own;
  private final ForeignCalls foreign;
  private final PlatformCalls platform;
  private final Mappings mappings;

  /** The first that knows a call says what it gives; where none does, it is a foreign one. */
  private final List<CallRule> rules;

  Calls(Walker walker) {
    this.walker = walker;
    this.branches = new Branches(walker);
    this.texts = new TakenTexts(walker);
    this.unfollowed = new Unfollowed(walker, texts, branches);
    this.own = new OwnCalls(walker, branches, unfollowed);
    this.foreign = new ForeignCalls(walker, unfollowed);
    this.platform = new PlatformCalls(walker, foreign);
    this.mappings = new Mappings(walker, foreign);
    this.rules =
        List.of(
            new PlainCalls(walker, own),
            call -> walker.functions.call(call, this),
            new ArrayCalls(),
            new ArrayCopies(walker),
            walker.builders,
            this::made,
            walker.objects.containers(),
            mappings,
            walker.objects.holders(),
            new Expressions(walker),
            walker.lines,
            platform,
            new EnumCalls(walker, own),
            own);
  }

  /** The result of a call; for one without result anything. */
  Term call(Call call) {
    if (!call.isStatic() && !call.isConstructor()) {
      walker.requireThere(call.object());
      if (unfollowed.requireHeld(call)) {
        foreign.isHeld(call);
      }
    }
    Surroundings.of(call.node()).ifPresent(walker.surroundings::add);
    walker.mayHalt |= Surroundings.isHalting(call.owner(), call.name());
    for (CallRule rule : rules) {
      Optional<Term> given = rule.call(call);
      if (given.isPresent()) {
        return given.get();
      }
    }
    return foreign.call(call);
  }

  /** An object of the platform or of a library is made. */
  private Optional<Term> made(Call call) {
    if (!call.isConstructor() || walker.base.has(call.owner())) {
      return Optional.empty();
    }
    if (!walker.lines.isMade(call)) {
      walker.changes.ofArrays(call.arguments());
    }
    if (HoldingTypes.isHolder(call.owner())) {
      walker.objects.holders().made(call.object(), call.given());
    }
    if (HoldingTypes.isCollection(call.owner())) {
      walker.objects.containers().made(call.object(), call.given());
    }
    if (HoldingTypes.isMap(call.owner())) {
      mappings.made(call);
    }
    unfollowed.makes(call);
    return Optional.of(walker.results.of(call));
  }

  /** A call that has to throw. */
  void throwing(Call call, String exception) {
    Reason reason = Reason.unwritten(walker.line());
    if (foreign.isCloned(call)) {
      walker.require(new Compared(Term.of(0), Relation.NOT_EQUAL, Term.of(0), reason));
      return;
    }
    Optional<Constraint> byText = texts.throwing(call, exception);
    if (byText.isPresent()) {
      walker.require(byText.get());
      return;
    }
    if (PlatformCalls.isPure(call)) {
      walker.require(new Constraint.Throws(platform.given(call), exception, reason));
      return;
    }
    Optional<Term.Input> collaborator = foreign.collaborator(call);
    boolean isByDouble = collaborator.filter(walker.objects::isDouble).isPresent();
    Optional<Ref> answering = isByDouble ? Optional.empty() : own.answering(call);
    Optional<Term> thrown =
        answering
            .flatMap(ref -> branches.cases(ref, call.arguments()))
            .filter(Term.Choice.class::isInstance)
            .map(Term.Choice.class::cast)
            .flatMap(of -> throwing(of, exception).or(() -> brokenOff(of, call, exception)));
    if (thrown.isPresent()) {
      walker.require(new Constraint.Throws(thrown.get(), exception, reason));
      return;
    }
    Optional<Term.Input> asked =
        answering.isPresent() ? Optional.empty() : collaborator.or(() -> foreign.extended(call));
    Term throwing =
        asked.isPresent()
            ? foreign.asked(asked.get(), call, exception)
            : Unfollowed.throwing(call, exception);
    walker.require(new Compared(throwing, Relation.NOT_EQUAL, Term.of(0), reason));
  }

  /** What a call gives, with what a handler takes as that; empty where it throws nothing such. */
  private Optional<Term> throwing(Term.Choice choice, String caught) {
    List<Term.Case> cases = new ArrayList<>();
    boolean isThere = false;
    for (Term.Case one : choice.cases()) {
      boolean isTaken = !one.thrown().isEmpty() && walker.base.isA(one.thrown(), caught);
      isThere |= isTaken;
      cases.add(isTaken ? new Term.Case(one.conditions(), null, caught) : one);
    }
    return isThere
        ? Optional.of(new Term.Choice(choice.type(), cases, choice.size()))
        : Optional.empty();
  }

  /**
   * The same where a call throws that stands in what is called; what else may throw there is not
   * known. Empty where no such call was followed.
   */
  private Optional<Term> brokenOff(Term.Choice choice, Call call, String caught) {
    List<Term.Case> cases = new ArrayList<>(choice.cases());
    for (Term.Case one : choice.cases()) {
      for (int i = 0; i < one.conditions().size(); i++) {
        if (one.conditions().get(i) instanceof Constraint.Completes ends) {
          List<Constraint> conditions = new ArrayList<>(one.conditions().subList(0, i));
          conditions.add(new Constraint.Throws(ends.value(), caught, ends.reason()));
          cases.add(new Term.Case(conditions, null, caught));
        }
      }
    }
    if (cases.size() == choice.cases().size()) {
      return Optional.empty();
    }
    Compared otherwise =
        new Compared(
            Unfollowed.throwing(call, caught),
            Relation.NOT_EQUAL,
            Term.of(0),
            Reason.unwritten(walker.line()));
    cases.add(new Term.Case(List.of(otherwise), null, caught));
    Term all = Term.choice(call.name(), choice.type(), cases);
    return Optional.of(all).filter(Term.Choice.class::isInstance);
  }
}
