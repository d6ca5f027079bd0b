package atalaya.launch.process;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;

/** Lets a thread have only the time that no other program wants. */
public final class LowPriority {
  private static final Path THIS_THREAD = Path.of("/proc/thread-self");
  private static final String LOWEST = "19";
  private static final long PATIENCE_SECONDS = 5;

  private LowPriority() {}

  /**
   * Lowers the priority of the thread that asks, for good.
   *
   * @return false where the system has no such priorities, or no way to set them: only Linux tells
   *     a thread its number
   */
  public static boolean begin() {
    try {
      String thread = Files.readSymbolicLink(THIS_THREAD).getFileName().toString();
      Process renice =
          new ProcessBuilder("renice", "-n", LOWEST, "-p", thread)
              .redirectErrorStream(true)
              .redirectOutput(ProcessBuilder.Redirect.DISCARD)
              .start();
      return renice.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS) && renice.exitValue() == 0;
    } catch (IOException e) {
      return false;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }
}
