// since 17
public class Initialisers {
  static int count = Integer.getInteger("unset", 3) > 2 ? 1 : 0; //+ Integer.getInteger("unset", 3) > 2: true+ false-

  int size = count == 1 ? 5 : 6; //+ count == 1: true+ false-
  int plain;
  final Object inner = //+
      new Object() {
        @Override
        public String toString() {
          return size > 5 ? "large" : "small"; //- size > 5: true- false-
        }
      };

  {
    plain = size; //+
  }

  Initialisers() { //+
    plain++; //+
  }

  Initialisers(int n) { //-
    if (n > 0) { //- n > 0: true- false-
      plain = n; //-
    }
  }

  static class Implicit {
    int a = 1; //+
  }

  enum Flag {
    RED("r"), //+
    BLUE("b") { //+
      @Override
      boolean isCold() {
        return true; //+
      }
    };

    final String code;

    Flag(String code) { //+
      this.code = code; //+
    }

    boolean isCold() {
      return false; //+
    }
  }

  record Pair(int a, int b) {
    Pair { //+
      if (a > b) { //+ a > b: true- false+
        throw new IllegalArgumentException(); //-
      }
    }

    int sum() {
      return a + b; //-
    }
  }

  static void drive() {
    new Initialisers(); //+
    new Implicit(); //+
    Flag.RED.isCold(); //+
    Flag.BLUE.isCold(); //+
    new Pair(1, 2).a(); //+
  }
}
