// since 17
import java.util.List;
import java.util.function.Function;
import java.util.function.IntPredicate;
import java.util.function.Supplier;

public class Lambdas {
  static final IntPredicate POSITIVE = n -> n > 0; //+ n > 0: true+ false-

  private final Supplier<String> lazy = () -> this.name == null ? "?" : "!"; //+ this.name == null: true- false-
  private String name;

  Lambdas(String name) { //+
    this.name = name; //+
  }

  Lambdas() {
    this(null); //+
  }

  static List<String> words(List<Integer> numbers, int least) {
    return numbers.stream() //+
        .filter(n -> n >= least && POSITIVE.test(n)) //+ n >= least: true+ false+ ;; POSITIVE.test(n): true+ false-
        .map( //+
            n -> {
              if (n % 2 == 0) { //+ n % 2 == 0: true+ false+
                return "even"; //+
              }
              return "odd"; //+
            })
        .toList(); //+
  }

  static Function<Integer, Function<Integer, Boolean>> nested() {
    return a -> b -> a < b; //+ a < b: true- false+
  }

  static Runnable never() {
    return () -> { //+
      nested(); //-
    };
  }

  static void drive() {
    new Lambdas(); //+
    words(java.util.Arrays.asList(1, 2, 3), 2); //+
    nested().apply(2).apply(1); //+
    never(); //+
  }
}
