public class If {
  static int f(int n) {
    if (n > 3) { //+ n > 3: true- false+
      return 1; //-
    }
    if (n == 0) { //+ n == 0: true+ false+
      n++; //+
    } else if (n < 0) //+ n < 0: true- false+
      n--; //-
    else {
      n += 2; //+
    }
    return n; //+
  }

  static void nothing() {
  } //+

  static void drive() {
    f(0); //+
    f(1); //+
    nothing(); //+
  }
}
