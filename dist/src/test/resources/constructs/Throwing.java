/** What may throw in the middle of a line, or seems to and can't. */
public class Throwing {
  int depth = 3; //+
  static int total;

  static int chars(String text) {
    int n = 0; //+
    try {
      while (n >= 0 && text.charAt(n) != 'x') { //+ n >= 0: true+ false- ;; text.charAt(n) != 'x': true+ false- ;; loop: zero- once- more+
        n++; //+
      }
      n = -1; //-
    } catch (StringIndexOutOfBoundsException e) { //+
      n = 100; //+
    }
    return n; //+
  }

  int ownFirst(Throwing given, boolean own) {
    int sum = 0; //+
    try {
      sum = (own ? this : given).depth; //+ own: true+ false+
      sum++; //+
    } catch (NullPointerException e) { //+
      sum = -1; //+
    }
    return sum; //+
  }

  int ownLast(Throwing given, boolean other) {
    int sum = depth; //+
    try {
      sum = (other ? given : this).depth; //+ other: true+ false-
      sum++; //-
    } catch (NullPointerException e) { //+
      sum = depth; //+
    }
    return sum; //+
  }

  static int statics(int[] values) {
    try {
      total = values.length; //+
      total += values[3]; //+
      total++; //-
    } catch (ArrayIndexOutOfBoundsException e) { //+
      return total; //+
    }
    return 0; //-
  }

  static String numbers(String text) {
    try {
      int n = Integer.parseInt(text); //+
      return Integer.toString(n); //-
    } catch (NumberFormatException e) { //+
      return text; //+
    }
  }

  static boolean built(String text) {
    StringBuilder all = new StringBuilder(); //+
    boolean both = all.append(text).length() > 1 && all.charAt(9) == 'x'; //+ all.append(text).length() > 1: true+ false+ ;; all.charAt(9) == 'x': true- false-
    return both; //+
  }

  static void drive() {
    chars("ab"); //+
    new Throwing().ownFirst(null, true); //+
    new Throwing().ownFirst(null, false); //+
    new Throwing().ownLast(null, true); //+
    statics(new int[1]); //+
    numbers("x"); //+
    built(""); //+
    try {
      built("ab"); //+
    } catch (IndexOutOfBoundsException e) { //+
      total = 0; //+
    }
  }
}
