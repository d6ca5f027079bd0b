package atalaya.points;

import java.util.List;

/** The JVM that wrote a part file, and how to run its tests again. */
public final class Jvm {
  /** Unique among all JVMs. */
  public final String id;

  /** In milliseconds since 1970. */
  public final long started;

  /** The value of {@code java.version}. */
  public final String javaVersion;

  /** The value of {@code java.home}. */
  public final String javaHome;

  /** The main class and its arguments, as far as the JVM tells. */
  public final String mainCommand;

  /** The absolute working folder. */
  public final String workingDirectory;

  /** The options the JVM was started with. */
  public final List<String> options;

  /** The class path, manifest-only jars expanded. */
  public final List<String> classPath;

  /** System properties that are not every JVM's own, each as {@code key=value}. */
  public final List<String> properties;

  /**
   * Environment variables that Atalaya's own process did not have so, each as {@code key=value}.
   */
  public final List<String> environment;

  /** All of it as given. */
  public Jvm(
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
    this.id = id;
    this.started = started;
    this.javaVersion = javaVersion;
    this.javaHome = javaHome;
    this.mainCommand = mainCommand;
    this.workingDirectory = workingDirectory;
    this.options = options;
    this.classPath = classPath;
    this.properties = properties;
    this.environment = environment;
  }
}
