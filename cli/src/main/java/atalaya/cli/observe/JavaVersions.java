package atalaya.cli.observe;

import atalaya.core.kept.KeptClass;
import atalaya.core.kept.ObservedJvm;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Which Java reads what. */
public final class JavaVersions {
  private static final int OF_JAVA_1 = 44;
  private static final int HEADER = 8;

  private JavaVersions() {}

  /** The Java version that a class file is made for; 0 when it is none. */
  static int ofClassFile(byte[] bytes) {
    if (bytes.length < HEADER) {
      return 0;
    }
    int major = (bytes[6] & 0xFF) << 8 | bytes[7] & 0xFF;
    return Math.max(0, major - OF_JAVA_1);
  }

  /**
   * Makes sure that this Java can read classes and their sources.
   *
   * @param jvms those that were observed
   * @param classes read only where one of the JVMs is newer than this Java
   * @throws NeedsNewerJava when it can't
   */
  public static void check(List<ObservedJvm> jvms, Stream<KeptClass> classes) {
    int own = Runtime.version().feature();
    if (jvms.stream().anyMatch(jvm -> feature(jvm.javaVersion()) > own)) {
      classes
          .map(type -> ofClassFile(type.bytes()))
          .filter(version -> version > own)
          .findFirst()
          .ifPresent(
              version -> {
                throw new NeedsNewerJava(version, jdkThatReads(version, jvms));
              });
    }
  }

  /** The home of an observed JVM that can parse sources of a version, if there is one. */
  static Optional<Path> jdkThatReads(int version, List<ObservedJvm> jvms) {
    return jvms.stream()
        .filter(jvm -> feature(jvm.javaVersion()) >= version)
        .map(jvm -> Path.of(jvm.javaHome()))
        .filter(JavaVersions::isJdk)
        .findFirst();
  }

  private static boolean isJdk(Path home) {
    Path programs = home.resolve("bin");
    boolean parses =
        Files.exists(home.resolve("jmods").resolve("jdk.compiler.jmod"))
            || Files.exists(programs.resolve("javac"));
    return parses && Files.isExecutable(programs.resolve("java"));
  }

  private static int feature(String javaVersion) {
    String digits = javaVersion.replaceAll("^1\\.", "").replaceAll("\\D.*", "");
    return digits.isEmpty() ? 0 : Integer.parseInt(digits);
  }
}
