package atalaya.cli;

import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.OutputStreamWriter;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.util.OptionalInt;

/** Where the program starts, and the only place that ends it. */
public final class Main {
  private Main() {}

  /** Runs a command and ends with its exit code. */
  public static void main(String[] arguments) {
    if (arguments.length == 1 && (arguments[0].equals("--version") || arguments[0].equals("-V"))) {
      // Answered before anything else is loaded.
      System.out.println("atalaya " + Version.TEXT);
      return;
    }
    Console console =
        new Console(
            writer(FileDescriptor.out),
            writer(FileDescriptor.err),
            Path.of("").toAbsolutePath(),
            Path.of(System.getProperty("atalaya.home", "")).toAbsolutePath(),
            Clock.systemUTC(),
            columns(),
            System.getenv("NO_COLOR") != null);
    int exitCode = Atalaya.run(arguments, console);
    console.out().flush();
    console.err().flush();
    System.exit(exitCode);
  }

  private static PrintWriter writer(FileDescriptor to) {
    return new PrintWriter(
        new OutputStreamWriter(new FileOutputStream(to), StandardCharsets.UTF_8), false);
  }

  /** The launcher sets this when standard output is a terminal. */
  private static OptionalInt columns() {
    String columns = System.getenv("ATALAYA_COLUMNS");
    return columns != null && columns.matches("[1-9]\\d{0,3}")
        ? OptionalInt.of(Integer.parseInt(columns))
        : OptionalInt.empty();
  }
}
