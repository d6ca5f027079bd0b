package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import java.io.IOException;
import java.lang.ProcessBuilder.Redirect;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Runs Atalaya itself with another Java, in the terminal that this one has. */
final class OtherJava {
  private OtherJava() {}

  /**
   * Runs a command.
   *
   * @param home of the other Java
   * @return the exit code
   */
  static int run(Path home, List<String> arguments, Console console) throws IOException {
    return run(home, arguments, console, Redirect.INHERIT);
  }

  /** The same without its output and advice, only its errors. */
  static int silently(Path home, List<String> arguments, Console console) throws IOException {
    List<String> quietly = new ArrayList<>(arguments);
    quietly.add("--quiet");
    return run(home, quietly, console, Redirect.DISCARD);
  }

  private static int run(Path home, List<String> arguments, Console console, Redirect output)
      throws IOException {
    List<String> command = new ArrayList<>();
    command.add(console.home().resolve("bin").resolve("atalaya").toString());
    command.addAll(arguments);
    console.out().flush();
    console.err().flush();
    ProcessBuilder builder =
        new ProcessBuilder(command)
            .directory(console.directory().toFile())
            .inheritIO()
            .redirectOutput(output);
    builder.environment().put("ATALAYA_JAVA_HOME", home.toString());
    builder.environment().remove("JAVA_TOOL_OPTIONS");
    try {
      return builder.start().waitFor();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Failure(ExitCode.INPUT, "interrupted while the Java of " + home + " read", e);
    }
  }
}
