import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * Generates a large project: {@code java bench/Large.java DIR CLASSES TESTS}. Each class has ten
 * methods of about twenty points, each test calls a hundred and fifty of them, in some thirty
 * classes.
 */
class Large {
  private static final int METHODS = 10;
  private static final int ENTRIES = 30;
  private static final int TESTS_OF_A_CLASS = 50;

  public static void main(String[] words) throws IOException {
    Path folder = Path.of(words[0]);
    int classes = Integer.parseInt(words[1]);
    int tests = Integer.parseInt(words[2]);
    for (int i = 0; i < classes; i++) {
      Path file = folder.resolve("src/large/p" + i / 100 + "/C" + i + ".java");
      Files.createDirectories(file.getParent());
      try (PrintWriter to = new PrintWriter(Files.newBufferedWriter(file))) {
        type(to, i);
      }
    }
    Path testFolder = Files.createDirectories(folder.resolve("test/large"));
    for (int i = 0; i < tests / TESTS_OF_A_CLASS; i++) {
      try (PrintWriter to =
          new PrintWriter(Files.newBufferedWriter(testFolder.resolve("T" + i + "Test.java")))) {
        test(to, i, classes);
      }
    }
    Files.writeString(folder.resolve("atalaya.yaml"), "");
  }

  private static void type(PrintWriter to, int number) {
    to.println("package large.p" + number / 100 + ";");
    to.println("public class C" + number + " {");
    for (int m = 0; m < METHODS; m++) {
      to.println("  public static int m" + m + "(int n) {");
      to.println("    int sum = n + " + m + ";");
      to.println("    for (int i = 0; i < (n & 3); i++) {");
      to.println("      if ((n >> i) % 2 == 0) {");
      to.println("        sum += i;");
      to.println("      } else {");
      to.println("        sum -= i;");
      to.println("      }");
      to.println("    }");
      to.println("    if (sum > " + (number % 50) + " && n < 5000) {");
      to.println("      sum = sum * 3;");
      to.println("    }");
      to.println("    String text = \"n\";");
      to.println("    text = text + sum;");
      to.println("    sum += text.length();");
      to.println("    if (sum % 7 == 3) {");
      to.println("      sum++;");
      to.println("    }");
      to.println(m % 5 == 4 ? "    return sum;" : "    return m" + (m + 1) + "(n + sum % 5);");
      to.println("  }");
    }
    to.println("}");
  }

  private static void test(PrintWriter to, int number, int classes) {
    to.println("package large;");
    to.println("public class T" + number + "Test {");
    for (int t = 0; t < TESTS_OF_A_CLASS; t++) {
      int id = number * TESTS_OF_A_CLASS + t;
      to.println("  @org.junit.Test public void t" + t + "() {");
      to.println("    int sum = 0;");
      for (int e = 0; e < ENTRIES; e++) {
        int type = Math.floorMod(id / 5 * 31 + e * 97, classes);
        String call = "large.p" + type / 100 + ".C" + type + ".m" + (id + e) % 2 * 5;
        to.println("    sum += " + call + "(" + id % 97 + ");");
      }
      to.println("    org.junit.Assert.assertTrue(sum != 0);");
      to.println("  }");
    }
    to.println("}");
  }
}
