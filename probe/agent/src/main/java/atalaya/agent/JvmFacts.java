package atalaya.agent;

import atalaya.boot.Children;
import atalaya.points.AgentOptions;
import atalaya.points.Hash;
import atalaya.points.Jvm;
import java.io.File;
import java.io.IOException;
import java.net.URI;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
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

  /**
   * Variables that start a JVM or a build with options; what matters of them is among its options.
   */
  private static final List<String> OWN_VARIABLES =
      Arrays.asList(
          "JAVA_TOOL_OPTIONS",
          "JDK_JAVA_OPTIONS",
          "_JAVA_OPTIONS",
          "GRADLE_OPTS",
          Children.WAITING);

  private final long started = System.currentTimeMillis();
  private final List<String> classPath = classPath();

  /**
   * Tells.
   *
   * @param known see {@link AgentOptions#environment}
   */
  Jvm tell(String id, Set<String> known) {
    List<String> options = options();
    List<String> path = new ArrayList<>(modules(options));
    path.addAll(classPath);
    return new Jvm(
        id,
        started,
        System.getProperty("java.version", ""),
        System.getProperty("java.home", ""),
        System.getProperty("sun.java.command", ""),
        new File("").getAbsolutePath(),
        options,
        path,
        properties(),
        environment(known));
  }

  /**
   * Those that the command set for this JVM; none where it is not known which were there before.
   */
  private static List<String> environment(Set<String> known) {
    List<String> variables = new ArrayList<>();
    for (Map.Entry<String, String> variable : new TreeMap<>(System.getenv()).entrySet()) {
      boolean isNew = !known.isEmpty() && !known.contains(Hash.ofVariable(variable));
      if (isNew && !OWN_VARIABLES.contains(variable.getKey())) {
        variables.add(variable.getKey() + "=" + variable.getValue());
      }
    }
    return variables;
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
    for (String entry : paths("java.class.path")) {
      entries.add(entry);
      if (entry.endsWith(".jar")) {
        entries.addAll(named(new File(entry)));
      }
    }
    return entries;
  }

  /** What a JVM that runs modules has besides: what they are patched with, and they. */
  private static List<String> modules(List<String> options) {
    List<String> entries = new ArrayList<>();
    for (String option : options) {
      if (option.startsWith("--patch-module=")) {
        String patch = option.substring(option.lastIndexOf('=') + 1);
        entries.addAll(Arrays.asList(patch.split(File.pathSeparator)));
      }
    }
    for (String entry : paths("jdk.module.path")) {
      File[] jars = new File(entry).listFiles((folder, name) -> name.endsWith(".jar"));
      entries.add(entry);
      for (File jar : jars == null ? new File[0] : jars) {
        entries.add(jar.getPath());
      }
    }
    return entries;
  }

  private static List<String> paths(String property) {
    String path = System.getProperty(property, "");
    return path.isEmpty() ? Collections.emptyList() : Arrays.asList(path.split(File.pathSeparator));
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
