package atalaya.trial.decide;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * How a JVM that ran tests was set up.
 *
 * @param java the program
 * @param options those it was started with
 * @param properties those that were set in it later
 * @param environment variables that were set for it
 */
public record JvmSetup(
    Path java,
    List<String> options,
    List<String> classPath,
    Path directory,
    Map<String, String> properties,
    Map<String, String> environment) {
  public JvmSetup {
    options = List.copyOf(options);
    classPath = List.copyOf(classPath);
    properties = Map.copyOf(properties);
    environment = Map.copyOf(environment);
  }

  /** For a JVM that ends before it would have been worth to compile its code well. */
  JvmSetup shortLived() {
    List<String> quick = new ArrayList<>(options);
    quick.add("-XX:TieredStopAtLevel=1");
    return new JvmSetup(java, quick, classPath, directory, properties, environment);
  }
}
