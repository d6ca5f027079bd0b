import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.function.IntUnaryOperator;

/** Loops that run their bodies not at all, once, or more than once. */
public class Turns {
  static int held;

  int kept = 3; //+

  Turns(int n) { //+
    for (int i = 0; i < n; i++) { //+ i < n: true+ false+ ;; loop: zero- once+ more-
      kept += i; //+
    }
  }

  static {
    for (int i = 0; i < 2; i++) { //+ i < 2: true+ false+ ;; loop: zero- once- more+
      held += i; //+
    }
  }

  static int leftEarly(int[] depths) {
    int sum = 0; //+
    for (int depth : depths) { //+ for (int depth : depths): another+ no more- ;; loop: zero- once+ more-
      if (depth > 9) { //+ depth > 9: true+ false-
        break; //+
      }
      sum += depth; //-
    }
    return sum; //+
  }

  static int leftInSecond(int[] depths) {
    for (int depth : depths) { //+ for (int depth : depths): another+ no more- ;; loop: zero- once- more+
      if (depth > 9) { //+ depth > 9: true+ false+
        return depth; //+
      }
    }
    return 0; //-
  }

  static int either(int n, boolean calm) {
    while (n > 3 || calm && n > 0) { //+ n > 3: true+ false+ ;; calm: true- false+ ;; n > 0: true- false- ;; loop: zero+ once+ more-
      n -= 3; //+
    }
    return n; //+
  }

  static int retried(Iterator<String> answers) {
    int tries = 0; //+
    while (true) { //: loop: zero- once- more+
      try {
        tries++; //+
        Integer.parseInt(answers.next()); //+
        break; //+
      } catch (NumberFormatException e) { //+
        held++; //+
      }
    }
    return tries; //+
  }

  static int notRetried(Iterator<String> answers) {
    for (; ; ) { //: loop: zero- once+ more-
      try {
        return Integer.parseInt(answers.next()); //+
      } catch (NumberFormatException e) { //-
        held++; //-
      }
    }
  }

  static int inner(int[][] rows) {
    int sum = 0; //+
    for (int[] row : rows) { //+ for (int[] row : rows): another+ no more+ ;; loop: zero- once- more+
      for (int cell : row) { //+ for (int cell : row): another+ no more+ ;; loop: zero+ once+ more-
        sum += cell; //+
      }
    }
    return sum; //+
  }

  static int thrownOutOf(List<String> words) {
    int sum = 0; //+
    for (String word : words) { //+ for (String word : words): another+ no more+ ;; loop: zero- once- more+
      try {
        for (int i = 0; i < 5; i++) { //+ i < 5: true+ false- ;; loop: zero- once- more-
          sum += word.charAt(i) / 0; //+
        }
      } catch (ArithmeticException e) { //+
        sum++; //+
      }
    }
    return sum; //+
  }

  static int toTheOuter(int n) {
    int sum = 0; //+
    outer:
    do { //: loop: zero- once- more+
      for (int i = 0; ; i++) { //+ loop: zero- once- more+
        if (i > 2) { //+ i > 2: true+ false+
          continue outer; //+
        }
        sum++; //+
      }
    } while (--n > 0); //+ --n > 0: true+ false+
    return sum; //+
  }

  static int within(int n) {
    IntUnaryOperator halves = //+
        k -> {
          int times = 0; //+
          while (k > 1) { //+ k > 1: true+ false+ ;; loop: zero- once+ more-
            k /= 2; //+
            times++; //+
          }
          return times; //+
        };
    try {
      return halves.applyAsInt(n); //+
    } finally {
      while (held > 3) { //+ held > 3: true+ false+ ;; loop: zero- once- more+
        held--; //+
      }
    }
  }

  static int atOneHead(int n) {
    while (true) { //: loop: zero- once- more+
      n--; //+
      while (n > 5) { //+ n > 5: true- false+ ;; loop: zero+ once- more-
        n--; //-
      }
      if (n < 0) { //+ n < 0: true+ false+
        return n; //+
      }
    }
  }

  static int negated(String word) {
    int at = 0; //+
    while (!word.isEmpty()) { //+ word.isEmpty(): true+ false+ ;; loop: zero- once- more+
      word = word.substring(1); //+
      switch (word.length()) { //+ switch (word.length()): 2+ 7- default+
        case 2:
          continue; //+
        case 7:
          return 7; //-
      }
      at++; //+
    }
    return at; //+
  }

  /** The second of two loops ends the method, after another number of turns than the first. */
  static int oneAfterTheOther(int[] depths, int n) {
    int sum = 0; //+
    for (int i = 0; i < n; i++) { //+ i < n: true+ false+ ;; loop: zero- once- more+
      sum += depths[0]; //+
      sum++; //+
    }
    for (int i = 0; i < n; i++) { //+ i < n: true+ false- ;; loop: zero- once- more-
      sum += depths[i]; //+
      sum--; //+
    }
    return sum; //-
  }

  /** Caught within the method: the outer loop goes on, the inner one is left twice. */
  static int caughtAndAgain(int[] depths) {
    int sum = 0; //+
    for (int from = 3; from >= 0; from -= 3) { //+ from >= 0: true+ false+ ;; loop: zero- once- more+
      try {
        for (int i = from; i < 4; i++) { //+ i < 4: true+ false- ;; loop: zero- once- more-
          sum += depths[i]; //+
        }
      } catch (ArrayIndexOutOfBoundsException e) { //+
        sum += 100; //+
      }
    }
    return sum; //+
  }

  static void drive() {
    new Turns(1); //+
    leftEarly(new int[] {10}); //+
    leftInSecond(new int[] {1, 10}); //+
    either(2, false); //+
    either(5, false); //+
    retried(Arrays.asList("x", "1").iterator()); //+
    notRetried(Arrays.asList("1").iterator()); //+
    inner(new int[][] {{}, {1}, {2}}); //+
    thrownOutOf(Arrays.asList("a", "b", "c")); //+
    toTheOuter(2); //+
    held = 6; //+
    within(2); //+
    atOneHead(2); //+
    negated("abc"); //+
    try {
      oneAfterTheOther(new int[] {1}, 2); //+
    } catch (ArrayIndexOutOfBoundsException e) { //+
      held = 0; //+
    }
    caughtAndAgain(new int[] {1}); //+
  }
}
