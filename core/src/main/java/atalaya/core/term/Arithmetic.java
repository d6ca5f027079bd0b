package atalaya.core.term;

import atalaya.core.term.Term.Operator;

/** The operators of the language on values (JLS 15.15 to 15.24). */
final class Arithmetic {
  private static final Object BY_ZERO = new Values.Thrown("java/lang/ArithmeticException");

  private Arithmetic() {}

  static Object binary(Operator operator, Object left, Object right) {
    if (left instanceof Integer a && right instanceof Integer b) {
      return ints(operator, a, b);
    }
    if (left instanceof Long a && right instanceof Number b && !(b instanceof Double)) {
      return longs(operator, a, b.longValue());
    }
    if (left instanceof Float a && right instanceof Float b) {
      Object wide = doubles(operator, a, b);
      return wide instanceof Double value ? (Object) value.floatValue() : wide;
    }
    if (left instanceof Double a && right instanceof Double b) {
      return doubles(operator, a, b);
    }
    return Values.UNDECIDED;
  }

  private static Object ints(Operator operator, int a, int b) {
    return switch (operator) {
      case ADD -> a + b;
      case SUBTRACT -> a - b;
      case MULTIPLY -> a * b;
      case DIVIDE -> b == 0 ? BY_ZERO : (Object) (a / b);
      case REMAINDER -> b == 0 ? BY_ZERO : (Object) (a % b);
      case AND -> a & b;
      case OR -> a | b;
      case XOR -> a ^ b;
      case SHIFT_LEFT -> a << b;
      case SHIFT_RIGHT -> a >> b;
      case SHIFT_RIGHT_UNSIGNED -> a >>> b;
      default -> Values.UNDECIDED;
    };
  }

  private static Object longs(Operator operator, long a, long b) {
    return switch (operator) {
      case ADD -> a + b;
      case SUBTRACT -> a - b;
      case MULTIPLY -> a * b;
      case DIVIDE -> b == 0 ? BY_ZERO : (Object) (a / b);
      case REMAINDER -> b == 0 ? BY_ZERO : (Object) (a % b);
      case AND -> a & b;
      case OR -> a | b;
      case XOR -> a ^ b;
      case SHIFT_LEFT -> a << b;
      case SHIFT_RIGHT -> a >> b;
      case SHIFT_RIGHT_UNSIGNED -> a >>> b;
      default -> Values.UNDECIDED;
    };
  }

  private static Object doubles(Operator operator, double a, double b) {
    return switch (operator) {
      case ADD -> a + b;
      case SUBTRACT -> a - b;
      case MULTIPLY -> a * b;
      case DIVIDE -> a / b;
      case REMAINDER -> a % b;
      default -> Values.UNDECIDED;
    };
  }

  static Object negate(Object value) {
    if (value instanceof Integer number) {
      return -number;
    }
    if (value instanceof Long number) {
      return -number;
    }
    if (value instanceof Float number) {
      return -number;
    }
    return value instanceof Double number ? (Object) (-number) : Values.UNDECIDED;
  }

  /**
   * Compares as the JVM does.
   *
   * @param notANumber {@code 1} or {@code -1}: what comes out where one is not a number
   */
  static Object compare(Object left, Object right, String notANumber) {
    if (!(left instanceof Number a) || !(right instanceof Number b)) {
      return Values.UNDECIDED;
    }
    if (left instanceof Long) {
      return Long.compare(a.longValue(), b.longValue());
    }
    double x = a.doubleValue();
    double y = b.doubleValue();
    if (Double.isNaN(x) || Double.isNaN(y)) {
      return Integer.valueOf(notANumber);
    }
    return x < y ? -1 : x > y ? 1 : 0;
  }

  static Object cast(Object value, String type) {
    if (!(value instanceof Number number)) {
      return type.length() > 1 ? value : Values.UNDECIDED;
    }
    boolean isWhole = value instanceof Integer || value instanceof Long;
    return switch (type) {
      case "I" -> isWhole ? number.intValue() : (int) number.doubleValue();
      case "J" -> isWhole ? number.longValue() : (long) number.doubleValue();
      case "F" -> number.floatValue();
      case "D" -> number.doubleValue();
      case "B" -> (int) (byte) number.intValue();
      case "S" -> (int) (short) number.intValue();
      case "C" -> (int) (char) number.intValue();
      default -> value;
    };
  }
}
