public class Monitors {
  static int looping(Object lock, int n) {
    synchronized (lock) { //+
      while (n > 0) { //+ n > 0: true+ false+ ;; loop: zero- once- more+
        if (n == 2) { //+ n == 2: true+ false+
          n -= 2; //+
          continue; //+
        }
        n--; //+
      }
    } //:
    return n; //+
  }

  static Object gate; //:

  static Object checkedTwice() {
    Object now = gate; //+
    if (now == null) { //+ now == null: true+ false+
      synchronized (Monitors.class) { //+
        now = gate; //+
        if (now == null) { //+ now == null: true+ false-
          now = "open"; //+
          gate = now; //+
        }
      } //:
    }
    return now; //+
  }

  static int thrown(Object lock, Object o, int n) {
    int k = 0; //+
    try {
      synchronized (lock) { //+
        if (n > 1) { //+ n > 1: true+ false+
          k = n; //+
        }
        k += o.hashCode(); //+
        k++; //-
      } //:
    } catch (NullPointerException e) { //+
      if (k > 0) { //+ k > 0: true+ false+
        return k; //+
      }
    } finally {
      if (n > 1) { //+ n > 1: true+ false+
        synchronized (lock) { //+
          k = n > 2 ? 1 : 2; //+ n > 2: true- false+
        } //:
      }
    }
    return k; //+
  }

  static int nested(Object one, Object other, int n) {
    synchronized (one) { //+
      if (n > 0) { //+ n > 0: true+ false-
        synchronized (other) { //+
          if (n > 1) { //+ n > 1: true+ false-
            return n; //+
          }
          n++; //-
        } //:
      }
    } //:
    return 0; //-
  }

  static void drive() {
    looping("lock", 3); //+
    checkedTwice(); //+
    checkedTwice(); //+
    thrown("lock", null, 2); //+
    thrown("lock", null, 0); //+
    nested("one", "other", 2); //+
  }
}
