package atalaya.launch.process;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;

@EnabledOnOs(OS.LINUX)
class LowPriorityTest {
  /** Which word behind a thread's name, in what the system tells of it, is its priority. */
  private static final int NICE = 16;

  @Test
  void onlyTheThreadThatAsksHasIt() throws Exception {
    String before = priority();
    CompletableFuture<String> lowered = new CompletableFuture<>();
    new Thread(() -> lowered.complete(LowPriority.begin() + " " + priority())).start();
    assertThat(lowered.get()).isEqualTo("true 19");
    assertThat(priority()).isEqualTo(before).isNotEqualTo("19");
  }

  private static String priority() {
    try {
      String state = Files.readString(Path.of("/proc/thread-self/stat"));
      return state.substring(state.lastIndexOf(')') + 2).split(" ")[NICE];
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
