import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.io.Reader;
import java.io.StringWriter;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.Iterator;
import java.util.List;
import java.util.ListIterator;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * What code of programs is made of: objects that hold others, are set up, and ask each other. Each
 * method has one place where it throws Here.
 */
class Chores implements Cloneable {
  static class Here extends RuntimeException {}

  // ---- objects that hold something ----

  static class Crane {
    private int reach;
    private boolean isOn;
    private Cable cable = new Cable(20);

    void setReach(int reach) {
      this.reach = reach;
    }

    void turnOn() {
      isOn = true;
    }

    int lifts() {
      return isOn ? reach * 2 : 0;
    }
  }

  static class Cable {
    final int metres;

    Cable(int metres) {
      this.metres = metres;
    }
  }

  static class Barge {
    private final String name;
    private final List<String> crew;
    private final int[] holds;

    Barge(String name, List<String> crew, int... holds) {
      this.name = Objects.requireNonNull(name);
      this.crew = new ArrayList<>(crew);
      this.holds = holds.clone();
    }

    boolean isManned() {
      return crew.size() >= 2;
    }

    String name() {
      return name;
    }
  }

  static final class Money implements Comparable<Money> {
    private final long cents;

    private Money(long cents) {
      this.cents = cents;
    }

    static Money of(long cents) {
      if (cents < 0) {
        throw new IllegalArgumentException("negative");
      }
      return new Money(cents);
    }

    Money plus(Money other) {
      return new Money(cents + other.cents);
    }

    @Override
    public int compareTo(Money other) {
      return Long.compare(cents, other.cents);
    }

    @Override
    public boolean equals(Object other) {
      return other instanceof Money && ((Money) other).cents == cents;
    }

    @Override
    public int hashCode() {
      return Long.hashCode(cents);
    }
  }

  record Berth(String name, int metres, boolean isFree) {
    boolean fits(int length) {
      return isFree && length <= metres;
    }
  }

  static void manned(Barge barge) {
    if (barge.isManned()) {
      throw new Here();
    }
  }

  static void namedShort(Barge barge) {
    if (barge.name().length() < 3) {
      throw new Here();
    }
  }

  static void fitting(Berth berth, int length) {
    if (length > 80 && berth.fits(length) && berth.name().startsWith("N")) {
      throw new Here();
    }
  }

  static void lifting(Crane crane) {
    if (crane.lifts() > 10) {
      throw new Here();
    }
  }

  static void cabled(Crane crane) {
    if (crane.cable.metres == 20) {
      throw new Here();
    }
  }

  static void dear(Money one, Money other) {
    if (one.plus(other).compareTo(Money.of(100)) > 0) {
      throw new Here(); // open
    }
  }

  static void made(long cents) {
    Money price = Money.of(cents);
    if (price.cents > 99) {
      throw new Here();
    }
  }

  static void sameMoney(long cents) {
    if (Money.of(cents).equals(Money.of(250))) {
      throw new Here();
    }
  }

  // ---- who answers ----

  interface Tariff {
    int fee(int days);
  }

  static class Flat implements Tariff {
    @Override
    public int fee(int days) {
      return days > 7 ? 50 : 80;
    }
  }

  abstract static class Office {
    abstract boolean isOpen(LocalDateTime time);

    int desks() {
      return 3;
    }
  }

  static void flat(Flat tariff, int days) {
    if (tariff.fee(days) == 50) {
      throw new Here();
    }
  }

  static void anyTariff(Tariff tariff) {
    if (tariff.fee(3) > 100) {
      throw new Here();
    }
  }

  static void office(Office office, LocalDateTime time) {
    if (office.isOpen(time) && office.desks() == 3) {
      throw new Here();
    }
  }

  interface Gauge {
    int depth();

    boolean isFrozen(String port);
  }

  static void gauged(Gauge gauge) {
    if (gauge.depth() > 7 && gauge.isFrozen("Husum")) {
      throw new Here();
    }
  }

  interface Pilots {
    int count(String port, boolean isNight) throws IOException;
  }

  static void withoutPilots(Pilots pilots) {
    try {
      pilots.count("Husum", true);
    } catch (IOException e) {
      throw new Here();
    }
  }

  static class Pier {
    final Gauge gauge;

    Pier(Gauge gauge) {
      this.gauge = gauge;
    }

    Pier(Runnable other) {
      this.gauge = null;
    }
  }

  static void shallow(Pier pier) {
    if (pier.gauge.depth() == 2) {
      throw new Here();
    }
  }

  static void costly(Object thing) {
    if (thing instanceof Tariff && ((Tariff) thing).fee(1) == 4) {
      throw new Here();
    }
  }

  static void feesDiffer(Tariff tariff) {
    if (tariff.fee(1) == 1 && tariff.fee(2) == 2) {
      throw new Here();
    }
  }

  static void compared(Comparator<String> order, String one) {
    if (order.compare(one, "b") < 0) {
      throw new Here();
    }
  }

  static void iterated(Iterable<String> names) {
    Iterator<String> all = names.iterator();
    if (all.hasNext() && all.next().isEmpty()) {
      throw new Here();
    }
  }

  // ---- walking through what is given ----

  static void parsedDigits(String text) {
    int value = 0;
    for (char letter : text.toCharArray()) {
      if (letter < '0' || letter > '9') {
        return;
      }
      value = value * 10 + letter - '0';
    }
    if (value == 42) {
      throw new Here(); // open
    }
  }

  static void balanced(String text) {
    int open = 0;
    for (int i = 0; i < text.length(); i++) {
      if (text.charAt(i) == '(') {
        open++;
      } else if (text.charAt(i) == ')') {
        open--;
      }
    }
    if (open == 1) {
      throw new Here();
    }
  }

  static void states(String input) {
    int state = 0;
    for (int i = 0; i < input.length(); i++) {
      char letter = input.charAt(i);
      switch (state) {
        case 0:
          state = letter == 'a' ? 1 : 0;
          break;
        case 1:
          state = letter == 'b' ? 2 : 0;
          break;
        default:
      }
    }
    if (state == 2) {
      throw new Here();
    }
  }

  static void firstNegative(int[] depths) {
    int at = -1;
    for (int i = 0; i < depths.length && at < 0; i++) {
      if (depths[i] < 0) {
        at = i;
      }
    }
    if (at == 1) {
      throw new Here();
    }
  }

  static void allEqual(int[] depths) {
    boolean same = depths.length > 1;
    for (int depth : depths) {
      same &= depth == depths[0];
    }
    if (same) {
      throw new Here();
    }
  }

  static void sortedPair(int[] pair) {
    if (pair.length == 2 && pair[0] > pair[1]) {
      int swapped = pair[0];
      pair[0] = pair[1];
      pair[1] = swapped;
      if (pair[0] == -5) {
        throw new Here();
      }
    }
  }

  static void copied(int[] depths) {
    int[] copy = Arrays.copyOf(depths, 3);
    if (copy[2] == 0) {
      throw new Here(); // open
    }
  }

  static void filtered(List<String> names) {
    List<String> found = new ArrayList<>();
    for (String name : names) {
      if (name.startsWith("S")) {
        found.add(name);
      }
    }
    if (found.size() == 2) {
      throw new Here();
    }
  }

  static void removed(List<String> names) {
    names.remove("tug");
    if (names.isEmpty()) {
      throw new Here();
    }
  }

  static void streamed(List<Integer> depths) {
    if (depths.stream().anyMatch(depth -> depth > 9)) {
      throw new Here(); // open
    }
  }

  // ---- dates ----

  static void weekend(LocalDate day) {
    DayOfWeek of = day.getDayOfWeek();
    if (of == DayOfWeek.SATURDAY || of == DayOfWeek.SUNDAY) {
      throw new Here();
    }
  }

  static void lastOfMonth(LocalDate day) {
    if (day.getDayOfMonth() == day.lengthOfMonth()) {
      throw new Here();
    }
  }

  static void stays(LocalDate from, LocalDate to) {
    long nights = java.time.temporal.ChronoUnit.DAYS.between(from, to);
    if (nights > 27) {
      throw new Here();
    }
  }

  static void parsedDate(String text) {
    if (LocalDate.parse(text).getYear() == 2026) {
      throw new Here(); // open
    }
  }

  // ---- exceptions and resources ----

  static void wrapped(String text) {
    try {
      check(text);
    } catch (IllegalStateException e) {
      throw new Here();
    }
  }

  private static void check(String text) {
    if (text.isEmpty()) {
      throw new IllegalStateException("empty");
    }
  }

  static class Gate implements AutoCloseable {
    @Override
    public void close() {}
  }

  static void closed(int force) {
    try (Gate gate = new Gate()) {
      if (force > 3 && gate != null) {
        throw new Here();
      }
    }
  }

  static void guarded(Integer berth) {
    int number = berth == null ? -1 : berth;
    if (number < 0 && berth != null) {
      throw new Here();
    }
  }

  static void synchronizedly(Object lock, int count) {
    synchronized (lock) {
      if (count % 3 == 2) {
        throw new Here();
      }
    }
  }

  // ---- what Java 17 has ----

  sealed interface Cargo permits Grain, Wine {}

  record Grain(int tonnes) implements Cargo {}

  record Wine(int barrels, boolean isSealed) implements Cargo {}

  static void grain(Cargo cargo) {
    if (cargo instanceof Grain grain && grain.tonnes() > 100) {
      throw new Here();
    }
  }

  static void wine(Cargo cargo) {
    if (cargo instanceof Wine wine && wine.barrels() > 2 && !wine.isSealed()) {
      throw new Here();
    }
  }

  static void yielded(String order) {
    int code =
        switch (order.length()) {
          case 3 -> {
            int first = order.charAt(0);
            yield first == 't' ? 1 : 2;
          }
          case 4 -> 3;
          default -> 4;
        };
    if (code == 1) {
      throw new Here();
    }
  }

  static void block(String name) {
    String text =
        """
        Dear %s,
        """;
    if (text.length() == name.length() + 5) {
      throw new Here();
    }
  }

  // ---- what is the same in every test ----

  static class House {
    static final int MOST_GUESTS = Integer.parseInt("12") * 2;
    static final String DOOR;
    static final String FLOOR;
    static int rooms = 3;

    static {
      boolean isLarge = Boolean.getBoolean("large");
      DOOR = isLarge ? "oak" : "oak";
      FLOOR = isLarge ? "tiles" : "boards";
      rooms = 4;
    }
  }

  static void overbooked(int guests) {
    if (guests > House.MOST_GUESTS) {
      throw new Here();
    }
  }

  static void knocked(String door) {
    if (door.startsWith(House.DOOR)) {
      throw new Here();
    }
  }

  static void trodden(String floor) {
    if (floor.startsWith(House.FLOOR)) {
      throw new Here(); // open
    }
  }

  static void crowded(int guests) {
    if (guests == House.rooms) {
      throw new Here(); // open
    }
  }

  static boolean isElsewhere() {
    return File.separatorChar == '!';
  }

  static void elsewhere(int guests) {
    if (isElsewhere()) {
      throw new Here(); // open
    }
  }

  // ---- texts under way ----

  static void written(StringBuilder report) {
    if (report.length() == 3 && report.charAt(0) == 'k') {
      throw new Here();
    }
  }

  static void finished(StringBuffer report) {
    report.append("kn");
    if (report.toString().equals("two kn")) {
      throw new Here();
    }
  }

  static void read(String charset) {
    if (java.nio.charset.Charset.forName(charset).name().length() == 5) {
      throw new Here();
    }
  }

  // ---- new arrays ----

  static class Rack {
    private final int[] places;

    Rack(int size) {
      places = new int[size];
    }
  }

  static void stored(Rack rack, int[] goods) {
    if (goods.length == 2 && goods.length < rack.places.length) {
      throw new Here();
    }
  }

  static void counted(int place) {
    int[] counts = new int[3];
    counts[1] = 5;
    if (counts[place] == 5) {
      throw new Here(); // open
    }
  }

  static void filled(String text) {
    char[] letters = new char[2];
    text.getChars(0, 2, letters, 0);
    if (letters[0] == 'q') {
      throw new Here();
    }
  }

  static void untouched(int place) {
    boolean[] isTaken = new boolean[4];
    if (place == 3 && !isTaken[2]) {
      throw new Here();
    }
  }

  // ---- what goes wrong ----

  static class Leak extends Exception {}

  static class LargeLeak extends Leak {}

  private static void pump(int water) throws Leak {
    if (water > 30) {
      throw new LargeLeak();
    }
  }

  static void leaking(int water) {
    try {
      pump(water);
    } catch (Leak e) {
      throw new Here();
    }
  }

  private static int read(java.io.Reader log) throws IOException {
    return log == null ? 3 : log.read();
  }

  static void unread(java.io.Reader log) {
    try {
      read(log);
    } catch (java.io.FileNotFoundException e) {
      throw new Here(); // open
    } catch (IOException e) {
      return;
    }
  }

  // ---- lines ----

  static void secondLine(java.io.Reader log) throws IOException {
    java.io.BufferedReader lines = new java.io.BufferedReader(log);
    for (String line = lines.readLine(); line != null; line = lines.readLine()) {
      if (line.startsWith("wreck")) {
        String where = lines.readLine();
        if (where != null && where.endsWith("north")) {
          throw new Here();
        }
      }
    }
  }

  static void shortLog(java.io.BufferedReader log) throws IOException {
    if ("fog".equals(log.readLine()) && log.readLine() == null) {
      throw new Here();
    }
  }

  static void piped(java.io.InputStream log) throws IOException {
    try (var lines =
        new java.io.BufferedReader(
            new java.io.InputStreamReader(log, java.nio.charset.StandardCharsets.UTF_8))) {
      String line = lines.readLine();
      if (line != null && line.length() == 4) {
        throw new Here();
      }
    }
  }

  static void numbered(java.io.Reader log) throws IOException {
    java.io.LineNumberReader lines = new java.io.LineNumberReader(log);
    lines.readLine();
    String second = lines.readLine();
    if (second != null && second.isBlank()) {
      throw new Here();
    }
  }

  static void skipped(java.io.Reader log) throws IOException {
    log.read();
    if ("fog".equals(new java.io.BufferedReader(log).readLine())) {
      throw new Here(); // open
    }
  }

  // ---- classes as objects ----

  static class Tide {
    final int height;

    Tide(int height) {
      this.height = height;
    }

    @Override
    public boolean equals(Object other) {
      if (this == other) {
        return true;
      }
      if (other == null || getClass() != other.getClass()) {
        return false;
      }
      return height == ((Tide) other).height;
    }

    @Override
    public int hashCode() {
      return height;
    }
  }

  static void asHigh(Tide tide, Object other) {
    if (tide != other && tide.equals(other)) {
      throw new Here();
    }
  }

  static void likeThat(Tide tide, Tide other) {
    if (tide.getClass() == other.getClass() && tide.height == 3) {
      throw new Here();
    }
  }

  static void unlike(Tide tide, Crane other) {
    if (tide.getClass() == (Object) other.getClass()) {
      throw new Here(); // `tide.getClass() == (Object) other.getClass()` true at line 734 cannot happen there
    }
  }

  static void otherThan(Tide tide, Object other) {
    if (other != null && !tide.equals(other)) {
      throw new Here();
    }
  }

  static void aText(Object other) {
    if (other.getClass() == String.class) {
      throw new Here(); // open
    }
  }

  static class Spring extends Height {}

  static class Height {}

  static void ofHeight(Height one, Spring other) {
    if (one.getClass() == other.getClass()) {
      throw new Here(); // open
    }
  }

  static void kindOf(Class<?> type) {
    if (type != String.class && type != Object.class && type == Integer.class) {
      throw new Here();
    }
  }

  static void otherKind(Class<?> type) {
    if (type != String.class && type != Object.class) {
      throw new Here();
    }
  }

  static void copiedHolds(int[] holds) {
    int[] copy = holds.clone();
    if (copy.length == 2 && copy[1] == 7) {
      throw new Here();
    }
  }

  // ---- somebody at the keyboard ----

  static void asksSomebody(boolean isLoud) throws IOException {
    if (isLoud) {
      listen();
      throw new Here();
    }
  }

  private static void listen() throws IOException {
    while (System.in.read() != '.') {
      Objects.requireNonNull(System.out);
    }
  }

  // ---- two things at once ----

  interface Floating {}

  interface Lit {}

  static final class Buoy implements Floating, Lit {}

  static void both(Object thing) {
    if (thing instanceof Floating && thing instanceof Lit) {
      Floating floating = (Floating) thing;
      Lit lit = (Lit) thing;
      if (floating.equals(lit)) {
        throw new Here(); // open
      }
    }
  }

  // ---- the same object ----

  static class Hold extends java.util.ArrayList<String> {
    Hold() {}

    Hold(Hold other) {
      super(other);
    }

    Hold(Hold other, int size) {
      addAll(other);
    }
  }

  static void copiedHold(Hold hold, int day) {
    Hold copy = new Hold(hold);
    if (day == 3 && copy != null) {
      throw new Here();
    }
  }

  static void filledHold(Hold hold, int day) {
    Hold copy = new Hold(hold, day);
    if (day == 4 && copy != null) {
      throw new Here();
    }
  }

  static class Lantern {
    private Object light;

    Lantern(Object given) {
      change(given);
    }

    private void change(Object given) {
      Object now = "on";
      if (given != null) {
        now = given;
      }
      light = now;
    }
  }

  static void dark(Lantern lantern) {
    if (lantern.light == null) {
      throw new Here(); // open
    }
  }

  static void sameHold(Hold hold, java.util.Collection<String> other) {
    if (other == hold) {
      throw new Here(); // open
    }
  }

  static void sameChecked(Hold hold, java.util.Collection<String> other) {
    java.util.Objects.requireNonNull(other, "other");
    if (other == hold) {
      throw new Here(); // open
    }
  }

  static class Mark {
    private final Crane crane;
    private final Barge barge;

    Mark(Crane crane) {
      this(crane, null);
    }

    Mark(Barge barge) {
      this(null, barge);
    }

    private Mark(Crane crane, Barge barge) {
      this.crane = crane;
      this.barge = barge;
    }
  }

  static void unmarked(Mark mark) {
    if (mark.barge == null) {
      throw new Here();
    }
  }

  static class Log {
    private final java.util.List<Cable> entries;

    Log(java.util.List<Cable> entries) {
      this.entries = java.util.Collections.unmodifiableList(new java.util.ArrayList<>(entries));
    }
  }

  static void toldLog(Log log) {
    for (Cable entry : log.entries) {
      throw new Here();
    }
  }

  static void weightyLog(Log log) {
    for (Cable entry : log.entries) {
      if (entry.metres == 12) {
        throw new Here();
      }
    }
  }

  // ---- objects that are set up before ----

  static class Winch {
    private Cable cable;
    private String owner = "port";
    private boolean isLocked = true;

    Winch wind(Cable cable) {
      this.cable = cable;
      return this;
    }

    void setOwner(String owner) {
      this.owner = owner;
    }

    void unlock() {
      isLocked = false;
    }

    int pull() {
      return isLocked || owner.length() > 2 ? 0 : cable.metres;
    }
  }

  static void wound(Winch winch) {
    if (winch.pull() == 30) {
      throw new Here();
    }
  }

  static void wired(Winch one, Winch other) {
    if (one.pull() > 3 && other.pull() > one.pull()) {
      throw new Here();
    }
  }

  void duplicated() {
    try {
      super.clone();
    } catch (CloneNotSupportedException e) {
      throw new Here(); // what line 961 needs can't be
    }
  }

  void itself(Object other) {
    if (this == other) {
      throw new Here();
    }
  }

  static void buffered(Reader reader) {
    if (reader instanceof BufferedReader) {
      BufferedReader lines = (BufferedReader) reader;
      throw new Here();
    }
  }

  static void keptInMemory(String text) {
    StringWriter all = new StringWriter();
    try (StringWriter out = all) {
      out.write(text);
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
    if (text.length() == 4) {
      throw new Here();
    }
  }

  static void threaded(int count) {
    if (Thread.currentThread() != null && Arrays.asList(1).iterator() != null && count == 7) {
      throw new Here();
    }
  }

  static void piped(Readable from) {
    if (from instanceof Reader) {
      Reader reader = (Reader) from;
      throw new Here();
    }
  }

  static void piped(Reader from) {}

  interface Fleet {
    Gauge gauge(int pier);

    String name();
  }

  static void gaugedByFleet(Fleet fleet) {
    Gauge gauge = fleet.gauge(3);
    if (gauge.depth() == 4 && gauge.isFrozen("x") && fleet.name().isEmpty()) {
      throw new Here();
    }
  }

  static void checkedFirst(int depth) {
    soundAll(depth);
    if (depth == 5000) {
      throw new Here(); // as long as Chores.soundAll(..) throws nothing
    }
  }

  private static void soundAll(int depth) {
    for (int at = 0; at < depth; at++) {
      if (Integer.bitCount(at) > 12) {
        throw new IllegalStateException();
      }
    }
  }

  static class Hull {
    int doors() {
      return 1;
    }
  }

  static class DoubleHull extends Hull {
    @Override
    int doors() {
      return 2;
    }
  }

  static void opened(Hull hull, int open) {
    if (hull.doors() + open == 5) {
      throw new Here();
    }
  }

  static void liftedOften(Crane crane, int often) {
    liftAll(crane, often);
    if (often == 2) {
      throw new Here();
    }
  }

  private static void liftAll(Crane crane, int often) {
    int all = 0;
    for (int at = 0; at < often; at++) {
      all += Integer.bitCount(at) > 12 ? crane.lifts() : crane.reach;
      all += Integer.bitCount(at) < 2 ? 1 : 2;
    }
  }

  static void addressed(String address, int count) throws IOException {
    new java.net.URL(address);
    if (count == 4) {
      throw new Here();
    }
  }

  static void atPlace(int[] piers, int at) {
    if (piers[at] == 0) {
      throw new Here(); // open
    }
  }

  static void taken(Object thing, int often) {
    Crane crane = (Crane) thing;
    if (often == 3) {
      throw new Here();
    }
  }

  static void soundedSafely(int depth) {
    try {
      soundAll(depth);
    } catch (IllegalStateException e) {
      return;
    }
    if (depth == 6000) {
      throw new Here(); // open
    }
  }

  /** Very many ways lead through what is called; one of them is known from end to end. */
  static void hoisted(String signal, int times) {
    int flags;
    try {
      flags = flagsOf(signal);
    } catch (IllegalArgumentException e) {
      return;
    }
    if (flags == 4 && times == 2) {
      throw new Here();
    }
  }

  private static int flagsOf(String signal) {
    switch (signal.trim().toLowerCase(java.util.Locale.ROOT)) {
      case "pilot":
      case "h":
        return 1;
      case "quarantine":
      case "q":
        return 2;
      case "diver":
      case "a":
        return 3;
      case "fire":
      case "j":
        return 4;
      case "doctor":
        return 5;
      default:
        throw new IllegalArgumentException("no such signal: " + signal);
    }
  }

  enum Sail {
    MAIN("m"),
    JIB("j"),
    GENOA("g"),
    STORM_JIB("s"),
    SPINNAKER("k");

    private final String mark;

    Sail(String mark) {
      this.mark = mark;
    }
  }

  /** None of them; and the last but one, in another method. */
  static Sail sail(String mark) {
    for (Sail sail : Sail.values()) {
      if (sail.mark.equals(mark)) {
        return sail;
      }
    }
    throw new Here();
  }

  static void setIn(String mark, int wind) {
    if (sail(mark) == Sail.STORM_JIB && wind > 8) {
      throw new Here();
    }
  }

  static void ordered(String order) {
    String[] words = order.trim().split("\\s+");
    if (words[0].equals("shift") && Integer.parseInt(words[2]) > 7 && sailed(words[1])) {
      throw new Here();
    }
  }

  private static boolean sailed(String mark) {
    return sail(mark) == Sail.GENOA;
  }

  static void addressed(String address) {
    String[] parts = address.split("\\s*[:/]+\\.?");
    if (parts.length == 3 && parts[0].equals("berth") && parts[2].endsWith("west")) {
      throw new Here();
    }
  }

  interface Radio {
    int call(int channel);

    String name();
  }

  /** A double that throws still has a text of its own. */
  static void silent(Radio radio) {
    try {
      radio.call(16);
    } catch (UnsupportedOperationException e) {
      String.format("no answer from %s", radio);
      throw new Here();
    }
  }

  /** What is of one type is not of those asked for before. */
  static void loaded(Object cargo) {
    if (cargo instanceof boolean[]) {
      return;
    } else if (cargo instanceof Object[]) {
      return;
    } else if (cargo instanceof Crane || cargo instanceof Radio) {
      return;
    } else if (cargo instanceof int[] && ((int[]) cargo).length == 2) {
      throw new Here();
    }
  }

  static void unloaded(Object cargo) {
    if (cargo instanceof Crane || cargo instanceof CharSequence || cargo instanceof Cloneable) {
      return;
    }
    if (cargo instanceof Cable && ((Cable) cargo).metres == 30) {
      throw new Here();
    }
  }

  static void empty(Cable cable) {
    Object any = cable;
    if (!(any instanceof Cloneable) && any == null) {
      throw new Here();
    }
  }

  // ---- what threads share ----

  static class Lock {
    private final AtomicReference<DayOfWeek> day = new AtomicReference<>(DayOfWeek.MONDAY);
    private final AtomicBoolean isShut = new AtomicBoolean();
    private final AtomicInteger ships;

    Lock(int ships) {
      this.ships = new AtomicInteger(ships);
    }
  }

  static void shut(Lock lock) {
    if (lock.isShut.compareAndSet(false, true) && lock.day.get() == DayOfWeek.MONDAY) {
      throw new Here();
    }
  }

  static void fill(Lock lock, int more) {
    if (lock.ships.addAndGet(more) == 12 && !lock.isShut.get()) {
      throw new Here();
    }
  }

  static void turn(Lock lock) {
    DayOfWeek before = lock.day.getAndSet(DayOfWeek.FRIDAY);
    if (before == DayOfWeek.MONDAY && lock.day.get() == DayOfWeek.FRIDAY) {
      throw new Here();
    }
  }

  static void turnedElsewhere(Lock lock) {
    if (lock.day.get() == DayOfWeek.SUNDAY) {
      throw new Here(); // open
    }
  }

  static void counted(AtomicInteger ships, AtomicBoolean isShut) {
    if (ships.incrementAndGet() == 4 && ships.get() == 4 && isShut.getAndSet(false)) {
      throw new Here();
    }
  }

  static void twice() {
    AtomicLong depth = new AtomicLong(3);
    if (depth.compareAndSet(4, 5)) {
      throw new Here(); // `depth.compareAndSet(4, 5)` true at line 1272 cannot happen there
    }
  }

  record Voyage(
      int a, int b, int c, int d, int e, int f, int g, int h, int i, int knots) {}

  static void swift(Voyage voyage) {
    if (voyage.knots() == 30) {
      throw new Here();
    }
  }

  // ---- enums ----

  enum Swell {
    LOW,
    RISING,
    HIGH
  }

  static void highest(Swell tide, Swell other) {
    if (tide.compareTo(other) > 1 && other.equals(Swell.LOW)) {
      throw new Here();
    }
  }

  static void told(Swell tide) {
    if (tide.toString().startsWith("RIS")) {
      throw new Here();
    }
  }

  static void byClass(Object thing) {
    if (Cable.class.isInstance(thing) && Cable.class.cast(thing).metres == 8) {
      throw new Here();
    }
  }

  static void either(int metres) {
    Radio radio = metres > 4 ? new Handset() : null;
    Object any = metres > 3 ? new Cable(metres) : radio;
    if (!(any instanceof Radio) && new Handset() instanceof Radio && metres == 7) {
      throw new Here();
    }
  }

  static class Handset implements Radio {
    @Override
    public int call(int channel) {
      return channel;
    }

    @Override
    public String name() {
      return "handset";
    }
  }

  // ---- exceptions that the same method handles ----

  interface Tug {
    void pull() throws IOException;
  }

  static void refusedOrder(String order, Tug tug) {
    try {
      switch (order) {
        case "pull":
          tug.pull();
          return;
        default:
          throw new IllegalArgumentException(order);
      }
    } catch (IOException e) {
      throw new Here();
    }
  }

  private static int asked(int depth) {
    try {
      if (depth > 5) {
        throw new IllegalStateException();
      }
      return depth;
    } catch (IllegalStateException e) {
      return -depth;
    }
  }

  static void asksSafely(int depth) {
    if (asked(depth) == -7) {
      throw new Here();
    }
  }

  // ---- what the platform's types promise ----

  interface Sack extends Collection<String> {
    int weight();
  }

  static void heaved(Sack sack) {
    Collection<String> any = Objects.requireNonNull((Collection<String>) sack);
    if (any != null && sack.weight() == 40) {
      throw new Here();
    }
  }

  static void rewritten(ListIterator<String> names) {
    names.set("Nele");
    names.add("Enno");
    throw new Here();
  }

  static void dropped() {
    List<String> names = new ArrayList<>();
    names.add("Nele");
    names.add("Enno");
    for (Iterator<String> each = names.iterator(); each.hasNext(); ) {
      if (each.next().startsWith("N")) {
        each.remove();
      }
    }
    if (names.size() == 1 && names.get(0).equals("Enno")) {
      throw new Here();
    }
  }

  static class Mooring {
    private Radio radio;

    Mooring(Radio radio) {
      this.radio = radio;
    }

    Radio radio() {
      if (radio == null) {
        radio = new Handset();
      }
      return radio;
    }
  }

  static void hailed(Mooring mooring, int often) {
    Handset handset = (Handset) mooring.radio();
    if (often == 3) {
      throw new Here();
    }
  }

  static void counts(Iterable<String> names, int often) {
    if (often == 4) {
      throw new Here();
    }
  }

  static void counts(Collection<String> names, int often) {}

  static void allOf(Stream<String> names, Predicate<String> is) {
    if (names.allMatch(is)) {
      throw new Here();
    }
  }

  static void eitherThrown(int depth) {
    try {
      throw depth > 3 ? new IllegalArgumentException() : new IllegalStateException();
    } catch (IllegalArgumentException e) {
      if (depth == 5) {
        throw new Here();
      }
    }
  }

  static class Stranded extends RuntimeException {}

  private static int draught(String mark) {
    if (mark.length() > 3) {
      throw new Stranded();
    }
    return mark.length();
  }

  /** What the platform is given no code of can't throw an exception of the project. */
  static void stranded(String mark) {
    try {
      new java.io.StringReader(mark);
      draught(mark);
    } catch (Stranded e) {
      throw new Here();
    }
  }

  static void stowedAs(Class<?> kind) {
    if (kind != String.class && kind.getName().equals("java.util.concurrent.atomic.AtomicLong")) {
      throw new Here();
    }
  }

  static void stowedInRows(Class<?> kind) {
    if (!kind.isPrimitive() && kind.isArray()) {
      throw new Here();
    }
  }

  static void stowedAsFew(Class<?> kind) {
    if (kind == Integer.TYPE) {
      throw new Here();
    }
  }

  static void stowedAsNumber(Class<?> kind) {
    if (Number.class.isAssignableFrom(kind) && kind != Integer.class) {
      throw new Here();
    }
  }

  interface Withy {
    boolean isLit();

    Withy next();
  }

  interface NamedWithy extends Withy {
    String name();
  }

  /** A double is of what it is taken for later. */
  static void passed(Withy withy) {
    Withy after = withy.next();
    if (after.isLit() && ((NamedWithy) after).name().equals("Roter Sand")) {
      throw new Here();
    }
  }

  private static boolean isBare(CharSequence name) {
    if (name == null) {
      return true;
    }
    for (int i = 0; i < name.length(); i++) {
      if (!Character.isWhitespace(name.charAt(i))) {
        return false;
      }
    }
    return true;
  }

  static void unnamed(String name) {
    if (isBare(name) && name.length() == 2) {
      throw new Here();
    }
  }

  static void named(String name) {
    if (!isBare(name) && name.charAt(0) == ' ') {
      throw new Here();
    }
  }

  private static int highest(int most) {
    for (int i = 0; ; i++) {
      if (i * i > most) {
        return i - 1;
      }
    }
  }

  static void rooted(int most) {
    if (highest(most) == 1) {
      throw new Here();
    }
  }

  static class Roster {
    private final List<String> names = new ArrayList<>();

    void enter(String name) {
      names.add(name);
    }

    boolean has(String name) {
      return names.contains(name);
    }

    int count() {
      return names.size();
    }
  }

  static void notEntered(Roster roster, String name) {
    if (!roster.has(name) && roster.count() == 0) {
      throw new Here();
    }
  }

  static void entered(Roster roster, String name) {
    roster.enter(name);
    if (roster.count() == 0) {
      throw new Here(); // open
    }
  }

  /** Nobody tells a proxy what it equals. */
  static void otherBuoys(Withy one, Withy other) {
    if (one.isLit() && !one.equals(other)) {
      throw new Here();
    }
  }

  static void oneOfThem(Roster roster, String name) {
    if (roster.has(name) && !roster.has(name + "a")) {
      throw new Here(); // open
    }
  }

  private static void fill(List<String> names, int many) {
    for (int i = 0; i < many; i++) {
      names.add("a");
    }
  }

  static void filled(int many) {
    List<String> names = new ArrayList<>();
    fill(names, many);
    if (names.isEmpty() && many > 5) {
      throw new Here(); // open
    }
  }

  static void filledByOthers(int many) {
    List<String> names = new ArrayList<>();
    java.util.Collections.addAll(names, new String[many]);
    if (names.isEmpty() && many > 5) {
      throw new Here(); // open
    }
  }

  private static void count(AtomicInteger counter, int many) {
    for (int i = 0; i < many; i++) {
      counter.incrementAndGet();
    }
  }

  static void countedOften(int many) {
    AtomicInteger counter = new AtomicInteger();
    count(counter, many);
    if (counter.get() == 0 && many > 5) {
      throw new Here(); // open
    }
  }

  private static void rub(Roster roster, int many) {
    for (int i = 0; i < many; i++) {
      roster.enter("a");
    }
  }

  static void rubbed(Roster roster, int many) {
    rub(roster, many);
    if (roster.count() == 0 && many > 5) {
      throw new Here(); // open
    }
  }

  static class Fathoms {
    private int depth;

    void sound() {
      depth++;
    }
  }

  private static void soundOften(Fathoms log, int many) {
    for (int i = 0; i < many; i++) {
      log.sound();
    }
  }

  static void soundedOften(Fathoms log, int many) {
    soundOften(log, many);
    if (log.depth == 0 && many > 5) {
      throw new Here(); // open
    }
  }

  // ---- numbers that are one double ----

  static void almostNever(long deadline) {
    if (deadline != Long.MAX_VALUE && deadline == Long.MAX_VALUE - 1) {
      throw new Here();
    }
  }

  // ---- letters of texts, one by one ----

  static class Signal {
    private final String mark;

    Signal(String mark) {
      this.mark = mark;
    }

    /** It could as well be static: nothing of the object is asked. */
    private boolean begins(char letter, CharSequence text, int at, char[] all, int many) {
      if (letter != all[0] || at + many > text.length()) {
        return false;
      }
      for (int i = 1; i < many; i++) {
        if (text.charAt(at + i) != all[i]) {
          return false;
        }
      }
      return true;
    }

    void marked(Object message) {
      if (!(message instanceof CharSequence)) {
        return;
      }
      CharSequence text = (CharSequence) message;
      char[] all = mark.toCharArray();
      if (text.charAt(0) == 'x' && begins(text.charAt(1), text, 1, all, all.length)) {
        throw new Here();
      }
    }

    /** What can be told of a text holds for the object that it is. */
    void blank(Object message) {
      if (message instanceof CharSequence && ((CharSequence) message).length() == 0) {
        throw new Here();
      }
    }
  }

  static void lettered(String name) {
    char[] letters = name.toCharArray();
    if (letters.length == 3 && letters[1] == '-') {
      throw new Here();
    }
  }

  // ---- arrays that are copied when they are given and taken ----

  static class Crews {
    private String[] names;
    private int[] watches;

    private static String[] clone(String[] all) {
      return all == null ? null : all.clone();
    }

    void setNames(String... all) {
      names = clone(all);
    }

    String[] names() {
      return clone(names);
    }

    void setWatches(int[] all) {
      this.watches = all.clone();
    }

    void named() {
      String[] all = names();
      if (all != null && all.length == 2 && all[1].equals("mate")) {
        throw new Here();
      }
    }

    void nobody() {
      if (names().length == 0) {
        throw new Here();
      }
    }

    void watched() {
      if (watches != null && watches.length == 3 && watches[2] == 4) {
        throw new Here();
      }
    }
  }

  // ---- what any object says ----

  static void spoken(Object message) {
    if (!(message instanceof CharSequence) && message.toString().equals("mayday")) {
      throw new Here();
    }
  }

  // ---- arrays that are the same ----

  static class Shifts {
    private int[] hours;

    void setHours(int[] all) {
      hours = all;
    }

    void alike() {
      int[] now = hours;
      if (Arrays.equals(hours, now)) {
        throw new Here();
      }
    }

    /** Of two that are not known nobody can tell whether they are one. */
    static void alikeSomewhere(int[][] all, int[] of) {
      if (all.length > 2 && Arrays.equals(all[of[0]], all[of[1]])) {
        throw new Here(); // open
      }
    }

    void unlike(Shifts other) {
      if (hours != null && !Arrays.equals(hours, other.hours) && other.hours == null) {
        throw new Here();
      }
    }

    void longer(Shifts other) {
      if (hours.length > 2 && other.hours.length > 2 && !Arrays.equals(hours, other.hours)) {
        throw new Here(); // open
      }
    }
  }

  // ---- one of several that are given at the place ----

  private static boolean isAny(String mark, int from, int many, String... these) {
    boolean isAny = false;
    if (from >= 0 && from + many <= mark.length()) {
      String part = mark.substring(from, from + many);
      for (String one : these) {
        if (part.equals(one)) {
          isAny = true;
          break;
        }
      }
    }
    return isAny;
  }

  static void markedAs(String mark) {
    if (isAny(mark, 1, 2, "AB", "CD", "EF")
        && !isAny(mark, 0, 1, "X", "a")
        && isAny(mark, 0, 3, "XCD", "NCD")) {
      throw new Here();
    }
  }

  private boolean isOneOf(char letter, char[] these) {
    for (char one : these) {
      if (one == letter) {
        return true;
      }
    }
    return false;
  }

  void lettered(char letter) {
    if (isOneOf(letter, new char[] {'b', 'd'}) && !isOneOf(letter, new char[] {'a', 'b', 'c'})) {
      throw new Here();
    }
  }

  // ---- maps that a test gives ----

  static void stocked(java.util.Map<String, Integer> stock) {
    if (stock.get("coal") != null && stock.get("coal") > 5) {
      throw new Here();
    }
  }

  static void hasRope(java.util.Map<String, String> stock) {
    if (stock.containsKey("rope") && "thick".equals(stock.get("rope"))) {
      throw new Here();
    }
  }

  static void entries(java.util.Map<String, Integer> stock) {
    for (java.util.Map.Entry<String, Integer> one : stock.entrySet()) {
      if (one.getKey().equals("coal") && one.getValue() > 5) {
        throw new Here();
      }
    }
  }

  static void keys(java.util.Map<String, Integer> stock) {
    for (String key : stock.keySet()) {
      if (key.startsWith("co") && stock.get(key) == 3) {
        throw new Here();
      }
    }
  }

  static void sum(java.util.Map<String, Integer> stock) {
    int sum = 0;
    for (int one : stock.values()) {
      sum += one;
    }
    if (sum == 7) {
      throw new Here();
    }
  }

  static void byDefault(java.util.Map<String, Integer> stock) {
    if (stock.getOrDefault("coal", 0) == 4 && stock.size() == 2) {
      throw new Here();
    }
  }

  static class Depot {
    private final java.util.Map<String, Integer> stock;

    Depot(java.util.Map<String, Integer> stock) {
      this.stock = stock;
    }

    int of(String name) {
      return stock.containsKey(name) ? stock.get(name) : 0;
    }
  }

  static void inDepot(Depot depot, String name) {
    if (depot.of("coal") > depot.of("oil") && depot.of(name) == 6 && name.length() == 2) {
      throw new Here();
    }
  }

  static void crewOf(java.util.Map<String, List<String>> crews, String ship) {
    if (crews.get(ship).size() == 2 && crews.get(ship).contains("Nele")) {
      throw new Here(); // open
    }
  }

  static void lacksOil(java.util.Map<String, Crane> cranes) {
    if (!cranes.isEmpty() && !cranes.containsKey("oil")) {
      throw new Here();
    }
  }

  static void delivered(java.util.Map<String, Integer> stock) {
    stock.put("coal", 5);
    if (stock.get("oil") == 3) {
      throw new Here(); // open
    }
  }

  static void sorted(java.util.SortedMap<String, Integer> stock) {
    for (String key : stock.keySet()) {
      if (!key.startsWith("a")) {
        throw new Here(); // open
      }
    }
  }

  static void flagged(java.util.Map<String, Boolean> flags) {
    if (flags.containsKey("red") && flags.get("green")) {
      throw new Here();
    }
  }

  static void coal(java.util.Map<String, Integer> stock) {
    if (stock.containsKey("coal")) {
      throw new Here();
    }
  }

  static void onMondays(java.util.Map<DayOfWeek, Integer> hours) {
    if (hours.get(DayOfWeek.MONDAY) > 8) {
      throw new Here();
    }
  }

  static void seventh(java.util.Map<Integer, String> names, java.util.Map<Long, Character> marks) {
    if ("Nele".equals(names.get(7)) && marks.get(3L) == 'x') {
      throw new Here();
    }
  }

  static void anyOf(java.util.TreeMap<String, Crane> cranes, String name) {
    if (cranes.get(name) != null) {
      throw new Here(); // open
    }
  }

  static void byAny(java.util.Map<Object, Object> all, Object key) {
    if (all.get(key) != null) {
      throw new Here();
    }
  }

  static void within(java.util.Map<String, Object> all) {
    if (all.get("coal") instanceof java.util.Map) {
      throw new Here(); // open
    }
  }

  static void byMark(java.util.EnumMap<DayOfWeek, String> marks) {
    if (marks.size() == 3) {
      throw new Here(); // open
    }
  }

  static void twoNamed(java.util.Set<String> names) {
    for (String name : names) {
      if (name.startsWith("N") && names.size() == 2) {
        throw new Here();
      }
    }
  }

  // ---- what would end all tests ----

  private static void stop(int many) {
    if (many > 2) {
      Runtime.getRuntime().halt(1);
    }
  }

  static void stopped(int many) {
    if (many > 2) {
      stop(many);
      throw new Here(); // open
    }
  }
}
