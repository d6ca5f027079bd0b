package atalaya.agent;

import atalaya.points.Jvm;
import java.io.File;
import java.io.IOException;
import java.net.URI;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.TreeSet;
import java.util.jar.JarFile;
import java.util.jar.Manifest;

/** What the JVM tells of itself: at its start what would change later, the rest when asked. */
final class JvmFacts {
  /** How the names of properties begin that a JVM or a runner of tests has for itself. */
  private static final List<String> OWN =
      Arrays.asList(
          "java.",
          "jdk.",
          "sun.",
          "os.",
          "user.",
          "file.",
          "line.",
          "path.",
          "native.",
          "awt.",
          "stdout.",
          "stderr.",
          "stdin.",
          "surefire.");

  private final long started = System.currentTimeMillis();
  private final List<String> classPath = classPath();

  Jvm tell(String id) {
    return new Jvm(
        id,
        started,
        System.getProperty("java.version", ""),
        System.getProperty("java.home", ""),
        System.getProperty("sun.java.command", ""),
        new File("").getAbsolutePath(),
        options(),
        classPath,
        properties());
  }

  /** Those that test runners set, so that tests can be run with them again. */
  private static List<String> properties() {
    List<String> properties = new ArrayList<>();
    for (String key : new TreeSet<>(System.getProperties().stringPropertyNames())) {
      String value = System.getProperty(key);
      if (value != null && OWN.stream().noneMatch(key::startsWith)) {
        properties.add(key + "=" + value);
      }
    }
    return properties;
  }

  private static List<String> options() {
    try {
      return java.lang.management.ManagementFactory.getRuntimeMXBean().getInputArguments();
    } catch (LinkageError | RuntimeException e) {
      return Collections.emptyList();
    }
  }

  /**
   * Test runners put the class path into the manifest of a jar that is gone afterwards, so it is
   * expanded right now.
   */
  private static List<String> classPath() {
    List<String> entries = new ArrayList<>();
    String path = System.getProperty("java.class.path", "");
    for (String entry : path.split(File.pathSeparator)) {
      entries.add(entry);
      if (entry.endsWith(".jar")) {
        entries.addAll(named(new File(entry)));
      }
    }
    return entries;
  }

  private static List<String> named(File jar) {
    try (JarFile file = new JarFile(jar)) {
      Manifest manifest = file.getManifest();
      String named = manifest == null ? null : manifest.getMainAttributes().getValue("Class-Path");
      if (named == null) {
        return Collections.emptyList();
      }
      List<String> entries = new ArrayList<>();
      URI base = jar.getAbsoluteFile().toURI();
      for (String entry : Arrays.asList(named.trim().split(" +"))) {
        URI at = base.resolve(entry);
        if ("file".equals(at.getScheme())) {
          entries.add(new File(at.getPath()).getPath());
        }
      }
      return entries;
    } catch (IOException | IllegalArgumentException e) {
      return Collections.emptyList();
    }
  }
}
