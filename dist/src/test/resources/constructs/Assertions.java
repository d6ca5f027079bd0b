public class Assertions {
  static int checked(int n) {
    assert n > 0 && n < 100 : "out of range: " + n; //+ n > 0: true+ false+ ;; n < 100: true+ false-
    return n; //+
  }

  static void never(Object o) {
    assert o != null; //- o != null: true- false-
  }

  static void drive() {
    checked(5); //+
    try {
      checked(-5); //+
    } catch (AssertionError e) { //+
      return; //+
    }
  }
}
