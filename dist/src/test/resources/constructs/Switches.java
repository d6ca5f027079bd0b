public class Switches {
  enum Wind {
    NORTH, //+
    EAST, //+
    SOUTH //+
  }

  static int numbers(int n) {
    switch (n) { //+ switch (n): 1, 2+ 3- 5- default+
      case 1:
      case 2:
        return 10; //+
      case 3:
        n++; //-
      case 5:
        return n; //-
      default:
        return 0; //+
    }
  }

  static int strings(String s) {
    switch (s) { //+ switch (s): "Aa"+ "BB"- "c"- default-
      case "Aa":
        return 1; //+
      case "BB":
        return 2; //-
      case "c":
        return 3; //-
    }
    return 0; //-
  }

  static int enums(Wind w) {
    int n = 0; //+
    switch (w) { //+ switch (w): NORTH+ SOUTH- default+
      case NORTH:
        n = 1; //+
        // falls through
      case SOUTH:
        n += 2; //+
        break;
    }
    return n; //+
  }

  static int emptyLast(Wind w) {
    int n = 0; //+
    switch (w) { //+ switch (w): NORTH- SOUTH+ default-
      case NORTH:
        n = 1; //-
        break; //-
      case SOUTH:
    }
    return n; //+
  }

  static int defaultBetween(String s) {
    int n = 0; //+
    switch (s) { //+ switch (s): "one"- "two"- "six"+ default-
      case "one":
        n++; //-
      default:
        n += 2; //-
      case "two":
        n += 3; //-
      case "six":
        n += 4; //+
    }
    return n; //+
  }

  static void drive() {
    numbers(2); //+
    numbers(4); //+
    strings("Aa"); //+
    enums(Wind.NORTH); //+
    enums(Wind.EAST); //+
    emptyLast(Wind.SOUTH); //+
    defaultBetween("six"); //+
  }
}
