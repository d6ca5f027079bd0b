public class Exceptions {
  static int halfWay(String s) {
    int n = 1; int[] a = new int[1]; //+
    a[0] = s.length(); //+
    n += a[0]; //-
    return n; //-
  }

  static int caught(String s) {
    try {
      return Integer.parseInt(s); //+
    } catch (NumberFormatException e) { //+
      return -1; //+
    } catch (RuntimeException e) { //-
      return -2; //-
    }
  }

  static int atLast(int n) {
    int k = 0; //+
    try {
      if (n > 1) { //+ n > 1: true+ false-
        return n; //+
      }
      k = 1; //-
    } finally {
      if (n == 5) { //+ n == 5: true- false+
        k = 2; //-
      }
    }
    return k; //-
  }

  static void drive() {
    try {
      halfWay(null); //+
      caught(""); //-
    } catch (NullPointerException e) { //+
      caught("x"); //+
    }
    atLast(2); //+
  }
}
