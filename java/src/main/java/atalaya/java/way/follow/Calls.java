package atalaya.java.way.follow;

import atalaya.core.term.ClassValue;
import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Completes;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Platform;
import atalaya.core.term.Term;
import atalaya.java.way.code.CodeBase.Ref;
import atalaya.java.way.code.HoldingTypes;
import atalaya.java.way.code.MethodCode;
import atalaya.java.way.code.Path;
import atalaya.java.way.code.Surroundings;
import atalaya.java.way.code.TypeNames;
import atalaya.java.way.course.Course;
import atalaya.java.way.course.NotFollowed;
import atalaya.java.way.course.Steering;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.MethodInsnNode;

/** What calls give. */
public final class Calls {
  private static final String TEXT = "Ljava/lang/String;";
  private static final int MOST_CALLED = 40;
  private static final Predicate<String> IN_CODE = Pattern.compile("[\\w$]+").asMatchPredicate();
  private static final Pattern MAY_THROW =
      Pattern.compile(
          "parse.*|valueOf|forName|charAt|substring|subSequence|codePointAt|of|ofEpoch.*|repeat|.*Exact"
              + "|divide|with.*|at[A-Z].*|decode|format|get");

  /** The methods of texts, numbers and dates that take no {@code null}. */
  private static final Pattern TAKING_SOMETHING =
      Pattern.compile(
          "compareTo.*|concat|contains|(starts|ends)With|(lastI|i)ndexOf|replace.*|matches|split");

  /** What a double answers with the same object each time. */
  private static final Pattern GIVING = Pattern.compile("get(?!Next|And)\\w+\\(\\)[L\\[].*");

  /** The methods for arrays that take {@code null} for one. */
  private static final Pattern TAKING_NONE =
      Pattern.compile("(deep)?(toString|hashCode|equals)", Pattern.CASE_INSENSITIVE);

  /** What a box is opened with. */
  private static final Map<String, String> BOXES =
      Map.of(
          "java/lang/Integer", "intValue",
          "java/lang/Long", "longValue",
          "java/lang/Short", "shortValue",
          "java/lang/Byte", "byteValue",
          "java/lang/Character", "charValue",
          "java/lang/Boolean", "booleanValue",
          "java/lang/Double", "doubleValue",
          "java/lang/Float", "floatValue");

  private final Walker walker;
  private final Containers containers;
  private final Mappings mappings;
  private final Expressions expressions;
  private final EnumCalls enums;
  private final Holders holders;
  private final Lines lines;
  private final Branches branches;
  private final CharsetNames charsets;
  private final Unfollowed unfollowed;

  Calls(Walker walker) {
    this.walker = walker;
    this.containers = walker.objects.containers();
    this.mappings = new Mappings(walker);
    this.expressions = new Expressions(walker);
    this.enums = new EnumCalls(walker);
    this.holders = walker.objects.holders();
    this.lines = new Lines(walker);
    this.branches = new Branches(walker);
    this.charsets = new CharsetNames(walker);
    this.unfollowed = new Unfollowed(walker, charsets);
  }

  /** A call that has to throw. */
  void throwing(MethodInsnNode call, List<Term> arguments, String exception) {
    Reason reason = Reason.unwritten(walker.line());
    if (isCloned(call, arguments)) {
      walker.require(new Compared(Term.of(0), Relation.NOT_EQUAL, Term.of(0), reason));
      return;
    }
    Optional<Compared> byCharset = charsets.turning(call, arguments, true);
    if (byCharset.isPresent()) {
      walker.require(byCharset.get());
      return;
    }
    boolean isPure = Platform.isPure(call.owner, call.name);
    if (isPure) {
      walker.require(new Constraint.Throws(ofPlatform(call, arguments), exception, reason));
      return;
    }
    Optional<Term.Input> collaborator = collaborator(call, arguments);
    boolean isByDouble = collaborator.filter(walker.objects::isDouble).isPresent();
    Optional<Ref> answering = isByDouble ? Optional.empty() : answering(call, arguments);
    Optional<Term> thrown =
        answering
            .flatMap(ref -> branches.cases(ref, arguments))
            .flatMap(of -> throwing(of, exception));
    if (thrown.isPresent()) {
      walker.require(new Constraint.Throws(thrown.get(), exception, reason));
      return;
    }
    Optional<Term.Input> asked =
        answering.isPresent() ? Optional.empty() : collaborator.or(() -> extended(call, arguments));
    Term throwing =
        asked.isPresent()
            ? asked(asked.get(), call, arguments, exception)
            : Unfollowed.throwing(call, exception);
    walker.require(new Compared(throwing, Relation.NOT_EQUAL, Term.of(0), reason));
  }

  /** Whether a call copies an object that says it may be copied, which always succeeds. */
  private boolean isCloned(MethodInsnNode call, List<Term> arguments) {
    return call.owner.equals("java/lang/Object")
        && call.name.equals("clone")
        && walker.base.implementsInterface(
            TypeNames.internal(arguments.get(0).type()), "java/lang/Cloneable");
  }

  /** What a call gives, with what a handler takes as that; empty where it throws nothing such. */
  private Optional<Term> throwing(Term given, String caught) {
    if (!(given instanceof Term.Choice choice)) {
      return Optional.empty();
    }
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

  /** The result of a call; for one without result anything. */
  Term call(MethodInsnNode call, List<Term> arguments) {
    boolean isStatic = call.getOpcode() == Opcodes.INVOKESTATIC;
    if (!isStatic && !call.name.equals("<init>")) {
      walker.requireThere(arguments.get(0));
    }
    Surroundings.of(call).ifPresent(walker.surroundings::add);
    walker.mayHalt |= Surroundings.isHalting(call.owner, call.name);
    if (isBoxing(call)) {
      return arguments.get(0);
    }
    if (ClassOf.isAsked(call)) {
      Term object = arguments.get(0);
      return ClassOf.of(walker, object, isExactly(object)).orElseGet(() -> ClassOf.unknown(object));
    }
    Optional<Term> ofType = ofType(call, arguments);
    if (ofType.isPresent()) {
      return ofType.get();
    }
    if (call.name.equals("requireNonNull") && call.owner.equals("java/util/Objects")) {
      walker.requireThere(arguments.get(0));
      return arguments.get(0);
    }
    boolean isView =
        isStatic
            && (call.name.equals("copyOf") || call.name.startsWith("unmodifiable"))
            && call.owner.startsWith("java/util/")
            && arguments.size() == 1;
    boolean isArrayAgain = call.owner.startsWith("[") && call.name.equals("clone");
    if (isView || isArrayAgain) {
      walker.requireThere(arguments.get(0));
      return arguments.get(0);
    }
    if (call.name.equals("ordinal") && call.desc.equals("()I")) {
      return EnumCalls.ordinal(arguments.get(0));
    }
    walker.builders.forget(isStatic ? arguments : arguments.subList(1, arguments.size()));
    boolean isBuilder = !isStatic && Builders.isBuilder(call.owner);
    if (isBuilder && call.name.equals("<init>")) {
      walker.builders.made(arguments.get(0), call, arguments.subList(1, arguments.size()));
      return unknown(call);
    }
    Optional<Term> ofBuilder = isBuilder ? walker.builders.call(call, arguments) : Optional.empty();
    if (ofBuilder.isPresent()) {
      return ofBuilder.get();
    }
    if (call.name.equals("<init>") && !walker.base.has(call.owner)) {
      if (!lines.isMade(arguments.get(0), call, arguments.subList(1, arguments.size()))) {
        mayWrite(arguments);
      }
      if (HoldingTypes.isHolder(call.owner)) {
        holders.made(arguments.get(0), arguments.subList(1, arguments.size()));
      }
      if (HoldingTypes.isCollection(call.owner)) {
        containers.made(arguments.get(0), arguments.subList(1, arguments.size()));
      }
      if (HoldingTypes.isMap(call.owner)) {
        mappings.made(arguments.get(0), call);
      }
      unfollowed.makes(call, arguments);
      return unknown(call);
    }
    Optional<Term> container = isStatic ? containers.made(call, arguments) : Optional.empty();
    if (container.isPresent()) {
      return container.get();
    }
    boolean isContainer = !isStatic && Containers.isKnown(call.owner);
    if (isContainer) {
      Optional<Term> result =
          containers.call(call, arguments.get(0), arguments.subList(1, arguments.size()));
      if (result.isPresent()) {
        return result.get();
      }
    }
    if (!isStatic && HoldingTypes.isMap(call.owner)) {
      Optional<Term> mapped =
          mappings.call(
              call,
              arguments.get(0),
              arguments.subList(1, arguments.size()),
              () -> foreign(call, arguments));
      if (mapped.isPresent()) {
        return mapped.get();
      }
    }
    if (!isStatic && HoldingTypes.isHolder(call.owner)) {
      Optional<Term> held =
          holders.call(call.name, arguments.get(0), arguments.subList(1, arguments.size()));
      if (held.isPresent()) {
        return held.get();
      }
    }
    Optional<Term> expression = expressions.call(call, arguments);
    if (expression.isPresent()) {
      return expression.get();
    }
    Optional<Term> line = isStatic ? Optional.empty() : lines.call(call, arguments.get(0));
    if (line.isPresent()) {
      return line.get();
    }
    boolean isPure =
        Platform.isPure(call.owner, call.name)
            || ClassValue.isAsked(call.owner, call.name)
            || call.name.equals("equals") && call.owner.equals("java/lang/Object");
    if (isPure) {
      if (!isStatic && TAKING_SOMETHING.matcher(call.name).matches()) {
        arguments.stream()
            .skip(1)
            .filter(argument -> argument.type().startsWith("L"))
            .forEach(walker::requireThere);
      }
      Term result = ofPlatform(call, arguments);
      if (call.name.equals("getChars")) {
        mayWrite(arguments);
      }
      isCompared(call, arguments);
      if (!result.isConstant() && MAY_THROW.matcher(call.name).matches()) {
        walker.require(new Completes(result, Reason.unwritten(walker.line())));
      }
      return result;
    }
    Optional<Term> ofEnum =
        enums.call(call, arguments, () -> answering(call, arguments).isPresent());
    if (ofEnum.isPresent()) {
      return ofEnum.get();
    }
    Optional<Ref> answering = answering(call, arguments);
    return answering.isPresent() ? own(call, answering.get(), arguments) : foreign(call, arguments);
  }

  /** A double that is asked whether it equals something has to answer that, too. */
  private void isCompared(MethodInsnNode call, List<Term> arguments) {
    if (call.owner.equals(Walked.Asked.EQUALS.type())
        && arguments.get(0) instanceof Term.Input input
        && walker.objects.isDouble(input)) {
      String name = answerName(input, call);
      Term.Input answer = new Term.Input(name, "Z", Term.Source.ANSWER, null);
      walker.asked.add(new Walked.Asked(input, Walked.Asked.EQUALS, answer, ""));
    }
  }

  /** A class that is known is asked whether something is of it, or to take it for that. */
  private Optional<Term> ofType(MethodInsnNode call, List<Term> arguments) {
    boolean isKnown =
        call.owner.equals("java/lang/Class")
            && arguments.size() == 2
            && arguments.get(0) instanceof Term.Constant constant
            && constant.value() instanceof ClassValue;
    if (!isKnown) {
      return Optional.empty();
    }
    String type = ((ClassValue) ((Term.Constant) arguments.get(0)).value()).type();
    return switch (call.name) {
      case "isInstance" -> Optional.of(walker.types.isA(arguments.get(1), type));
      case "cast" -> Optional.of(walker.types.narrowed(arguments.get(1), type));
      default -> Optional.empty();
    };
  }

  private static boolean isBoxing(MethodInsnNode call) {
    if (!BOXES.containsKey(call.owner)) {
      return false;
    }
    boolean toBox =
        call.name.equals("valueOf")
            && call.getOpcode() == Opcodes.INVOKESTATIC
            && Type.getArgumentTypes(call.desc).length == 1
            && Type.getArgumentTypes(call.desc)[0].getSort() != Type.OBJECT;
    return toBox || call.name.equals(BOXES.get(call.owner)) && call.desc.startsWith("()");
  }

  private Term ofPlatform(MethodInsnNode call, List<Term> arguments) {
    List<Term> known = new ArrayList<>();
    for (Term argument : arguments) {
      known.add(argument);
    }
    if (known.isEmpty()) {
      return unknown(call);
    }
    return walker.computed(
        Term.operation(
            Term.Operator.CALL,
            call.owner + "." + call.name + call.desc,
            Type.getReturnType(call.desc).getDescriptor(),
            known));
  }

  private Term unknown(MethodInsnNode call) {
    return unknown(call, TypeNames.simpleOf(call.owner));
  }

  /** Told by the field of an object that holds what is asked, where one does. */
  private Term unknown(MethodInsnNode call, List<Term> arguments) {
    String owner = TypeNames.simpleOf(call.owner);
    return unknown(call, isVirtual(call) ? fieldOf(arguments.get(0)).orElse(owner) : owner);
  }

  private Term unknown(MethodInsnNode call, String asked) {
    String type = Type.getReturnType(call.desc).getDescriptor();
    String name = walker.state.numbered(asked + "." + call.name + "(..)");
    return new Term.Input(name, type, Term.Source.RESULT, usual(call));
  }

  private Optional<String> fieldOf(Term held) {
    return held instanceof Term.Made
        ? walker.state.fields.entrySet().stream()
            .filter(field -> field.getValue() == held)
            .map(field -> field.getKey())
            .filter(field -> field.object() instanceof Term.Input && IN_CODE.test(field.name()))
            .map(field -> Objects.prefix((Term.Input) field.object()) + field.name())
            .min(Comparator.naturalOrder())
        : Optional.empty();
  }

  private static Object usual(MethodInsnNode call) {
    String type = Type.getReturnType(call.desc).getDescriptor();
    boolean isStopping = call.owner.equals("java/lang/Thread") && call.name.endsWith("nterrupted");
    if (isStopping) {
      return 0;
    }
    return Platform.givesSomething(call.owner, call.name, type) ? Term.THERE : null;
  }

  /** The project's own method that answers for certain. */
  private Optional<Ref> answering(MethodInsnNode call, List<Term> arguments) {
    Ref named = new Ref(call.owner, call.name + call.desc);
    boolean isVirtual = isVirtual(call);
    if (isVirtual && isExactly(arguments.get(0))) {
      String type = TypeNames.internal(arguments.get(0).type());
      return walker.base.answering(new Ref(type, named.code()), false);
    }
    if (call.getOpcode() == Opcodes.INVOKESTATIC && !walker.base.has(call.owner)) {
      return Optional.of(named).filter(ref -> walker.base.code(ref).isPresent());
    }
    return walker.base.answering(named, isVirtual);
  }

  /** Whether an object is of its type, and of none that extends it. */
  private boolean isExactly(Term object) {
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
        && !walker.objects.isDouble(input);
  }

  private Term own(MethodInsnNode call, Ref ref, List<Term> arguments) {
    Optional<MethodCode> code = walker.base.code(ref);
    if (code.isEmpty() || walker.isAtEnd(code.get())) {
      mayWrite(arguments);
      code.ifPresentOrElse(
          c -> walker.changes.by(c, arguments), () -> walker.changes.ofAny(arguments));
      return unfollowed(call, code, arguments);
    }
    passLikely(ref, code.get(), new HashSet<>());
    boolean makes = call.name.equals("<init>");
    Optional<Course> decided = branches.decided(code.get(), arguments);
    if (decided.isPresent() || code.get().isStraight() || makes) {
      Optional<Course> course = decided.or(() -> straight(code.get(), arguments));
      State before = walker.state.fork();
      try {
        if (course.isPresent()) {
          Walker.End end = walker.run(course.get(), arguments, Walker.Route.NONE);
          if (!end.thrown().isEmpty()) {
            walker.throwing(end.thrown());
          }
          return end.result() == null ? unknown(call) : end.result();
        }
      } catch (NotFollowed e) {
        walker.state.restoreFields(before);
      }
      walker.changes.by(code.get(), arguments);
      return unfollowed(call, code, arguments);
    }
    Optional<Term> only =
        walker.isCaught() ? Optional.empty() : branches.onlyResult(code.get(), arguments);
    if (only.isPresent()) {
      return only.get().isNull() && call.desc.endsWith("V") ? unknown(call) : only.get();
    }
    mayWrite(arguments);
    Optional<Term> result =
        branches
            .cases(ref, arguments)
            .filter(term -> walker.base.has(ref.type()) || Branches.isKnown(term));
    Optional<String> thrown = result.flatMap(Branches::thrownAnyway);
    if (thrown.isPresent() && !walker.isCaught()) {
      walker.throwing(thrown.get());
      return unknown(call);
    }
    if (result.isPresent()) {
      Completes ends = new Completes(result.get(), Reason.unwritten(walker.line()));
      walker.require(ends);
      if (result.get() instanceof Term.Choice choice) {
        isReturning(choice, code.get());
      }
      if (walker.base.mayRefuse(code.get())) {
        if (!(result.get() instanceof Term.Choice told)) {
          if (branches.mayThrow(ref, arguments)) {
            unfollowed.handOn(arguments);
            unfollowed.throwsNothing(call);
          }
        } else if (Branches.mayHaveOthers(code.get())) {
          unfollowed.handOn(arguments);
          unfollowed.throwsNothing(call, told);
        } else if (!walker.isApart()) {
          walker.ends.put(ends, Unfollowed.asText(call));
        }
      }
    }
    walker.changes.by(code.get(), arguments);
    return result.orElseGet(() -> unfollowed(call, code, arguments));
  }

  /** Through what does not part, or is taken not to. */
  private Optional<Course> straight(MethodCode code, List<Term> arguments) {
    return branches
        .possible(code, arguments)
        .or(code::shortest)
        .or(() -> walker.isCaught() ? Optional.empty() : code.shortestThrowing())
        .map(path -> new Course.Planned(path, Steering.NONE, 0));
  }

  /** Of what a test decides, what has to be for a call to return, whatever else it asks. */
  private void isReturning(Term.Choice result, MethodCode called) {
    if (!Branches.mayHaveOthers(called)) {
      Reason reason = Reason.unwritten(walker.line());
      result
          .returning()
          .map(one -> new Compared(one, Relation.EQUAL, Term.of(0), reason))
          .ifPresent(walker::require);
    }
  }

  /**
   * Of a call that could not be followed it is not known whether it throws; where there is a
   * handler nobody may take it for granted that it does not.
   */
  private Term unfollowed(MethodInsnNode call, Optional<MethodCode> code, List<Term> arguments) {
    unfollowed.handOn(arguments);
    walker.mayHalt |= code.filter(c -> walker.base.isHalting(c.ref())).isPresent();
    boolean usesDouble =
        arguments.stream().anyMatch(a -> a instanceof Term.Input i && walker.objects.isDouble(i));
    if (code.isEmpty() || usesDouble || walker.base.mayRefuse(code.get())) {
      unfollowed.throwsNothing(call);
    }
    return unknown(call);
  }

  /**
   * What a call reaches at the least, or about that: the way with fewest conditions, and the same
   * of what is called on it.
   */
  private void passLikely(Ref ref, MethodCode code, Set<Ref> known) {
    walker.pass(code, code.passedByAll());
    Optional<Path> path = code.shortest().filter(p -> walker.isNew.test(code));
    if (path.isEmpty()) {
      return;
    }
    walker.pass(code, path.get().passed());
    for (Path.Move move : path.get().moves()) {
      if (code.at(move.at()) instanceof MethodInsnNode call && known.size() < MOST_CALLED) {
        boolean isVirtual = isVirtual(call);
        walker
            .base
            .likely(new Ref(call.owner, call.name + call.desc), isVirtual)
            .filter(called -> !called.equals(ref) && known.add(called))
            .ifPresent(
                called -> walker.base.code(called).ifPresent(c -> passLikely(called, c, known)));
      }
    }
  }

  private static boolean isVirtual(MethodInsnNode call) {
    return call.getOpcode() == Opcodes.INVOKEVIRTUAL || call.getOpcode() == Opcodes.INVOKEINTERFACE;
  }

  /** What a double can stand in for. */
  private Optional<Term.Input> collaborator(MethodInsnNode call, List<Term> arguments) {
    return isVirtual(call)
            && arguments.get(0) instanceof Term.Input input
            && input.isFree()
            && !input.isReceiver()
        ? Optional.of(input)
        : Optional.empty();
  }

  /** A call that is not followed may put something else into arrays, or read lines. */
  private void mayWrite(List<Term> arguments) {
    for (Term argument : arguments) {
      lines.lose(argument);
      boolean isArray = argument.type().startsWith("[");
      if (isArray && walker.state.elements.containsKey(argument)) {
        walker.state.elements.get(argument).replaceAll(was -> Term.unknown("element", was.type()));
      }
    }
  }

  private Term foreign(MethodInsnNode call, List<Term> arguments) {
    mayWrite(arguments);
    boolean isOfArray =
        call.owner.equals("java/util/Arrays") && !TAKING_NONE.matcher(call.name).matches();
    if (isOfArray) {
      walker.requireThere(arguments.get(0));
    }
    if (!call.owner.startsWith("java/")) {
      walker.changes.ofAny(arguments);
    } else if (call.owner.equals("java/util/Collections")) {
      containers.byCollections(call.name, arguments);
    }
    boolean isInherited =
        walker.base.above(call.owner).filter(HoldingTypes::isCollection).isPresent();
    if (isInherited && call.name.endsWith("All") && arguments.size() == 2) {
      walker.requireThere(arguments.get(1));
    }
    Optional<Term.Input> collaborator = collaborator(call, arguments);
    boolean isByDouble = collaborator.filter(walker.objects::isDouble).isPresent();
    unfollowed.uses(call, arguments, isByDouble);
    if (collaborator.isEmpty()) {
      if (!isCloned(call, arguments)) {
        unfollowed.returns(call, arguments);
      }
      boolean isOwnAnswer =
          call.getOpcode() != Opcodes.INVOKESTATIC
              && arguments.get(0) instanceof Term.Input input
              && input.isReceiver();
      if (isOwnAnswer) {
        walker
            .base
            .likely(new Ref(call.owner, call.name + call.desc), true)
            .ifPresent(
                ref -> walker.base.code(ref).ifPresent(c -> passLikely(ref, c, new HashSet<>())));
      }
      return isOwnAnswer
          ? ownAnswer((Term.Input) arguments.get(0), call)
          : unknown(call, arguments);
    }
    if (Platform.isFinal(call.owner)) {
      unfollowed.returns(call, arguments); // No double answers, nor throws.
    } else {
      unfollowed.isToldByCharset(call, arguments);
    }
    return asked(collaborator.get(), call, arguments, "");
  }

  /** What the test calls, where it has to be of a class that the test extends. */
  private Optional<Term.Input> extended(MethodInsnNode call, List<Term> arguments) {
    return isVirtual(call)
            && arguments.get(0) instanceof Term.Input input
            && input.isReceiver()
            && walker.objects.isDouble(input)
        ? Optional.of(input)
        : Optional.empty();
  }

  /** What the object that is called itself answers: always the same. */
  private Term.Input ownAnswer(Term.Input itself, MethodInsnNode call) {
    Term.Input answer =
        new Term.Input(
            call.name + "(..)",
            Type.getReturnType(call.desc).getDescriptor(),
            Term.Source.ANSWER,
            null);
    if (walker.objects.isDouble(itself)) {
      Ref method = new Ref(call.owner, call.name + call.desc);
      walker.asked.add(new Walked.Asked(itself, method, answer, ""));
    }
    return answer;
  }

  /** Who answers a call: a double, or what stands there, in whose place no test can put one. */
  private Term.Source answering(Term.Input object, MethodInsnNode call) {
    boolean isOfPlatform = call.owner.startsWith("java/");
    boolean isFixed =
        isOfPlatform
            ? object.source() == Term.Source.STATE || Platform.isFinal(call.owner)
            : walker.base.isFinal(call.owner);
    return isFixed || object.source() == Term.Source.RESULT
        ? Term.Source.RESULT
        : Term.Source.ANSWER;
  }

  /**
   * What a collaborator answers.
   *
   * @param thrown the internal name of an exception, for whether it throws that; or empty
   */
  private Term.Input asked(
      Term.Input of, MethodInsnNode call, List<Term> arguments, String thrown) {
    Ref method = new Ref(call.owner, call.name + call.desc);
    Term.Source source = answering(of, call);
    String name = answerName(of, call);
    Term.Input answer =
        thrown.isEmpty()
            ? new Term.Input(
                name,
                Type.getReturnType(call.desc).getDescriptor(),
                source,
                source == Term.Source.RESULT ? usual(call) : null)
            : new Term.Input(name + Unfollowed.THROWS + TypeNames.simpleOf(thrown), "Z", source, 0);
    if (walker.objects.isDouble(of)) {
      walker.doubles.add(of);
      walker.asked.add(new Walked.Asked(of, method, answer, thrown));
    }
    walker.effects.add(
        new Walked.Called(of, method, arguments.subList(1, arguments.size()), walker.steps.size()));
    return answer;
  }

  private String answerName(Term.Input input, MethodInsnNode call) {
    String types =
        Arrays.stream(Type.getArgumentTypes(call.desc))
            .map(type -> TypeNames.simpleOf(type.getClassName().replace('.', '/')))
            .collect(Collectors.joining(","));
    String name = input.name() + "." + call.name + "(" + types + ")";
    boolean isAlwaysTheSame =
        GIVING.matcher(call.name + call.desc).matches() && walker.objects.isDouble(input);
    return isAlwaysTheSame ? name : walker.state.numbered(name);
  }
}
