// since 17
public class AssertedPatterns {
  static void inBlock(Object o, int n) {
    assert o instanceof String s && s.length() > n; //+ o instanceof String s: true+ false- ;; s.length() > n: true+ false-
    assert !(o instanceof String s && s.isEmpty()) : o; //+ o instanceof String s: true+ false- ;; s.isEmpty(): true- false+
    assert o instanceof String s; //+ o instanceof String s: true+ false-
    assert !(o instanceof String s) || n < s.length(); //+ o instanceof String s: true+ false- ;; n < s.length(): true+ false-
  }

  static void withoutBlock(Object o, int n) {
    if (n > 1) assert o instanceof String s && s.length() > n; //+ n > 1: true+ false- ;; o instanceof String s: true+ false- ;; s.length() > n: true+ false-
    for (int i = 0; i < n; i++) assert !(o instanceof String s && s.isEmpty()); //+ i < n: true+ false+ ;; o instanceof String s: true+ false- ;; s.isEmpty(): true- false+ ;; loop: zero- once- more+
    switch (n) { //+ switch (n): 2+ default-
      case 2:
        assert o instanceof String s && s.length() > n; //+ o instanceof String s: true+ false- ;; s.length() > n: true+ false-
    }
  }

  static void drive() {
    inBlock("long", 1); //+
    withoutBlock("long", 2); //+
  }
}
