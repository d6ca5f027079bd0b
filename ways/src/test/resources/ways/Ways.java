import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/** Each method has one place where it throws Here; a way leads there, but not in those named never. */
class Ways {
  static class Here extends RuntimeException {}

  enum Flag {
    RED(true, 3),
    GREEN(false, 0),
    BLUE(true, 0);

    private final boolean warns;
    private final int guns;

    Flag(boolean warns, int guns) {
      this.warns = warns;
      this.guns = guns;
    }

    boolean isSalute() {
      return warns && guns > 2;
    }
  }

  record Span(int from, int to) {
    Span {
      if (to < from) {
        throw new IllegalArgumentException("ends before it begins");
      }
    }

    int length() {
      return to - from;
    }
  }

  static final class Ship {
    private final String name;
    private final int decimetres;
    private final Flag flag;

    Ship(String name, int decimetres, Flag flag) {
      if (decimetres <= 0) {
        throw new IllegalArgumentException("a ship must have a length");
      }
      this.name = name;
      this.decimetres = decimetres;
      this.flag = flag;
    }

    int metres() {
      return (decimetres + 9) / 10;
    }

    boolean isNamed() {
      return name != null && !name.isBlank();
    }

    Flag flag() {
      return flag;
    }
  }

  static void between(int a, int b) {
    if (a > 3 && a < 9 && b == a * 2) {
      throw new Here();
    }
  }

  static void negated(boolean a, boolean b) {
    if (!(a || !b)) {
      throw new Here();
    }
  }

  static void floating(double share, long amount) {
    if (share < 0.25 && share > 0.2 && amount / 3 == 7L) {
      throw new Here();
    }
  }

  static void text(String text) {
    if (text != null && text.startsWith("CLUB") && text.length() > 6 && !text.contains("-")) {
      throw new Here();
    }
  }

  static void letters(String text) {
    if (text.length() == 3 && text.charAt(1) == '.' && Character.isDigit(text.charAt(0))) {
      throw new Here();
    }
  }

  static void fields(String line) {
    String[] fields = line.trim().split(";");
    if (fields.length > 2 && fields[2].trim().equals("none") && fields[0].isEmpty()) {
      throw new Here();
    }
  }

  static void words(String order) {
    switch (order) {
      case "arrive":
        return;
      case "depart":
        throw new Here();
      default:
        return;
    }
  }

  static void numbers(int code, char letter) {
    switch (code) {
      case 3:
      case 4:
        if (letter >= 'a' && letter <= 'f') {
          throw new Here();
        }
        break;
      default:
    }
  }

  static void flags(Flag flag) {
    switch (flag) {
      case RED:
      case GREEN:
        break;
      default:
        throw new Here();
    }
  }

  static void salutes(Flag flag) {
    if (flag.isSalute()) {
      throw new Here();
    }
  }

  static void ships(Ship ship, int limit) {
    if (ship.metres() > 90 && ship.isNamed() && ship.flag() != Flag.RED && limit > ship.metres()) {
      throw new Here();
    }
  }

  static void spans(Span span) {
    if (span.length() > 10 && span.from() < 0) {
      throw new Here();
    }
  }

  static void dates(LocalDate from, LocalDate to) {
    if (from.isBefore(to) && from.plusDays(20).isBefore(to)) {
      throw new Here();
    }
  }

  static void parsed(String text) {
    try {
      Integer.parseInt(text);
    } catch (NumberFormatException e) {
      throw new Here();
    }
  }

  static void loops(int[] depths) {
    int shallow = 0;
    for (int depth : depths) {
      if (depth < 2) {
        shallow++;
      }
    }
    if (shallow == 2) {
      throw new Here();
    }
  }

  static void lists(List<String> names) {
    for (String name : names) {
      if (name.equals("Nele")) {
        throw new Here();
      }
    }
  }

  static void turns(int tries) {
    for (int i = 1; i <= 3; i++) {
      if (i == 3 && tries > 0) {
        throw new Here();
      }
    }
  }

  static void throughAnother(int hazard) {
    if (hazard >= 0) {
      hidden(hazard * 2 + 1);
    }
  }

  private static void hidden(int odd) {
    if (odd == 15) {
      throw new Here();
    }
  }

  static void built() {
    List<Integer> made = new ArrayList<>();
    made.add(3);
    if (made.size() == 1 && !made.isEmpty()) {
      throw new Here();
    }
  }

  static void neverTwice(int a) {
    if (a > 5) {
      if (a < 5) {
        throw new Here(); // `a < 5` true at line 218 cannot happen together with `a > 5` true at line 217
      }
    }
  }

  static void neverNull(String text) {
    if (text.isEmpty()) {
      return;
    }
    if (text == null) {
      throw new Here(); // `text == null` true at line 228 cannot happen there
    }
  }

  static void neverBoth(String text) {
    if (text.equals("red") && text.equals("green")) {
      throw new Here(); // `text.equals("green")` true at line 234 cannot happen together with `text.equals("red")` true at line 234
    }
  }

  static void weekends(LocalDate from, LocalDate to) {
    int fridays = 0;
    for (LocalDate day = from; day.isBefore(to); day = day.plusDays(1)) {
      if (day.getDayOfWeek() == java.time.DayOfWeek.FRIDAY && day.getMonthValue() == 7) {
        fridays++;
      }
    }
    if (fridays == 1 && from.plusDays(3).equals(to)) {
      throw new Here();
    }
  }

  static void excludeEachOther(int size, boolean isOld, String name) {
    int score = 0;
    if (size > 90) {
      score++;
    }
    if (isOld) {
      score++;
    }
    if (size < 20 && !isOld && name.startsWith("CLUB")) {
      score += 5;
    }
    if (score == 5) {
      throw new Here();
    }
  }

  static void asksAfterwards(int amount) {
    if (isLarge(amount)) {
      return;
    }
    if (amount == 7) {
      throw new Here();
    }
  }

  private static boolean isLarge(int amount) {
    return amount > 1000 || amount < -1000;
  }

  /** Sends what has to be sent. */
  interface Link {
    void send(String text) throws Down;
  }

  static class Down extends Exception {}

  static void givesUp(Link link) {
    for (int i = 1; i <= 3; i++) {
      try {
        link.send("notice " + i);
        return;
      } catch (Down e) {
        if (i == 3) {
          throw new Here();
        }
      }
    }
  }

  final class Deck {
    final int length;

    Deck(int length) {
      this.length = length;
    }
  }

  static void inner(Deck deck) {
    if (deck.length > 3) {
      throw new Here();
    }
  }

  static final class Office {
    static final Office ONLY = new Office();

    private Office() {}
  }

  static void single(Office office) {
    if (office != null) {
      throw new Here();
    }
  }

  static void checked(int depth) {
    Checks.that(depth > 5, "too shallow");
    if (depth < 8) {
      throw new Here();
    }
  }

  static void named(String name, int depth) {
    if (Checks.isGiven(name) && Checks.metres(depth) == 7) {
      throw new Here();
    }
  }

  static void bits(int flags) {
    if ((flags & 4) != 0 && (flags & 2) == 0) {
      throw new Here();
    }
  }

  static void characters(String text) {
    if (text.length() == 3 && text.charAt(2) == 'x') {
      throw new Here();
    }
  }

  static void parts(String text) {
    if (text.startsWith("ab") && text.contains("-") && text.length() > 5) {
      throw new Here();
    }
  }

  static void boxes(Integer count, Boolean open) {
    if (count != null && count > 3 && open) {
      throw new Here();
    }
  }

  static void objects(Object cargo) {
    if (cargo instanceof String && ((String) cargo).isEmpty()) {
      throw new Here();
    }
  }

  static void patterns(Object cargo) {
    if (cargo instanceof String text && text.length() == 2) {
      throw new Here();
    }
  }

  static void arrows(String name) {
    int kind =
        switch (name) {
          case "tug", "pilot" -> 1;
          default -> 2;
        };
    if (kind == 1) {
      throw new Here();
    }
  }

  static void shares(long total, int parts) {
    if (parts > 7 && total / parts > 1000) {
      throw new Here();
    }
  }

  static void eitherWay(int depth) {
    int left = depth > 5 ? depth - 5 : -depth;
    if (left == 3) {
      throw new Here();
    }
  }

  static void atLast(int depth) {
    try {
      if (depth < 0) {
        throw new IllegalArgumentException();
      }
    } finally {
      if (depth == -3) {
        throw new Here();
      }
    }
  }

  static void empty(List<String> names) {
    if (names.isEmpty()) {
      throw new Here();
    }
  }

  static void secondOfTwo(List<String> names) {
    if (names.size() == 2 && names.get(1).isBlank()) {
      throw new Here();
    }
  }

  static void overflows(int tonnes) {
    if (tonnes + 1 < tonnes) {
      throw new Here();
    }
  }

  static void noNumber(double share) {
    if (Double.isNaN(share)) {
      throw new Here();
    }
  }

  static void oneOfTwo(boolean a, boolean b, boolean c) {
    if (a ^ b && c) {
      throw new Here();
    }
  }

  static void inOrder(String one, String other) {
    if (one.compareTo(other) > 0 && one.length() == other.length()) {
      throw new Here();
    }
  }

  static void anyCase(String name) {
    if (name.equalsIgnoreCase("quay") && !name.equals("quay")) {
      throw new Here();
    }
  }

  static void byName(String name) {
    if (Flag.valueOf(name) == Flag.BLUE) {
      throw new Here();
    }
  }

  static void firstLetter(char[] letters) {
    if (letters.length > 2 && letters[0] == 'x') {
      throw new Here();
    }
  }

  static void any(String... names) {
    if (names.length == 0) {
      throw new Here();
    }
  }

  static void tidied(String text) {
    if (text.trim().length() == 3 && text.length() == 5) {
      throw new Here();
    }
  }

  static void nothingOrShort(String text) {
    if (text == null || text.length() > 3) {
      return;
    }
    if (!text.isEmpty()) {
      throw new Here();
    }
  }


  static void refused(int depth) {
    if (depth < 3) {
      refuse("shallow");
    }
    if (depth < 5) {
      throw new Here();
    }
  }

  private static void refuse(String why) {
    throw new IllegalArgumentException(why);
  }

  static void boxed(long amount, double share) {
    if (isBetween(amount, 7L, share, 0.5) && amount > 1_000L) {
      throw new Here();
    }
  }

  private static boolean isBetween(Long amount, long least, Double share, double most) {
    long plain = amount;
    double part = share;
    return plain > least && part < most;
  }

  enum Quay {
    NORTH(Flag.GREEN),
    SOUTH(Flag.RED);

    private final Flag flag;
    private final boolean salutes;

    Quay(Flag flag) {
      this.flag = flag;
      this.salutes = flag.warns;
    }
  }

  static void quays(Quay quay) {
    if (quay.salutes && quay.flag.guns > 2) {
      throw new Here();
    }
  }

  static void marked(byte[] bytes) {
    if ((bytes[0] & 0xFF) == 0xEF && (bytes[1] & 0xFF) == 0xBB) {
      throw new Here();
    }
  }

  static void owed(int[] tolls) {
    if (tolls.length > 1 && tolls[1] < -3) {
      throw new Here();
    }
  }
}
