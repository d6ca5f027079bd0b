import java.util.List;
import java.util.Map;

public class Nested {
  static int switchInLoop(List<String> words) {
    int n = 0; //+
    outer:
    for (String word : words) { //+ for (String word : words): another+ no more- ;; loop: zero- once- more+
      switch (word.length()) { //+ switch (word.length()): 0- 1+ default+
        case 0:
          continue outer; //-
        case 1:
          switch (word) { //+ switch (word): "a"+ "b"- default-
            case "a":
              n++; //+
              break; //+
            case "b":
              n--; //-
          }
          break; //+
        default:
          if (n > 0) { //+ n > 0: true+ false-
            break outer; //+
          }
      }
    }
    return n; //+
  }

  static String deep(Map<String, Integer> tides, String key) {
    if (tides != null) { //+ tides != null: true+ false-
      Integer height = tides.get(key); //+
      if (height == null || height < 0 && !key.isEmpty()) { //+ height == null: true- false+ ;; height < 0: true+ false- ;; key.isEmpty(): true- false+
        return height == null ? "none" : height < -100 ? "ebb" : "low"; //+ height == null: true- false+ ;; height < -100: true- false+
      }
    }
    return ""; //-
  }

  static boolean oddities(int a, boolean b, boolean c) {
    boolean x = a == 1 == b; //+ a == 1: true+ false- ;; a == 1 == b: true+ false-
    boolean y = b & (a > 0); //+ a > 0: true+ false-
    x &= !c; //+ c: true- false+
    boolean assigned;
    if (assigned = x ^ y) { //+ assigned = x ^ y: true- false+
      return assigned; //-
    }
    int[] cells = {a < 2 ? 1 : 0, b ? 1 : 0}; //+ a < 2: true+ false- ;; b: true+ false-
    return cells[a > 5 ? 1 : 0] == 1 || b; //+ a > 5: true- false+ ;; cells[a > 5 ? 1 : 0] == 1: true+ false- ;; b: true- false-
  }

  static double numbers(long l, double d, float f, char c, Boolean boxed) {
    if (l > 3L || d <= 0.5) { //+ l > 3L: true- false+ ;; d <= 0.5: true- false+
      return 1; //-
    }
    if (f >= 1f && c != 'x') { //+ f >= 1f: true+ false- ;; c != 'x': true+ false-
      return boxed ? 2 : 3; //+ boxed: true+ false-
    }
    return 4; //-
  }

  static int one(int a) { if (a > 0) { a++; } else { a--; } return a > 3 ? 1 : 2; } //+ a > 0: true+ false- ;; a > 3: true- false+

  static int captured(boolean open, int n) {
    return new Object() { //+
      int count() {
        boolean shut = !open; //+ open: true- false+
        return open || n > 1 ? 2 : shut ? 1 : 0; //+ open: true- false+ ;; n > 1: true- false+ ;; shut: true+ false-
      }
    }.count(); //+
  }

  static void drive() {
    switchInLoop(java.util.Arrays.asList("a", "bb", "c")); //+
    deep(java.util.Collections.singletonMap("k", -3), "k"); //+
    oddities(1, true, false); //+
    numbers(1, 0.75, 2f, 'y', true); //+
    one(1); //+
    captured(false, 1); //+
  }
}
