import java.math.BigDecimal;
import java.net.MalformedURLException;
import java.net.URL;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalTime;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.function.Supplier;

/**
 * What code of libraries is made of. Each method has one place where it throws Here; a way leads
 * there. Where a comment says open, none was found so far, which has to be said.
 */
class Errands {
  static class Here extends RuntimeException {}

  // ---- texts ----

  static void trimmed(String text) {
    String name = text == null ? "" : text.trim();
    if (!name.isEmpty() && name.length() < text.length()) {
      throw new Here();
    }
  }

  static void lower(String text) {
    if (text.toLowerCase(Locale.ENGLISH).equals("tug") && !text.equals("tug")) {
      throw new Here();
    }
  }

  static void afterColon(String header) {
    int colon = header.indexOf(':');
    if (colon > 0 && header.substring(colon + 1).trim().equals("deep")) {
      throw new Here();
    }
  }

  static void suffix(String file) {
    int dot = file.lastIndexOf('.');
    if (dot >= 0 && file.substring(dot).equals(".csv")) {
      throw new Here();
    }
  }

  static void quoted(String text) {
    if (text.length() >= 2 && text.charAt(0) == '"' && text.charAt(text.length() - 1) == '"') {
      throw new Here();
    }
  }

  static void hexDigit(char digit) {
    int value = Character.digit(digit, 16);
    if (value > 9) {
      throw new Here();
    }
  }

  static void parsedRange(String text) {
    int berth = Integer.parseInt(text);
    if (berth >= 10 && berth < 20) {
      throw new Here();
    }
  }

  static void decimal(String text) {
    if (Double.parseDouble(text) > 12.5) {
      throw new Here();
    }
  }

  static void replaced(String text) {
    if (text.replace('-', '_').equals("a_b")) {
      throw new Here();
    }
  }

  static void matching(String text) {
    if (text.matches("[A-Z]{2}\\d+")) {
      throw new Here();
    }
  }

  static void eachLetter(String text) {
    int digits = 0;
    for (int i = 0; i < text.length(); i++) {
      if (Character.isDigit(text.charAt(i))) {
        digits++;
      }
    }
    if (digits == 2 && text.length() == 3) {
      throw new Here();
    }
  }

  static void asBytes(byte[] data) {
    if (data.length == 2 && (data[0] & 0xFF) > 200 && data[1] < 0) {
      throw new Here();
    }
  }

  static void put(String name, String kind) {
    StringBuilder text = new StringBuilder();
    if (name != null) {
      text.append(name);
    }
    if (kind != null) {
      if (text.length() > 0) {
        throw new Here();
      }
      text.append(kind);
    }
  }

  static void pieces(int[] berths) {
    StringBuilder text = new StringBuilder("berths ");
    for (int berth : berths) {
      text.append(berth).append(';');
    }
    String all = text.toString();
    if (all.endsWith("7;") && all.length() > 10) {
      throw new Here();
    }
  }

  static void left(String name) {
    StringBuilder text = new StringBuilder();
    fill(text, name);
    if (text.length() == 0) {
      throw new Here(); // open
    }
  }

  private static void fill(StringBuilder text, String name) {
    text.append(name.isEmpty() ? "nobody" : name);
  }

  static void joined(String first, String second) {
    String both = first + "/" + second;
    if (both.equals("quay/north")) {
      throw new Here();
    }
  }

  // ---- numbers ----

  static void remainder(int year) {
    if (year % 4 == 0 && (year % 100 != 0 || year % 400 == 0) && year > 1999) {
      throw new Here();
    }
  }

  static void sign(long difference) {
    int sign = Long.signum(difference);
    if (sign < 0) {
      throw new Here();
    }
  }

  static void limited(int wanted, int most) {
    int given = Math.min(wanted, most);
    if (given == 7 && wanted > most) {
      throw new Here();
    }
  }

  static void shifted(int flags) {
    if (((flags >> 4) & 0xF) == 0xA) {
      throw new Here();
    }
  }

  static void halves(double share) {
    double half = share / 2;
    if (half > 0.3 && half < 0.4) {
      throw new Here();
    }
  }

  static void money(BigDecimal price) {
    if (price.compareTo(BigDecimal.TEN) > 0 && price.signum() > 0) {
      throw new Here();
    }
  }

  static void compared(Integer one, Integer other) {
    int order = one.compareTo(other);
    if (order < 0) {
      throw new Here();
    }
  }

  static void summed(int[] loads) {
    int sum = 0;
    for (int load : loads) {
      sum += load;
    }
    if (sum > 100) {
      throw new Here();
    }
  }

  static void largest(int first, int second, int third) {
    int most = Math.max(first, Math.max(second, third));
    if (most == third && third > second && second > first) {
      throw new Here();
    }
  }

  static void late(LocalTime time) {
    if (time.isAfter(LocalTime.of(22, 0))) {
      throw new Here();
    }
  }

  static void longer(Duration stay) {
    if (stay.toHours() >= 24) {
      throw new Here();
    }
  }

  // ---- objects ----

  static void optional(Optional<String> name) {
    if (name.isPresent()) {
      throw new Here(); // open
    }
  }

  static void known(Map<String, Integer> berths, String name) {
    Integer berth = berths.get(name);
    if (berth == null) {
      throw new Here();
    }
  }

  static void mapped() {
    Map<String, Integer> berths = new HashMap<>();
    berths.put("tug", 1);
    if (berths.containsKey("tug")) {
      throw new Here();
    }
  }

  static void same(Object one, Object other) {
    if (Objects.equals(one, other)) {
      throw new Here();
    }
  }

  static void nothing(Object cargo) {
    if (Objects.isNull(cargo)) {
      throw new Here();
    }
  }

  static void kinds(Object cargo) {
    if (cargo instanceof Integer) {
      int tonnes = (Integer) cargo;
      if (tonnes > 40) {
        throw new Here();
      }
    }
  }

  static void asText(CharSequence text) {
    if (text != null && text.length() > 2) {
      throw new Here();
    }
  }

  static void firstOf(String[] names) {
    if (names == null || names.length == 0) {
      return;
    }
    String first = names[0];
    if (first == null) {
      throw new Here();
    }
  }

  static void lastOf(String[] names) {
    if (names.length > 0 && names[names.length - 1].equals("end")) {
      throw new Here(); // open
    }
  }

  static void grid(int[][] depths) {
    if (depths.length == 2 && depths[1].length == 1) {
      throw new Here();
    }
  }

  static void waiting(Deque<String> queue) {
    if (!queue.isEmpty()) {
      throw new Here();
    }
  }

  static void stacked(String text) {
    Deque<String> open = new ArrayDeque<>();
    for (String word : text.split(" ")) {
      if (word.equals("in")) {
        open.push(word);
      }
    }
    if (open.isEmpty()) {
      throw new Here();
    }
  }

  static void contained(Set<String> names) {
    if (names.contains("Nele")) {
      throw new Here(); // open
    }
  }

  static void tested(IntPredicate isDeep, int depth) {
    if (isDeep.test(depth)) {
      throw new Here();
    }
  }

  static void supplied(Supplier<String> name) {
    if ("Nele".equals(name.get())) {
      throw new Here();
    }
  }

  static void sorted(int[] depths) {
    if (Arrays.equals(depths, new int[] {1, 2})) {
      throw new Here(); // open
    }
  }

  static void encoded(String text) {
    if (text.getBytes(StandardCharsets.UTF_8).length == 3) {
      throw new Here(); // open
    }
  }

  static void nobody(List<String> names) {
    if (Collections.emptyList().equals(names)) {
      throw new Here(); // open
    }
  }

  /** The way around what only a call decides. */
  static void nobodyAtAll(List<String> names) {
    if (names == null || Collections.emptyList().equals(names)) {
      throw new Here();
    }
  }

  // ---- control ----

  static void labelled(int[] rows) {
    int found = -1;
    search:
    for (int i = 0; i < rows.length; i++) {
      for (int j = 0; j < 2; j++) {
        if (rows[i] == j + 10) {
          found = i;
          break search;
        }
      }
    }
    if (found == 1) {
      throw new Here();
    }
  }

  static void counted(int amount) {
    int turns = 0;
    while (amount > 0) {
      amount /= 10;
      turns++;
    }
    if (turns == 2) {
      throw new Here();
    }
  }

  static void atLeastOnce(int amount) {
    int turns = 0;
    do {
      turns++;
      amount -= 3;
    } while (amount > 0);
    if (turns == 3) {
      throw new Here();
    }
  }

  static void fallsThrough(int code) {
    int sum = 0;
    switch (code) {
      case 1:
        sum += 1;
      case 2:
        sum += 2;
        break;
      default:
        sum = 9;
    }
    if (sum == 3) {
      throw new Here();
    }
  }

  static void recursive(int depth) {
    if (factorial(depth) == 24) {
      throw new Here(); // open
    }
  }

  private static int factorial(int number) {
    return number <= 1 ? 1 : number * factorial(number - 1);
  }

  static void caught(String text) {
    int number;
    try {
      number = Integer.parseInt(text);
    } catch (NumberFormatException e) {
      number = -1;
    }
    if (number == -1) {
      throw new Here();
    }
  }

  static void chained(boolean a, boolean b, boolean c, boolean d) {
    boolean isOpen = a && b || c && !d;
    boolean isShut = !a || d;
    if (isOpen && isShut) {
      throw new Here();
    }
  }

  static void nested(int a, int b) {
    int kind = a > 0 ? b > 0 ? 1 : 2 : b > 0 ? 3 : 4;
    if (kind == 3) {
      throw new Here();
    }
  }

  enum Tide {
    HIGH,
    LOW;

    int metres() {
      switch (this) {
        case HIGH:
          return 4;
        default:
          return 1;
      }
    }
  }

  static void tides(Tide tide) {
    if (tide.metres() == 1 && tide.name().endsWith("W")) {
      throw new Here();
    }
  }

  static void noOther(Tide tide) {
    switch (tide) {
      case HIGH:
      case LOW:
        break;
      default:
        throw new Here(); // `switch (tide)` default at line 480 cannot happen there
    }
  }

  // ---- a called method asks what no test decides, and refuses some arguments anyway ----

  static void weighed(int tonnes) {
    weigh(tonnes);
    throw new Here();
  }

  private static int weigh(int tonnes) {
    assert tonnes < 60;
    refuse(tonnes);
    return tonnes;
  }

  private static void refuse(int tonnes) {
    if (tonnes < 7 || tonnes > 40) {
      throw new IllegalArgumentException();
    }
  }

  // ---- what calls do with the very values of a test ----

  static class Pilotage {
    private final String allowed;

    Pilotage(String allowed) {
      this.allowed = allowed;
    }

    private void check(String name) {
      for (int i = 0; i < name.length(); i++) {
        if (allowed.indexOf(name.charAt(i)) < 0) {
          throw new IllegalArgumentException(name);
        }
      }
    }

    void boards(String name, int draught) {
      check(name);
      if (draught > 9) {
        throw new Here();
      }
    }

    /** With the values that come first the check throws. */
    void boardsAt(String name) {
      check(name);
      if (name.equals("quay")) {
        throw new Here(); // open
      }
    }
  }

  // ---- what is called at several places, and made in several ways ----

  static void longest(String one, String other) {
    if (one.isEmpty()) {
      return;
    }
    if (one.length() < other.length()) {
      compared(other);
    } else {
      compared(one);
    }
  }

  /** Not from the first place: what is longer than another has more than one letter. */
  private static void compared(String longer) {
    if (longer.length() == 1) {
      throw new Here();
    }
  }

  static class Ballast {
    private final int[] tanks;
    private int tons;

    Ballast(CharSequence tons) {
      this.tanks = new int[tons.chars().map(digit -> digit - '0').sum()];
    }

    Ballast(int tons) {
      this.tanks = new int[8];
      this.tons = tons;
    }

    void isFilled() {
      if (tanks.length == 8 && tons > 9) {
        throw new Here();
      }
    }
  }

  // ---- texts that are no strings, and such as have to be of a kind ----

  static void spelled(CharSequence name) {
    if (!(name instanceof String) && name.length() == 2 && name.charAt(0) == 'q') {
      throw new Here();
    }
  }

  static void shown(CharSequence name, String all) {
    if (!(name instanceof String) && name.length() == 3 && all.contains(name)) {
      throw new Here();
    }
  }

  static void misaddressed(String link) {
    try {
      new URL(link);
    } catch (MalformedURLException e) {
      throw new Here();
    }
  }

  static boolean isAmount(String words) {
    try {
      new BigDecimal(words);
      return true;
    } catch (NumberFormatException e) {
      throw new Here();
    }
  }

  static int miles(String words) {
    try {
      return parsed(words.trim(), 0);
    } catch (NumberFormatException e) {
      throw new Here();
    }
  }

  private static int parsed(String words, int usual) {
    return words.isEmpty() ? usual : Integer.parseInt(words);
  }

  // ---- letter by letter ----

  static void octal(CharSequence input, int at) {
    boolean isOctal = isOctal(input.charAt(at + 1)) && isOctal(input.charAt(at + 2));
    if (input.charAt(at) == '\\' && isOctal && input.charAt(at + 3) == ';') {
      throw new Here();
    }
  }

  private static boolean isOctal(char letter) {
    return letter >= '0' && letter <= '7';
  }

  static void spelledOut(String name, Locale locale) {
    String small = name.toLowerCase(locale);
    if (small.charAt(2) == 'z' && small.charAt(4) == '#' && small.length() > 7) {
      throw new Here();
    }
  }

  // ---- what no test can name, out of a method that decides ----

  abstract static class Flag {
    static Flag of(String colour) {
      if (colour == null || colour.isEmpty()) {
        return null;
      }
      return new Plain(colour);
    }

    abstract boolean isSeen(int miles);

    private static final class Plain extends Flag {
      private final String colour;

      private Plain(String colour) {
        this.colour = colour;
      }

      @Override
      boolean isSeen(int miles) {
        if (miles < 5 && colour.equals("red")) {
          throw new Here();
        }
        return false;
      }
    }
  }
}
