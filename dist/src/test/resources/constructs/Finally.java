public class Finally {
  static int thrown(Object o) {
    int k = 0; //+
    try {
      k = o.hashCode(); //+
      k++; //-
    } finally {
      k = -1; //+
      if (o == null) { //+ o == null: true+ false-
        k = -2; //+
      }
    }
    return k; //-
  }

  static int both(String s) {
    try {
      return Integer.parseInt(s); //+
    } catch (NumberFormatException | NullPointerException e) { //+
      if (s == null) { //+ s == null: true- false+
        return -1; //-
      }
      throw e; //+
    } finally {
      seen++; //+
    }
  }

  static int seen; //:

  static int overrides(int n) {
    while (true) {
      try {
        if (n > 0) { //+ n > 0: true+ false-
          return n; //+
        }
        n++; //-
      } finally {
        break; //+
      }
    }
    return 0; //+
  }

  static synchronized int locked(Object lock, boolean out) {
    synchronized (lock) { //+
      if (out) { //+ out: true- false+
        return 1; //-
      }
    } //:
    return 2; //+
  }

  static int checkedInLoop(int n) {
    int k = 0; //+
    for (int i = 0; i < n; i++) { //+ i < n: true+ false+ ;; loop: zero- once- more+
      try {
        k += i; //+
      } finally {
        k++; //+
        try {
          assert k >= 0 : "negative"; //+ k >= 0: true+ false-
        } catch (IllegalStateException e) { //-
          continue; //-
        }
      }
    }
    return k; //+
  }

  static void checked(Object o) {
    try {
      seen += o.hashCode(); //+
    } finally {
      assert seen < 0 || o != null : "shut"; //+ seen < 0: true- false+ ;; o != null: true- false+
    }
  }

  static void drive() {
    try {
      thrown(null); //+
    } catch (NullPointerException e) { //+
      seen++; //+
    }
    both("1"); //+
    try {
      both("x"); //+
    } catch (NumberFormatException e) { //+
      seen++; //+
    }
    overrides(1); //+
    locked("", false); //+
    checkedInLoop(2); //+
    try {
      checked(null); //+
    } catch (AssertionError e) { //+
      seen++; //+
    }
  }
}
