public class Ternaries {
  static int inArguments(int a, Integer b) {
    return Math.max(a < 0 ? -a : a, b == null ? 0 : b); //+ a < 0: true+ false- ;; b == null: true+ false-
  }

  static boolean asCondition(int n, boolean up) {
    if (up ? n > 0 : n < 0) { //+ up: true+ false- ;; n > 0: true- false+ ;; n < 0: true- false-
      return true; //-
    }
    return false; //+
  }

  static String overManyLines(StringBuilder text) {
    return text //+
        .append("a") //+
        .append( //+
            "b")
        .toString(); //+
  }

  static void drive() {
    inArguments(-1, null); //+
    asCondition(-1, true); //+
    overManyLines(new StringBuilder()); //+
  }
}
