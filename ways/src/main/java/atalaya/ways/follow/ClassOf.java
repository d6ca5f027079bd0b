package atalaya.ways.follow;

import atalaya.core.term.ClassValue;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.ways.code.TypeNames;
import java.util.Optional;

/** What {@code getClass()} gives: objects that a test makes are of the very class that it names. */
public final class ClassOf {
  private static final String CLASS = "Ljava/lang/Class;";
  private static final String OBJECT = "java/lang/Object";
  private static final String SUFFIX = ".getClass()";

  private ClassOf() {}

  static boolean isAsked(Call call) {
    return call.name().equals("getClass") && call.descriptor().equals("()" + CLASS);
  }

  /** A class as code names it. */
  static Term.Constant constant(String type) {
    return new Term.Constant(new ClassValue(type), CLASS);
  }

  /**
   * Of an object. What may be anything is of the class whose code asks, or of another.
   *
   * @param isExactly whether it is of its type, and of none that extends it
   * @return empty when it is not known
   */
  static Optional<Term> of(Walker walker, Term object, boolean isExactly) {
    String type = TypeNames.internal(object.type());
    boolean isTold =
        walker.base.has(type)
            && !walker.base.isAbstract(type)
            && (isExactly || walker.base.below(type).isEmpty());
    if (isTold) {
      boolean mayBeOther = object instanceof Term.Input && !walker.base.below(type).isEmpty();
      if (mayBeOther) {
        walker.objects.isMadeAsItIs((Term.Input) object);
      }
      return Optional.of(constant(type));
    }
    String own = walker.here();
    boolean mayBeOwn =
        object instanceof Term.Input input
            && input.isFree()
            && type.equals(OBJECT)
            && walker.base.has(own);
    return mayBeOwn ? Optional.of(ownOrOther(walker, (Term.Input) object, own)) : Optional.empty();
  }

  /** Of which class an object is that may be of several. */
  static Term unknown(Term object) {
    return Term.unknown(object instanceof Term.Input input ? input.name() + SUFFIX : SUFFIX, CLASS);
  }

  private static Term ownOrOther(Walker walker, Term.Input object, String own) {
    Term isOwn = walker.types.askedFor(object, own);
    Term other = new Term.Input(object.name() + SUFFIX, CLASS, Term.Source.ELEMENT, Term.THERE);
    Reason reason = Reason.unwritten(walker.line());
    Compared isIt = new Compared(isOwn, Relation.NOT_EQUAL, Term.of(0), reason);
    return Term.either("getClass(..)", CLASS, isIt, constant(own), other);
  }

  /** Whether a value is the class of what stands for any object. */
  public static boolean isPlain(Term.Input input, Object value) {
    return input.name().endsWith(SUFFIX) && new ClassValue(OBJECT).equals(value);
  }
}
