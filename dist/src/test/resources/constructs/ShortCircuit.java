public class ShortCircuit {
  static boolean both(int n, String s) {
    return n > 0 && s != null; //+ n > 0: true+ false+ ;; s != null: true- false+
  }

  static int deep(boolean a, boolean b, boolean c) {
    if ((a || !b) && !(c || a && b)) { //+ a: true+ false+ ;; b: true+ false- ;; c: true- false+ ;; a: true+ false- ;; b: true- false+
      return 1; //+
    }
    return 2; //+
  }

  static int overLines(int x, int y) {
    if (x > 0 //+ x > 0: true+ false-
        && y > 0 //: y > 0: true- false+
        || x + y == 0) { //: x + y == 0: true- false+
      return 1; //-
    }
    return 2; //+
  }

  static boolean not(boolean a) {
    return !a; //+ a: true+ false-
  }

  static boolean value(int a, int b) {
    boolean more = a > b; //+ a > b: true- false+
    boolean plain = more; //+
    return use(plain, a == b); //+ a == b: true- false+
  }

  static boolean use(boolean x, boolean y) {
    return x & y; //+
  }

  static void drive() {
    both(1, null); //+
    both(0, ""); //+
    deep(true, false, false); //+
    deep(false, true, false); //+
    overLines(1, 0); //+
    not(true); //+
    value(1, 2); //+
  }
}
