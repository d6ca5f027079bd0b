public class Constants {
  static final boolean DEBUG = false; //:
  private static final int LIMIT = 10; //:
  static final String NAME = "buoy"; //:

  static int quiet(int n) {
    if (DEBUG) {
      System.err.println(n);
    }
    if (!DEBUG && n > LIMIT) { //+ n > LIMIT: true- false+
      return 1; //-
    }
    while (true) { //: loop: zero- once- more+
      n++; //+
      if (n > 3) { //+ n > 3: true+ false+
        return n; //+
      }
    }
  }

  /** Nobody but the compiler knows these values. */
  static class Elsewhere {
    static final boolean ON = 2 > 1; //:
    static final boolean off = !ON; //:
  }

  static int known(int n, boolean is) {
    if (Elsewhere.ON && n > LIMIT) { //+ n > LIMIT: true- false+
      return 1; //-
    }
    if (Elsewhere.off || is) { //+ is: true+ false-
      n++; //+
    }
    if (!Elsewhere.ON || n == 2 && is) { //+ n == 2: true+ false- ;; is: true+ false-
      n += Elsewhere.off || n == 3 ? 1 : 2; //+ n == 3: true- false+
    }
    if (Elsewhere.off && is) {
      n++;
    }
    return n; //+
  }

  static int labels(int n) {
    switch (n) { //+ switch (n): LIMIT+ LIMIT * 2- -1- default-
      case LIMIT:
        return 1; //+
      case LIMIT * 2:
        return 2; //-
      case -1:
        return 3; //-
    }
    return 0; //-
  }

  static void drive() {
    quiet(1); //+
    labels(10); //+
    known(1, true); //+
  }
}
