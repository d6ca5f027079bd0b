public class Middles {
  static int elseIf(int a, int b) {
    if (a == 1) { //+ a == 1: true- false+
      int c = b + 1; //-
      if (c > 0) { //- c > 0: true- false-
        c++; //-
      } else {
        c--; //-
      }
    } else if (b > 5) { //+ b > 5: true+ false-
      return 1; //+
    }
    return 2; //-
  }

  static int brace(int a, int b) {
    if (a == 1) { //+ a == 1: true+ false-
      int c = b + 1; //+
      if (c > 0) { //+ c > 0: true+ false-
        c++; //+
      } else {
        c--; //-
      }
    } else if (b > 5) { //- b > 5: true- false-
      return 1; //-
    }
    return 2; //+
  }

  static int elseOnOneLine(int a, int b) {
    if (a == 1) { //+ a == 1: true- false+
      int c = b + 1; //-
      if (c > 0) { //- c > 0: true- false-
        c++; //-
      } else {
        c--; //-
      }
    } else { b++; } //+
    return b; //+
  }

  static int behindConditions(boolean a, boolean b) {
    if (a //+ a: true+ false-
        || is(b)) return 1; //+ is(b): true- false-
    return 2; //-
  }

  static int trueBehindConditions(boolean a, boolean b) {
    int n; //:
    if (a //+ a: true+ false-
        || is(b)) n = 1; //+ is(b): true- false-
    else n = 2; //-
    return n; //+
  }

  static boolean both(boolean a, boolean b) {
    return a //+ a: true- false+
        && is(b); //- is(b): true- false-
  }

  static boolean either(boolean a, boolean b) {
    boolean c = a //+ a: true+ false-
        || is(b); //- is(b): true- false-
    return c; //+
  }

  static void passed(boolean a, boolean b) {
    take(a //+ a: true+ false-
        || is(b)); //- is(b): true- false-
  }

  static void take(boolean a) {
  } //+

  static boolean is(boolean a) {
    return a; //-
  }

  static int cases(char c) {
    int n = 0; //+
    switch (c) { //+ switch (c): 'a'- 'b'+ default-
      case 'a': n = 1; break; case 'b': n = 2; break; //+
      default: n = 3; //-
    }
    return n; //+
  }

  static int notCaught(String text) {
    int n; //:
    try {
      n = Integer.parseInt(text); //+
    } catch (NumberFormatException e) { n = -1; } //-
    return n; //+
  }

  static int caught(String text) {
    int n; //:
    try {
      n = Integer.parseInt(text); //+
    } catch (NumberFormatException e) { n = -1; } //+
    return n; //+
  }

  static int passedBy(boolean a, boolean b, int n) {
    while (n > 0) { //+ n > 0: true+ false+ ;; loop: zero- once- more+
      n--; //+
      if (a //+ a: true- false+
          && is(b)) n--; //- is(b): true- false-
    }
    return n; //+
  }

  static void drive() {
    elseIf(2, 6); //+
    brace(1, 2); //+
    elseOnOneLine(2, 1); //+
    behindConditions(true, false); //+
    trueBehindConditions(true, false); //+
    both(false, true); //+
    either(true, false); //+
    passed(true, false); //+
    cases('b'); //+
    notCaught("1"); //+
    caught("one"); //+
    passedBy(false, true, 2); //+
  }
}
