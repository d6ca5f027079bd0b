import java.util.List;

public class Loops {
  static int whileLoop(int n) {
    int sum = 0; //+
    while (n > 0) { //+ n > 0: true+ false+ ;; loop: zero- once- more+
      sum += n--; //+
    }
    return sum; //+
  }

  static int doLoop(int n) {
    do { //: loop: zero- once+ more-
      n--; //+
    } while (n > 0 && n < 100); //+ n > 0: true- false+ ;; n < 100: true- false-
    return n; //+
  }

  static int forLoop(int[] a) {
    int sum = 0; //+
    for (int i = 0; i < a.length; i++) { //+ i < a.length: true+ false+ ;; loop: zero- once- more+
      if (a[i] < 0) { //+ a[i] < 0: true- false+
        continue; //-
      }
      sum += a[i]; //+
    }
    return sum; //+
  }

  static String each(List<String> names) {
    for (String name : names) { //+ for (String name : names): another+ no more-
      return name; //+
    }
    return ""; //-
  }

  static int eachOf(int[] a) {
    int sum = 0; //+
    for (int x : a) { //+ for (int x : a): another- no more+ ;; loop: zero+ once- more-
      sum += x; //-
    }
    return sum; //+
  }

  static int endless(int n) {
    while (true) { //: loop: zero- once- more+
      if (n-- < 0) { //+ n-- < 0: true+ false+
        break; //+
      }
    }
    outer:
    for (; ; ) { //: loop: zero- once+ more-
      for (int i = 0; i < 3; i++) { //+ i < 3: true+ false- ;; loop: zero- once- more+
        if (i == 2) { //+ i == 2: true+ false+
          break outer; //+
        }
      }
    }
    return n; //+
  }

  static void drive() {
    whileLoop(2); //+
    doLoop(1); //+
    forLoop(new int[] {1, 2}); //+
    each(java.util.Arrays.asList("a")); //+
    eachOf(new int[0]); //+
    endless(1); //+
  }
}
