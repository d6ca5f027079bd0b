// javac since 9: older ones count the arms of a choice, and what leaves a try, to no line of their own
public class LaterLines {
  static int nested(int n) {
    int k = 0; //+
    for (int i = 0; i < n; i++) { //+ i < n: true+ false- ;; loop: zero- once- more+
      try {
        try {
          if (i == 1) { //+ i == 1: true+ false+
            continue; //+
          }
          if (i == 2) { //+ i == 2: true+ false+
            break; //+
          }
          k += i; //+
        } finally {
          k += n > 5 ? 10 : 1; //+ n > 5: true- false+
        }
      } finally {
        k *= 2; //+
      }
    }
    return k; //+
  }

  static String size(int n) {
    return n > 100 //+ n > 100: true- false+
        ? "large" //-
        : n > 10 ? "medium" : "small"; //+ n > 10: true+ false-
  }

  static String choose(boolean a) {
    return a //+ a: true+ false-
        ? "a" //+
        : "b"; //-
  }

  static int choosePart(boolean a, boolean b) {
    return a //+ a: true- false+
        && is(b) ? 1 : 2; //+ is(b): true- false-
  }

  static boolean is(boolean a) {
    return a; //-
  }

  static void drive() {
    nested(3); //+
    size(20); //+
    choose(true); //+
    choosePart(false, true); //+
  }
}
