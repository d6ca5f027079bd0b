package atalaya.launch.process;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** The Java that a command uses, as far as its first word and its environment tell. */
final class CommandJava {
  private static final Pattern VERSION = Pattern.compile("(?m)^JAVA_VERSION=\"(?:1\\.)?(\\d+)");

  private CommandJava() {}

  /**
   * Its version.
   *
   * @return 8, 17 and so on; empty when it can't be told
   */
  static OptionalInt feature(List<String> command, Map<String, String> environment) {
    return home(command.get(0), environment)
        .map(CommandJava::featureOf)
        .orElse(OptionalInt.empty());
  }

  private static Optional<Path> home(String program, Map<String, String> environment) {
    boolean isJava = new File(program).getName().equals("java");
    if (isJava && program.contains(File.separator)) {
      return homeOf(Path.of(program));
    }
    String said = isJava ? "" : environment.getOrDefault("JAVA_HOME", "");
    return said.isEmpty()
        ? Stream.of(environment.getOrDefault("PATH", "").split(File.pathSeparator))
            .map(folder -> Path.of(folder, "java"))
            .filter(Files::isExecutable)
            .findFirst()
            .flatMap(CommandJava::homeOf)
        : Optional.of(Path.of(said));
  }

  private static Optional<Path> homeOf(Path java) {
    try {
      return Optional.of(java.toRealPath().resolve("../..").normalize());
    } catch (IOException e) {
      // The command itself will say that it is not there.
      return Optional.empty();
    }
  }

  private static OptionalInt featureOf(Path home) {
    try {
      Matcher version = VERSION.matcher(Files.readString(home.resolve("release")));
      return version.find()
          ? OptionalInt.of(Integer.parseInt(version.group(1)))
          : OptionalInt.empty();
    } catch (IOException e) {
      // Some packages of Java 8 lack that file; they still have all of its classes in one.
      boolean isOld =
          Stream.of("lib/rt.jar", "jre/lib/rt.jar").map(home::resolve).anyMatch(Files::exists);
      return isOld ? OptionalInt.of(8) : OptionalInt.empty();
    }
  }
}
