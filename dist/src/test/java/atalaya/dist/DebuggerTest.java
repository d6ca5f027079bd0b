package atalaya.dist;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * The constructs as the JVM's debugger interface sees them; {@code bench/debugger} for a library.
 */
class DebuggerTest {
  @TempDir Path folder;

  @Test
  void agreesOnTheLinesAndOutcomesOfTheConstructs() throws Exception {
    Constructs constructs = Constructs.compiledIn(folder);
    assertThat(constructs.observe().exitCode()).isZero();
    Debugger.Comparison compared =
        Debugger.compare(
            folder,
            constructs.export("lines"),
            constructs.export("outcomes"),
            "-ea -cp \"" + folder.resolve("out") + "\"",
            "Drive");
    assertThat(compared.disagreed()).isEmpty();
    assertThat(compared.lines()).isGreaterThan(250);
    assertThat(compared.lineOutcomes()).isGreaterThan(200);
  }
}
