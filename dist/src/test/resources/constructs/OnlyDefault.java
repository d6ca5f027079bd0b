// since 17
public class OnlyDefault {
  static int only(int n) {
    switch (n) { //+ switch (n): default+
      default:
        return 1; //+
    }
  }

  static int together(int n) {
    switch (n) { //+ switch (n): 1- default+
      case 1:
        return 1; //-
      case 2:
      default:
        return 2; //+
    }
  }

  static int sparse(long n) {
    return switch ((int) n % 5000) { //+ switch ((int) n % 5000): 1000- 2000, 3000+ default-
      case 1000 -> 1; //-
      case 2000, 3000 -> { //:
        int k = (int) n; //+
        yield k > 0 ? k : 0; //+ k > 0: true+ false-
      }
      default -> throw new IllegalArgumentException(); //-
    };
  }

  static void drive() {
    only(3); //+
    together(2); //+
    sparse(3000); //+
  }
}
