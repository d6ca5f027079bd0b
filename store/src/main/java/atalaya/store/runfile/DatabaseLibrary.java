package atalaya.store.runfile;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;

/**
 * Finds the native library of the database that the distribution keeps ready to load. The driver
 * would find out on what system it is by starting a program, and extract the library each time.
 */
final class DatabaseLibrary {
  private DatabaseLibrary() {}

  /** Tells the driver of it; where there is none, the driver extracts its own. */
  static void prepare() {
    String home = System.getProperty("atalaya.home");
    if (home == null || System.getProperty("org.sqlite.lib.path") != null) {
      return;
    }
    Path folder = Path.of(home, "lib", "database", system(), processor());
    String name = System.mapLibraryName("sqlitejdbc");
    if (Files.isRegularFile(folder.resolve(name))
        && !Files.exists(Path.of("/etc/alpine-release"))) {
      System.setProperty("org.sqlite.lib.path", folder.toString());
      System.setProperty("org.sqlite.lib.name", name);
    }
  }

  private static String system() {
    String name = System.getProperty("os.name", "");
    return name.startsWith("Windows") ? "Windows" : name.startsWith("Mac") ? "Mac" : name;
  }

  private static String processor() {
    String name = System.getProperty("os.arch", "").toLowerCase(Locale.ROOT);
    return switch (name) {
      case "amd64", "x86-64" -> "x86_64";
      case "arm64" -> "aarch64";
      default -> name;
    };
  }
}
