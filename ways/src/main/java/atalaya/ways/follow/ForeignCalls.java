package atalaya.ways.follow;

import atalaya.core.term.Platform;
import atalaya.core.term.Term;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.HoldingTypes;
import atalaya.ways.code.TypeNames;
import java.util.Arrays;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.objectweb.asm.Type;

/** Calls that nobody can follow: doubles answer them, or what comes out has to be seen. */
final class ForeignCalls {
  /** What a double answers with the same object each time. */
  private static final Pattern GIVING = Pattern.compile("get(?!Next|And)\\w+\\(\\)[L\\[].*");

  /** The methods for arrays that take {@code null} for one. */
  private static final Pattern TAKING_NONE =
      Pattern.compile("(deep)?(toString|hashCode|equals)", Pattern.CASE_INSENSITIVE);

  private final Walker walker;
  private final Unfollowed unfollowed;

  ForeignCalls(Walker walker, Unfollowed unfollowed) {
    this.walker = walker;
    this.unfollowed = unfollowed;
  }

  /** What a call gives; for one without result anything. */
  Term call(Call call) {
    walker.closes |= call.name().equals("close") && call.owner().startsWith("java/");
    walker.changes.ofArrays(call.arguments());
    boolean isOfArray =
        call.owner().equals("java/util/Arrays") && !TAKING_NONE.matcher(call.name()).matches();
    if (isOfArray) {
      walker.requireThere(call.object());
    }
    if (!call.owner().startsWith("java/")) {
      walker.changes.ofAny(call.arguments());
    } else if (call.owner().equals("java/util/Collections")) {
      walker.objects.containers().byCollections(call.name(), call.arguments());
    }
    boolean isInherited =
        walker.base.above(call.owner()).filter(HoldingTypes::isCollection).isPresent();
    if (isInherited && call.name().endsWith("All") && call.arguments().size() == 2) {
      walker.requireThere(call.arguments().get(1));
    }
    Optional<Term.Input> collaborator = collaborator(call);
    boolean isByDouble =
        collaborator
            .filter(walker.objects::isDouble)
            .filter(of -> answering(of, call) == Term.Source.ANSWER)
            .isPresent();
    unfollowed.uses(call, isByDouble);
    if (collaborator.isEmpty()) {
      if (!isCloned(call)) {
        unfollowed.returns(call);
      }
      return byNobodyElse(call);
    }
    if (Platform.isFinal(call.owner())) {
      unfollowed.returns(call); // No double answers, nor throws.
    } else {
      unfollowed.isToldByText(call);
    }
    if (!isByDouble) {
      unfollowed.handOn(call.given());
    }
    return asked(collaborator.get(), call, "");
  }

  /** What is called is no double: nothing is known of it, or it is what the test calls itself. */
  private Term byNobodyElse(Call call) {
    boolean isOfInput = !call.isStatic() && call.object() instanceof Term.Input;
    boolean isOwn = isOfInput && ((Term.Input) call.object()).isReceiver();
    if (isOwn) {
      walker.base.likely(call.method(), true).ifPresent(walker::calls);
      if (isInheritedFromPlatform(call)) {
        unfollowed.throwsNothing(call);
      }
    } else if (isOfInput && call.isVirtual() && walker.base.has(call.owner())) {
      unfollowed.throwsNothing(call); // Nobody knows which code answers.
    }
    return isOwn ? ownAnswer((Term.Input) call.object(), call) : walker.results.ofHeld(call);
  }

  /** What the platform answers by methods that the project overrides, in a way nobody follows. */
  private boolean isInheritedFromPlatform(Call call) {
    return walker
        .base
        .above(call.owner())
        .filter(above -> above.startsWith("java/") && !above.equals("java/lang/Object"))
        .filter(above -> !walker.base.isA(call.owner(), "java/lang/Throwable"))
        .isPresent();
  }

  /** Whether a call copies an object that says it may be copied, which always succeeds. */
  boolean isCloned(Call call) {
    return call.is("java/lang/Object", "clone")
        && walker.base.implementsInterface(
            TypeNames.internal(call.object().type()), "java/lang/Cloneable");
  }

  /** A double that is asked whether it equals something has to answer that, too. */
  void isCompared(Call call) {
    boolean isAsked =
        call.owner().equals(Walked.Asked.EQUALS.type()) || call.is("java/util/Objects", "equals");
    if (isAsked) {
      isCompared(call.object(), call);
    }
  }

  /** The same of one that is kept where others are looked for. */
  void isHeld(Call call) {
    call.given().forEach(held -> isCompared(held, call));
  }

  private void isCompared(Term object, Call call) {
    if (object instanceof Term.Input input && walker.objects.isDouble(input)) {
      String name = answerName(input, call);
      Term.Input answer = new Term.Input(name, "Z", Term.Source.ANSWER, null);
      walker.asked.add(new Walked.Asked(input, Walked.Asked.EQUALS, answer, ""));
    }
  }

  /** What a double can stand in for. */
  Optional<Term.Input> collaborator(Call call) {
    return call.isVirtual()
            && call.object() instanceof Term.Input input
            && input.isFree()
            && !input.isReceiver()
        ? Optional.of(input)
        : Optional.empty();
  }

  /** What the test calls, where it has to be of a class that the test extends. */
  Optional<Term.Input> extended(Call call) {
    return call.isVirtual()
            && call.object() instanceof Term.Input input
            && input.isReceiver()
            && walker.objects.isDouble(input)
        ? Optional.of(input)
        : Optional.empty();
  }

  /** What the object that is called itself answers: always the same. */
  private Term.Input ownAnswer(Term.Input itself, Call call) {
    Term.Input answer = new Term.Input(call.name() + "(..)", call.type(), Term.Source.ANSWER, null);
    if (walker.objects.isDouble(itself)) {
      Ref method = call.method();
      walker.asked.add(new Walked.Asked(itself, method, answer, ""));
    }
    return answer;
  }

  /** Who answers a call: a double, or what stands there, in whose place no test can put one. */
  private Term.Source answering(Term.Input object, Call call) {
    boolean isOfPlatform = call.owner().startsWith("java/");
    boolean isFixed =
        isOfPlatform
            ? object.source() == Term.Source.STATE || Platform.isFinal(call.owner())
            : walker.base.isFinal(call.owner());
    return isFixed || object.source() == Term.Source.RESULT
        ? Term.Source.RESULT
        : Term.Source.ANSWER;
  }

  /**
   * What a collaborator answers.
   *
   * @param thrown the internal name of an exception, for whether it throws that; or empty
   */
  Term.Input asked(Term.Input of, Call call, String thrown) {
    Ref method = call.method();
    Term.Source source = answering(of, call);
    String name = answerName(of, call);
    Term.Input answer =
        thrown.isEmpty()
            ? new Term.Input(
                name,
                call.type(),
                source,
                source == Term.Source.RESULT ? Results.usual(call) : null)
            : new Term.Input(name + Unfollowed.THROWS + TypeNames.simpleOf(thrown), "Z", source, 0);
    if (walker.objects.isDouble(of)) {
      walker.doubles.add(of);
      walker.asked.add(new Walked.Asked(of, method, answer, thrown));
    }
    walker.effects.add(new Walked.Called(of, method, call.given(), walker.steps.size()));
    if (HoldingTypes.isWritingText(TypeNames.internal(of.type()), call.name())) {
      walker.effects.add(new Walked.Written(of, Optional.empty(), walker.steps.size()));
    }
    return answer;
  }

  private String answerName(Term.Input input, Call call) {
    String types =
        Arrays.stream(Type.getArgumentTypes(call.descriptor()))
            .map(type -> TypeNames.simpleOf(type.getClassName().replace('.', '/')))
            .collect(Collectors.joining(","));
    String name = input.name() + "." + call.name() + "(" + types + ")";
    boolean isAlwaysTheSame =
        GIVING.matcher(call.name() + call.descriptor()).matches() && walker.objects.isDouble(input);
    return isAlwaysTheSame ? name : walker.state.numbered(name);
  }
}
