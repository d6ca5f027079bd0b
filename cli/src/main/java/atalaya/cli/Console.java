package atalaya.cli;

import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.OutputStreamWriter;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.util.OptionalInt;

/**
 * Everything a command has of the outside world.
 *
 * @param out for data
 * @param err for progress, warnings and advice
 * @param directory the working folder
 * @param home where Atalaya is installed
 * @param columns the terminal's width; empty when the output goes elsewhere
 * @param wantsNoColour whether the environment asks for no colour
 */
public record Console(
    PrintWriter out,
    PrintWriter err,
    Path directory,
    Path home,
    Clock clock,
    OptionalInt columns,
    boolean wantsNoColour) {

  /** That of this process. The launcher sets the columns when standard output is a terminal. */
  public static Console ofProcess() {
    String columns = System.getenv("ATALAYA_COLUMNS");
    return new Console(
        writer(FileDescriptor.out),
        writer(FileDescriptor.err),
        Path.of("").toAbsolutePath(),
        Path.of(System.getProperty("atalaya.home", "")).toAbsolutePath(),
        Clock.systemUTC(),
        columns != null && columns.matches("[1-9]\\d{0,3}")
            ? OptionalInt.of(Integer.parseInt(columns))
            : OptionalInt.empty(),
        System.getenv("NO_COLOR") != null);
  }

  private static PrintWriter writer(FileDescriptor to) {
    return new PrintWriter(
        new OutputStreamWriter(new FileOutputStream(to), StandardCharsets.UTF_8), false);
  }

  /** The same, in another working folder. */
  public Console in(Path folder) {
    return new Console(out, err, folder, home, clock, columns, wantsNoColour);
  }
}
