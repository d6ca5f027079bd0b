package atalaya.core;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.EnumValue;
import atalaya.core.term.Term;
import atalaya.core.term.Term.Operator;
import atalaya.core.term.Values;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Terms come to what the language says; what is expected here is computed by the compiler. */
class ValuesTest {
  private static final Values NOTHING = new Values(Map.of());
  private static final int LARGE = Integer.MAX_VALUE;
  private static final long HUGE = Long.MIN_VALUE;

  private static Term constant(Object value) {
    return new Term.Constant(value, "I");
  }

  private static Term of(Operator operator, String detail, Object... operands) {
    return Term.operation(
        operator, detail, "I", Stream.of(operands).map(ValuesTest::constant).toList());
  }

  static Stream<Arguments> operations() {
    return Stream.of(
        Arguments.of(Operator.ADD, "", new Object[] {LARGE, 1}, LARGE + 1),
        Arguments.of(Operator.SUBTRACT, "", new Object[] {HUGE, 1L}, HUGE - 1L),
        Arguments.of(Operator.MULTIPLY, "", new Object[] {65_536, 65_537}, 65_536 * 65_537),
        Arguments.of(Operator.DIVIDE, "", new Object[] {-7, 2}, -7 / 2),
        Arguments.of(Operator.DIVIDE, "", new Object[] {1.0, 0.0}, 1.0 / 0.0),
        Arguments.of(Operator.REMAINDER, "", new Object[] {-7, 3}, -7 % 3),
        Arguments.of(Operator.REMAINDER, "", new Object[] {5.5, 2.0}, 5.5 % 2.0),
        Arguments.of(Operator.AND, "", new Object[] {0b1100, 0b1010}, 0b1000),
        Arguments.of(Operator.XOR, "", new Object[] {0b1100L, 0b1010L}, 0b0110L),
        Arguments.of(Operator.SHIFT_LEFT, "", new Object[] {1, 33}, 1 << 33),
        Arguments.of(Operator.SHIFT_LEFT, "", new Object[] {1L, 33}, 1L << 33),
        Arguments.of(Operator.SHIFT_RIGHT, "", new Object[] {-8, 1}, -8 >> 1),
        Arguments.of(Operator.SHIFT_RIGHT_UNSIGNED, "", new Object[] {-8, 28}, -8 >>> 28),
        Arguments.of(Operator.NEGATE, "", new Object[] {Integer.MIN_VALUE}, Integer.MIN_VALUE),
        Arguments.of(Operator.CAST, "B", new Object[] {200}, (int) (byte) 200),
        Arguments.of(Operator.CAST, "C", new Object[] {-1}, (int) (char) -1),
        Arguments.of(Operator.CAST, "I", new Object[] {1e20}, (int) 1e20),
        Arguments.of(Operator.CAST, "I", new Object[] {Double.NaN}, (int) Double.NaN),
        Arguments.of(Operator.CAST, "J", new Object[] {-1}, -1L),
        Arguments.of(Operator.COMPARE, "-1", new Object[] {Double.NaN, 1.0}, -1),
        Arguments.of(Operator.COMPARE, "1", new Object[] {Double.NaN, 1.0}, 1),
        Arguments.of(Operator.COMPARE, "", new Object[] {HUGE, 1L}, -1),
        Arguments.of(Operator.CALL, "java/lang/String.isBlank()Z", new Object[] {" "}, 1),
        Arguments.of(
            Operator.CALL, "java/lang/String.charAt(I)C", new Object[] {"quay", 1}, (int) 'u'),
        Arguments.of(
            Operator.CALL,
            "java/time/LocalDate.getDayOfWeek()Ljava/time/DayOfWeek;",
            new Object[] {LocalDate.of(2026, 7, 17)},
            DayOfWeek.FRIDAY),
        Arguments.of(Operator.INSTANCE_OF, "java/lang/CharSequence", new Object[] {"quay"}, 1),
        Arguments.of(Operator.INSTANCE_OF, "java/lang/Number", new Object[] {"quay"}, 0),
        Arguments.of(Operator.ORDINAL, "", new Object[] {new EnumValue("Light", "RED", 2)}, 2));
  }

  @ParameterizedTest
  @MethodSource("operations")
  void areComputedAsTheLanguageDoes(
      Operator operator, String detail, Object[] operands, Object expected) {
    assertThat(NOTHING.of(of(operator, detail, operands))).isEqualTo(expected);
  }

  @ParameterizedTest
  @CsvSource({
    "DIVIDE, '', java/lang/ArithmeticException",
    "REMAINDER, '', java/lang/ArithmeticException"
  })
  void whatThrowsSaysWhat(Operator operator, String detail, String thrown) {
    assertThat(NOTHING.of(of(operator, detail, 1, 0))).isEqualTo(new Values.Thrown(thrown));
    assertThat(NOTHING.of(of(operator, detail, 1L, 0L))).isEqualTo(new Values.Thrown(thrown));
  }

  @Test
  void callsThrowAsTheyWould() {
    Term beyond = of(Operator.CALL, "java/lang/String.charAt(I)C", "quay", 9);
    assertThat(NOTHING.of(beyond))
        .isEqualTo(new Values.Thrown("java/lang/StringIndexOutOfBoundsException"));
    assertThat(
            NOTHING.holds(
                new Constraint.Throws(
                    beyond, "java/lang/IndexOutOfBoundsException", Reason.unwritten(1))))
        .isTrue();
    Term ofNull = of(Operator.CALL, "java/lang/String.isEmpty()Z", (Object) null);
    assertThat(NOTHING.of(ofNull)).isEqualTo(new Values.Thrown("java/lang/NullPointerException"));
    Term impure = of(Operator.CALL, "java/time/LocalDate.now()Ljava/time/LocalDate;", 1);
    assertThat(NOTHING.of(impure)).isSameAs(Values.UNDECIDED);
  }

  @ParameterizedTest
  @CsvSource({
    "0.0, EQUAL, -0.0, true", "0.0, LESS, -0.0, false", "1.5, GREATER, 1.0, true",
    "1.5, AT_MOST, 1.5, true", "1.5, NOT_EQUAL, 1.5, false", "-1.0, AT_LEAST, 0.0, false"
  })
  void fractionsCompareAsNumbers(double left, Relation relation, double right, boolean expected) {
    Compared compared =
        new Compared(constant(left), relation, constant(right), Reason.unwritten(1));
    assertThat(NOTHING.holds(compared)).isEqualTo(expected);
    Compared negated =
        new Compared(constant(left), relation.negated(), constant(right), Reason.unwritten(1));
    assertThat(NOTHING.holds(negated)).isEqualTo(!expected);
  }

  @Test
  void whatDependsOnUnknownThingsIsUndecided() {
    Term.Input crew = new Term.Input("crew", "I", Term.Source.ARGUMENT, null);
    Term sum = Term.operation(Operator.ADD, "", "I", List.of(crew, Term.of(1)));
    Compared compared = new Compared(sum, Relation.GREATER, Term.of(5), Reason.unwritten(1));
    assertThat(NOTHING.holds(compared)).isNull();
    assertThat(new Values(Map.of(crew, 7)).holds(compared)).isTrue();
    assertThat(new Values(Map.of(crew, 4)).holds(compared)).isFalse();
    assertThat(new Values(Map.of(crew, LARGE)).holds(compared)).isFalse();
  }
}
