package atalaya.ways.code;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.term.EnumValue;
import atalaya.core.term.Stand;
import java.io.Reader;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.Period;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is written for a value comes to that value when the compiler reads it. */
class LiteralsTest {
  /** A value, the descriptor of what has it, and what the compiler has to make of it. */
  private record Row(Object value, String type, Object read) {
    Row(Object value, String type) {
      this(value, type, value);
    }
  }

  private static final List<Row> ROWS =
      List.of(
          new Row(7, "I"),
          new Row(Integer.MAX_VALUE, "I"),
          new Row(Integer.MIN_VALUE, "I"),
          new Row(1, "Z", true),
          new Row(0, "Ljava/lang/Boolean;", false),
          new Row((int) 'x', "C", 'x'),
          new Row((int) '\'', "C", '\''),
          new Row((int) '\\', "C", '\\'),
          new Row(7, "C", (char) 7),
          new Row(0xFFFF, "C", (char) 0xFFFF),
          new Row(-3, "B", (byte) -3),
          new Row(-300, "S", (short) -300),
          new Row(12L, "J"),
          new Row(Long.MAX_VALUE, "J"),
          new Row(Long.MIN_VALUE, "J"),
          new Row(0.25f, "F"),
          new Row(Math.nextUp(1.0), "D"),
          new Row(-0.0, "D"),
          new Row(1e300, "D"),
          new Row(Double.NaN, "D"),
          new Row(Double.NEGATIVE_INFINITY, "D"),
          new Row(Float.POSITIVE_INFINITY, "F"),
          new Row("a \"quay\"\\\n\t\r", "Ljava/lang/String;"),
          new Row("\u0007é\u0000", "Ljava/lang/String;"),
          new Row("a".repeat(500), "Ljava/lang/CharSequence;"),
          new Row(DayOfWeek.FRIDAY, "Ljava/time/DayOfWeek;"),
          new Row(LocalDate.of(2026, 7, 17), "Ljava/time/LocalDate;"),
          new Row(LocalTime.of(5, 59), "Ljava/time/LocalTime;"),
          new Row(LocalDateTime.of(2026, 7, 17, 22, 1), "Ljava/time/LocalDateTime;"),
          new Row(Duration.ofMinutes(-1), "Ljava/time/Duration;"),
          new Row(Period.ofMonths(2), "Ljava/time/Period;"),
          new Row(Instant.EPOCH, "Ljava/time/Instant;"),
          new Row(new BigDecimal("-1.50"), "Ljava/math/BigDecimal;"),
          new Row(BigInteger.TWO.pow(70), "Ljava/math/BigInteger;"));

  @TempDir Path folder;

  @Test
  void areReadByTheCompilerAsTheValues() throws Exception {
    StringBuilder source = new StringBuilder();
    source.append("import java.math.*; import java.time.*; import java.util.*;\n");
    source.append("public class Written { public static Object[] all() { return new Object[] {\n");
    for (Row row : ROWS) {
      source.append(Literals.of(row.value(), row.type()).orElseThrow()).append(",\n");
    }
    Path file = Files.writeString(folder.resolve("Written.java"), source.append("}; } }"));
    assertThat(compile(file)).as(source.toString()).isZero();
    try (URLClassLoader loader = new URLClassLoader(new URL[] {folder.toUri().toURL()})) {
      Object[] read = (Object[]) loader.loadClass("Written").getMethod("all").invoke(null);
      assertThat(read).containsExactly(ROWS.stream().map(Row::read).toArray());
    }
  }

  @ParameterizedTest
  @ValueSource(
      classes = {
        int.class,
        char[][].class,
        CharSequence.class,
        Locale.class,
        Locale.Category.class,
        TimeUnit.class,
        DayOfWeek.class,
        LocalDateTime.class,
        Set.class,
        Path.class,
        Reader.class,
        Throwable.class
      })
  void hasSomethingUsualThatTheCompilerTakesForTheType(Class<?> type) throws Exception {
    String usual = Literals.usual(type.descriptorString()).orElseThrow();
    String source =
        "import java.io.*; import java.nio.file.*; import java.time.*; import java.util.*;"
            + " import java.util.concurrent.*; class Usual { %s value = %s; }";
    Path file = folder.resolve("Usual.java");
    Files.writeString(file, String.format(source, type.getCanonicalName(), usual));
    assertThat(compile(file)).as(usual).isZero();
  }

  @ParameterizedTest
  @CsvSource({
    "I, int",
    "[[D, double[][]",
    "Ljava/lang/String;, String",
    "[Lharbour/Buoy$Light;, Buoy.Light[]",
    "Ljava/util/Map$Entry;, Map.Entry",
    "Lharbour/Buoy$1;, Buoy$1",
  })
  void namesTypesAsCodeDoes(String descriptor, String name) {
    assertThat(TypeNames.simple(descriptor)).isEqualTo(name);
  }

  @Test
  void hasNoneForWhatIsOnlyKnownToBeThere() {
    assertThat(Literals.of(new Stand("buoy", "LBuoy;"), "LBuoy;")).isEmpty();
    assertThat(Literals.of(null, "LBuoy;")).contains("null");
    assertThat(Literals.of(new EnumValue("harbour/Buoy$Light", "RED", 0), "Lharbour/Buoy$Light;"))
        .contains("Buoy.Light.RED");
    assertThat(Stream.of("I", "[[C", "Ljava/lang/String;", "LBuoy;").map(Literals::usual))
        .map(usual -> usual.orElse("none"))
        .containsExactly("0", "new char[0][]", "\"a\"", "none");
  }

  /** What plans have as code is to compile in a project for Java 8, too. */
  private static int compile(Path file) {
    String[] arguments = {"--release", "8", "-Xlint:-options", file.toString()};
    return ToolProvider.getSystemJavaCompiler().run(null, null, null, arguments);
  }
}
