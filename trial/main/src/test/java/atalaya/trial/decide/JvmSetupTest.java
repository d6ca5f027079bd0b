package atalaya.trial.decide;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class JvmSetupTest {
  @ParameterizedTest
  @CsvSource({
    "-ea,                      -ea -Xmx356m",
    "-Xmx64m,                  -Xmx64m",
    "-Xms2g,                   -Xms2g",
    "-XX:MaxRAMPercentage=50,  -XX:MaxRAMPercentage=50",
    "-XX:MaxHeapSize=1g,       -XX:MaxHeapSize=1g",
    "-XX:+UseZGC,              -XX:+UseZGC",
    "-XX:MaxInlineSize=70,     -XX:MaxInlineSize=70 -Xmx356m",
    "-Xss1m,                   -Xss1m -Xmx356m"
  })
  void limitsTheHeapToWhatTestsNeedAndSomeMore(String observed, String limited) {
    JvmSetup setup =
        new JvmSetup(
            Path.of("java"), List.of(observed), List.of(), Path.of("."), Map.of(), Map.of());
    assertThat(String.join(" ", setup.limited(100 << 20).options())).isEqualTo(limited);
  }
}
