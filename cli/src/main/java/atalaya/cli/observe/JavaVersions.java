package atalaya.cli.observe;

import atalaya.points.Jvm;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Which Java reads what. */
final class JavaVersions {
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

  /** The home of an observed JVM that can parse sources of a version, if there is one. */
  static Optional<Path> jdkThatReads(int version, List<Jvm> jvms) {
    return jvms.stream()
        .filter(jvm -> feature(jvm.javaVersion) >= version)
        .map(jvm -> Path.of(jvm.javaHome))
        .filter(
            home ->
                Files.exists(home.resolve("jmods").resolve("jdk.compiler.jmod"))
                    || Files.exists(home.resolve("bin").resolve("javac")))
        .findFirst();
  }

  private static int feature(String javaVersion) {
    String digits = javaVersion.replaceAll("^1\\.", "").replaceAll("\\D.*", "");
    return digits.isEmpty() ? 0 : Integer.parseInt(digits);
  }
}
