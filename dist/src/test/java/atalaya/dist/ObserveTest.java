package atalaya.dist;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** {@code observe} on small programs, in a folder with blanks in its name. */
class ObserveTest {
  private static final String BUOY =
      """
      package harbour;

      public class Buoy {
        public static void main(String[] words) throws Exception {
          if (words.length > 1) {
            Thread.sleep(60_000);
          }
          System.out.println("lit");
          System.err.println("bell");
          System.exit(words.length == 0 ? 0 : Integer.parseInt(words[0]));
        }
      }
      """;

  @TempDir Path temporary;
  private Path folder;

  @BeforeEach
  void makeProject() throws IOException {
    folder = Files.createDirectories(temporary.resolve("a harbour")).toRealPath();
    Files.writeString(folder.resolve("atalaya.yaml"), "");
    write("src/harbour/Buoy.java", BUOY);
    compile("-g");
  }

  private void write(String path, String text) throws IOException {
    Path file = folder.resolve(path);
    Files.createDirectories(file.getParent());
    Files.writeString(file, text);
  }

  private void compile(String... options) throws IOException {
    Shipped.compile(folder.resolve("src"), folder.resolve("out"), options);
  }

  private List<String> program(String... words) {
    List<String> command = new ArrayList<>(List.of(Shipped.java().toString(), "-cp", "out"));
    command.add("harbour.Buoy");
    command.addAll(List.of(words));
    return command;
  }

  private Shipped.Result observe(String options, List<String> command) {
    List<String> words = new ArrayList<>(List.of("observe"));
    words.addAll(Arrays.asList(options.split(" ")));
    words.add("--");
    words.addAll(command);
    return Shipped.run(folder, words.toArray(String[]::new));
  }

  @ParameterizedTest
  @CsvSource({"0", "1", "42"})
  void changesNeitherOutputNorExitCode(int exitCode) {
    Shipped.Result plain = Shipped.process(folder, Map.of(), program(String.valueOf(exitCode)));
    Shipped.Result observed =
        observe("--quiet --classes out --sources src", program(String.valueOf(exitCode)));
    assertThat(observed.exitCode()).isEqualTo(plain.exitCode()).isEqualTo(exitCode);
    assertThat(observed.out()).isEqualTo(plain.out());
    assertThat(observed.err()).isEqualTo(plain.err());
  }

  static Stream<Arguments> waysToStart() throws IOException {
    return Shipped.jdks().stream()
        .flatMap(jdk -> Stream.of("java", "sh").map(by -> Arguments.of(jdk, by)));
  }

  /** A JVM in a JVM in a JVM, each started with the options of the one before. */
  @ParameterizedTest
  @MethodSource("waysToStart")
  void changesNoOutputOfJvmsThatAreStartedAsSuch(Path jdk, String by) throws IOException {
    write(
        "src/harbour/Tow.java",
        """
        package harbour;

        import java.util.ArrayList;
        import java.util.Arrays;
        import java.util.List;

        public class Tow {
          public static void main(String[] words) throws Exception {
            int more = Integer.parseInt(words[1]);
            if (more == 0) {
              Buoy.main(new String[0]);
            }
            List<String> command = new ArrayList<>(Arrays.asList(words[2]));
            command.addAll(
                java.lang.management.ManagementFactory.getRuntimeMXBean().getInputArguments());
            command.addAll(Arrays.asList("-cp", "out", "harbour.Tow", words[0], "" + (more - 1)));
            command.add(words[2]);
            if (more == 1 && words[0].equals("sh")) {
              command = Arrays.asList("sh", "-c", words[2] + " -cp out harbour.Tow - 0 -");
            }
            Process next = new ProcessBuilder(command).redirectErrorStream(true).start();
            int read;
            while ((read = next.getInputStream().read()) >= 0) {
              System.out.write(read);
            }
            System.out.flush();
            System.exit(next.waitFor());
          }
        }
        """);
    compile("-g");
    String java = jdk.resolve("bin/java").toString();
    List<String> tow = List.of(java, "-cp", "out", "harbour.Tow", by, "2", java);
    Shipped.Result plain = Shipped.process(folder, Map.of(), tow);
    Shipped.Result observed = observe("--classes out --sources src", tow);
    assertThat(plain.out()).contains("lit", "bell");
    assertThat(observed.err()).contains("classes 2/2 (100.0 %)");
    // What a shell starts has its options from the environment, and says so.
    assertThat(observed.out().lines().filter(line -> by.equals("java") || !line.contains("Picked")))
        .containsExactlyElementsOf(plain.out().lines().toList());
  }

  @Test
  void endsWithTotalsAndWhatChanged() throws IOException {
    write("src/harbour/Fog.java", "package harbour;\nclass Fog { int m() { return 1; } }\n");
    compile("-g");
    write("src/harbour/New.java", "package harbour;\nclass New { }\n");
    Files.setLastModifiedTime(
        folder.resolve("src/harbour/Buoy.java"),
        java.nio.file.attribute.FileTime.fromMillis(System.currentTimeMillis() + 60_000));
    Shipped.Result first = observe("--name one --classes out --sources src", program());
    assertThat(first.err())
        .contains("lines 4/6 (66.7 %), branches 2/4 (50.0 %), methods 1/2 (50.0 %), classes 1/2")
        .contains("2/2 conditional jumps (100.0 %) matched")
        .contains("no earlier run like it")
        .contains("1 never loaded (no executed code asked for them): harbour.Fog")
        .contains("1 with a source newer than its class (build again, then observe)")
        .contains("1 without a class")
        .contains("Next: atalaya rank");
    Shipped.Result second = observe("--name two --classes out --sources src", program());
    assertThat(second.err())
        .contains("since run one: lines +0, branches +0, unwatched paths +0.00");
    assertThat(observe("--name two --classes out --sources src", program()).errLine())
        .contains("a run named two is there already");
    assertThat(Shipped.ask(folder, "runs").out()).contains("one", "two", "complete");
    assertThat(folder.resolve(".atalaya/tmp")).isEmptyDirectory();
  }

  @Test
  void leavesOutByPathAndSaysSo() throws IOException {
    write("src/harbour/Fog.java", "package harbour;\nclass Fog { int m() { return 1; } }\n");
    compile("-g");
    Shipped.Result observed =
        observe("--leave-out src/harbour/F* --classes out --sources src", program());
    assertThat(observed.err())
        .contains("lines 4/5 (80.0 %)")
        .contains("left out: 1 class; with them lines 4/6 (66.7 %)");
    assertThat(Shipped.ask(folder, "rank").out())
        .contains("left out: 1 class by --leave-out src/harbour/F*")
        .doesNotContain("Fog");
  }

  @Test
  void keepsWhatAKilledProgramReached() throws Exception {
    List<String> command = new ArrayList<>(List.of("timeout", "-s", "KILL", "4"));
    command.addAll(program("0", "sleep"));
    Shipped.Result observed = observe("--classes out --sources src", command);
    assertThat(observed.exitCode()).isEqualTo(137);
    assertThat(Shipped.ask(folder, "export", "lines").out())
        .contains("main(String[]),5,true", "main(String[]),6,true", "main(String[]),8,false");
    assertThat(Shipped.ask(folder, "rank").out()).contains("incomplete: a JVM did not end");
  }

  @Test
  void tellsEachInputThatDoesNotFitInOneLine() throws IOException {
    Path empty = Files.createDirectories(temporary.resolve("empty"));
    check(Shipped.ask(empty, "observe"), 3, "no project here");
    check(Shipped.ask(folder, "observe", "--classes", "out"), 3, "is not Maven");
    check(Shipped.ask(folder, "observe", "--", "true"), 3, "--classes DIR");
    check(observe("--classes out", List.of("no-such-command")), 127, "can't find the command");
    check(observe("--classes out", List.of("./src")), 126, "can't run ./src");
    check(observe("--classes none", List.of("true")), 3, "no class files in none");
    check(observe("--classes out", List.of("true")), 125, "nothing was observed");
    check(observe("--classes out", List.of("false")), 1, "failed with exit code 1");
    check(observe("--classes out --sources none", List.of("true")), 3, "no source folder");
    check(Shipped.ask(folder, "rank"), 3, "no run of ");
    check(Shipped.ask(folder, "rank", "--run", "gone"), 3, "no run file");
    check(Shipped.ask(folder, "observe", "--project", "gone"), 3, "no folder ");
    assertThat(folder.resolve(".atalaya/runs")).doesNotExist();
  }

  @Test
  void namesWhatItCannotReadAndObservesTheRest() throws IOException {
    write("src/harbour/Fog.java", "package harbour;\nclass Fog { int m() { return 1; } }\n");
    write("src/harbour/Rain.java", "package harbour;\nclass Rain { int m() { return 1; } }\n");
    compile("-g");
    Path fog = folder.resolve("out/harbour/Fog.class");
    byte[] bytes = Files.readAllBytes(fog);
    bytes[7] = 120;
    Files.write(fog, bytes);
    Files.write(folder.resolve("out/harbour/Rain.class"), new byte[] {1, 2, 3});
    Shipped.Result observed = observe("--classes out --sources src", program());
    assertThat(observed.err())
        .contains("lines 4/5")
        .contains("1 of a newer class file version")
        .contains("harbour.Fog (Unsupported class file major version 120")
        .contains("harbour.Rain (the class file is damaged)");
  }

  @Test
  void saysWhenThereAreNoLineTables() throws IOException {
    compile("-g:none");
    Shipped.Result observed = observe("--classes out --sources src", program());
    assertThat(observed.err()).contains("1 without line tables (compile them with -g:lines)");
  }

  @Test
  void leavesNoHalfWrittenRunOnAFullDisk() throws IOException {
    List<String> command = new ArrayList<>(List.of("sh", "-c", "ulimit -f 60; exec \"$@\"", "sh"));
    command.add(Shipped.HOME.resolve("bin/atalaya").toString());
    command.addAll(List.of("observe", "--quiet", "--classes", "out", "--sources", "src", "--"));
    command.addAll(program());
    Shipped.Result observed = Shipped.process(folder, Map.of(), command);
    assertThat(observed.exitCode()).as(observed.err()).isEqualTo(3);
    assertThat(observed.err()).contains("can't write the run file");
    assertThat(folder.resolve(".atalaya/runs")).isEmptyDirectory();
  }

  private static void check(Shipped.Result result, int exitCode, String words) {
    assertThat(result.exitCode()).as(result.err()).isEqualTo(exitCode);
    assertThat(result.err().lines().filter(l -> !l.startsWith("Picked up")).toList())
        .singleElement()
        .asString()
        .startsWith("atalaya: ")
        .contains(words);
    assertThat(result.out()).isEmpty();
  }
}
