package atalaya.ways;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Method;
import atalaya.core.plan.Way;
import atalaya.java.ClassBytes;
import atalaya.java.ProjectReader;
import atalaya.java.SourceText;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * What a way tells to do: only what a test in the package of the code can do, and what it needs.
 */
class TellingTest {
  private static final String LEDGER =
      """
      package quay;

      public class Ledger {
        private final int pages;

        protected Ledger(int pages, int first) {
          this.pages = pages - first;
        }

        public Ledger(int pages) {
          this.pages = pages;
        }

        public int pages() {
          return pages;
        }

        public boolean isShort(int pages) {
          if (pages > this.pages + 5) {
            return true;
          }
          return false;
        }

        public int marked(String mark) {
          int sum = 0;
          if (mark.hashCode() == -123456789) {
            sum++;
            sum += 2;
            sum += 3;
            sum += 4;
            sum += 5;
            sum += 6;
            sum += 7;
            sum += 8;
          }
          return sum;
        }

        public int isLike(Object other) {
          int like = 0;
          if (other instanceof String) {
            like++;
            like += pages;
          }
          return like;
        }

        public int isLike(String other) {
          return other.length();
        }

        private String town = "Leer".trim();

        public void move(String town) {
          this.town = town.trim();
        }

        public boolean isNowhere() {
          return town == null;
        }

        private Scribe clerk;
        private Thread stamp;

        void stamp() {
          if (System.nanoTime() == pages) {
            stamp = Thread.currentThread();
          }
        }

        public boolean marked() {
          return stamp != null;
        }

        public void hire(Scribe clerk) {
          this.clerk = clerk;
          pages();
        }

        public int written() {
          int words = pages;
          if (clerk != null) {
            words++;
            words += 2;
          }
          return words;
        }

        public int sameAs(Object other) {
          int same = 0;
          if (other == this) {
            same++;
            same += pages;
          }
          return same;
        }

        public static class Lock {
          private int turns;

          private Lock() {}

          static Lock of(int turns) {
            Lock lock = new Lock();
            lock.turns = turns;
            return lock;
          }

          public int turns() {
            return turns;
          }
        }

        static class Hidden {
          public int lines() {
            return 3;
          }
        }

        public static Object hidden() {
          return new Hidden();
        }

        public interface Scribe {
          int words(int page);
        }

        public enum Ink {
          BLACK,
          RED,
          GREEN;

          public int fee() {
            switch (this) {
              case BLACK:
              case RED:
                return 1;
              default:
                return name().startsWith("G") ? 3 : 2;
            }
          }
        }
      }
      """;

  private static final String OFFICE =
      """
      package office;

      import java.io.*;
      import quay.Ledger;

      public abstract class Office {
        final int desks;

        Office(int desks) {
          this.desks = desks > 4 ? 4 : desks;
        }

        abstract String town();

        boolean isFull(int people) {
          return people > desks * 2 && town().equals("Emden");
        }

        static class Abroad extends Office {
          Abroad(String town) {
            super(1);
          }

          String town() {
            return "Delfzijl";
          }
        }

        static class Home extends Office {
          Home() {
            super(3);
          }

          String town() {
            return "Emden";
          }
        }

        static boolean isThick(Ledger ledger) {
          return ledger.pages() > 90;
        }

        static boolean isBusy(Ledger.Scribe scribe) {
          return scribe.words(1) > 5;
        }

        static boolean isShut(Ledger.Lock lock) {
          return lock.turns() > 3;
        }

        static Object drawer(int size) {
          return new Drawer(size + 1);
        }

        private static class Drawer {
          final int size;

          Drawer(int size) {
            if (size <= 7) {
              throw new IllegalArgumentException();
            }
            this.size = size;
          }
        }

        static int shelf(java.net.URL place) {
          if (place.getHost().equals("attic")) {
            return 1;
          }
          return 0;
        }

        static int filed(String name) {
          need(name, "name");
          return Shelves.place(name) ? 1 : 0;
        }

        private static void need(String text, String what) {
          if (text == null || text.length() == 0) {
            throw new IllegalArgumentException(String.format("The '%s' must not be empty.", what));
          }
        }

        static int first(String name) {
          int read = byteOf(name);
          return read > 0 ? read : 0;
        }

        private static int byteOf(String name) {
          try {
            return new FileInputStream(name).read();
          } catch (IOException e) {
            return -1;
          }
        }

        static class Desk {
          private final Ledger.Scribe scribe;
          private final java.util.List<Ledger> ledgers = new java.util.ArrayList<>();

          Desk(Ledger.Scribe scribe) {
            this.scribe = scribe;
          }

          Desk(String scribe) {
            this.scribe = null;
          }

          int thick() {
            int count = 0;
            for (Ledger ledger : ledgers) {
              if (ledger.pages() > 90 && scribe.words(2) == 7) {
                count++;
              }
            }
            return count;
          }
        }

        private static class Shelves {
          static native boolean place(String name);
        }
      }
      """;

  @TempDir static Path folder;
  private static CodeBase base;
  private static Map<String, CodeClass> models;

  /**
   * What is told of a method.
   *
   * @param code that takes the way; empty where a test can't take it without more
   * @param values each with how it comes about
   */
  record Told(String type, String method, String code, List<String> values) {
    @Override
    public String toString() {
      return type + "#" + method;
    }
  }

  static Stream<Told> told() {
    return Stream.of(
        new Told(
            "office.Office$Desk",
            "thick()",
            "",
            List.of(
                "this = new Office.Desk(a double of Ledger.Scribe)",
                "ledgers[0] = new Ledger(91), the object's state",
                "ledgers[1] = new Ledger(90), the object's state",
                "ledgers[2] = new Ledger(90), the object's state",
                "ledgers[0].pages = 91",
                "this.scribe.words(int) = 7, a double answers",
                "ledgers[1].pages = 90",
                "ledgers[2].pages = 90",
                "ledgers.size() = 3, the object's state")),
        new Told(
            "quay.Ledger$Ink",
            "fee()",
            "Ledger.Ink.GREEN.fee();",
            List.of("this = Ledger.Ink.GREEN")),
        new Told(
            "office.Office", "isFull(int)", "new Office.Home().isFull(7);", List.of("people = 7")),
        new Told(
            "office.Office",
            "isThick(Ledger)",
            "Office.isThick(new Ledger(91));",
            List.of("ledger = new Ledger(91)", "ledger.pages = 91")),
        new Told(
            "office.Office",
            "isBusy(Scribe)",
            "Office.isBusy(a -> 6);",
            List.of(
                "scribe = a double of Ledger.Scribe", "scribe.words(int) = 6, a double answers")),
        new Told(
            "office.Office",
            "shelf(URL)",
            "",
            List.of("place = any URL", "place.getHost() = \"attic\", has to come out")),
        new Told(
            "quay.Ledger",
            "isShort(int)",
            "new Ledger(5, 6).isShort(5);",
            List.of("pages = 5", "this.pages = 5", "this.first = 6")),
        new Told(
            "quay.Ledger",
            "marked(String)",
            "",
            List.of("mark = \"a\", but for what is open", "this = new Ledger(0)")),
        new Told(
            "quay.Ledger",
            "isLike(Object)",
            "new Ledger(0, 0).isLike((Object) \"a\");",
            List.of("other = \"a\"")),
        new Told(
            "quay.Ledger",
            "marked()",
            "",
            List.of("this = new Ledger(0, 0)", "stamp = not null, set by stamp")),
        new Told(
            "quay.Ledger",
            "isNowhere()",
            "",
            List.of("this = new Ledger(0, 0)", "town = null, set by move")),
        new Told(
            "quay.Ledger",
            "written()",
            "Ledger ledger = new Ledger(0); ledger.hire(a -> 0); ledger.written();",
            List.of()),
        new Told("office.Office", "<init>(int)", "", List.of("desks = 5")),
        new Told("office.Office$Drawer", "<init>(int)", "Office.drawer(6);", List.of("size = 6")),
        new Told(
            "office.Office",
            "isShut(Lock)",
            "",
            List.of("lock = any Ledger.Lock", "lock.turns = 4, the object's state")),
        new Told(
            "quay.Ledger",
            "sameAs(Object)",
            "Ledger ledger = new Ledger(0, 0); ledger.sameAs(ledger);",
            List.of("other = the object itself")),
        new Told(
            "office.Office",
            "filed(String)",
            "",
            List.of("name = \"a\"", "Office.Shelves.place(..) = true, has to come out")),
        new Told(
            "office.Office",
            "first(String)",
            "",
            List.of("name = \"a\"", "FileInputStream.read(..) = 1, has to come out")));
  }

  @BeforeAll
  static void compile() throws IOException {
    List<ClassBytes> classes = new ArrayList<>();
    List<SourceText> sources = new ArrayList<>();
    List<String> arguments = new ArrayList<>(List.of("-g", "-d", folder.toString()));
    for (String source : List.of(LEDGER, OFFICE)) {
      String path = source == LEDGER ? "quay/Ledger.java" : "office/Office.java";
      Path file = folder.resolve("src").resolve(path);
      Files.createDirectories(file.getParent());
      arguments.add(Files.writeString(file, source).toString());
      sources.add(new SourceText("m", path, path, source));
    }
    assertThat(
            ToolProvider.getSystemJavaCompiler()
                .run(null, null, null, arguments.toArray(String[]::new)))
        .isZero();
    Map<String, byte[]> bytes = new HashMap<>();
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.filter(f -> f.toString().endsWith(".class")).sorted().toList()) {
        String name = folder.relativize(file).toString().replace(".class", "");
        bytes.put(name, Files.readAllBytes(file));
        classes.add(new ClassBytes("m", name.replace('/', '.'), bytes.get(name)));
      }
    }
    base = CodeBase.of(bytes, type -> Optional.empty());
    models = new HashMap<>();
    ProjectReader.read(classes, sources).classes().forEach(c -> models.put(c.name(), c));
  }

  @ParameterizedTest
  @MethodSource
  void told(Told told) {
    Method method =
        models.get(told.type()).methods().stream()
            .filter(m -> m.name().equals(told.method()))
            .findFirst()
            .orElseThrow();
    WayFinder finder =
        new WayFinder(
            base,
            name -> Optional.ofNullable(models.get(name)),
            type -> new BitSet(),
            ref -> false,
            input -> List.of());
    BitSet reached = new BitSet();
    WayFinder.Answer answer =
        finder.best(
            new Wanted(new Ref(told.type().replace('.', '/'), method.code()), type -> reached, -1));
    assertThat(answer).as(answer.toString()).isInstanceOf(WayFinder.Answer.Found.class);
    Way.SetUp setUp = ((WayFinder.Answer.Found) answer).way().setUp();
    assertThat(setUp.givens())
        .extracting(
            given ->
                given.name()
                    + " = "
                    + given.value()
                    + (given.how().isEmpty() ? "" : ", " + given.how()))
        .containsExactlyElementsOf(told.values());
    assertThat(String.join(" ", setUp.code())).isEqualTo(told.code());
  }
}
