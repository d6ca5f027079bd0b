package atalaya.core.kept;

import java.util.List;

/**
 * A JVM that was observed, and how to run its tests again.
 *
 * @param started in milliseconds since 1970
 * @param mainCommand its main class and arguments, as far as it told
 * @param options those it was started with
 * @param properties that were set in it, each as {@code key=value}
 * @param environment its variables that Atalaya did not have so, each as {@code key=value}
 */
public record ObservedJvm(
    String id,
    long started,
    String javaVersion,
    String javaHome,
    String mainCommand,
    String workingDirectory,
    List<String> options,
    List<String> classPath,
    List<String> properties,
    List<String> environment) {
  public ObservedJvm {
    options = List.copyOf(options);
    classPath = List.copyOf(classPath);
    properties = List.copyOf(properties);
    environment = List.copyOf(environment);
  }
}
