package atalaya.ways.uses;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TestUsesTest {
  private static final String CODE =
      """
      class Buoy {
        Buoy(String name, boolean isLit) {}
        static Buoy red(int number) { return new Buoy("red " + number, true); }
        Buoy lit(boolean isLit) { return this; }
        void call(char letter, long depth, String[] names) {}
        void drift(Runnable then) {}
        void sink() {}
        void rise(Integer metres) {}
        void moor(double length) {}
        void flash(boolean[] on) {}
        void name(String name, byte times) {}
        void ring() {}
        Buoy next() { return this; }
      }
      """;

  private static final String TEST =
      """
      class BuoyTest {
        static final long DEEP = 30;
        Buoy field = new Buoy("field", false);
        String name = "A";
        void one(String given) {
          Buoy buoy = new Buoy("north", true);
          buoy.lit(false).call('x', -5L, new String[] {"a", given});
          Buoy same = buoy;
          same.sink();
        }
        void two() {
          Buoy buoy = helper();
          buoy.moor(2 * DEEP);
          Runnable then = () -> field.rise(7);
          field.drift(then);
          field.name(String.valueOf('x'), (byte) 2);
          field.flash(new boolean[] {true, false});
        }
        Buoy third() {
          java.util.List<Buoy> buoys = java.util.List.of(field, field);
          buoys.get(1).ring();
          return field.next();
        }
        Buoy helper() { return Buoy.red(name.length() > 3 ? 1 : 2); }
      }
      """;

  private static final String FAR =
      "class FarTest { void far() { new Buoy(\"far\", true).sink(); } }";

  private static Map<String, byte[]> tests;

  @BeforeAll
  static void compile(@TempDir Path folder) throws IOException {
    Path code = Files.writeString(folder.resolve("Buoy.java"), CODE);
    Path test = Files.writeString(folder.resolve("BuoyTest.java"), TEST);
    Path far = Files.writeString(folder.resolve("FarTest.java"), FAR);
    String[] arguments = {
      "-g", "-d", folder.toString(), code.toString(), test.toString(), far.toString()
    };
    assertThat(ToolProvider.getSystemJavaCompiler().run(null, null, null, arguments)).isZero();
    tests = new TreeMap<>();
    for (String name : List.of("BuoyTest", "FarTest")) {
      tests.put(name, Files.readAllBytes(folder.resolve(name + ".class")));
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      textBlock =
          """
          lit(Z)LBuoy; | new Buoy("north", true).lit(false) | 7
          call(CJ[Ljava/lang/String;)V \
            | new Buoy("north", true).lit(false).call('x', -5L, new String[] {"a", given}) | 7
          sink()V | new Buoy("north", true).sink() | 9
          rise(Ljava/lang/Integer;)V | field.rise(7) | 14
          moor(D)V | helper().moor(60.0) | 13
          drift(Ljava/lang/Runnable;)V | field.drift(then) | 15
          name(Ljava/lang/String;B)V | field.name(String.valueOf('x'), (byte) 2) | 16
          flash([Z)V | field.flash(new boolean[] {true, false}) | 17
          red(I)LBuoy; | Buoy.red(..) | 24
          """)
  void readsCallsAsTheirCode(String method, String code, int line) {
    Use use =
        new TestUses(tests).calling(Set.of("Buoy"), method, List.of("BuoyTest")).orElseThrow();
    assertThat(use)
        .isEqualTo(new Use(code, !code.contains(".."), "BuoyTest", "BuoyTest.java", line));
  }

  @Test
  void looksNearFirst() {
    TestUses uses = new TestUses(tests);
    assertThat(Stream.of("BuoyTest", "FarTest"))
        .extracting(near -> uses.making(Set.of("Buoy"), List.of(near)).orElseThrow().code())
        .containsExactly("new Buoy(\"north\", true)", "new Buoy(\"far\", true)");
    assertThat(uses.calling(Set.of("Buoy"), "none()V", List.of("BuoyTest"))).isEmpty();
    assertThat(uses.calling(Set.of("Buoy"), "ring()V", List.of("BuoyTest"))).isEmpty();
  }

  @Test
  void tellsNothingOfWhatIsNoClassFile() {
    Map<String, byte[]> damaged = Map.of("BuoyTest", new byte[] {1, 2, 3});
    TestUses uses = new TestUses(damaged);
    assertThat(uses.calling(Set.of("Buoy"), "sink()V", List.of("BuoyTest"))).isEmpty();
    assertThat(uses.making(Set.of("Buoy"), List.of())).isEmpty();
  }
}
