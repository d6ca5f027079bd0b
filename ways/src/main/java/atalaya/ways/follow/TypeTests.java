package atalaya.ways.follow;

import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Platform;
import atalaya.core.term.Term;
import atalaya.core.term.Term.Operator;
import atalaya.ways.code.Kinds;
import atalaya.ways.code.TypeNames;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.objectweb.asm.Type;

/** What code asks of the types of objects, and takes them for. */
public final class TypeTests {
  private static final Set<String> TEXT_LIKE =
      Set.of("Ljava/lang/Object;", "Ljava/lang/Comparable;", "Ljava/lang/CharSequence;");

  private final Walker walker;
  private final Map<Term.Input, Walked.TypeTest> asked = new LinkedHashMap<>();

  TypeTests(Walker walker) {
    this.walker = walker;
  }

  /** What stands for whether inputs are of a type, where code asks that. */
  Map<Term.Input, Walked.TypeTest> asked() {
    return asked;
  }

  /** Code asks whether an input is of a type: what stands for that. */
  Term.Input askedFor(Term.Input input, String type) {
    Term.Input isIt = isOfType(input, type);
    asked.put(isIt, new Walked.TypeTest(input, Type.getObjectType(type).getDescriptor()));
    return isIt;
  }

  /** An object that is taken for one of another type from now on. */
  Term narrowed(Term term, String type) {
    Reason reason = Reason.unwritten(walker.line());
    mayBeTaken(term, type)
        .ifPresent(is -> walker.require(new Compared(is, Relation.NOT_EQUAL, Term.of(0), reason)));
    return asOne(term, type);
  }

  /** Whether a text or number can be taken for what it is tried as; empty for what is none. */
  private Optional<Term> mayBeTaken(Term term, String type) {
    if (term instanceof Term.Input input) {
      return mayBeValue(input, type) ? Optional.of(orNull(input, type)) : Optional.empty();
    }
    if (!(term instanceof Term.Choice choice)
        || choice.cases().stream().allMatch(one -> mayBeTaken(one, type).isEmpty())) {
      return Optional.empty();
    }
    List<Term.Case> cases =
        choice.cases().stream()
            .map(
                one ->
                    new Term.Case(
                        one.conditions(), mayBeTaken(one, type).orElse(Term.of(1)), one.thrown()))
            .toList();
    return Optional.of(new Term.Choice("Z", cases, choice.size()));
  }

  private Optional<Term> mayBeTaken(Term.Case one, String type) {
    return Optional.ofNullable(one.result()).flatMap(result -> mayBeTaken(result, type));
  }

  private Term asOne(Term term, String type) {
    if (term instanceof Term.Choice choice) {
      return new Term.Choice(
          choice.type(),
          choice.cases().stream().map(one -> asOne(one, type)).toList(),
          choice.size());
    }
    String descriptor = Type.getObjectType(type).getDescriptor();
    Kinds kinds = new Kinds(walker.base);
    boolean isOther =
        term instanceof Term.Input input
            && !kinds.isA(input.type(), descriptor).orElse(false)
            && mayBe(kinds, input.type(), type)
            && !kinds.exclude(input.type(), descriptor)
            && !mayBeValue(input, type);
    if (isOther) {
      Term.Input input = (Term.Input) term;
      if (isWider(input) || isMadeAs(input)) {
        return alias(
            input, new Term.Input(input.name(), descriptor, input.source(), input.usual()));
      }
      if (walker.base.has(TypeNames.internal(input.type()))) {
        Reason reason = Reason.unwritten(walker.line());
        walker.require(
            new Compared(Term.unknown("cast", "Z"), Relation.NOT_EQUAL, Term.of(0), reason));
      }
    }
    return term;
  }

  /** Whether no object is just what an input is declared as. */
  private boolean isWider(Term.Input input) {
    String declared = TypeNames.internal(input.type());
    return declared.equals("java/lang/Object")
        || walker.base.isAbstract(declared)
        || Platform.isAbstract(declared)
        || input.source() == Term.Source.ELEMENT;
  }

  /** Whether a test may make an object of a class below that of an argument. */
  private boolean isMadeAs(Term.Input input) {
    return input.source() == Term.Source.ARGUMENT
        && !input.isReceiver()
        && walker.base.has(TypeNames.internal(input.type()))
        && !walker.objects.isOfItsClass(input);
  }

  /** The same object under another type: what a test gives is there where the other is. */
  private Term alias(Term.Input input, Term.Input narrowed) {
    if (input.source() != Term.Source.ARGUMENT) {
      return walker.objects.alias(input, narrowed);
    }
    Term isThere = isThere(narrowed);
    Compared isNull = new Compared(input, Relation.EQUAL, Term.NULL, Reason.unwritten(0));
    Term isBoth = Term.either("cast", "Z", isNull, isAbsent(narrowed), isThere);
    Reason reason = Reason.unwritten(walker.line());
    walker.require(new Compared(isBoth, Relation.NOT_EQUAL, Term.of(0), reason));
    return walker.objects.alias(input, narrowed);
  }

  private static Term orNull(Term.Input input, String type) {
    Compared isNull = new Compared(input, Relation.EQUAL, Term.NULL, Reason.unwritten(0));
    return Term.either("cast", "Z", isNull, Term.of(1), isValue(input, type));
  }

  private static Term isValue(Term term, String type) {
    return Term.operation(Operator.INSTANCE_OF, type, "Z", List.of(term));
  }

  private Term.Case asOne(Term.Case one, String type) {
    return one.result() == null
        ? one
        : new Term.Case(one.conditions(), asOne(one.result(), type), one.thrown());
  }

  /** Whether something declared so can be of a type at all: of what is final nothing else is. */
  private static boolean mayBe(Kinds kinds, String declared, String type) {
    return !Platform.isFinal(type)
        || kinds.isA(Type.getObjectType(type).getDescriptor(), declared).orElse(true);
  }

  /** Texts and numbers are tried as what may be one. */
  private static boolean mayBeValue(Term.Input input, String type) {
    boolean fits =
        type.equals("java/lang/String") && TEXT_LIKE.contains(input.type())
            || type.equals("java/lang/Integer") && input.type().equals("Ljava/lang/Object;");
    return fits && input.isFree();
  }

  /** Whether an object is of a type: 1 or 0, or what that depends on. */
  Term isA(Term term, String type) {
    if (term.isNull()) {
      return Term.of(0);
    }
    if (term instanceof Term.Made made) {
      return new Kinds(walker.base)
          .isA(made.type(), Type.getObjectType(type).getDescriptor())
          .map(isIt -> Term.of(isIt ? 1 : 0))
          .orElse(Term.unknown("instanceof", "Z"));
    }
    if (term instanceof Term.Input input && isDeclared(input, type)) {
      return isThere(input);
    }
    if (term instanceof Term.Input input && !mayBeValue(input, type)) {
      String descriptor = Type.getObjectType(type).getDescriptor();
      boolean isNever = new Kinds(walker.base).exclude(input.type(), descriptor);
      return isNever || isNoneAsMade(input, descriptor) ? Term.of(0) : askedFor(input, type);
    }
    return isValue(term, type);
  }

  /** Whether a test makes an object of a class that is none of a type; one below it may be. */
  private boolean isNoneAsMade(Term.Input input, String type) {
    String declared = TypeNames.internal(input.type());
    boolean isMade =
        input.isFree()
            && walker.base.has(declared)
            && !walker.base.isAbstract(declared)
            && !new Kinds(walker.base).isA(type, input.type()).orElse(true);
    if (isMade) {
      walker.objects.isMadeAsItIs(input);
    }
    return isMade;
  }

  /** Whether an input is declared as something of a type: then all that is there is. */
  private boolean isDeclared(Term.Input input, String type) {
    return new Kinds(walker.base)
        .isA(input.type(), Type.getObjectType(type).getDescriptor())
        .orElse(false);
  }

  private static Term isAbsent(Term.Input input) {
    Compared isNot = new Compared(input, Relation.EQUAL, Term.NULL, Reason.unwritten(0));
    return Term.either("instanceof", "Z", isNot, Term.of(1), Term.of(0));
  }

  private static Term isThere(Term.Input input) {
    Compared isIt = new Compared(input, Relation.NOT_EQUAL, Term.NULL, Reason.unwritten(0));
    return Term.either("instanceof", "Z", isIt, Term.of(1), Term.of(0));
  }

  /** What stands for whether an input is of a type. */
  public static Term.Input isOfType(Term.Input input, String type) {
    Term.Source source = input.isFree() ? Term.Source.ARGUMENT : Term.Source.UNKNOWN;
    String words = TypeNames.simple(Type.getObjectType(type).getDescriptor());
    return new Term.Input(input.name() + " instanceof " + words, "Z", source, null);
  }
}
