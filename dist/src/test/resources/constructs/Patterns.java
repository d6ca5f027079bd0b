// since 21
public class Patterns {
  sealed interface Cargo permits Box, Tank, Pair {}

  record Box(int weight) implements Cargo {}

  record Tank(String liquid, boolean full) implements Cargo {}

  record Pair(Cargo left, Cargo right) implements Cargo {}

  enum Wind {
    NORTH, //+
    SOUTH //+
  }

  static int types(Object o) {
    return switch (o) { //+ switch (o): null+ String s- Integer i when i > 10+ Integer i+ Wind w- default-
      case null -> 0; //+
      case String s -> s.length(); //-
      case Integer i when i > 10 -> 2; //+ i > 10: true+ false+
      case Integer i -> i; //+
      case Wind w -> 5; //-
      default -> 9; //-
    };
  }

  static int guardOnly(Object o) {
    return switch (o) { //+ switch (o): Integer i when i > 10- default+
      case Integer i when i > 10 -> 2; //+ i > 10: true- false+
      default -> 9; //+
    };
  }

  static int sealedTypes(Cargo c) {
    return switch (c) { //+ switch (c): Box b- Tank t+ Pair p-
      case Box b -> b.weight(); //-
      case Tank t -> 2; //+
      case Pair p -> 3; //-
    };
  }

  static int records(Cargo c) {
    return switch (c) { //+ switch (c): Box(int w)- Tank(String l, boolean f)+ Pair(Box(int a), Box(int b))- Pair p+
      case Box(int w) -> w; //-
      case Tank(String l, boolean f) -> l.length(); //+
      case Pair(Box(int a), Box(int b)) -> //+
          a + b; //-
      case Pair p -> 7; //+
    };
  }

  static int test(Object o) {
    if (o instanceof Box(int w) && w > 3) { //+ o instanceof Box(int w): true+ false+ ;; w > 3: true- false+
      return w; //-
    }
    if (!(o instanceof Pair(Box(int a), var b))) { //+ o instanceof Pair(Box(int a), var b): true+ false+
      return 1; //+
    }
    return a; //+
  }

  static String statement(Object o) {
    String r = ""; //+
    switch (o) { //+ switch (o): Box b when b.weight() > 3 && b.weight() < 9+ Box b- default-
      case Box b when b.weight() > 3 && b.weight() < 9: //+ b.weight() > 3: true+ false- ;; b.weight() < 9: true+ false-
        r = "mid"; //+
        break; //+
      case Box b: //-
        r = "box"; //-
        break; //-
      case null, default:
        r = "other"; //-
    }
    return r; //+
  }

  static int either(Object o) {
    return switch (o) { //+ switch (o): Box b when b.weight() > 3 || b.weight() < 0+ default-
      case Box b when b.weight() > 3 || b.weight() < 0 -> 1; //+ b.weight() > 3: true+ false- ;; b.weight() < 0: true- false-
      default -> 2; //-
    };
  }

  static int enums(Wind w) {
    return switch (w) { //+ switch (w): NORTH- SOUTH+ null-
      case NORTH -> 1; //-
      case SOUTH -> 2; //+
      case null -> 3; //-
    };
  }

  static int strings(String s) {
    return switch (s) { //+ switch (s): "a", "b"+ String t when t.isEmpty()- null- default+
      case "a", "b" -> 1; //+
      case String t when t.isEmpty() -> 2; //+ t.isEmpty(): true- false+
      case null -> 4; //-
      default -> { //:
        int n = s.length(); //+
        yield n; //+
      }
    };
  }

  static boolean plain(Object o) {
    boolean b = o instanceof String s && s.length() > 2; //+ o instanceof String s: true- false+ ;; s.length() > 2: true- false-
    return b || o instanceof Box(int w); //+ b: true- false+ ;; o instanceof Box(int w): true+ false-
  }

  static int twice(Object o, int n) {
    int k = 0; //+
    switch (o) { //+ switch (o): String s- Integer i when !(i > 4 && n > 1)+ default-
      case String s: //-
        k++; //-
        break; //-
      case Integer i when !(i > 4 && n > 1): //+ i > 4: true+ false- ;; n > 1: true- false+
        k = i; //+
        break; //+
      default:
        k--; //-
    }
    switch (o) { //+ switch (o): String s- Integer i when i > n+ default-
      case String s: //-
        k++; //-
        break; //-
      case Integer i when i > n: //+ i > n: true+ false-
        k = 2 * i; //+
        break; //+
      default:
        k--; //-
    }
    return k; //+
  }

  static void drive() {
    types(null); //+
    types(11); //+
    types(1); //+
    guardOnly(1); //+
    sealedTypes(new Tank("oil", true)); //+
    records(new Tank("oil", true)); //+
    records(new Pair(new Box(1), new Tank("oil", false))); //+
    test(new Box(1)); //+
    test(new Pair(new Box(1), new Box(2))); //+
    statement(new Box(5)); //+
    either(new Box(5)); //+
    enums(Wind.SOUTH); //+
    strings("b"); //+
    strings("long"); //+
    plain(new Box(1)); //+
    twice(5, 1); //+
  }
}
