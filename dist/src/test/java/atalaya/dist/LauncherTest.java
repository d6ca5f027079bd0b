package atalaya.dist;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The packaged distribution, unpacked somewhere else. */
class LauncherTest {
  @TempDir Path temporary;

  @Test
  void runsFromAnyFolder() throws Exception {
    String version = System.getProperty("atalaya.version");
    Path archive = Shipped.HOME.getParent().resolveSibling("atalaya-" + version + ".tar.gz");
    Path place = Files.createDirectories(temporary.resolve("some where"));
    Shipped.process(place, Map.of(), List.of("tar", "xzf", archive.toString()));
    Path home = place.resolve("atalaya-" + version);
    assertThat(home.resolve("lib/atalaya.jsa")).doesNotExist();
    Path link = Files.createSymbolicLink(temporary.resolve("link"), home.resolve("bin/atalaya"));
    Shipped.Result linked =
        Shipped.process(temporary, Map.of(), List.of(link.toString(), "--version"));
    assertThat(linked.out()).isEqualTo("atalaya " + version + "\n");
    assertThat(linked.err()).isEmpty();
    isPrepared(home);
    assertThat(home.resolve("bin/atalaya.cmd")).content().contains("\r\n");
    assertThat(home.resolve("demo/harbour/pom.xml")).isRegularFile();
    assertThat(home.resolve("demo/harbour/target")).doesNotExist();
  }

  /** Who builds with an older Java says so in {@code JAVA_HOME}. */
  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void passesOverAJavaThatIsTooOld(boolean saysInItsFolder) throws Exception {
    Path old = Files.createDirectories(temporary.resolve("old jdk/bin")).getParent();
    Path java = old.resolve("bin/java");
    Files.writeString(java, "#!/bin/sh\necho 'openjdk version \"1.8.0_9\"' >&2\nexit 1\n");
    assertThat(java.toFile().setExecutable(true)).isTrue();
    if (saysInItsFolder) {
      Files.writeString(old.resolve("release"), "A=\"b\"\nJAVA_VERSION=\"1.8.0_9\"\n");
    }
    List<String> version = List.of(Shipped.HOME.resolve("bin/atalaya").toString(), "--version");
    String home = old.toString();
    assertThat(Shipped.process(temporary, Map.of("JAVA_HOME", home), version).out())
        .startsWith("atalaya ");

    Shipped.Result none =
        Shipped.process(temporary, Map.of("ATALAYA_JAVA_HOME", home, "java", "/quay"), version);
    assertThat(none.exitCode()).isEqualTo(3);
    assertThat(none.errLine())
        .isEqualTo(
            "atalaya: needs Java 17 or newer ("
                + java
                + " is 1.8.0_9); name its folder in ATALAYA_JAVA_HOME");
  }

  /** The archive of classes is made in the background, and leaves nothing else behind. */
  private static void isPrepared(Path home) throws Exception {
    Path lib = home.resolve("lib");
    for (int i = 0; i < 600 && Files.exists(lib.resolve("atalaya.jsa.making")); i++) {
      Thread.sleep(100);
    }
    assertThat(lib.resolve("atalaya.jsa")).isNotEmptyFile();
    try (Stream<Path> files = Files.list(lib)) {
      assertThat(files.filter(file -> file.toString().contains(".jsa."))).isEmpty();
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "rnk            | no command \"rnk\"; the nearest is \"rank\" (atalaya --help)",
        "rank --topp 3  | no option \"--topp\"; the nearest is \"--top\" (atalaya rank --help)",
        "rank --top x   | invalid value for option '--top': 'x' is not an int",
        "rank --top 0   | --top must be at least 1 (got 0)",
        "rank --level x | must be high, medium or low (got x)",
        "rank a b       | no place for \"b\"",
        "export         | missing required parameter: 'TABLE'",
        "export lines --format md | export writes csv or json",
        "observe mvn -o test      | no option \"-o\"; put -- before a command that has options",
        "observe --name ../x      | --name takes letters, digits",
        "observe --tests A -- true | --tests cuts the project's own tests"
      })
  void tellsWrongUsageInOneLine(String words, String message) {
    Shipped.Result result = Shipped.run(temporary, words.split(" +"));
    assertThat(result.exitCode()).isEqualTo(2);
    assertThat(result.errLine()).startsWith("atalaya: ").contains(message);
  }

  @ParameterizedTest
  @CsvSource({"observe", "rank", "export", "runs", "demo"})
  void helpsWithAnExample(String command) {
    Shipped.Result help = Shipped.run(temporary, command, "--help");
    assertThat(help.exitCode()).isZero();
    assertThat(help.out()).contains("Usage: atalaya " + command, "Example: ");
    assertThat(help.out().lines()).allMatch(line -> line.length() <= 100);
    assertThat(Shipped.ask(temporary, "--help").out()).contains("atalaya " + command);
  }
}
