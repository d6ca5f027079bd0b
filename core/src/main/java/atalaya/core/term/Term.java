package atalaya.core.term;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/**
 * Something that code computed on a way. Types are JVM descriptors; {@code boolean}, {@code byte},
 * {@code short} and {@code char} are computed as {@code int}.
 */
public sealed interface Term {
  /** Larger ones are not followed: what they come to is unknown. */
  int LARGEST = 1_500;

  /** The descriptor of its type. */
  String type();

  /** How many terms it consists of. */
  default int size() {
    return 1;
  }

  /**
   * A value that the code itself has.
   *
   * @param value an Integer, Long, Float, Double, String, {@link EnumValue}, {@link ClassValue},
   *     {@link Expression}, an object of the platform that never changes, or null
   */
  record Constant(Object value, String type) implements Term {}

  /** In place of what an input usually is, where that is not known. */
  Object SOMETHING = new Object();

  /** The same where it is known not to be null. */
  Object THERE = new Object();

  /**
   * What a test decides.
   *
   * @param name as a person reads it: {@code crew}, {@code vessel.metres}, {@code link.send(..)}
   * @param usual its value where nothing is done about it, {@link #SOMETHING}, or {@link #THERE}
   */
  record Input(String name, String type, Source source, Object usual) implements Term {
    /** The object that a test calls a method on, or makes. */
    public static Input receiver(String type) {
      return new Input("this", type, Source.ARGUMENT, null);
    }

    /** Whether it is the object that a test calls a method on, or makes. */
    public boolean isReceiver() {
      return name.equals("this");
    }

    /** Whether it may be anything, as far as is known: what is fixed or unknown may not. */
    public boolean isFree() {
      return source != Source.FIXED && source != Source.UNKNOWN;
    }

    /** Whether a test decides it, and no call that was not followed. */
    public boolean isForTests() {
      return isFree() && source != Source.RESULT;
    }

    /** Whether a value is what it is where nothing is done about it. */
    public boolean isUsually(Object value) {
      return usual == THERE && value instanceof Stand || Objects.equals(usual, value);
    }

    /** Names are nearly unique, and their hash code is known. */
    @Override
    public int hashCode() {
      return name.hashCode();
    }

    @Override
    public boolean equals(Object other) {
      return this == other
          || other instanceof Input input
              && name.equals(input.name)
              && type.equals(input.type)
              && source == input.source
              && Objects.equals(usual, input.usual);
    }
  }

  /** Where an input comes from. */
  enum Source {
    /** An argument of the method or of a constructor. */
    ARGUMENT,
    /** What an object holds by what was done with it before. */
    STATE,
    /** What a collaborator answers. */
    ANSWER,
    /** How many elements something has, or one of them. */
    ELEMENT,
    /** What some other call has to give, which is not followed further. */
    RESULT,
    /** What is the same in every test of a JVM, though the code does not tell what it is. */
    FIXED,
    /** What other code computes in a way that is not followed. */
    UNKNOWN
  }

  /**
   * Something computed.
   *
   * @param detail the method of a call, {@code java/lang/String.isEmpty()Z}, or the type of a test
   * @param hash of the rest
   */
  record Operation(
      Operator operator, String detail, String type, List<Term> operands, int size, int hash)
      implements Term {
    public Operation {
      operands = List.copyOf(operands);
    }

    /** An operation. */
    public Operation(Operator operator, String detail, String type, List<Term> operands, int size) {
      this(operator, detail, type, operands, size, Objects.hash(operator, detail, operands));
    }

    /** Terms are large and asked for theirs often, so it is kept. */
    @Override
    public int hashCode() {
      return hash;
    }

    @Override
    public boolean equals(Object other) {
      return this == other
          || other instanceof Operation operation
              && hash == operation.hash
              && operator == operation.operator
              && detail.equals(operation.detail)
              && type.equals(operation.type)
              && operands.equals(operation.operands);
    }
  }

  /**
   * What a method with branches gives: the result of the first case whose conditions hold; where
   * none of them do, nobody knows what it gives.
   */
  record Choice(String type, List<Case> cases, int size, int hash) implements Term {
    public Choice {
      cases = List.copyOf(cases);
    }

    /** A choice. */
    public Choice(String type, List<Case> cases, int size) {
      this(type, cases, size, cases.hashCode());
    }

    /**
     * What has to be 0 for it to return, of what a test decides; empty where that is nothing.
     *
     * @param isBreakable whether something that is called on the way may throw, which no case says
     */
    public Optional<Choice> returning(boolean isBreakable) {
      List<Case> all = cases.stream().filter(one -> one.thrown().isEmpty()).toList();
      List<Case> decided = all.stream().map(Case::asDecided).toList();
      if (all.equals(decided)) {
        return returningOrNot(all, isBreakable);
      }
      return decided.stream().anyMatch(Case::isOtherwise)
          ? Optional.empty()
          : Optional.of(new Choice("I", decided.stream().map(Case::asReturning).toList(), size));
    }

    /** Where a test decides all: what is no case throws, and so may what completes in one. */
    private Optional<Choice> returningOrNot(List<Case> returning, boolean isBreakable) {
      boolean mayEnd =
          isBreakable
              || returning.stream()
                  .flatMap(one -> one.conditions().stream())
                  .anyMatch(Constraint.Completes.class::isInstance);
      List<Case> all = new ArrayList<>(returning.stream().map(Case::asReturning).toList());
      all.add(new Case(List.of(), Term.of(1), ""));
      return mayEnd ? Optional.of(new Choice("I", all, size)) : Optional.empty();
    }

    /** What is asked of what it gives, in each case; it throws where that is {@code null}. */
    public Term each(String type, UnaryOperator<Term> asked) {
      List<Case> all = new ArrayList<>();
      for (Case one : cases) {
        boolean isThere = one.result() != null && !one.result().isNull();
        all.add(
            new Case(
                one.conditions(),
                isThere ? asked.apply(one.result()) : null,
                one.thrown().isEmpty() && !isThere
                    ? "java/lang/NullPointerException"
                    : one.thrown()));
      }
      return choice("each", type, all);
    }

    /** 0 in the cases in which it returns; another term says what is in all others. */
    public Choice returningOr(Term unknown) {
      List<Case> all = new ArrayList<>();
      cases.stream().filter(one -> one.thrown().isEmpty()).map(Case::asReturning).forEach(all::add);
      all.add(new Case(List.of(), unknown, ""));
      return new Choice("I", all, size);
    }

    /** Terms are large and asked for theirs often, so it is kept. */
    @Override
    public int hashCode() {
      return hash;
    }

    @Override
    public boolean equals(Object other) {
      return this == other
          || other instanceof Choice choice
              && hash == choice.hash
              && type.equals(choice.type)
              && cases.equals(choice.cases);
    }
  }

  /**
   * One way through a method.
   *
   * @param result what it returns; null when it throws
   * @param thrown the internal name of the exception, or empty
   */
  record Case(List<Constraint> conditions, Term result, String thrown) {
    public Case {
      conditions = List.copyOf(conditions);
    }

    /** The same, with those of its conditions that a test decides. */
    Case asDecided() {
      return new Case(
          conditions.stream().filter(c -> !c.hasInput(input -> !input.isForTests())).toList(),
          result,
          thrown);
    }

    /** That it returns, whatever it gives. */
    Case asReturning() {
      return new Case(conditions, of(0), "");
    }

    /** Whether it is what is left when no other one is taken. */
    boolean isOtherwise() {
      return conditions.isEmpty();
    }

    /** How many terms it consists of. */
    public int size() {
      int size = result == null ? 1 : result.size();
      for (Constraint condition : conditions) {
        size += condition.size();
      }
      return size;
    }

    private boolean hasInput(Predicate<Input> ofKind) {
      return result != null && result.hasInput(ofKind)
          || conditions.stream().anyMatch(one -> one.hasInput(ofKind));
    }
  }

  /** An object that was made on the way, other than all others. */
  record Made(int number, String type) implements Term {}

  /** What operations do. */
  enum Operator {
    ADD,
    SUBTRACT,
    MULTIPLY,
    DIVIDE,
    REMAINDER,
    AND,
    OR,
    XOR,
    SHIFT_LEFT,
    SHIFT_RIGHT,
    SHIFT_RIGHT_UNSIGNED,
    NEGATE,
    /** -1, 0 or 1; as the detail says, 1 or -1 where one is not a number. */
    COMPARE,
    CAST,
    LENGTH,
    ELEMENT,
    INSTANCE_OF,
    /** Of a method of the platform without side effects. */
    CALL,
    /** The number of an enum constant. */
    ORDINAL
  }

  /** {@code null}. */
  Term NULL = new Constant(null, "Ljava/lang/Object;");

  /** A number. */
  static Term of(int number) {
    return new Constant(number, "I");
  }

  /** What no test can change. */
  static Term fixed(String name, String type) {
    return new Input(name, type, Source.FIXED, null);
  }

  /** What is not known. */
  static Term unknown(String name, String type) {
    return new Input(name, type, Source.UNKNOWN, null);
  }

  /** What is not known any more: where it is an object, it may be null. */
  static Term lost(String name, String type) {
    return new Input(name, type, Source.UNKNOWN, type.startsWith("L") ? SOMETHING : null);
  }

  /** An operation; unknown when it would get too large. */
  static Term operation(Operator operator, String detail, String type, List<Term> operands) {
    int size = 1;
    for (Term operand : operands) {
      size += operand.size();
    }
    return size > LARGEST
        ? unknown(detail, type)
        : new Operation(operator, detail, type, operands, size);
  }

  /** A choice; unknown when it would get too large. */
  static Term choice(String name, String type, List<Case> cases) {
    int size = 1 + cases.stream().mapToInt(Case::size).sum();
    return size > LARGEST ? unknown(name, type) : new Choice(type, cases, size);
  }

  /** One of two terms, as a condition comes out. */
  static Term either(
      String name, String type, Constraint.Compared isIt, Term then, Term otherwise) {
    return choice(
        name,
        type,
        List.of(
            new Case(List.of(isIt), then, ""), new Case(List.of(isIt.negated()), otherwise, "")));
  }

  /** Whether it is {@code null} for certain. */
  default boolean isNull() {
    return this instanceof Constant constant && constant.value() == null;
  }

  /** Whether nothing has to be known to compute it. */
  default boolean isConstant() {
    return this instanceof Constant;
  }

  /** Tells the term and all that it consists of. */
  default void visit(Consumer<Term> each) {
    each.accept(this);
    if (this instanceof Operation operation) {
      for (Term operand : operation.operands()) {
        operand.visit(each);
      }
    } else if (this instanceof Choice choice) {
      for (Case one : choice.cases()) {
        for (Constraint condition : one.conditions()) {
          for (Term term : condition.terms()) {
            term.visit(each);
          }
        }
        if (one.result() != null) {
          one.result().visit(each);
        }
      }
    }
  }

  /** Whether it depends on an input of some kind. */
  default boolean hasInput(Predicate<Input> ofKind) {
    if (this instanceof Input input) {
      return ofKind.test(input);
    }
    if (this instanceof Operation operation) {
      return operation.operands().stream().anyMatch(operand -> operand.hasInput(ofKind));
    }
    return this instanceof Choice choice
        && choice.cases().stream().anyMatch(one -> one.hasInput(ofKind));
  }

  /** Adds the inputs that it depends on. */
  default void inputs(Set<Input> into) {
    visit(
        term -> {
          if (term instanceof Input input) {
            into.add(input);
          }
        });
  }
}
