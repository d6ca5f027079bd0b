// since 17
public class SwitchRules {
  enum Wind {
    NORTH, //+
    EAST, //+
    SOUTH //+
  }

  static int arrows(char c) {
    return switch (c) { //+ switch (c): 'a', 'b'+ 'c'- default-
      case 'a', 'b' -> 1; //+
      case 'c' -> {
        int n = c; //-
        yield n; //-
      }
      default -> 0; //-
    };
  }

  static int exhaustive(Wind w) {
    return switch (w) { //+ switch (w): NORTH- EAST+ SOUTH-
      case NORTH -> 1; //-
      case EAST -> 2; //+
      case SOUTH -> 3; //-
    };
  }

  static void drive() {
    arrows('b'); //+
    exhaustive(Wind.EAST); //+
  }
}
