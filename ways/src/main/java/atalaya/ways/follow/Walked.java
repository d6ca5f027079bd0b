package atalaya.ways.follow;

import atalaya.core.solve.Solution;
import atalaya.core.solve.Solver;
import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * What following a path showed.
 *
 * @param conditions what has to hold
 * @param trace what it passes and does
 * @param ending how it ends
 * @param needs what a test has to give it
 */
public record Walked(Conditions conditions, Trace trace, Ending ending, Needs needs) {

  /**
   * What has to hold, so that a path is taken.
   *
   * @param all in the order in which it is asked
   * @param causes where the way went, that each comes from, as far as it does
   * @param ends the calls of which some say that they throw nothing
   * @param endings the calls of which some ask no more than that they come to their end
   * @param own those that come from code of the route itself
   * @param inLoops those that come from code in loops
   * @param doubted what stands for whether calls throw of which it is not to be hoped that they do
   *     not, with the texts of a test that have to be right for that; none where their own code
   *     throws
   */
  public record Conditions(
      List<Constraint> all,
      Map<Constraint, Cause> causes,
      Map<Constraint, String> ends,
      Map<Constraint, String> endings,
      Set<Constraint> own,
      Set<Constraint> inLoops,
      Map<Term.Input, Set<Term.Input>> doubted) {

    Conditions with(Map<Constraint, String> ends, Map<Term.Input, Set<Term.Input>> doubted) {
      return new Conditions(all, causes, ends, endings, own, inLoops, doubted);
    }
  }

  /**
   * What a path passes and does.
   *
   * @param steps the conditions that it passes, in order
   * @param points by internal name of the class
   * @param called the methods of which it may not have been followed where they go
   * @param surroundings the classes and methods called that depend on more than arguments
   * @param mayHalt whether it may end the JVM or wait for somebody at the keyboard
   * @param fixed what no test can change that decided where it can't go
   */
  public record Trace(
      List<Passed> steps,
      Map<String, BitSet> points,
      Set<Ref> called,
      List<Effect> effects,
      Set<String> surroundings,
      boolean mayHalt,
      Set<String> fixed) {}

  /**
   * How a path ends.
   *
   * @param result what is returned; null when nothing is, or something is thrown
   * @param thrown the internal name of the exception that ends it, or empty
   * @param goesOn whether it was not followed to its end
   * @param cut where it ended early; empty when it was followed to its end
   */
  public record Ending(Term result, String thrown, boolean goesOn, Optional<Cut> cut) {}

  /**
   * What a test has to give.
   *
   * @param receiver what the first method is called on; null where it is static, or makes an object
   * @param arguments of the first method
   * @param built how the objects are made that it needs
   * @param refusing what was tried to make objects, and threw something
   * @param prepared what is called on them first
   * @param asMade what of their state follows from how they are made, and from what
   * @param madeOtherwise the objects on which it turns what it needs, and which could be made in
   *     other ways
   * @param narrowings inputs that are taken for more than they are declared as, as that
   * @param typeTests what stands for whether inputs are of a type
   * @param doubles the inputs of which methods are called that a double answers
   * @param handedOn the inputs that are given to calls that were not followed
   * @param changed the containers whose elements change on the way
   * @param mapped the keys of maps by what they stand for
   * @param asked what doubles are asked
   */
  public record Needs(
      Term.Input receiver,
      List<Term.Input> arguments,
      Map<Term.Input, Built> built,
      Set<Ref> refusing,
      List<Prepared> prepared,
      Map<Term.Input, Term> asMade,
      Set<String> madeOtherwise,
      Set<Term.Input> narrowings,
      Map<Term.Input, TypeTest> typeTests,
      Set<Term.Input> doubles,
      Set<Term.Input> handedOn,
      Set<Term.Input> changed,
      Map<Term.Input, Map<Term.Input, Term>> mapped,
      Set<Asked> asked) {}

  /**
   * The first condition that is open for some inputs, or comes out by what a call gives that was
   * not followed; empty where a test decides all.
   */
  public Optional<Constraint> undecidedBy(Solution.Found found) {
    Set<Term.Input> given = new HashSet<>();
    found
        .inputs()
        .forEach(
            (input, value) -> {
              boolean isOfCall = input.source() == Term.Source.RESULT;
              if (isOfCall && (input.usual() == null || !input.isUsually(value))) {
                given.add(input);
              }
            });
    return conditions.all().stream()
        .filter(one -> one.hasInput(given::contains))
        .findFirst()
        .or(() -> found.open().stream().findFirst());
  }

  /** The same where some more calls are said to throw nothing. */
  public Walked assuming(Map<Constraint, String> more) {
    Map<Constraint, String> ends = new LinkedHashMap<>(conditions.ends());
    ends.putAll(more);
    return new Walked(conditions.with(ends, conditions.doubted()), trace, ending, needs);
  }

  /** The same where texts of a test are taken to be right. */
  public Walked trusting(Predicate<Term.Input> isRight) {
    Map<Term.Input, Set<Term.Input>> doubted = new LinkedHashMap<>(conditions.doubted());
    doubted.values().removeIf(texts -> !texts.isEmpty() && texts.stream().allMatch(isRight));
    return new Walked(conditions.with(conditions.ends(), doubted), trace, ending, needs);
  }

  /**
   * The inputs under which also what need not be so is as objects are made, where there are any.
   */
  public Solution.Found asMade(Solver solver, Solution.Found found) {
    List<Constraint> more = new ArrayList<>(conditions.all());
    needs
        .asMade()
        .forEach(
            (state, made) -> {
              if (found.inputs().containsKey(state)) {
                more.add(new Compared(state, Relation.EQUAL, made, Reason.unwritten(0)));
              }
            });
    boolean isAsked = more.size() > conditions.all().size();
    return isAsked ? solver.find(more).filter(also -> also.open().isEmpty()).orElse(found) : found;
  }

  /**
   * Where a path ended earlier than it was to, because a call throws whatever the inputs.
   *
   * @param level how many methods stand before its own on the route, at least 0
   * @param move the last of its path that was made
   */
  public record Cut(int level, Path.Move move) {}

  /** An outcome of a class. */
  public record Passed(String type, int point, int line) {}

  /**
   * An edge that was taken.
   *
   * @param level how many methods stand before its own on the route, at least 0
   */
  public record Cause(int level, Path.Taken edge) {
    public Cause always() {
      return new Cause(level, edge.always());
    }
  }

  /** Code asks whether an input is of a type, a descriptor. */
  public record TypeTest(Term.Input of, String type) {}

  /** How a test comes by an object. */
  public sealed interface Built {
    /** What it is made from. */
    List<Term.Input> arguments();
  }

  /**
   * An object that is made.
   *
   * @param by a constructor, or a method that gives a new one: a static one, or a builder's
   * @param results of calls that were not followed, on which it rests, or what the object holds
   *     then
   */
  public record New(Ref by, List<Term.Input> arguments, Set<Term.Input> results) implements Built {
    /** Whether what a condition asks depends on it. */
    public boolean decides(Constraint one) {
      return one.hasInput(input -> arguments.contains(input) || results.contains(input));
    }
  }

  /**
   * An object that a static final field holds.
   *
   * @param owner the internal name of the class that has the field
   */
  public record Constant(String owner, String field) implements Built {
    @Override
    public List<Term.Input> arguments() {
      return List.of();
    }
  }

  /** A call by which an object gets a state before the way. */
  public record Prepared(Term.Input object, Ref by, List<Term.Input> arguments) {}

  /**
   * A call of something that a double stands in for.
   *
   * @param answer what it gives, or whether it throws
   * @param thrown the internal name of the exception of which that is; empty for what it gives
   */
  public record Asked(Term.Input of, Ref method, Term.Input answer, String thrown) {
    /** The one that the platform asks, whoever compares. */
    public static final Ref EQUALS = new Ref("java/lang/Object", "equals(Ljava/lang/Object;)Z");
  }

  /** Something that is to be seen from outside. */
  public sealed interface Effect {
    /** How many steps came before it. */
    int after();
  }

  /**
   * A field is set.
   *
   * @param type its descriptor
   */
  public record FieldSet(Term object, String name, String type, Term value, int after)
      implements Effect {}

  /**
   * Something is written to what a test gives.
   *
   * @param text all that it holds then; empty where that is not known
   */
  public record Written(Term.Input object, Optional<Term> text, int after) implements Effect {}

  /** Something that a double answers is called. */
  public record Called(Term object, Ref method, List<Term> arguments, int after)
      implements Effect {}
}
