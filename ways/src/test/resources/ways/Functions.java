import java.util.Comparator;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.IntBinaryOperator;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;

/**
 * Lambdas and references to methods that the code makes itself, and calls. Each method has one place
 * where it throws Here.
 */
class Functions {
  static class Here extends RuntimeException {}

  private static boolean isTold(Supplier<Boolean> asked) {
    return asked.get();
  }

  private static int told(Function<String, Integer> asked, String by) {
    return asked.apply(by);
  }

  static void named(String ship) {
    if (isTold(() -> ship.startsWith("MS ")) && ship.length() > 8) {
      throw new Here();
    }
  }

  static void numbered(String berth) {
    if (told(text -> text.length() * 3, berth) == 12) {
      throw new Here();
    }
  }

  static void parsed(String berth) {
    if (told(Integer::parseInt, berth) == 41) {
      throw new Here();
    }
  }

  static void trimmed(String ship) {
    UnaryOperator<String> plain = String::trim;
    if (plain.apply(ship).isEmpty() && ship.length() == 1) {
      throw new Here();
    }
  }

  static boolean isDeep(int metres) {
    return metres > 12;
  }

  static void sounded(int metres) {
    IntPredicate deep = Functions::isDeep;
    if (deep.test(metres)) {
      throw new Here();
    }
  }

  static class Barge {
    private final int draught;

    Barge(int draught) {
      this.draught = draught;
    }

    private boolean fits(int metres) {
      return draught < metres && draught > 4;
    }

    void berthed(int metres) {
      IntPredicate here = this::fits;
      if (here.test(metres) && metres < 8) {
        throw new Here();
      }
    }
  }

  static class Buoy {
    final int number;

    Buoy(int number) {
      this.number = number;
    }
  }

  static void laid(int number) {
    Function<Integer, Buoy> making = Buoy::new;
    if (making.apply(number).number == 7) {
      throw new Here();
    }
  }

  static void nested(int first, int second) {
    Function<Integer, IntPredicate> above = low -> number -> number > low;
    if (above.apply(first).test(second) && first > 90) {
      throw new Here();
    }
  }

  private static int compared(IntBinaryOperator by, int one, int other) {
    return by.applyAsInt(one, other);
  }

  static void ordered(int one, int other) {
    if (compared((left, right) -> left > right ? left - right : 0, one, other) == 15) {
      throw new Here();
    }
  }

  static void refused(String cargo) {
    Supplier<String> why =
        () -> {
          if (cargo.isEmpty()) {
            throw new IllegalStateException("empty");
          }
          return cargo + "!";
        };
    if (why.get().length() == 5) {
      throw new Here();
    }
  }

  interface Rule {
    boolean holds(String ship, long tons);

    default boolean fails(String ship, long tons) {
      return !holds(ship, tons);
    }
  }

  static void ruled(String ship, long tons) {
    Rule rule = (name, weight) -> weight > 900L && name != null;
    if (rule.fails(ship, tons) && tons > 800L && ship != null) {
      throw new Here();
    }
  }

  /** Others know what comes of one that is put together of several. */
  static void turned(String ship) {
    Predicate<String> empty = String::isEmpty;
    if (empty.negate().test(ship)) {
      throw new Here(); // open
    }
  }

  static class Watch {
    private final BiFunction<String, Integer, String> calls = (name, times) -> name.repeat(times);
    private final Comparator<String> order = (one, other) -> one.length() - other.length();

    void called(String name, int times) {
      if (calls.apply(name, times).equals("ahoahoaho")) {
        throw new Here();
      }
    }

    void lined(String one, String other) {
      if (order.compare(one, other) > 3) {
        throw new Here();
      }
    }
  }
}
