package atalaya.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import atalaya.core.solve.Answers;
import atalaya.core.solve.Solution;
import atalaya.core.solve.Solver;
import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Completes;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Constraint.Throws;
import atalaya.core.term.EnumValue;
import atalaya.core.term.Term;
import atalaya.core.term.Term.Operator;
import atalaya.core.term.Values;
import java.time.DayOfWeek;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What the solver finds, and what it shows to be impossible. */
class SolverTest {
  private static final String TEXT = "Ljava/lang/String;";
  private static final List<EnumValue> LIGHTS =
      List.of(new EnumValue("Light", "RED", 0), new EnumValue("Light", "GREEN", 1));
  private static final Term A = input("a", "I");
  private static final Term B = input("b", "I");
  private static final Term L = input("l", "J");
  private static final Term TRUTH = input("t", "Z");
  private static final Term S = input("s", TEXT);
  private static final Term LIGHT = input("light", "LLight;");
  private static final Term DAY = input("day", "Ljava/time/LocalDate;");

  private final Solver solver =
      new Solver(
          new Answers(),
          type -> type.equals("Light") ? LIGHTS : List.of(),
          input -> List.of(),
          3_000);

  private static Term input(String name, String type) {
    return new Term.Input(name, type, Term.Source.ARGUMENT, null);
  }

  private static Term constant(Object value, String type) {
    return new Term.Constant(value, type);
  }

  private static Term op(Operator operator, String type, Term... operands) {
    return Term.operation(operator, "", type, List.of(operands));
  }

  private static Term call(String method, Term... operands) {
    return Term.operation(
        Operator.CALL, method, method.substring(method.indexOf(')') + 1), List.of(operands));
  }

  private static Constraint is(Term left, Relation relation, Object right) {
    Term other =
        right instanceof Term term
            ? term
            : right instanceof String ? constant(right, TEXT) : constant(right, "I");
    return new Compared(left, relation, other, new Reason(1, left + " " + relation, "true"));
  }

  private static Term letter(Term at) {
    return call("java/lang/String.charAt(I)C", S, at);
  }

  static Stream<Arguments> possible() {
    Term split =
        call(
            "java/lang/String.split(Ljava/lang/String;)[Ljava/lang/String;",
            call("java/lang/String.trim()Ljava/lang/String;", S),
            constant(";", TEXT));
    Term third = op(Operator.ELEMENT, TEXT, split, Term.of(2));
    return Stream.of(
        arguments(
            "a number between two", List.of(is(A, Relation.GREATER, 3), is(A, Relation.LESS, 5))),
        arguments("a sum", List.of(is(op(Operator.ADD, "I", A, B), Relation.EQUAL, 40_000))),
        arguments(
            "a number that is divided",
            List.of(
                is(
                    op(Operator.DIVIDE, "I", op(Operator.ADD, "I", A, Term.of(99)), Term.of(100)),
                    Relation.GREATER,
                    90))),
        arguments(
            "an overflow",
            List.of(
                is(A, Relation.GREATER, 0),
                is(op(Operator.ADD, "I", A, Term.of(1)), Relation.LESS, 0))),
        arguments("a long", List.of(is(L, Relation.AT_LEAST, constant(250_000L, "J")))),
        arguments(
            "letters at places, of which one is a number",
            List.of(
                is(letter(Term.of(3)), Relation.EQUAL, (int) '~'),
                is(letter(A), Relation.EQUAL, (int) '<'),
                is(A, Relation.GREATER, 4),
                is(call("java/lang/String.length()I", S), Relation.EQUAL, 9))),
        arguments("a truth", List.of(is(TRUTH, Relation.EQUAL, 0))),
        arguments("no text", List.of(is(S, Relation.EQUAL, Term.NULL))),
        arguments(
            "a text that begins and ends",
            List.of(
                is(
                    call(
                        "java/lang/String.startsWith(Ljava/lang/String;)Z",
                        S,
                        constant("CL", TEXT)),
                    Relation.NOT_EQUAL,
                    0),
                is(
                    call("java/lang/String.endsWith(Ljava/lang/String;)Z", S, constant("UB", TEXT)),
                    Relation.NOT_EQUAL,
                    0),
                is(call("java/lang/String.length()I", S), Relation.EQUAL, 4))),
        arguments(
            "a text with three fields, the third a number",
            List.of(
                is(op(Operator.LENGTH, "I", split), Relation.GREATER, 2),
                is(
                    call(
                        "java/lang/Integer.parseInt(Ljava/lang/String;)I",
                        call("java/lang/String.trim()Ljava/lang/String;", third)),
                    Relation.LESS,
                    0))),
        arguments(
            "a text that is no number",
            List.of(
                new Throws(
                    call("java/lang/Integer.parseInt(Ljava/lang/String;)I", S),
                    "java/lang/NumberFormatException",
                    Reason.unwritten(1)))),
        arguments(
            "a constant",
            List.of(is(LIGHT, Relation.NOT_EQUAL, constant(LIGHTS.get(0), "LLight;")))),
        arguments(
            "a Saturday",
            List.of(
                is(
                    call("java/time/LocalDate.getDayOfWeek()Ljava/time/DayOfWeek;", DAY),
                    Relation.EQUAL,
                    constant(DayOfWeek.SATURDAY, "Ljava/time/DayOfWeek;")))));
  }

  /** A type; what is asked of a value of it, and how that has to come out. */
  static Stream<Arguments> ofEachType() {
    String wanted = "Ljava/math/BigDecimal;";
    Term ten = constant(java.math.BigDecimal.TEN, wanted);
    Term noon = constant(java.time.LocalTime.NOON, "Ljava/time/LocalTime;");
    Term hour = constant(java.time.Duration.ofHours(1), "Ljava/time/Duration;");
    Term day = constant(java.time.LocalDate.of(2026, 8, 1), "Ljava/time/LocalDate;");
    return Stream.of(
        arguments("Z", "", Relation.NOT_EQUAL, 0),
        arguments("C", "java/lang/Character.isDigit(C)Z", Relation.NOT_EQUAL, 0),
        arguments("C", "java/lang/Character.isWhitespace(C)Z", Relation.NOT_EQUAL, 0),
        arguments("C", "", Relation.EQUAL, 0x2192),
        arguments("B", "", Relation.LESS, 0),
        arguments("S", "", Relation.EQUAL, -300),
        arguments("F", "java/lang/Math.abs(F)F", Relation.GREATER, constant(3.5f, "F")),
        arguments("D", "java/lang/Math.sqrt(D)D", Relation.EQUAL, constant(3.0, "D")),
        arguments("D", "java/lang/Double.isNaN(D)Z", Relation.NOT_EQUAL, 0),
        arguments("D", "java/lang/Double.isInfinite(D)Z", Relation.EQUAL, 0),
        arguments("Ljava/lang/Integer;", "java/lang/Integer.intValue()I", Relation.LESS, -7),
        arguments(
            "Ljava/lang/Long;",
            "java/lang/Long.longValue()J",
            Relation.GREATER,
            constant(1L << 40, "J")),
        arguments("Ljava/lang/Boolean;", "java/lang/Boolean.booleanValue()Z", Relation.EQUAL, 0),
        arguments("Ljava/lang/Object;", "", Relation.EQUAL, Term.NULL),
        arguments("[I", "", Relation.EQUAL, Term.NULL),
        arguments(TEXT, "java/lang/String.isBlank()Z", Relation.NOT_EQUAL, 0),
        arguments(TEXT, "java/lang/String.length()I", Relation.GREATER, 40),
        arguments(TEXT, "java/lang/Integer.parseInt(Ljava/lang/String;)I", Relation.LESS, 0),
        arguments(wanted, "java/math/BigDecimal.signum()I", Relation.LESS, 0),
        arguments(wanted, "", Relation.EQUAL, ten),
        arguments("Ljava/time/LocalTime;", "", Relation.EQUAL, noon),
        arguments("Ljava/time/LocalTime;", "java/time/LocalTime.getHour()I", Relation.LESS, 6),
        arguments("Ljava/time/Duration;", "", Relation.EQUAL, hour),
        arguments("Ljava/time/Duration;", "java/time/Duration.isNegative()Z", Relation.EQUAL, 1),
        arguments("Ljava/time/LocalDate;", "", Relation.EQUAL, day),
        arguments("Ljava/time/LocalDate;", "java/time/LocalDate.isLeapYear()Z", Relation.EQUAL, 0),
        arguments("Ljava/time/Period;", "java/time/Period.isZero()Z", Relation.NOT_EQUAL, 0),
        arguments("LLight;", "", Relation.EQUAL, constant(LIGHTS.get(1), "LLight;")));
  }

  @ParameterizedTest(name = "{0} {1} {2}")
  @MethodSource("ofEachType")
  void findsValuesOfEachType(String type, String call, Relation relation, Object right) {
    Term of = input("of", type);
    findsWhatHolds(type, List.of(is(call.isEmpty() ? of : call(call, of), relation, right)));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("possible")
  void findsWhatHolds(String what, List<Constraint> constraints) {
    Solution solution = solver.solve(constraints);
    assertThat(solution).isInstanceOf(Solution.Found.class);
    Solution.Found found = (Solution.Found) solution;
    assertThat(found.open()).isEmpty();
    Values values = new Values(found.inputs());
    assertThat(constraints).allMatch(c -> Boolean.TRUE.equals(values.holds(c)));
    assertThat(solver.solve(constraints)).isEqualTo(solution);
    assertThat(solver.find(constraints)).contains(found);
  }

  static Stream<Arguments> impossible() {
    Term equalsRed = call("java/lang/String.equals(Ljava/lang/Object;)Z", S, constant("red", TEXT));
    Term equalsGreen =
        call("java/lang/String.equals(Ljava/lang/Object;)Z", S, constant("green", TEXT));
    return Stream.of(
        arguments("no number between", is(A, Relation.GREATER, 3), is(A, Relation.LESS, 4)),
        arguments("equal and not", is(A, Relation.EQUAL, 7), is(A, Relation.NOT_EQUAL, 7)),
        arguments("order both ways", is(A, Relation.LESS, B), is(A, Relation.AT_LEAST, B)),
        arguments(
            "null and used",
            is(S, Relation.EQUAL, Term.NULL),
            is(S, Relation.NOT_EQUAL, Term.NULL)),
        arguments(
            "two texts at once",
            is(equalsRed, Relation.NOT_EQUAL, 0),
            is(equalsGreen, Relation.NOT_EQUAL, 0)),
        arguments(
            "true and false", is(TRUTH, Relation.NOT_EQUAL, 0), is(TRUTH, Relation.EQUAL, 0)));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("impossible")
  void showsWhatExcludesWhat(String what, Constraint one, Constraint other) {
    List<Constraint> all = List.of(is(L, Relation.GREATER, constant(0L, "J")), one, other);
    assertThat(solver.find(all)).isEmpty();
    assertThat(solver.solve(all)).isEqualTo(new Solution.Contradiction(one, other));
  }

  @ParameterizedTest
  @MethodSource("leftOpen")
  void leavesOpenWhatItCannotKnow(Constraint constraint) {
    Solution solution = solver.solve(List.of(constraint, is(A, Relation.GREATER, 3)));
    assertThat(solution).isInstanceOf(Solution.Found.class);
    assertThat(((Solution.Found) solution).open()).containsExactly(constraint);
    assertThat(((Solution.Found) solution).inputs()).containsKey((Term.Input) A);
  }

  static Stream<Constraint> leftOpen() {
    return Stream.of(
        is(Term.unknown("elsewhere", "I"), Relation.EQUAL, 3),
        is(call("java/lang/String.hashCode()I", S), Relation.EQUAL, 123_456_789));
  }

  @ParameterizedTest
  @MethodSource("computed")
  void computesAsJavaDoes(Term term, Object value) {
    assertThat(new Values(java.util.Map.of()).of(term)).isEqualTo(value);
  }

  static Stream<Arguments> computed() {
    Term most = Term.of(Integer.MAX_VALUE);
    return Stream.of(
        arguments(op(Operator.ADD, "I", most, Term.of(1)), Integer.MIN_VALUE),
        arguments(op(Operator.SHIFT_RIGHT_UNSIGNED, "I", Term.of(-1), Term.of(28)), 15),
        arguments(op(Operator.REMAINDER, "I", Term.of(-7), Term.of(3)), -1),
        arguments(
            op(Operator.DIVIDE, "I", Term.of(1), Term.of(0)),
            new Values.Thrown("java/lang/ArithmeticException")),
        arguments(Term.operation(Operator.CAST, "B", "I", List.of(Term.of(200))), -56),
        arguments(
            Term.operation(Operator.CAST, "I", "I", List.of(constant(1e20, "D"))),
            Integer.MAX_VALUE),
        arguments(
            Term.operation(
                Operator.COMPARE, "1", "I", List.of(constant(Double.NaN, "D"), constant(0.0, "D"))),
            1),
        arguments(
            call("java/lang/String.charAt(I)C", constant("ab", TEXT), Term.of(2)),
            new Values.Thrown("java/lang/StringIndexOutOfBoundsException")),
        arguments(call("java/lang/Character.isDigit(C)Z", Term.of('7')), 1));
  }

  @ParameterizedTest
  @MethodSource("pure")
  void neverCallsWhatHasSideEffects(String method) {
    Term result = call(method, constant("a", TEXT));
    assertThat(new Values(java.util.Map.of()).of(result)).isSameAs(Values.UNDECIDED);
    assertThat(new Values(java.util.Map.of()).holds(new Completes(result, Reason.unwritten(1))))
        .isNull();
  }

  static Stream<String> pure() {
    return Stream.of(
        "java/lang/System.getProperty(Ljava/lang/String;)Ljava/lang/String;",
        "java/io/File.delete()Z",
        "java/lang/Integer.getInteger(Ljava/lang/String;)Ljava/lang/Integer;",
        "harbour/Buoy.light(Ljava/lang/String;)I");
  }
}
