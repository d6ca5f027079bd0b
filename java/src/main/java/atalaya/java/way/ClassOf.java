package atalaya.java.way;

import atalaya.core.term.ClassValue;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import java.util.Optional;
import org.objectweb.asm.tree.MethodInsnNode;

/** What {@code getClass()} gives: objects that a test makes are of the very class that it names. */
final class ClassOf {
  private static final String CLASS = "Ljava/lang/Class;";
  private static final String OBJECT = "java/lang/Object";
  private static final String SUFFIX = ".getClass()";

  private ClassOf() {}

  static boolean isAsked(MethodInsnNode call) {
    return call.name.equals("getClass") && call.desc.equals("()" + CLASS);
  }

  /** A class as code names it. */
  static Term.Constant constant(String type) {
    return new Term.Constant(new ClassValue(type), CLASS);
  }

  /**
   * Of an object. What may be anything is of the class whose code asks, or of another.
   *
   * @return empty when it is not known
   */
  static Optional<Term> of(Walker walker, Term object) {
    String type = Walker.internal(object.type());
    boolean isExact =
        walker.base.has(type)
            && !walker.base.isAbstract(type)
            && (object instanceof Term.Made || walker.base.below(type).isEmpty());
    if (isExact) {
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

  private static Term ownOrOther(Walker walker, Term.Input object, String own) {
    Term isOwn = TypeTests.isOfType(object, own);
    Term other = new Term.Input(object.name() + SUFFIX, CLASS, Term.Source.ELEMENT, null);
    Reason reason = Reason.unwritten(walker.line());
    Compared isIt = new Compared(isOwn, Relation.NOT_EQUAL, Term.of(0), reason);
    return Term.either("getClass(..)", CLASS, isIt, constant(own), other);
  }

  /** Whether a value is the class of what stands for any object. */
  static boolean isPlain(Term.Input input, Object value) {
    return input.name().endsWith(SUFFIX) && new ClassValue(OBJECT).equals(value);
  }
}
