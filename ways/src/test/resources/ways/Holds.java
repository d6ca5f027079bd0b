import java.io.IOException;
import java.lang.reflect.Array;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.ParseException;
import java.text.SimpleDateFormat;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.IntSupplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What lists hold as they change, and objects of classes that a test can't name, or has to extend.
 * Each method has one place where it throws Here.
 */
class Holds {
  static class Here extends RuntimeException {}

  // ---- lists that change ----

  static void unloaded(List<String> hold) {
    hold.remove(0);
    if (hold.isEmpty()) {
      throw new Here();
    }
  }

  static void copied(List<String> hold) {
    List<String> rest = new ArrayList<>(hold);
    rest.remove(0);
    if (rest.size() == 1 && rest.get(0).equals("coal")) {
      throw new Here();
    }
  }

  static void joined(List<String> hold) {
    List<String> all = new ArrayList<>();
    all.addAll(hold);
    all.add(0, "ice");
    if (all.size() == 3 && all.get(1).equals("fish")) {
      throw new Here();
    }
  }

  static void replaced(List<String> hold) {
    hold.set(1, "ice");
    if (hold.get(0).equals(hold.get(1))) {
      throw new Here();
    }
  }

  static void passedOn(List<String> hold) {
    Iterator<String> each = hold.iterator();
    each.next();
    each.remove();
    if (hold.size() == 1 && hold.get(0).endsWith("x")) {
      throw new Here();
    }
  }

  static void ordered(int many) {
    List<Integer> none = new ArrayList<>(many);
    Collections.sort(none);
    if (!none.isEmpty()) {
      throw new Here(); // `none.isEmpty()` false at line 77 cannot happen there
    }
  }

  static void stacked(String name) {
    Deque<String> names = new ArrayDeque<>();
    names.push(name);
    names.push("tug");
    if (names.pop().equals("tug") && names.pop().equals("lighter")) {
      throw new Here();
    }
  }

  static void twice(String name) {
    Set<String> names = new HashSet<>();
    names.add("tug");
    if (!names.add("tug") && names.size() == 1 && name.equals("lighter")) {
      throw new Here();
    }
  }

  static void fixed(String name) {
    List<String> names = Arrays.asList(name, "tug");
    names.set(0, "lighter");
    if (name.isEmpty()) {
      names.add("ferry");
    }
    if (names.get(0).equals("lighter") && name.length() == 2) {
      throw new Here();
    }
  }

  // ---- classes that a test can't name ----

  interface Craft {
    void sail(int knots);
  }

  static Craft craft(String name) {
    return new Cutter(name);
  }

  private static final class Cutter implements Craft {
    private final String name;

    private Cutter(String name) {
      this.name = name;
    }

    public void sail(int knots) {
      if (knots > 7 && name.equals("Elbe")) {
        throw new Here();
      }
    }
  }

  static final Craft FERRY =
      new Craft() {
        public void sail(int knots) {
          if (knots == 3) {
            throw new Here();
          }
        }
      };

  static Iterator<String> names() {
    return new Names();
  }

  private static final class Names implements Iterator<String> {
    private int next;

    public boolean hasNext() {
      if (next == 0) {
        throw new Here();
      }
      return false;
    }

    public String next() {
      throw new Here(); // open
    }
  }

  // ---- classes that a test has to extend ----

  abstract static class Vessel implements Comparable<Vessel> {
    private final String name;

    Vessel(String name) {
      this.name = name;
    }

    abstract int draught();

    protected abstract Craft tug(String name);

    public int compareTo(Vessel other) {
      return draught() - other.draught();
    }

    void enter(int depth) {
      if (depth > draught() && name.equals("Elbe") && draught() > 4) {
        throw new Here();
      }
    }
  }

  abstract static class Lock {
    abstract int open(int gate) throws IllegalStateException;

    void pass(int gate) {
      try {
        open(gate);
      } catch (IllegalStateException e) {
        throw new Here();
      }
    }
  }

  static void piloted(Vessel vessel) {
    if (vessel.draught() == 9) {
      throw new Here();
    }
  }

  // ---- of what type objects are ----

  interface Towed {}

  static class Barge {
    void haul() {
      if (this instanceof Towed) {
        throw new Here(); // open
      }
    }
  }

  interface Kind {
    Class<?> get();
  }

  static void row(Kind kind, int many) {
    Object row = Array.newInstance(kind.get(), 2);
    if (many == 3) {
      throw new Here();
    }
  }

  interface Signalling {
    int signal();
  }

  abstract static class Station implements Signalling, IntSupplier {
    abstract void close();
  }

  static void signalled(Station station) {
    if (station.signal() == 5 && station.getAsInt() == 6) {
      throw new Here();
    }
  }

  // ---- doubles of what has types of its own, and of what gives objects ----

  interface Loader {
    <T> void load(List<T> cargo);
  }

  static void loaded(Loader loader, int many) {
    if (loader != null && many == 4) {
      throw new Here();
    }
  }

  interface Register {
    Object entry(int number);

    Vessel getFlagship();
  }

  static void entered(Register register) {
    boolean isSet = register.getFlagship() != null && register.getFlagship().draught() == 3;
    if (isSet && register.entry(1) != null) {
      throw new Here();
    }
  }

  // ---- what a way rests on that no code can see to ----

  static void dated(String text) {
    try {
      new SimpleDateFormat("yyyy").parse(text);
    } catch (ParseException e) {
      return;
    }
    throw new Here(); // open
  }

  static class Sluice extends Checks.Gate {
    void lift(int many) {
      note("lifted");
      if (many == 3) {
        throw new Here(); // as long as Holds.Sluice.note(..) throws nothing
      }
    }
  }

  // ---- what each thread has of its own ----

  static class Bridge {
    private final ThreadLocal<String> signal = new ThreadLocal<>();

    void hoist(String flag) {
      String before = signal.get();
      signal.set(flag);
      if (before == null && signal.get().equals("Q")) {
        throw new Here();
      }
    }

    void strike(String flag) {
      signal.set(flag);
      signal.remove();
      if (signal.get() == null && flag.isEmpty()) {
        throw new Here();
      }
    }
  }

  // ---- maps ----

  static class Charts {
    private final Map<String, Integer> depths = new HashMap<>();
    private final NavigableMap<Integer, String> marks = new TreeMap<>();

    void sound(String place, int depth) {
      depths.put(place, depth);
    }

    void unknown(String place) {
      if (depths.get(place) == null && place.length() == 3) {
        throw new Here();
      }
    }

    int deepest(String place) {
      Integer depth = depths.getOrDefault(place, -1);
      if (depth < 0) {
        throw new Here();
      }
      return depth;
    }

    void known(String place) {
      if (depths.containsKey(place)) {
        throw new Here();
      }
    }

    void deep(String place, String other) {
      Integer depth = depths.get(place);
      if (depth != null && depth > 30 && depths.get(other) == null) {
        throw new Here();
      }
    }

    void open(int day) {
      if (marks.floorEntry(day) == null && marks.isEmpty() && day > 1) {
        throw new Here();
      }
    }

    void listed(int many) {
      int sum = 0;
      for (int depth : depths.values()) {
        sum += depth;
      }
      if (sum == 0 && many == 7) {
        throw new Here();
      }
    }
  }

  static void charted(int depth) {
    Map<String, Integer> depths = new LinkedHashMap<>();
    depths.put("bar", depth);
    depths.put("quay", 9);
    Integer before = depths.put("bar", depth + 1);
    if (before == 4 && depths.get("bar") == 5 && depths.size() == 2 && depths.get("sea") == null) {
      throw new Here();
    }
  }

  static void overwritten(String place) {
    Map<String, Integer> depths = new HashMap<>();
    depths.put(place, 1);
    depths.put("bar", 2);
    if (depths.get(place) == 1) {
      throw new Here();
    }
  }

  static void merged(String place) {
    Map<String, Integer> depths = new HashMap<>();
    depths.merge(place, 1, Integer::sum);
    if (depths.isEmpty()) {
      throw new Here(); // open
    }
  }

  static void handedOn(String place) {
    Map<String, String> places = new HashMap<>();
    Collections.addAll(places.keySet());
    fill(places, place);
    if (places.get("bar") == null) {
      throw new Here(); // open
    }
  }

  private static void fill(Map<String, String> places, String place) {
    for (String part : place.split(",")) {
      places.put(part, part);
    }
  }

  /** A sorted map takes no key that is missing. */
  static class Sorted {
    private final Map<String, String> names = new TreeMap<>();

    void called(String name) {
      if (names.get(name) == null) {
        throw new Here();
      }
    }
  }

  // ---- what is equal to nothing else ----

  static class Anchor {
    private final int weight;

    Anchor(int weight) {
      this.weight = weight;
    }

    @Override
    public boolean equals(Object other) {
      if (this == other) {
        return true;
      }
      if (other == null || getClass() != other.getClass()) {
        if (other != null) {
          throw new Here();
        }
        return false;
      }
      return weight == ((Anchor) other).weight;
    }

    @Override
    public int hashCode() {
      return weight;
    }
  }

  // ---- files that a test does not give ----

  static void stowed(String folder) throws IOException {
    Files.size(Path.of(folder));
    if (folder.equals(".")) {
      throw new Here(); // as long as Files.size(..) throws nothing
    }
  }

  // ---- regular expressions ----

  private static final Pattern MARK = Pattern.compile("(?<land>[A-Z]{2})-(\\d+)(?:/[^a-z\\s]+)?");

  static void marked(String text) {
    Matcher mark = MARK.matcher(text);
    if (mark.matches() && mark.group("land").length() == 2 && Integer.parseInt(mark.group(2)) < 7) {
      throw new Here();
    }
  }

  static void unmarked(String text) {
    if (!MARK.matcher(text).find() && text.length() > 2) {
      throw new Here();
    }
  }

  static void markedOnce(String text) {
    Matcher mark = MARK.matcher(text);
    int times = 0;
    while (mark.find()) {
      times++;
    }
    if (times == 1) {
      throw new Here();
    }
  }

  static void spelled(String word) {
    if (word.matches("(?i)(knot|fathom)s?|[^\\d\\W]{3,5}\\.")) {
      throw new Here();
    }
  }

  static void bare(String text) {
    String bare = Pattern.compile("\\s*;\\s*").matcher(text).replaceAll("");
    if (bare.isEmpty() && !text.isEmpty()) {
      throw new Here();
    }
  }

  /** What a matcher was asked last, who has it knows. */
  static void handedOut(String text) {
    Matcher mark = MARK.matcher(text);
    rest(mark, text);
    if (mark.find()) {
      throw new Here(); // open
    }
  }

  private static void rest(Matcher mark, String text) {
    for (int i = 0; i < text.length(); i++) {
      mark.find();
    }
  }

  // ---- what a text is compared with ----

  interface Named {
    String name();
  }

  static int ordered(Named other, String own, int many) {
    int order = own.trim().compareToIgnoreCase(other.name());
    if (many == 3) {
      throw new Here();
    }
    return order;
  }

  // ---- what the platform does by methods that are overridden ----

  static class Codes extends java.util.AbstractList<String> {
    private final String[] codes;

    Codes(String[] codes) {
      this.codes = codes;
    }

    @Override
    public String get(int at) {
      return codes[at];
    }

    @Override
    public int size() {
      return codes.length;
    }

    void listed(String code) {
      int at = lastIndexOf(code);
      if (code.length() == 3) {
        throw new Here(); // as long as Holds.Codes.lastIndexOf(..) throws nothing
      }
    }
  }

  // ---- one of several answers ----

  interface Check {
    int weighed(String load) throws IOException;
  }

  static class Crane implements Check {
    @Override
    public int weighed(String load) throws IOException {
      if (load.length() > 2) {
        throw new IOException();
      }
      return 1;
    }
  }

  static class Scale implements Check {
    @Override
    public int weighed(String load) {
      return load.length();
    }
  }

  static final Check CHECK = Boolean.getBoolean("crane") ? new Crane() : new Scale();

  static void weighed(String load) throws IOException {
    int tons = CHECK.weighed(load);
    if (load.length() == 2) {
      throw new Here(); // as long as Holds.Check.weighed(..) throws nothing
    }
  }

  // ---- what nobody follows, in a loop whose end is all that matters ----

  static void sealed(byte[] cargo) throws Exception {
    String seal = hex(java.security.MessageDigest.getInstance("MD5").digest(cargo));
    if (cargo.length == 3) {
      throw new Here(); // as long as Holds.hex(..) throws nothing
    }
  }

  private static final char[] DIGITS = "0123456789abcdef".toCharArray();

  private static String hex(byte[] data) {
    return new String(digits(data, DIGITS));
  }

  private static char[] digits(byte[] data, char[] all) {
    char[] digits = new char[data.length << 1];
    write(data, 0, data.length, all, digits, 0);
    return digits;
  }

  private static void write(
      byte[] data, int from, int many, char[] all, char[] digits, int first) {
    for (int i = from, at = first; i < from + many; i++) {
      digits[at++] = all[(0xF0 & data[i]) >>> 4];
      digits[at++] = all[0x0F & data[i]];
    }
  }
}
