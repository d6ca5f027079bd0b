import java.io.BufferedInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.math.BigInteger;
import java.net.Socket;
import java.net.SocketException;
import java.nio.charset.Charset;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Collection;
import java.util.Deque;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import java.util.function.Supplier;
import java.util.regex.Pattern;

/**
 * What the platform, or code of the project, does not take: a way leads past it. Each method has
 * one place where it throws Here.
 */
class Refusals {
  static class Here extends RuntimeException {}

  // ---- texts and numbers ----

  static void weighed(String weight) {
    Integer tons = weight == null ? null : Integer.decode(weight);
    if (tons != null) {
      throw new Here();
    }
  }

  static void painted(String colour) {
    BigInteger number = new BigInteger(colour, 16);
    if (colour.length() > 1) {
      throw new Here();
    }
  }

  static void pumped(InputStream tank, int size) {
    InputStream hose = new BufferedInputStream(tank, size);
    if (size < 3) {
      throw new Here();
    }
  }

  static void tuned(Socket radio, Integer size) throws SocketException {
    if (size != null) {
      radio.setReceiveBufferSize(size);
      throw new Here();
    }
  }

  static void stacked(byte[] crates, int below) {
    if (crates.length - below > 40) {
      throw new Here();
    }
  }

  // ---- nothing where something has to be ----

  interface Notice {
    byte[] end();

    Charset letters();
  }

  static String ended(Notice notice) {
    byte[] end = notice.end();
    if (end != null && end.length > 0) {
      String last = new String(end, notice.letters());
      throw new Here();
    }
    return "";
  }

  enum Flag {
    PILOT,
    QUARANTINE
  }

  static class Register {
    private final ConcurrentMap<Notice, String> told = new ConcurrentHashMap<>();

    void asked(Notice notice, String asker) {
      told.containsKey(notice);
      if (asker != null) {
        throw new Here();
      }
    }
  }

  static void flagged(Flag... flags) {
    if (flags.length > 0) {
      EnumSet<Flag> all = EnumSet.copyOf(Arrays.asList(flags));
      throw new Here();
    }
  }

  static class Watch {
    private final Instant begun = Instant.EPOCH;
    private Instant ended;

    void end(Instant at) {
      ended = at;
    }

    void told() {
      Duration all = Duration.between(begun, ended);
      throw new Here();
    }
  }

  // ---- lists that can't grow, and what is closed ----

  static class Bell {
    private final List<Runnable> hearing;

    Bell(Runnable... hearing) {
      this.hearing = Arrays.asList(hearing);
    }

    void heard(Runnable by) {
      if (by != null) {
        hearing.add(by);
      }
      throw new Here();
    }
  }

  static class Log {
    private final OutputStream to;
    private Writer writer;

    Log(OutputStream to) {
      this.to = to;
    }

    void close() throws IOException {
      if (writer == null) {
        writer = new OutputStreamWriter(to);
      }
      writer.close();
    }

    void flushed() throws IOException {
      if (writer != null) {
        writer.flush();
        throw new Here(); // open
      }
    }
  }

  // ---- doubles ----

  interface Basin {
    int depth();

    int width();

    default boolean isDeep() {
      return depth() > 8;
    }
  }

  static void deep(Basin basin) {
    if (basin.isDeep()) {
      throw new Here();
    }
  }

  static void others(Basin one, Basin other) {
    if (!Objects.equals(one, other)) {
      throw new Here();
    }
  }

  interface Fleet extends Collection<String> {
    int draught();
  }

  static void entered(Fleet fleet) {
    Set<String> all = new HashSet<>(fleet);
    if (all.isEmpty()) {
      throw new Here();
    }
  }

  static void moored(Deque<String> quay, Supplier<String> name) {
    quay.push(name.get());
    throw new Here();
  }

  interface Comparing<T, R> {
    R compare(T one, T other);
  }

  interface Near<R> extends Comparing<CharSequence, R> {
    @Override
    R compare(CharSequence one, CharSequence other);
  }

  static class Chart<R> {
    private final Near<R> near;

    Chart(Near<R> near) {
      this.near = near;
    }

    void read() {
      if (near != null) {
        throw new Here();
      }
    }
  }

  interface Chest {
    String taken(String label, int shelf) throws IOException;

    String taken(String label);

    int drawers();
  }

  static void fetched(Chest chest) {
    String found;
    try {
      found = chest.taken("rope", 1);
    } catch (IOException e) {
      found = chest.taken("rope");
      throw new Here(); // open
    }
  }

  static <T extends Comparable<? super T>> void ranked(T one, T other) {
    if (one != other && other != null) {
      throw new Here();
    }
  }

  class Yard {
    abstract class Gate {
      abstract int width();
    }
  }

  static void passed(Yard.Gate gate) {
    if (gate.width() > 3) {
      throw new Here(); // open
    }
  }

  // ---- what is called in turn ----

  static class Line {
    private final int length;
    private final boolean isStrict;

    Line(int length, boolean isStrict) {
      this.length = length;
      this.isStrict = isStrict;
    }

    int pay(int metres) {
      if (metres > length) {
        return end();
      }
      return metres;
    }

    private int end() {
      if (isStrict) {
        throw new IllegalStateException("no line left");
      }
      return -1;
    }
  }

  static void paidOut(Line line, int metres) {
    int paid = line.pay(metres);
    if (line.isStrict || metres > line.length) {
      throw new Here();
    }
  }

  // ---- objects of classes below those that are asked for ----

  static class Sheet {
    String title = "none";
    int pages;

    int weight() {
      return pages;
    }

    void copies(Sheet other) {
      title = other.title;
    }
  }

  static class Chapter extends Sheet {
    String author;

    @Override
    int weight() {
      return 2 * pages;
    }

    @Override
    void copies(Sheet other) {
      Chapter chapter = (Chapter) other;
      super.copies(chapter);
      author = chapter.author;
      throw new Here();
    }
  }

  static void bound(Sheet sheet) {
    if (((Chapter) sheet).author == null) {
      throw new Here();
    }
  }

  static void weighed(Sheet sheet, int most) {
    if (sheet.weight() < most) {
      Chapter chapter = (Chapter) sheet;
      throw new Here(); // open
    }
  }

  static class Signs {
    String pattern;
    boolean isStrict;
    Pattern compiled;

    void setPattern(String pattern) {
      this.pattern = pattern;
    }

    void compile(int flags) {
      compiled = Pattern.compile(pattern, flags + 2);
      throw new Here();
    }
  }

  // ---- what may be missing by now ----

  interface Signal {
    void raise(String flag);
  }

  static class Mast {
    Signal signal;

    Mast(Signal signal) {
      this.signal = signal;
      rig();
    }

    private void rig() {
      for (String value : System.getenv().values()) {
        if (!value.isEmpty()) {
          signal = null;
        }
      }
    }
  }

  static void hoisted(Mast mast) {
    mast.signal.raise("P");
    throw new Here(); // open
  }
}
