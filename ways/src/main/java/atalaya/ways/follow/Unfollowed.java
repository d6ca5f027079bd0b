package atalaya.ways.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Platform;
import atalaya.core.term.Term;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.Taking;
import atalaya.ways.code.TypeNames;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.objectweb.asm.Type;

/** What has to hold for a call to return that is not followed. */
public final class Unfollowed {
  private static final String TEXT = "Ljava/lang/String;";
  private static final String STREAMS = "java/util/stream/";

  /** Between a call and the exception, in the name of what stands for whether it throws that. */
  public static final String THROWS = " throws ";

  /** In place of an exception, where any matters. */
  public static final String ANY = "an exception";

  /** In place of an exception, where nothing but what handlers take matters. */
  public static final String CAUGHT = "what is caught";

  private static final Pattern OPENING =
      Pattern.compile(
          "read.*|lines|list|walk|size|copy|move|delete|newInputStream|newBufferedReader");

  /** What has static methods that take null for a text. */
  private static final Set<String> TAKING_NO_TEXT =
      Set.of("java/lang/Boolean", "java/lang/Integer", "java/lang/Long", "java/util/Objects");

  /** What refuses to hold nothing, and to be asked for it. */
  private static final Pattern HOLDING_NO_NULL =
      Pattern.compile(
          "java/util/(Hashtable|Properties|ArrayDeque|PriorityQueue)"
              + "|java/util/concurrent/(Concurrent\\w+|\\w*Queue|\\w*Deque)");

  private static final String CALLED = "(..)";

  private final Walker walker;

  private final TakenTexts texts;
  private final Branches branches;

  Unfollowed(Walker walker, TakenTexts texts, Branches branches) {
    this.walker = walker;
    this.texts = texts;
    this.branches = branches;
  }

  /** What stands for whether a call throws something. */
  static Term.Input throwing(Call call, String exception) {
    String name = asText(call) + THROWS + TypeNames.simpleOf(exception);
    return new Term.Input(name, "Z", Term.Source.RESULT, 0);
  }

  /** Whether something stands for whether a call throws. */
  public static boolean isThrowing(Term.Input outcome) {
    return outcome.name().contains(THROWS);
  }

  /** Whether a call that was not followed decides it: what it gives, or a part of that. */
  public static boolean decides(Term.Input input) {
    boolean isPart = input.source() == Term.Source.ELEMENT && input.name().contains(CALLED);
    return isPart || input.source() == Term.Source.RESULT;
  }

  /** How a call is told. */
  static String asText(Call call) {
    return TypeNames.simpleOf(call.owner()) + "." + call.name().replace("<init>", "new") + CALLED;
  }

  /** Nobody knows whether a call that is not followed takes null. */
  void handOn(List<Term> arguments) {
    for (Term argument : arguments) {
      boolean isElement =
          argument instanceof Term.Input input && input.source() == Term.Source.ELEMENT;
      if (isElement || isGiven(argument)) {
        walker.handedOn.add((Term.Input) argument);
      }
    }
  }

  /** Whether a test gives something. */
  private static boolean isGiven(Term argument) {
    return argument instanceof Term.Input input && input.source() == Term.Source.ARGUMENT;
  }

  /** Whether a test gives something, or a double answers it. */
  private static boolean isOfTest(Term argument) {
    boolean isAnswer = argument instanceof Term.Input input && input.source() == Term.Source.ANSWER;
    return isAnswer || isGiven(argument);
  }

  /** Whether it is a container that holds nothing but what is there, which is required then. */
  boolean requireHeld(Call call) {
    boolean isHeld = HOLDING_NO_NULL.matcher(call.owner()).matches();
    if (isHeld) {
      call.given().stream().filter(Unfollowed::isOfTest).forEach(walker::requireThere);
    }
    return isHeld;
  }

  /** A constructor that is not of the project. */
  void makes(Call constructor) {
    Room.asked(constructor, walker.line()).ifPresent(walker::require);
    if (turnsOnText(constructor)) {
      walker.ofTexts.isMade(constructor);
    }
    if (mayRefuse(constructor) && !isReturning(constructor) || reads(constructor)) {
      throwsNothing(constructor);
    }
    if (isOfPlatform(constructor) && !isThrowable(constructor)) {
      constructor.given().stream().filter(Unfollowed::isOfTest).forEach(walker::requireThere);
    }
    returns(constructor);
  }

  /** Whether a library's constructor may not take what it is given. */
  private boolean mayRefuse(Call constructor) {
    boolean isPlain = constructor.given().stream().allMatch(Term::isConstant);
    return !isOfPlatform(constructor) && !isPlain && !isThrowable(constructor);
  }

  /** Whether it reads the begin of what it is given, which has to be right. */
  private boolean reads(Call constructor) {
    return isOfPlatform(constructor)
        && constructor.descriptor().contains("InputStream;")
        && walker.base.declares(constructor.node(), "java/io/IOException")
        && !isToldByText(constructor);
  }

  /** Whether it returns under what is asked of a test from now on. */
  private boolean isReturning(Call constructor) {
    Optional<List<Constraint>> needed =
        walker
            .base
            .code(constructor.method())
            .flatMap(code -> branches.returning(code, constructor.arguments()));
    needed.ifPresent(all -> all.forEach(walker::require));
    return needed.isPresent();
  }

  private static boolean isOfPlatform(Call call) {
    return call.owner().startsWith("java/") || call.owner().startsWith("javax/");
  }

  private boolean isThrowable(Call constructor) {
    return walker.base.isA(constructor.owner(), "java/lang/Throwable");
  }

  /**
   * Of a call that is not followed it is not known whether it throws what a handler is for, nor, of
   * one that is given a text, whether it takes any.
   */
  void returns(Call call) {
    if (isToldByText(call)) {
      return;
    }
    boolean takesAny = call.owner().startsWith("java/") && !call.owner().startsWith(STREAMS);
    if (takesAny) {
      requireClasses(call);
      requireText(call);
    }
    handOn(takesAny ? List.of() : call.arguments());
    if (call.arguments().stream().anyMatch(OfTexts::isText)) {
      walker.base.refusing(call.node()).ifPresent(exception -> throwsNo(call, exception));
    }
    boolean turnsOnNothing = takesAny && call.arguments().isEmpty();
    for (String exception : walker.handled()) {
      if (walker.base.declares(call.node(), exception)) {
        throwsNo(call, turnsOnNothing ? ANY : exception);
      }
    }
  }

  /** Of classes the platform takes none that is missing. */
  private void requireClasses(Call call) {
    Type[] types = Type.getArgumentTypes(call.descriptor());
    int first = call.arguments().size() - types.length;
    for (int i = 0; i < types.length; i++) {
      if (types[i].getDescriptor().equals("Ljava/lang/Class;")) {
        walker.requireThere(call.arguments().get(first + i));
      }
    }
  }

  /** Of the first text most static methods of the platform take none that is missing. */
  private void requireText(Call call) {
    if (call.isStatic() && !TAKING_NO_TEXT.contains(call.owner())) {
      call.arguments().stream()
          .filter(argument -> argument.type().equals(TEXT))
          .findFirst()
          .ifPresent(walker::requireThere);
    }
  }

  /** Whether a call throws what it may throw or not by a text, which is required then. */
  boolean isToldByText(Call call) {
    Optional<Constraint> right = texts.returning(call);
    right.ifPresent(walker::require);
    if (right.isPresent() && call.isConstructor()) {
      call.arguments().stream().filter(a -> a.type().length() > 1).forEach(walker::requireThere);
    }
    return right.isPresent();
  }

  /** It has to throw nothing; whether it does, a person has to see. */
  void throwsNothing(Call call) {
    throwsNo(call, whatMatters());
  }

  /** The same, unless it comes to one of the cases that were found. */
  void throwsNothing(Call call, Term.Choice found) {
    Term throwing = found.returningOr(noted(call, whatMatters()));
    walker.endings.put(isNot(throwing), asText(call));
  }

  private String whatMatters() {
    return walker.isCaught() ? CAUGHT : ANY;
  }

  private void throwsNo(Call call, String exception) {
    isNot(noted(call, exception));
  }

  /**
   * What stands for whether a call throws; noted where something is caught, and it is not to be
   * hoped that it is not thrown.
   */
  private Term.Input noted(Call call, String exception) {
    Term.Input throwing = throwing(call, exception);
    if (!exception.equals(ANY)) {
      List<String> caught = exception.equals(CAUGHT) ? walker.caught() : List.of(exception);
      Optional<MethodCode> code = walker.base.code(call.method());
      Set<Term.Input> texts = walker.ofTexts.of(call);
      boolean isByCode = code.filter(known -> mayRefuseBy(known, call, caught)).isPresent();
      if (isByCode || !texts.isEmpty() || code.isEmpty() && turnsOnText(call)) {
        walker.doubted.merge(throwing, isByCode ? Set.of() : texts, Unfollowed::unlessOneIsOfNone);
      }
    }
    return throwing;
  }

  /** Of a library's code it is known only what it does with texts. */
  private boolean mayRefuseBy(MethodCode code, Call call, List<String> caught) {
    boolean isOwn = walker.base.has(call.owner());
    return isOwn
        ? caught.stream().anyMatch(one -> walker.base.mayRefuseBy(code, one))
        : walker.ofTexts.of(call).isEmpty();
  }

  /** Whether what a library or the platform does may turn on which text it is given. */
  private boolean turnsOnText(Call call) {
    return !walker.base.has(call.owner()) && walker.ofTexts.isGivenAny(call);
  }

  private static Set<Term.Input> unlessOneIsOfNone(Set<Term.Input> some, Set<Term.Input> others) {
    if (some.isEmpty() || others.isEmpty()) {
      return Set.of();
    }
    Set<Term.Input> all = new LinkedHashSet<>(some);
    all.addAll(others);
    return all;
  }

  private Constraint isNot(Term throwing) {
    Reason reason = Reason.unwritten(walker.line());
    Constraint isNot = new Compared(throwing, Relation.EQUAL, Term.of(0), reason);
    walker.require(isNot);
    return isNot;
  }

  /**
   * What a call uses that it is given, and takes from where it is, has to be there.
   *
   * @param isByDouble whether a double answers
   */
  void uses(Call call, boolean isByDouble) {
    requireFunctions(call);
    boolean mayThrow =
        Taking.mayMiss(call.node())
            || walker.base.mayLibraryRefuse(call.node())
            || opensUnknown(call)
            || declaresExceptions(call)
            || call.arguments().stream().anyMatch(this::mayFail);
    if (isByDouble) {
      return;
    }
    Room.asked(call, walker.line()).ifPresent(walker::require);
    if (mayThrow) {
      throwsNothing(call);
    }
  }

  /** Whether a method of the project says that it may throw something; it is not known which. */
  private boolean declaresExceptions(Call call) {
    return walker.base.has(call.owner()) && !walker.base.declared(call.method()).isEmpty();
  }

  /** Whether a call opens a file that a test does not give, which may not be there. */
  private static boolean opensUnknown(Call call) {
    return call.owner().equals("java/nio/file/Files")
        && OPENING.matcher(call.name()).matches()
        && !isGiven(call.arguments().get(0));
  }

  /** The platform takes no null where it is to call a function. */
  private void requireFunctions(Call call) {
    Type[] types = Type.getArgumentTypes(call.descriptor());
    int first = call.arguments().size() - types.length;
    for (int i = 0; call.owner().startsWith("java/util/") && i < types.length; i++) {
      if (types[i].getDescriptor().startsWith("Ljava/util/function/")) {
        walker.requireThere(call.arguments().get(first + i));
      }
    }
  }

  /**
   * Whether what a call is given is code of the project that may end by an exception, or a double
   * that answers with null what it is not told.
   */
  private boolean mayFail(Term argument) {
    boolean isOfMany =
        argument instanceof Term.Input input
            && walker.objects.isDouble(input)
            && Platform.isInterface(TypeNames.internal(input.type()))
            && !Platform.isFunction(TypeNames.internal(input.type()));
    return isOfMany || walker.functions.body(argument).filter(this::mayFail).isPresent();
  }

  private boolean mayFail(Ref body) {
    return Taking.mayMiss(body.type(), body.name(), body.descriptor())
        || walker
            .base
            .code(body)
            .filter(code -> walker.base.mayRefuse(code) || code.takesElements())
            .isPresent();
  }
}
