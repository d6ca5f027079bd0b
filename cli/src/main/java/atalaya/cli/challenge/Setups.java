package atalaya.cli.challenge;

import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.core.figure.TestFigures;
import atalaya.core.kept.KeptClass;
import atalaya.core.kept.ObservedJvm;
import atalaya.core.run.TestId;
import atalaya.core.run.Verdict;
import atalaya.launch.process.ObservedCommand;
import atalaya.launch.project.Project;
import atalaya.trial.decide.JvmSetup;
import atalaya.trial.decide.RunnableTest;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;

/** Which tests can be run again, and in which JVM. */
public final class Setups {
  private static final String NG = "org/testng/TestNG.class";

  /** Whether a class path holds an entry, by both. */
  private final Map<String, Boolean> has = new HashMap<>();

  private static final Pattern OF_MODULES =
      Pattern.compile(
          "--(module-path|patch-module|add-reads|limit-modules|add-modules(?!=(java|jdk)\\.))\\b.*");

  private final Project project;
  private final List<ObservedJvm> jvms;
  private final Map<String, String> rootOfTest = new HashMap<>();
  private final Map<JvmSetup, List<RunnableTest>> tests = new LinkedHashMap<>();
  private final Map<Integer, String> unfit = new TreeMap<>();
  private final Set<String> mixed = new HashSet<>();

  private Setups(Project project, List<ObservedJvm> jvms, List<KeptClass> classFiles) {
    this.project = project;
    this.jvms = jvms;
    for (KeptClass file : classFiles) {
      if (file.isTest()) {
        String inside = file.name().replace('.', '/') + ".class";
        String path = file.file().replace('\\', '/');
        if (path.endsWith(inside)) {
          rootOfTest.put(file.name(), path.substring(0, path.length() - inside.length()));
        }
      }
    }
  }

  /** Of the tests of a run that passed. */
  public static Setups of(
      Project project,
      List<ObservedJvm> jvms,
      List<KeptClass> classFiles,
      List<TestFigures> tests) {
    Setups setups = new Setups(project, jvms, classFiles);
    for (TestFigures test : tests) {
      if (test.test().verdict() == Verdict.PASSED) {
        setups.add(test.test().number(), test.test().id());
      } else if (test.test().verdict() != Verdict.SKIPPED) {
        RunnableTest.of(0, test.test().id(), true, true)
            .ifPresent(failed -> setups.mixed.add(failed.group()));
      }
    }
    return setups;
  }

  /** The tests that can be run, by the JVM that does. */
  public Map<JvmSetup, List<RunnableTest>> tests() {
    return tests;
  }

  /** The groups that have tests which did not pass. */
  public Set<String> mixed() {
    return mixed;
  }

  /** Why passed tests can't be run, by their number. */
  public Map<Integer, String> unfit() {
    return unfit;
  }

  private void add(int number, String id) {
    String root = rootOfTest.get(TestId.of(id).topClass());
    Optional<ObservedJvm> jvm =
        jvms.stream().filter(candidate -> root != null && has(candidate, root)).findFirst();
    if (jvm.isEmpty()) {
      jvm = jvms.stream().filter(this::hasFramework).findFirst();
    }
    if (jvm.isEmpty()) {
      unfit.put(number, "no JVM was observed that could run it again");
      return;
    }
    Optional<RunnableTest> runnable =
        RunnableTest.of(
            number, id, hasJar(jvm.get(), "org/junit/runner/RunWith.class"), hasJar(jvm.get(), NG));
    if (runnable.isEmpty()) {
      unfit.put(number, "its test framework is not one that can be started one test at a time");
      return;
    }
    tests.computeIfAbsent(setup(jvm.get()), s -> new ArrayList<>()).add(runnable.get());
  }

  private boolean has(ObservedJvm jvm, String root) {
    Path folder = project.root().resolve(root).normalize();
    return jvm.classPath().stream()
        .anyMatch(
            entry -> Path.of(jvm.workingDirectory()).resolve(entry).normalize().equals(folder));
  }

  private boolean hasFramework(ObservedJvm jvm) {
    return hasJar(jvm, "org/junit/platform/launcher/Launcher.class")
        || hasJar(jvm, "junit/framework/Test.class")
        || hasJar(jvm, NG);
  }

  private boolean hasJar(ObservedJvm jvm, String entry) {
    return has.computeIfAbsent(jvm.classPath() + entry, key -> lookFor(jvm, entry));
  }

  private static boolean lookFor(ObservedJvm jvm, String entry) {
    for (String path : jvm.classPath()) {
      Path at = Path.of(jvm.workingDirectory()).resolve(path);
      if (path.endsWith(".jar") && Files.isRegularFile(at)) {
        try (java.util.zip.ZipFile jar = new java.util.zip.ZipFile(at.toFile())) {
          if (jar.getEntry(entry) != null) {
            return true;
          }
        } catch (java.io.IOException e) {
          // A jar that can't be read holds no framework that could run.
          continue;
        }
      }
    }
    return false;
  }

  private static JvmSetup setup(ObservedJvm jvm) {
    Path java = Path.of(jvm.javaHome(), "bin", File.separatorChar == '\\' ? "java.exe" : "java");
    if (!Files.isExecutable(java)) {
      throw new Failure(
          ExitCode.INPUT,
          "the JDK that ran the tests is gone: " + jvm.javaHome() + "; observe again");
    }
    return new JvmSetup(
        java,
        jvm.options().stream().filter(Setups::isWanted).toList(),
        jvm.classPath(),
        Path.of(jvm.workingDirectory()),
        byKey(jvm.properties()),
        byKey(jvm.environment()));
  }

  private static Map<String, String> byKey(List<String> pairs) {
    Map<String, String> byKey = new TreeMap<>();
    for (String pair : pairs) {
      int equals = pair.indexOf('=');
      if (equals > 0) {
        byKey.put(pair.substring(0, equals), pair.substring(equals + 1));
      }
    }
    return byKey;
  }

  /** Tests of modules run on the class path, on which {@link ObservedJvm#classPath} has them. */
  private static boolean isWanted(String option) {
    return !option.contains("atalaya-agent")
        && !OF_MODULES.matcher(option).matches()
        && !ObservedCommand.COMPILER_OPTIONS.contains(option)
        && !option.startsWith("-agentlib:jdwp")
        && !option.startsWith("-Xrunjdwp")
        && !option.equals("-Xdebug");
  }
}
