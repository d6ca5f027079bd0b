package atalaya.launch.process;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CommandJavaTest {
  @TempDir Path folder;

  @BeforeEach
  void makeHomes() throws IOException {
    Files.writeString(home("new").resolve("release"), "A=\"b\"\nJAVA_VERSION=\"17.0.15\"\n");
    Files.writeString(home("old").resolve("release"), "JAVA_VERSION=\"1.8.0_9\"\n");
    Files.createFile(Files.createDirectories(home("bare").resolve("lib")).resolve("rt.jar"));
    home("strange");
    Files.createDirectories(folder.resolve("links"));
    Files.createSymbolicLink(folder.resolve("links/java"), folder.resolve("new/bin/java"));
  }

  private Path home(String name) throws IOException {
    Path java = Files.createDirectories(folder.resolve(name).resolve("bin")).resolve("java");
    if (!Files.exists(java)) {
      assertThat(Files.createFile(java).toFile().setExecutable(true)).isTrue();
    }
    return folder.resolve(name);
  }

  @ParameterizedTest
  @CsvSource({
    "mvn,               old,     new/bin,        8",
    "mvn,               '',      none:new/bin,   17",
    "mvn,               '',      links:old/bin,  17",
    "mvn,               bare,    '',             8",
    "java,              old,     new/bin,        17",
    "DIR/old/bin/java,  new,     new/bin,        8",
    "DIR/gone/bin/java, new,     new/bin,        ",
    "mvn,               strange, '',             ",
    "mvn,               '',      none,           "
  })
  void isTheOneThatTheCommandFinds(String program, String home, String path, Integer feature) {
    String here = folder.toString();
    Map<String, String> environment =
        Map.of(
            "JAVA_HOME", home.isEmpty() ? "" : here + "/" + home,
            "PATH", path.isEmpty() ? "" : here + "/" + path.replace(":", ":" + here + "/"));
    assertThat(CommandJava.feature(List.of(program.replace("DIR", here), "x"), environment))
        .isEqualTo(feature == null ? OptionalInt.empty() : OptionalInt.of(feature));
  }

  @Test
  void isNotKnown_whereNothingIsSaid() {
    assertThat(CommandJava.feature(List.of("mvn"), Map.of())).isEmpty();
  }
}
