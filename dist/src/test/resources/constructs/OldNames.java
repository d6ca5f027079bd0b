// until 8
public class OldNames {
  static int yield(int n) {
    return n > 2 ? n : 2; //+ n > 2: true- false+
  }

  static int _(int record) {
    int var = 0; //+
    for (int _ = 0; _ < record; _++) { //+ _ < record: true+ false+ ;; loop: zero- once- more+
      var += yield(_); //+
    }
    return var; //+
  }

  static void drive() {
    _(3); //+
  }
}
