package atalaya.core.kept;

import java.util.List;

/**
 * A JVM that was observed, and how to run its tests again.
 *
 * @param started in milliseconds since 1970
 * @param mainCommand its main class and arguments, as far as it told
 * @param options those it was started with
 */
public record ObservedJvm(
    String id,
    long started,
    String javaVersion,
    String javaHome,
    String mainCommand,
    String workingDirectory,
    List<String> options,
    List<String> classPath) {
  public ObservedJvm {
    options = List.copyOf(options);
    classPath = List.copyOf(classPath);
  }
}
