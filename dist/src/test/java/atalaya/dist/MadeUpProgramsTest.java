package atalaya.dist;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Programs that nobody wrote: what is observed of them is what they log themselves. */
class MadeUpProgramsTest {
  @TempDir Path folder;

  @ParameterizedTest
  @ValueSource(ints = {8, 17})
  void areObservedAsTheyLog(int release) throws IOException {
    assertThat(
            MadeUpCheck.differences(
                folder, Path.of(System.getProperty("java.home")), 1, 3, release))
        .isEqualTo(List.of());
  }
}
