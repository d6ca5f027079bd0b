package atalaya.trial.decide;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

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
  private static final long MEGABYTE = 1 << 20;
  private static final long MORE_MEGABYTES = 256;
  private static final Pattern HEAP =
      Pattern.compile(
          "-Xm[sx].*|-XX:(Min|Max|Initial)(Heap|RAM).*|-XX:SoftMax.*|-XX:\\+Use(Z|Shenandoah|Epsilon)GC");

  private static final List<String> OF_LONG_METHODS =
      List.of("-XX:-DontCompileHugeMethods", "-XX:FreqInlineSize=650", "-XX:MaxInlineSize=70");

  public JvmSetup {
    options = List.copyOf(options);
    classPath = List.copyOf(classPath);
    properties = Map.copyOf(properties);
    environment = Map.copyOf(environment);
  }

  /**
   * For a JVM in which the places of all mutants are watched, which makes methods several times as
   * long. So that HotSpot compiles and inlines the same ones: it compiles none of more than 8,000
   * bytes, and inlines none of more than 325, or 35 where it is not called often. A project may set
   * other limits.
   */
  JvmSetup watching() {
    List<String> all = new ArrayList<>(OF_LONG_METHODS);
    all.addAll(options);
    return new JvmSetup(java, all, classPath, directory, properties, environment);
  }

  /** For a JVM that ends before it would have been worth to compile its code well. */
  JvmSetup shortLived() {
    return with("-XX:TieredStopAtLevel=1");
  }

  /**
   * With a limit of its heap, where it has none: a mutant that allocates for ever must not take all
   * the memory of the machine.
   *
   * @param used so many bytes its tests need, at most
   */
  JvmSetup limited(long used) {
    boolean isLimited = options.stream().anyMatch(option -> HEAP.matcher(option).matches());
    return isLimited ? this : with("-Xmx" + (used / MEGABYTE + MORE_MEGABYTES) + "m");
  }

  private JvmSetup with(String option) {
    List<String> more = new ArrayList<>(options);
    more.add(option);
    return new JvmSetup(java, more, classPath, directory, properties, environment);
  }
}
