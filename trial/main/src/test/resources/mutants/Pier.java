import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.IntBinaryOperator;
import java.util.function.Supplier;

/** A bit of everything that can be changed; {@code run} shows every change. */
public class Pier {
  enum Kind {
    TUG,
    BARGE,
    YACHT,
    FERRY
  }

  private static int opened = 3 + count();

  private final List<String> log = new ArrayList<>();
  private int depth = 7;
  private long tonnes = 40L;
  private double length = 12.5;
  private boolean closed;
  private String name;

  Pier(String name) {
    this.name = name;
  }

  Pier(String name, int depth) {
    this.name = name.trim();
    this.depth = depth - 1;
  }

  private static int count() {
    return 2;
  }

  int compare(int a, int b) {
    int sum = 0;
    if (a < b) sum += 1;
    if (a <= b) sum += 2;
    if (a > b) sum += 4;
    if (a >= b) sum += 8;
    if (a == b) sum += 16;
    if (a != b) sum += 32;
    if (a < 0) sum += 64;
    if (0 == b) sum += 128;
    return sum;
  }

  String fractions(double a, float b, long c) {
    String told = "";
    if (a < 2.5) told += "<";
    if (a >= 1.0) told += "g";
    if (b == 0.5f) told += "=";
    if (b != 1.5f) told += "!";
    if (c > 9L) told += ">";
    if (c <= -3) told += "l";
    return told;
  }

  boolean both(boolean a, boolean b, int c) {
    return a && (b || c > 2) || !a && c == 1;
  }

  boolean suits(int draught, boolean gale) {
    boolean deep = draught <= depth;
    boolean calm = !gale;
    return deep & calm | closed;
  }

  int ternary(int a) {
    return a > 3 ? a * 2 : a < -3 ? -a : a % 3;
  }

  long arithmetic(int a, long b) {
    int c = a + 3 - 2 * a / 5 % 7;
    c <<= 2;
    c = c >> 1 ^ a & 6 | 1;
    long d = b - c * tonnes;
    d += 5;
    d -= a;
    d /= 3;
    return d >>> 2;
  }

  double fare(double metres, float rate) {
    double price = metres * rate + 0.5;
    price -= length / 2;
    return -price;
  }

  int loops(int n) {
    int sum = 0;
    for (int i = 0; i < n && sum > -99; i++) {
      sum += i;
      if (sum > 60) break;
    }
    int left = n;
    while (left > 0) {
      left -= 2;
      sum++;
      if (sum > 90) return sum;
    }
    do {
      left++;
      --sum;
    } while (left < 3 && sum > 0);
    for (String line : log) {
      sum += line.length();
    }
    return sum;
  }

  String number(int berth) {
    switch (berth) {
      case 1:
        return "first";
      case 2:
        return "second";
      case 7:
      case 8:
        return "far";
      default:
        return "none";
    }
  }

  int word(String word) {
    switch (word) {
      case "in":
        return 1;
      case "out":
        return -1;
      case "hold":
        return 0;
      default:
        throw new IllegalArgumentException(word);
    }
  }

  char kind(Kind kind) {
    char letter = 'x';
    switch (kind) {
      case TUG:
        letter = 't';
        break;
      case BARGE:
        letter = 'b';
        break;
      case FERRY:
        letter = 'f';
    }
    return letter;
  }

  void moor(String boat) {
    if (boat == null) throw new NullPointerException("boat");
    log.add(boat);
    note(boat, log.size());
    closed = log.size() > 2;
    tonnes = tonnes + 1;
  }

  private void note(String boat, int number) {
    log.add(0, boat + number);
  }

  int guarded(String text) {
    int tries = 0;
    try {
      tries++;
      return Integer.parseInt(text) + tries;
    } catch (NumberFormatException e) {
      if (text.isEmpty()) return -1;
      tries += 10;
    } finally {
      depth += 2;
      log.add("tried " + tries);
    }
    return tries;
  }

  void check(int value) {
    if (value > 100) {
      throw new IllegalStateException("large");
    }
    depth = value;
  }

  void refuse() {
    closed = true;
    throw new UnsupportedOperationException();
  }

  List<String> boats() {
    return log;
  }

  Map<String, Integer> sizes() {
    Map<String, Integer> sizes = new TreeMap<>();
    log.forEach(boat -> sizes.put(boat, boat.length() + 1));
    return sizes;
  }

  Optional<String> last() {
    return log.isEmpty() ? Optional.empty() : Optional.of(log.get(log.size() - 1));
  }

  Set<String> names() {
    return Collections.singleton(name);
  }

  boolean next(List<String> queue) {
    return !queue.isEmpty() && !queue.remove(0).equals(name) || queue.size() > 3;
  }

  Object any() {
    return name;
  }

  static boolean manned(String boat, int[] crew) {
    return boat.length() > 0 && crew.length != 0;
  }

  Integer boxed(int a) {
    return a;
  }

  Boolean isOpen() {
    return depth > 3;
  }

  int[] depths() {
    return new int[] {depth, 3};
  }

  String[][] chart() {
    return new String[][] {{name}};
  }

  boolean opens() {
    return true;
  }

  boolean contains(String boat) {
    return log.contains(boat);
  }

  String text() {
    return name + ":" + depth;
  }

  int applied(int a, int b) {
    IntBinaryOperator twice = (x, y) -> x * 2 - y;
    Supplier<String> told =
        () -> {
          if (a > b) {
            return "more";
          }
          return "less" + a;
        };
    return twice.applyAsInt(a, b) + told.get().length();
  }

  class Bollard {
    private int ropes;

    int tie(int more) {
      ropes += more;
      return ropes > depth ? ropes : -1;
    }
  }

  // ---- what shows it ----

  interface Asked {
    Object ask();
  }

  static void ask(StringBuilder told, Asked asked) {
    Object answer;
    try {
      answer = asked.ask();
    } catch (RuntimeException | StackOverflowError e) {
      answer = e.getClass().getSimpleName();
    }
    told.append(shown(answer)).append(';');
  }

  static String shown(Object answer) {
    if (answer instanceof int[]) return java.util.Arrays.toString((int[]) answer);
    if (answer instanceof Object[]) return java.util.Arrays.deepToString((Object[]) answer);
    return String.valueOf(answer);
  }

  public static String run() {
    StringBuilder told = new StringBuilder();
    int[] numbers = {-7, 0, 1, 3, 4, 9};
    for (int a : numbers) {
      for (int b : numbers) {
        ask(told, () -> new Pier("north").compare(a, b));
        ask(told, () -> new Pier("north").fractions(a / 2.0, b / 2f, a * 2L));
        ask(told, () -> new Pier("north", b).both(a > 0, b > 0, a));
        ask(told, () -> new Pier("north", b).suits(a, b > 2));
        ask(told, () -> new Pier(" south ", a).arithmetic(a, b * 31L));
        ask(told, () -> new Pier("north").fare(a, b));
        ask(told, () -> new Pier("north").applied(a, b));
      }
      ask(told, () -> new Pier("north").ternary(a));
      ask(told, () -> new Pier("north").loops(a * 2));
      ask(told, () -> new Pier("north").number(a));
      ask(told, () -> new Pier("north").number(a + 1));
      ask(told, () -> new Pier("north").number(a + 4));
      ask(told, () -> new Pier("north").boxed(a));
      ask(told, () -> new Pier("east", a).isOpen());
      ask(told, () -> new Pier("east", a).depths());
      ask(told, () -> new Pier("east", a).text());
      ask(told, () -> new Pier("east", a).new Bollard().tie(a));
    }
    for (String word : new String[] {"in", "out", "hold", "", "12"}) {
      ask(told, () -> new Pier("north").word(word));
      Pier pier = new Pier("west");
      ask(told, () -> pier.guarded(word));
      ask(told, pier::text);
      ask(told, pier::boats);
    }
    for (Kind kind : Kind.values()) {
      ask(told, () -> new Pier("north").kind(kind));
    }
    Pier pier = new Pier("north");
    for (String boat : new String[] {"Ada", null, "Bo", "Cleo"}) {
      ask(told, pier::last);
      ask(
          told,
          () -> {
            pier.moor(boat);
            return pier.closed + " " + pier.tonnes;
          });
      ask(told, pier::sizes);
    }
    List<String> queue = new ArrayList<>(java.util.Arrays.asList("north", "a", "b", "c", "d", "e", "f"));
    for (int i = 0; i < 9; i++) {
      ask(told, () -> pier.next(queue) + " " + queue.size());
    }
    for (String boat : new String[] {"", "Ada"}) {
      ask(told, () -> manned(boat, new int[boat.length()]));
    }
    ask(told, pier::names);
    ask(told, pier::any);
    ask(told, pier::chart);
    ask(told, pier::opens);
    ask(told, () -> pier.contains("Ada"));
    ask(told, () -> pier.contains("Eve"));
    ask(told, () -> pier.loops(3));
    for (int value : new int[] {99, 100, 101}) {
      ask(
          told,
          () -> {
            pier.check(value);
            return pier.depth;
          });
    }
    ask(
        told,
        () -> {
          pier.refuse();
          return "refused";
        });
    ask(told, () -> pier.closed);
    ask(told, () -> opened);
    return told.toString();
  }
}
