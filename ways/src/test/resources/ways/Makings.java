import java.io.BufferedReader;
import java.io.File;
import java.io.FileInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UnsupportedEncodingException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedSet;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * How what a test needs is made, and of what type it is then. Each method has one place where it
 * throws Here.
 */
class Makings {
  static class Here extends RuntimeException {}

  // ---- only static methods make it ----

  static class Permit {
    private final String port;
    private final int days;

    private Permit(String port, int days) {
      this.port = port;
      this.days = days;
    }

    static Permit parse(String text) {
      int at = text.indexOf(':');
      return at < 0 ? null : new Permit(text.substring(0, at), 1);
    }

    static Permit of(String port, int days) {
      return new Permit(port, days);
    }
  }

  static void permitted(Permit permit) {
    if (permit.days > 30 && permit.port.equals("Husum")) {
      throw new Here();
    }
  }

  static class Queue {
    private Map<String, String> tugs;

    private Queue() {
      tugs = new HashMap<>();
    }

    static Queue create() {
      return new Queue();
    }
  }

  static void joined(Queue queue, String tug) {
    if (queue.tugs != null && tug.isEmpty()) {
      throw new Here();
    }
  }

  static class Order {
    private final int tons;

    private Order(int tons) {
      this.tons = tons;
    }
  }

  static Order order(int tons) {
    return new Order(tons);
  }

  static void ordered(Order order) {
    if (order.tons == 7) {
      throw new Here();
    }
  }

  // ---- constructors that call others that call others ----

  static class Traced {
    final List<String> trace = new ArrayList<>();

    Traced(Traced parent) {
      begin(parent);
    }

    private void begin(Traced parent) {
      note(parent, this);
    }

    private static void note(Traced parent, Traced child) {
      if (parent != null) {
        parent.trace.add("child");
      }
    }
  }

  interface Line {
    String send(String text) throws IOException;

    void hangUp();
  }

  static class Wire extends Traced {
    private Line line;

    Wire(Traced parent, Line line) {
      super(parent);
      this.line = line;
    }

    Line line() {
      return line;
    }

    void replace(Line other) {
      line = other;
    }
  }

  static class Radio extends Wire {
    Radio(Traced parent, Line line) {
      super(parent, line);
    }
  }

  static class Phone extends Radio {
    Phone(Traced parent, Line line) {
      super(parent, line);
    }

    private Line checked() {
      return line();
    }
  }

  static void called(Phone phone) {
    try {
      phone.checked().send("ahoy");
    } catch (IOException e) {
      throw new Here(); // as long as Makings.Traced.new(..) throws nothing
    }
  }

  // ---- classes without all their code ----

  abstract static class Pilot {
    private final List<String> log = new ArrayList<>();

    abstract int grade(String port) throws IOException;

    protected abstract String name();

    abstract void leave(int[] berths);

    void note(String text) {
      log.add(text);
    }
  }

  static void piloted(Pilot pilot) throws IOException {
    if (pilot.grade("Husum") > 3 && !pilot.name().isEmpty()) {
      throw new Here();
    }
  }

  static void lost(Pilot pilot) {
    try {
      pilot.grade("Husum");
    } catch (IOException e) {
      throw new Here();
    }
  }

  // ---- names that the platform knows ----

  static int written(String text, String charset) {
    try {
      return text.getBytes(charset).length;
    } catch (UnsupportedEncodingException e) {
      throw new Here();
    }
  }

  static void encoded(String text, String charset) throws UnsupportedEncodingException {
    byte[] bytes = text.getBytes(charset);
    if (text.equals("tug")) {
      throw new Here();
    }
  }

  static void alwaysThere(String text) {
    try {
      text.getBytes("UTF-8");
    } catch (UnsupportedEncodingException e) {
      throw new Here(); // what line 209 needs can't be
    }
  }

  static void readAs(InputStream log, String charset) throws IOException {
    Reader reader = new InputStreamReader(log, charset);
    if (charset.length() == 5) {
      throw new Here();
    }
  }

  static String decoded(byte[] bytes, String charset) {
    try {
      return new String(bytes, charset);
    } catch (UnsupportedEncodingException e) {
      throw new Here();
    }
  }

  // ---- a builder makes it ----

  static class Lantern {
    private final int reach;
    private final String colour;

    private Lantern(Builder builder) {
      this.reach = builder.reach;
      this.colour = builder.colour == null ? "white" : builder.colour;
    }

    static Builder lit() {
      return new Builder();
    }

    static class Builder {
      private int reach = 3;
      private String colour;

      private Builder() {}

      Builder reaching(int reach) {
        this.reach = reach;
        return this;
      }

      Builder coloured(String colour) {
        this.colour = colour;
        return this;
      }

      Lantern build() {
        return new Lantern(this);
      }
    }

    void shines(int miles) {
      if (reach > 12 && miles == reach) {
        throw new Here();
      }
    }
  }

  static void signals(Lantern lantern, Lantern other) {
    if (lantern.reach == 9 && other.reach == 3) {
      throw new Here();
    }
  }

  static void coloured(Lantern lantern) {
    if (lantern.colour.equals("green")) {
      throw new Here(); // open
    }
  }

  // ---- a constant is all there is ----

  static class Rules {
    static final Rules DEFAULT = new Maker().build();

    private final int depth;
    private final String port;

    private Rules(int depth, String port) {
      this.depth = depth;
      this.port = port;
    }

    static class Maker {
      private int depth = 5;
      private String port = "Husum";

      Rules build() {
        return new Rules(depth, port);
      }
    }

    void areForDepth(int asked) {
      if (asked == depth && port.startsWith("Hus")) {
        throw new Here();
      }
    }
  }

  static void byRules(Rules rules, String port) {
    if (rules.port.equals(port)) {
      throw new Here();
    }
  }

  // ---- what a constructor leaves in fields that others change ----

  static class Tray {
    private char[] slots;
    private int spare;

    Tray(int many) {
      slots = new char[many];
      spare = many * 2;
    }

    void grow() {
      slots = new char[slots.length * 2];
      spare = slots.length + 7;
    }

    void isRoomy(int wanted) {
      if (slots.length > wanted && wanted > 3) {
        throw new Here();
      }
    }

    void isSpare(int wanted) {
      if (spare == wanted) {
        throw new Here();
      }
    }
  }

  static class Crate {
    private byte[] slots = new byte[16];

    void grow() {
      slots = new byte[slots.length * 2];
    }

    void isFull(int taken) {
      if (slots.length == taken) {
        throw new Here();
      }
    }
  }

  // ---- of what type something is ----

  static void textual(String text) {
    Object any = text;
    if (any instanceof String) {
      throw new Here();
    }
  }

  static void unordered(Set<String> names) {
    if (names instanceof SortedSet || names instanceof LinkedHashSet) {
      return;
    }
    throw new Here();
  }

  static void raw(Object source) {
    if (source instanceof byte[]) {
      throw new Here();
    }
  }

  static void streamed(Object source) {
    if (source instanceof InputStream) {
      throw new Here();
    }
  }

  static void filled(Object source) {
    if (source instanceof Set && !((Set<?>) source).isEmpty()) {
      throw new Here();
    }
  }

  static void twofold(SortedSet<String> names) {
    if (names instanceof Line) {
      throw new Here();
    }
  }

  static void bounded(Class<? extends Traced> type, int many) {
    if (many == 3) {
      throw new Here();
    }
  }

  // ---- what mostly goes well ----

  static void waited(int times) {
    for (int i = 0; i < times; i++) {
      if (Thread.currentThread().isInterrupted()) {
        return;
      }
    }
    if (times == 1) {
      throw new Here();
    }
  }

  static class Berths {
    int[] numbers;
  }

  static int found(Berths berths, int number) {
    int at = java.util.Arrays.binarySearch(berths.numbers, number);
    if (number > 7) {
      throw new Here(); // open
    }
    return at;
  }

  // ---- files ----

  static int storedIn(File folder) {
    if (folder.isDirectory()) {
      throw new Here(); // as long as a new, empty folder will do
    }
    return 0;
  }

  static void storedNowhere(File file) {
    if (!file.exists()) {
      throw new Here(); // as long as a file that is not there will do
    }
  }

  static void read(File file) throws IOException {
    try (InputStream in = new FileInputStream(file)) {
      if (in == null) {
        return;
      }
    }
    throw new Here(); // as long as a new, empty file will do
  }

  static void full(File file) {
    if (file.length() > 7) {
      throw new Here();
    }
  }

  // ---- asked more often than it matters ----

  static void askedTwice(Pilot pilot) throws IOException {
    if (pilot.grade("Husum") == 4) {
      int other = pilot.grade("Amrum");
      pilot.leave(new int[] {other});
      throw new Here();
    }
  }

  // ---- the same object under two types ----

  static Radio tuned(Wire wire) {
    return wire instanceof Radio ? (Radio) wire : new Radio(wire, null);
  }

  private static boolean tunedAlike(Radio one, Radio other) {
    if (one == other) {
      return true;
    }
    if (one == null) {
      throw new Here(); // open
    }
    return false;
  }

  static boolean alike(Wire one, Wire other) {
    return one != null && other != null && tunedAlike(tuned(one), tuned(other));
  }

  static void wired(Traced any) {
    if (any instanceof Wire) {
      throw new Here();
    }
  }

  // ---- collections of others ----

  interface Tariffs extends Map<String, Integer> {
    boolean isOld();
  }

  static void copied(Tariffs tariffs) {
    if (tariffs.isOld()) {
      new HashMap<>(tariffs);
      throw new Here();
    }
  }

  static <T extends Enum<T>> void chosen(Class<T> type, int many) {
    if (many == 3) {
      throw new Here();
    }
  }

  // ---- what an empty array lacks ----

  private static String list(Object[] all) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < all.length - 1; i++) {
      text.append(all[i]).append(", ");
    }
    return text.append(all[all.length - 1]).toString();
  }

  static void listed(int many) {
    list(new Object[] {many, many});
    if (many == 3) {
      throw new Here();
    }
  }

  static void listedSome(int many) {
    list(new Object[many]);
    if (many == 3) {
      throw new Here();
    }
  }

  // ---- what the platform refuses ----

  private static List<Object> cut(Object[] all, int many) {
    return many <= 0 ? new ArrayList<>() : Arrays.asList(all).subList(0, many);
  }

  static void cutOff(int many) {
    cut(new Object[] {1, 2, 3, 4}, many);
    if (many == 3) {
      throw new Here(); // as long as List.subList(..) throws nothing
    }
  }

  static void renamed(int many) {
    Arrays.asList("Sylt", "Juist").set(1, "Amrum");
    if (many == 3) {
      throw new Here();
    }
  }

  private static int[] shades(int[] of) {
    int[] all = new int[2];
    Arrays.setAll(all, i -> of[i]);
    return all;
  }

  static void shaded(int many) {
    shades(new int[] {many, many});
    if (many == 3) {
      throw new Here(); // as long as Arrays.setAll(..) throws nothing
    }
  }

  private static void same(Stream<?> one, Stream<?> other) {
    if (one == other) {
      throw new Here(); // open
    }
  }

  private static BufferedReader buffered(Reader from) {
    return from instanceof BufferedReader ? (BufferedReader) from : new BufferedReader(from);
  }

  static void sameLines(Reader one, Reader other) {
    same(buffered(one).lines(), buffered(other).lines());
  }

  // ---- thrown once more, and caught as something else ----

  interface Log {
    String read(Reader from) throws IOException;
  }

  static void readAndClosed(Log log, Reader from) {
    try (Reader closing = from) {
      log.read(closing);
    } catch (IOException e) {
      throw new Here();
    }
  }

  // ---- in a list ----

  interface Bell {
    void ring();
  }

  private static void strike(Bell bell) {
    bell.ring();
    throw new Here(); // open
  }

  private static void ring(Object bell) {
    if (bell instanceof Bell) {
      ((Bell) bell).ring();
      throw new Here();
    }
  }

  @SuppressWarnings("rawtypes")
  static void rung(List bells) {
    for (Object bell : bells) {
      ring(bell);
    }
  }

  // ---- a double that is compared ----

  interface Buoy {
    int depth();

    int lights();
  }

  private static boolean isBuoy(Buoy buoy, Object other) {
    return buoy.equals(other);
  }

  static void compared(Buoy buoy) {
    isBuoy(buoy, "Amrum");
    if (buoy.depth() == 3) {
      throw new Here();
    }
  }

  // ---- what has to be there, and in range ----

  private static void kept(Map<String, String> kept, Function<String, String> by) {
    kept.computeIfAbsent("Sylt", by);
  }

  static void sounded(Function<String, String> by, int many) {
    kept(new HashMap<>(), by);
    if (many == 3) {
      throw new Here();
    }
  }

  static class Chart {
    private static final int[] DEPTHS = {many(), many()};
    private int at = -1;

    private static int many() {
      return 2;
    }

    void to(int place) {
      at = place;
    }

    void sounding(int many) {
      int depth = DEPTHS[at];
      if (many == 3) {
        throw new Here();
      }
    }
  }

  private static boolean isFar(int letter) {
    return letter == 0x10A38 || letter == 0x0E38;
  }

  static void lettered(char letter) {
    if (isFar(letter)) {
      throw new Here();
    }
  }

  static class Marks {
    private final int[] marks;

    Marks(int[] marks) {
      this.marks = new int[marks.length];
      System.arraycopy(marks, 0, this.marks, 0, marks.length);
    }

    void mark(int at) {
      int mark = marks[at];
      if (at != 0) {
        throw new Here();
      }
    }
  }

  static void waited(Object on, int many) {
    synchronized (on) {
      Optional.of(on).ifPresent(Object::notify);
    }
    if (many == 3) {
      throw new Here(); // as long as Optional.ifPresent(..) throws nothing
    }
  }

  // ---- arrays that are written to ----

  static void marked(int[] marks, int at) {
    marks[at] = 2;
    if (at == 1) {
      throw new Here();
    }
  }

  // ---- what something is taken for ----

  static void said(Object word, int many) {
    String text = (String) word;
    if (word != null && many == 3) {
      throw new Here();
    }
  }

  interface Flag {
    String colour();
  }

  static void flagged(Bell bell) {
    if (bell instanceof Flag) {
      throw new Here(); // open
    }
  }

  abstract static class Chime implements Bell {}

  static void chimed(List<Chime> chimes) {
    for (Bell bell : chimes) {
      strike(bell);
    }
  }

  // ---- a library that refuses ----

  static void permitted(int days) {
    new Checks.Permit(days);
    if (days == 3) {
      throw new Here();
    }
  }

  // ---- what extends what holds something ----

  static class Tally extends AtomicLong {}

  static void tallied(int many) {
    if (new Tally().get() == 0 && many == 3) {
      throw new Here(); // open
    }
  }

  // ---- constants with a body ----

  enum Signal {
    FLAG {
      @Override
      int lights(int many) {
        if (many == 5) {
          throw new Here();
        }
        return many;
      }
    },
    LAMP;

    int lights(int many) {
      if (many == 4) {
        throw new Here();
      }
      return 2;
    }
  }

  // ---- what is called on an object first ----

  static class Berth {
    private final List<String> lines = new ArrayList<>();
    private final AtomicReference<String> vessel = new AtomicReference<>();
    private List<Integer> tides;
    private boolean isLit;
    private int depth;

    void sound(int metres) {
      if (metres < 2) {
        throw new IllegalArgumentException();
      }
      depth = metres * 10;
    }

    void light() {
      if (depth < 40) {
        throw new IllegalStateException();
      }
      isLit = true;
    }

    void moor(String line) {
      lines.add(line);
    }

    void tide(int hour) {
      if (tides == null) {
        tides = new ArrayList<>();
      }
      tides.add(hour);
    }

    void arrive(String name) {
      if (name.length() > 3) {
        vessel.set(name);
      }
    }

    void deep() {
      if (depth == 70) {
        throw new Here();
      }
    }

    void moored() {
      if (lines.size() == 2 && lines.get(1).startsWith("b")) {
        throw new Here();
      }
    }

    void tidal() {
      if (tides != null && tides.size() == 1) {
        throw new Here();
      }
    }

    void taken() {
      if (vessel.get() != null && vessel.get().endsWith("x")) {
        throw new Here();
      }
    }

    void lit() {
      if (isLit) {
        throw new Here();
      }
    }
  }

  static void visited(Berth berth, int crew) {
    if (berth.isLit && crew > 7) {
      throw new Here();
    }
  }

  // ---- arrays that are copied ----

  static void copied(byte[] from, int at, int many) {
    byte[] to = new byte[8];
    System.arraycopy(from, at, to, 2, many);
    if (many == 5) {
      throw new Here();
    }
  }

  static void copiedTooFar(byte[] from, int many) {
    System.arraycopy(from, 0, new byte[8], 2, many);
    if (many == 7) {
      throw new Here(); // open
    }
  }

  // ---- classes that ask for what all objects have ----

  abstract static class Almanac {
    abstract int depth();

    @Override
    public abstract String toString();
  }

  static void consulted(Almanac almanac) {
    if (almanac.depth() == 9) {
      throw new Here();
    }
  }

  // ---- objects that can be made in several ways, where the plainest does not do ----

  static class Plumb {
    private final String unit;
    private final int depth;

    Plumb(boolean isMetric, int depth) {
      this.unit = isMetric && depth > 0 ? "m" : null;
      this.depth = depth;
    }
  }

  static void plumbed(Plumb plumb) {
    if (plumb.unit != null && plumb.depth == 12) {
      throw new Here();
    }
  }

  static class Whistle {
    private final String tone;
    private final Integer seconds;

    private Whistle(String tone, Integer seconds) {
      this.tone = tone;
      this.seconds = seconds;
    }

    static Whistle plain(String tone) {
      return new Whistle(tone, null);
    }

    static class Builder {
      private String tone;
      private Integer seconds;

      static Builder create() {
        return new Builder();
      }

      private Builder() {}

      Builder tone(String of) {
        tone = of;
        return this;
      }

      Builder seconds(Integer many) {
        seconds = many;
        return this;
      }

      Whistle build() {
        return new Whistle(tone, seconds);
      }
    }
  }

  static void whistled(Whistle whistle) {
    if (whistle.seconds != null && whistle.seconds == 5) {
      throw new Here();
    }
  }

  static class Tide {
    private final int[] marks = new int[40];
    private final int height;

    Tide(int height) {
      for (int i = 0; i < 40; i++) {
        marks[i] = -1;
      }
      this.height = height;
    }
  }

  static void rises(Tide tide, int by) {
    if (tide.height > 3 && by == 2) {
      throw new Here();
    }
  }

  // ---- nothing comes after the end ----

  static void left(int status, String[] words) {
    if (words.length != 1) {
      System.exit(status);
    }
    if (words.length == 3) {
      throw new Here(); // `words.length == 3` true at line 989 cannot happen together with `words.length != 1` false at line 986
    }
  }

  // ---- two objects that have to differ, and one constant ----

  static class Siren {
    static final Siren LOUD = new Siren("ding");
    private final String sound;

    private Siren(String sound) {
      this.sound = sound;
    }
  }

  static void rung(Siren one, Object other) {
    if (one != other && other instanceof Siren && one.sound.equals(((Siren) other).sound)) {
      throw new Here(); // open
    }
  }

  // ---- of which class an object is that others extend ----

  static class Deeper extends Makings {}

  void named(int depth) {
    if (getClass().equals(Makings.class) && depth == 3) {
      throw new Here();
    }
  }

  // ---- what is taken for a view has to be there, and one that is none is an element ----

  static void viewed(List<String> names, int depth) {
    java.util.Collections.unmodifiableList(names);
    if (depth == 3) {
      throw new Here();
    }
  }

  static void lacking(Iterable<String> names) {
    for (String name : names) {
      if (name == null) {
        throw new Here();
      }
    }
  }

  // ---- a library may refuse, in what it calls itself ----

  static class Lock extends Checks.Gate {}

  static void passed(Lock lock, int depth) {
    lock.width();
    if (depth == 3) {
      throw new Here(); // as long as Makings.Lock.width(..) throws nothing
    }
  }

  // ---- small methods are followed deep ----

  static int one(int depth) {
    return two(depth) + 1;
  }

  static int two(int depth) {
    return three(depth) + 1;
  }

  static int three(int depth) {
    return four(depth) + 1;
  }

  static int four(int depth) {
    return five(depth) + 1;
  }

  static int five(int depth) {
    return positive(depth) + 1;
  }

  static int positive(int depth) {
    if (depth <= 0) {
      throw new IllegalArgumentException("depth");
    }
    return depth;
  }

  static void sounded(int depth) {
    if (one(depth) == 12) {
      throw new Here();
    }
  }

  // ---- many calls set an object up, some of which box or copy what they are given ----

  static class Sheet {
    private Long tonnes;
    private Integer crew;
    private Boolean flagged;
    private byte[] seal;
    private String name;

    Sheet tonnes(long tonnes) {
      this.tonnes = tonnes;
      return this;
    }

    Sheet crew(int crew) {
      this.crew = crew;
      return this;
    }

    Sheet flagged(boolean flagged) {
      this.flagged = flagged;
      return this;
    }

    Sheet seal(byte[] seal) {
      this.seal = seal.clone();
      return this;
    }

    Sheet name(String name) {
      this.name = name;
      return this;
    }
  }

  static void signed(Sheet sheet) {
    if (sheet.tonnes != null && sheet.crew != null && sheet.flagged != null) {
      if (sheet.seal != null && sheet.name != null) {
        throw new Here();
      }
    }
  }

  // ---- a constructor asks what it has not set ----

  static class Rig {
    private String mast;
    private Boolean hasMotor;
    private int sails;

    Rig(boolean hasMotor) {
      motor(hasMotor);
      sails = 2;
    }

    void mast(String mast) {
      this.mast = mast.trim();
    }

    void motor(boolean hasMotor) {
      if (mast != null) {
        throw new IllegalStateException();
      }
      this.hasMotor = hasMotor;
    }
  }

  static void motored(Rig rig) {
    if (rig.mast == null && rig.hasMotor && rig.sails == 2) {
      throw new Here();
    }
  }

  // ---- a constant is of a type that the value beside it is not of ----

  static final class Knob<T> {
    static final Knob<Integer> DEPTH = new Knob<>();

    private Knob() {}
  }

  static class Panel {
    private Object setting;

    <T> void set(Knob<T> knob, T setting) {
      if (knob == null || setting == null) {
        throw new IllegalArgumentException();
      }
      this.setting = setting;
    }
  }

  static void turned(Panel panel) {
    if (panel.setting != null) {
      throw new Here();
    }
  }

  // ---- an abstract class of a library, and one that extends it ----

  static boolean isPass(Object paper) {
    return paper instanceof Checks.Pass;
  }

  static void shown(Checks.Paper paper) {
    if (paper != null) {
      throw new Here(); // as long as Checks.Pass.new(..) throws nothing
    }
  }

  // ---- what is made has to come out of its constructor ----

  static class Crew {
    private final List<String> names = new ArrayList<>();

    Crew(String... names) {
      for (String name : names) {
        this.names.add(name);
      }
      some(this.names);
    }

    void gather() {
      throw new Here();
    }
  }

  private static void some(List<String> names) {
    if (names.isEmpty()) {
      throw new IllegalArgumentException();
    }
  }

  // ---- who calls it takes what it throws ----

  private static void moor(int berth) {
    if (berth > 9) {
      throw new Here();
    }
  }

  static void moored(int berth) {
    try {
      moor(berth);
    } catch (RuntimeException e) {
      throw new IllegalStateException(e);
    }
  }
}
