package atalaya.dist;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.figure.LoopFigures;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * The table of constructs: {@code src/test/resources/constructs}. Each file is a source with what
 * is expected of it, which comes from the language and never from Atalaya's own output.
 *
 * <p>A {@code catch} clause that begins on a line is entered when the line is reached.
 *
 * <p>A line with code ends with {@code //+} when it is reached and with {@code //-} when it is not;
 * other lines hold no code of their own. Behind that mark, or behind {@code //:} on a line without
 * code of its own, stand the conditions that begin on the line, separated by {@code ;;}, each with
 * its outcomes: {@code n > 3: true+ false-}. A loop that begins on the line and can come back to
 * its head stands there too, with its turns: {@code loop: zero- once+ more-}.
 */
class ConstructsTest {
  private static final Pattern OUTCOME = Pattern.compile("\\s*(.+?)([+-])(?:\\s+|$)");
  private static final Pattern MARK = Pattern.compile("//([+:-])(.*)$");

  @TempDir Path folder;

  /**
   * Every compiler that is here, at each release with a long life that it makes class files for.
   */
  static Stream<Arguments> compilers() throws IOException {
    return Shipped.jdks().stream()
        .flatMap(
            home ->
                Stream.of(8, 11, 17, 21, 25)
                    .filter(release -> release <= Shipped.feature(home))
                    .map(release -> Arguments.of(home, release)));
  }

  @Execution(ExecutionMode.CONCURRENT)
  @ParameterizedTest(name = "{0} --release {1}")
  @MethodSource("compilers")
  void areReadInTermsOfTheSource(Path jdk, int release) throws IOException {
    Constructs constructs = check(jdk, release);
    if (release > Runtime.version().feature()) {
      // Commands that read code later have to do so with a newer Java than this one, too.
      Shipped.Result inspected = constructs.inspect("Patterns#guardOnly");
      assertThat(inspected.exitCode()).as(inspected.err()).isZero();
      assertThat(inspected.out()).contains("static int guardOnly(Object o)", "`switch (o)`");
      assertThat(constructs.observe("--add").exitCode()).isZero();
      assertThat(constructs.export("outcomes").toString()).doesNotContain("jump");
    }
  }

  @Execution(ExecutionMode.CONCURRENT)
  @Test
  void areReadSoToo_whenHitsAreCounted() throws IOException {
    check(Path.of(System.getProperty("java.home")).toRealPath(), 17, "--hits");
  }

  private Constructs check(Path jdk, int release, String... options) throws IOException {
    Constructs constructs = Constructs.compiledIn(folder, jdk, release);
    Shipped.Result observed = constructs.observe(options);
    assertThat(observed.exitCode()).as(observed.err()).isZero();

    TreeMap<String, List<String>> found = new TreeMap<>();
    for (List<String> cells : constructs.export("lines")) {
      found
          .computeIfAbsent(cells.get(0), p -> new ArrayList<>())
          .add("line " + cells.get(3) + mark(cells.get(4)));
    }
    for (List<String> cells : constructs.export("outcomes")) {
      found
          .computeIfAbsent(cells.get(0), p -> new ArrayList<>())
          .add(
              "line "
                  + cells.get(3)
                  + ": "
                  + cells.get(4)
                  + ": "
                  + cells.get(5)
                  + mark(cells.get(6)));
    }
    constructs
        .handlers()
        .forEach(
            h ->
                found
                    .computeIfAbsent(h.path(), p -> new ArrayList<>())
                    .add("handler " + h.line() + (h.reached() ? "+" : "-")));
    for (LoopFigures loop : constructs.loops()) {
      List<String> of = found.computeIfAbsent(loop.path(), p -> new ArrayList<>());
      of.add("line " + loop.line() + ": loop: zero" + mark(loop.zero()));
      of.add("line " + loop.line() + ": loop: once" + mark(loop.once()));
      of.add("line " + loop.line() + ": loop: more" + mark(loop.more()));
    }
    SoftAssertions all = new SoftAssertions();
    for (Path file : constructs.files()) {
      all.assertThat(found.getOrDefault("src/" + file.getFileName(), List.of()))
          .as(Constructs.name(file))
          .containsExactlyInAnyOrderElementsOf(expected(file));
    }
    all.assertAll();
    return constructs;
  }

  private static String mark(String reached) {
    return mark(reached.equals("true"));
  }

  private static String mark(boolean reached) {
    return reached ? "+" : "-";
  }

  private static List<String> expected(Path file) throws IOException {
    List<String> expected = new ArrayList<>();
    List<String> lines = Files.readAllLines(file);
    for (int number = 1; number <= lines.size(); number++) {
      Matcher mark = MARK.matcher(lines.get(number - 1));
      if (!mark.find()) {
        continue;
      }
      if (!mark.group(1).equals(":")) {
        expected.add("line " + number + mark.group(1));
        if (lines.get(number - 1).contains(" catch (")) {
          expected.add("handler " + number + mark.group(1));
        }
      }
      for (String condition : mark.group(2).isBlank() ? new String[0] : mark.group(2).split(";;")) {
        int colon = condition.lastIndexOf(": ");
        String text = condition.substring(0, colon).strip();
        Matcher outcome = OUTCOME.matcher(condition.substring(colon + 2));
        while (outcome.find()) {
          expected.add("line " + number + ": " + text + ": " + outcome.group(1) + outcome.group(2));
        }
      }
    }
    return expected;
  }
}
