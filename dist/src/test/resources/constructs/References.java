import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Stream;

/** References to methods, some of which the compiler makes lambdas of, on lines with lambdas. */
public class References {
  static String[] dotted(String... words) {
    return Stream.of(words).map(s -> s.charAt(0) == '.' ? s : "." + s).toArray(String[]::new); //+ s.charAt(0) == '.': true+ false+
  }

  static int[][] tables(Stream<Integer> sizes) {
    return sizes.map(int[]::new).filter(t -> t.length > 1).toArray(int[][]::new); //+ t.length > 1: true+ false-
  }

  static Stream<String> plain(Stream<Object> of) {
    return of.map(String::valueOf).filter(t -> !t.isEmpty()).map(String::trim); //+ t.isEmpty(): true- false+
  }

  String text() {
    return "above"; //+
  }

  static class Below extends References {
    @Override
    String text() {
      return said(super::text, t -> t.length() > 3); //+ t.length() > 3: true+ false-
    }

    private static String said(Supplier<String> text, Predicate<String> isWanted) {
      return isWanted.test(text.get()) ? text.get() : ""; //+ isWanted.test(text.get()): true+ false-
    }
  }

  static void drive() {
    dotted(".a", "b"); //+
    tables(Stream.of(2, 3)); //+
    plain(Stream.of(1)).count(); //+
    new Below().text(); //+
  }
}
