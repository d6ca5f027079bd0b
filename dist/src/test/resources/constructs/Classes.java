// since 17
import java.util.Comparator;
import java.util.List;
import java.util.function.Supplier;

public class Classes {
  interface Shape {
    int UNIT = Integer.getInteger("unset", 2); //+

    int sides();

    default boolean isRound() {
      return sides() == 0; //+ sides() == 0: true- false+
    }

    static Shape square() {
      return () -> 4; //+
    }

    private int hidden() {
      return UNIT; //-
    }
  }

  abstract static class Base implements Shape {
    final int sides; //:

    Base(int sides) { //+
      this.sides = sides; //+
    }

    @Override
    public int sides() {
      return sides; //+
    }
  }

  class Inner extends Base {
    final int twice = sides * 2; //+

    Inner(int sides) {
      super(sides > 9 ? 9 : sides); //+ sides > 9: true- false+
      total += sides; //+
    }
  }

  int total; //:

  <T extends Comparable<T>> T larger(T a, T b) {
    return a.compareTo(b) > 0 ? a : b; //+ a.compareTo(b) > 0: true- false+
  }

  static int sum(int... numbers) {
    int sum = 0; //+
    for (int number : numbers) { //+ for (int number : numbers): another+ no more+ ;; loop: zero- once- more+
      sum += number; //+
    }
    return sum; //+
  }

  static int local(int n) {
    class Counter {
      int at = n > 0 ? n : 1; //+ n > 0: true+ false-

      int next() {
        return at++; //+
      }
    }
    Counter counter = new Counter(); //+
    Supplier<Integer> supplier = //+
        new Supplier<>() {
          @Override
          public Integer get() {
            return counter.next() > 5 ? 5 : 0; //+ counter.next() > 5: true- false+
          }
        };
    return supplier.get(); //+
  }

  static Comparator<String> order() {
    return new Comparator<String>() { //+
      @Override
      public int compare(String a, String b) {
        return a.length() - b.length(); //+
      }
    };
  }

  static void references(List<String> words) {
    words.forEach(String::length); //+
    words.stream().map(Classes::of).forEach(c -> c.total++); //+
    words.stream().sorted(order()).toList(); //+
  }

  static Classes of(String word) {
    return word.isEmpty() ? null : new Classes(); //+ word.isEmpty(): true- false+
  }

  static void drive() {
    Shape.square().isRound(); //+
    new Classes().new Inner(3).sides(); //+
    new Classes().larger(1, 2); //+
    sum(1, 2); //+
    local(2); //+
    references(List.of("a", "b")); //+
  }
}
