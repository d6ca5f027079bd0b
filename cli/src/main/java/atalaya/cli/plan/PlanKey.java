package atalaya.cli.plan;

import atalaya.core.gap.Opened;
import atalaya.core.kept.ObservedJvm;
import atalaya.points.Hash;
import java.io.File;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * All that a plan depends on, as one short text: plans with the same key are the same. Files are
 * told apart by their length and when they were changed last.
 */
public final class PlanKey {
  private final StringBuilder all = new StringBuilder();

  /**
   * For this Atalaya and this Java.
   *
   * @param home where it is installed
   */
  public PlanKey(Path home) {
    with(Runtime.version().toString());
    File[] code = home.resolve("lib").toFile().listFiles();
    if (code != null) {
      Arrays.sort(code);
      Arrays.stream(code).filter(file -> file.getName().endsWith(".jar")).forEach(this::file);
    }
  }

  /** What was asked for; each in its place. */
  public PlanKey with(Object... options) {
    for (Object option : options) {
      all.append(option).append('\n');
    }
    return this;
  }

  /** A run, and the libraries that it used. */
  public PlanKey run(Path file, List<ObservedJvm> jvms) {
    file(file.toFile());
    Set<Path> libraries = new LinkedHashSet<>();
    jvms.forEach(jvm -> libraries.addAll(Libraries.jars(jvm)));
    libraries.forEach(jar -> file(jar.toFile()));
    return this;
  }

  /** What the team decided. */
  public PlanKey decided(Set<String> settled, Map<String, Opened> accepted) {
    return with(new TreeSet<>(settled), new TreeMap<>(accepted));
  }

  private void file(File file) {
    with(file.getAbsolutePath(), file.length(), file.lastModified());
  }

  @Override
  public String toString() {
    return Hash.of(all.toString().getBytes(StandardCharsets.UTF_8)).substring(0, 32);
  }
}
