package atalaya.ways.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.EnumValue;
import atalaya.core.term.Term;
import atalaya.core.term.Values;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.Path;
import atalaya.ways.course.Course;
import atalaya.ways.course.Decided;
import atalaya.ways.course.NotFollowed;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.objectweb.asm.Type;

/** What called methods give in which control parts. */
final class Branches {
  private static final Set<String> TEXTS =
      Set.of("Ljava/lang/String;", "Ljava/lang/CharSequence;", "[C");

  /** Loops are looked into so deep at once. */
  private static final int MOST_DECIDING = 2;

  private static final int MOST_RETURNING = 5;

  private final Walker walker;
  private boolean isTrying;
  private int deciding;
  private int returning;
  private boolean isExploring;

  /** Whether something was called that may throw, which was taken not to. */
  private boolean mayBreak;

  private final Set<Term> breakable = new HashSet<>();

  Branches(Walker walker) {
    this.walker = walker;
  }

  /** A path that what is known of the arguments does not exclude; empty where nothing is known. */
  Optional<Path> possible(MethodCode code, List<Term> arguments) {
    boolean isDecided =
        !isTrying && !code.isStraight() && arguments.stream().anyMatch(Term::isConstant);
    if (!isDecided) {
      return Optional.empty();
    }
    return code.fewPaths().orElse(List.of()).stream()
        .filter(Path::isReturning)
        .filter(path -> canBe(path, arguments))
        .findFirst();
  }

  private boolean canBe(Path path, List<Term> arguments) {
    State during = walker.state.fork();
    isTrying = true;
    try {
      return walker.apart(during, path, arguments).thrown().isEmpty()
          && Values.canBe(during.constraints);
    } catch (NotFollowed e) {
      return false;
    } finally {
      isTrying = false;
    }
  }

  /** How control goes through a method with loops, where what is known says it at every turn. */
  Optional<Course> decided(MethodCode code, List<Term> arguments) {
    boolean isMuchKnown = walker.known.given().isPresent() || walker.underway.isPresent();
    boolean mayBe = code.graph().hasLoops() || isMuchKnown && !code.isStraight();
    if (!mayBe || deciding == MOST_DECIDING) {
      return Optional.empty();
    }
    State during = walker.state.fork();
    deciding++;
    try {
      Values known = walker.given;
      walker.apart(during, new Decided(code, known), arguments);
      return Values.canBe(during.constraints)
          ? Optional.of(new Decided(code, known))
          : Optional.empty();
    } catch (NotFollowed e) {
      return Optional.empty();
    } finally {
      deciding--;
    }
  }

  /**
   * What has to hold for a method to return, where what is known says all else; empty where it may
   * throw even so.
   */
  Optional<List<Constraint>> returning(MethodCode code, List<Term> arguments) {
    if (returning == MOST_RETURNING) {
      return Optional.empty();
    }
    State during = walker.state.fork();
    int before = during.constraints.size();
    returning++;
    try {
      Walker.End end = walker.apart(during, new Decided(code, walker.given), arguments);
      List<Constraint> needed =
          List.copyOf(during.constraints.subList(before, during.constraints.size()));
      boolean isForTests =
          needed.stream().noneMatch(one -> one.hasInput(input -> !input.isForTests()));
      return end.thrown().isEmpty() && !end.goesOn() && isForTests && Values.canBe(needed)
          ? Optional.of(needed)
          : Optional.empty();
    } catch (NotFollowed e) {
      return Optional.empty();
    } finally {
      returning--;
    }
  }

  /**
   * Where all paths of a method but one throw, that one has to be taken for the way to go on: what
   * it gives, null for nothing. Empty where there are others, or it can't be taken.
   */
  Optional<Term> onlyResult(MethodCode code, List<Term> arguments) {
    List<Path> returning =
        code.fewPaths().orElse(List.of()).stream().filter(Path::isReturning).toList();
    if (returning.size() != 1) {
      return Optional.empty();
    }
    State during = walker.state.fork();
    try {
      Walker.End end = walker.apart(during, returning.get(0), arguments);
      if (!end.thrown().isEmpty() || !Values.canBe(during.constraints)) {
        return Optional.empty();
      }
      walker.state.adopt(during);
      mayBreak = true;
      return Optional.of(end.result() == null ? Term.NULL : end.result());
    } catch (NotFollowed e) {
      return Optional.empty();
    }
  }

  /** What a call throws in all cases that can be; empty when it may return. */
  static Optional<String> thrownAnyway(Term result) {
    return result instanceof Term.Choice choice
            && choice.cases().stream().noneMatch(one -> one.thrown().isEmpty())
        ? choice.cases().stream().map(Term.Case::thrown).findFirst()
        : Optional.empty();
  }

  /** Whether it depends on nothing but what a test may give. */
  static boolean isKnown(Term result) {
    boolean[] isKnown = {true};
    result.visit(part -> isKnown[0] &= !(part instanceof Term.Input input) || input.isFree());
    return isKnown[0];
  }

  /** Whether there may be more cases than those that are found. */
  static boolean mayHaveOthers(MethodCode code) {
    return code.fewPaths().isEmpty();
  }

  /** What a method with branches gives, case by case. */
  Optional<Term> cases(Ref ref, List<Term> arguments) {
    Optional<MethodCode> code = walker.base.code(ref);
    if (code.isEmpty() || walker.isAtEnd(code.get())) {
      return Optional.empty();
    }
    boolean mightBreak = mayBreak;
    mayBreak = false;
    List<Term.Case> cases =
        code.get()
            .fewPaths()
            .map(all -> cases(all, arguments))
            .orElseGet(() -> explored(code.get(), arguments));
    String type = Type.getReturnType(ref.descriptor()).getDescriptor();
    Optional<Term> result =
        cases.isEmpty()
            ? Optional.empty()
            : Optional.of(Term.choice(ref.name() + "(..)", type, cases));
    result.filter(term -> mayBreak).ifPresent(breakable::add);
    mayBreak |= mightBreak;
    return result;
  }

  /** Whether something that is called in its cases may throw, which none of them says. */
  boolean isBreakable(Term result) {
    return breakable.contains(result);
  }

  /**
   * Whether a call may throw that gives this and that in too many cases to be told; for an enum's
   * constants that is found out one by one.
   */
  boolean mayThrow(Ref ref, List<Term> arguments) {
    String type = arguments.isEmpty() ? "" : arguments.get(0).type();
    List<EnumValue> constants = walker.objects.constants(type);
    return constants.isEmpty()
        || constants.stream()
            .map(value -> new Term.Constant(value, type))
            .anyMatch(constant -> throwsFor(constant, ref, arguments));
  }

  private boolean throwsFor(Term constant, Ref ref, List<Term> arguments) {
    List<Term> all = new ArrayList<>(arguments);
    all.set(0, constant);
    return cases(ref, all)
        .filter(Term.Choice.class::isInstance)
        .map(of -> ((Term.Choice) of).cases())
        .filter(of -> of.stream().allMatch(one -> one.thrown().isEmpty()))
        .isEmpty();
  }

  private List<Term.Case> cases(List<Path> paths, List<Term> arguments) {
    List<Term.Case> cases = new ArrayList<>();
    for (Path path : paths) {
      State during = walker.state.fork();
      try {
        Walker.End end = walker.apart(during, path, arguments);
        if (Values.canBe(during.constraints)) {
          cases.add(end.inCase(during.constraints));
        }
      } catch (NotFollowed e) {
        return List.of();
      }
    }
    return cases;
  }

  /** The cases of a method with loops; those of what it calls in turn are left open. */
  private List<Term.Case> explored(MethodCode code, List<Term> arguments) {
    if (isExploring || !takesPlain(code, arguments)) {
      return List.of();
    }
    isExploring = true;
    try {
      return Exploration.cases(walker, code, arguments);
    } finally {
      isExploring = false;
    }
  }

  /**
   * Whether a method depends on nothing but numbers, texts, arrays of them that the code itself put
   * together, what is shared by all, and what calls before the way filled its object with.
   */
  private boolean takesPlain(MethodCode code, List<Term> arguments) {
    Type[] types = Type.getArgumentTypes(code.node().desc);
    int first = arguments.size() - types.length;
    boolean isKnown =
        !code.usesItself()
            || arguments.get(0) instanceof Term.Input object
                && walker.prepared.contains(object)
                && walker.base.changed(code).isEmpty();
    return isKnown
        && IntStream.range(0, types.length)
            .allMatch(i -> isPlain(types[i].getDescriptor(), arguments.get(first + i)));
  }

  private boolean isPlain(String type, Term argument) {
    return isPlain(type)
        || type.startsWith("[")
            && isPlain(type.substring(1))
            && walker.state.elements.containsKey(argument);
  }

  private static boolean isPlain(String type) {
    return type.length() == 1 || TEXTS.contains(type);
  }
}
