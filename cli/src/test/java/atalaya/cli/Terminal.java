package atalaya.cli;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.OptionalInt;

/**
 * What a command printed.
 *
 * @param exitCode of the command
 * @param out its output
 * @param err what it said beside it
 */
record Terminal(int exitCode, String out, String err) {
  static final Instant NOON = Instant.parse("2026-05-04T12:00:00Z");

  /**
   * Runs a command at noon, in a project.
   *
   * @param columns of the terminal; 0 for none
   */
  static Terminal run(Path project, int columns, String... words) {
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    Console console =
        new Console(
            new PrintWriter(out),
            new PrintWriter(err),
            project,
            project,
            Clock.fixed(NOON, ZoneOffset.UTC),
            columns == 0 ? OptionalInt.empty() : OptionalInt.of(columns),
            false);
    int exitCode = Atalaya.run(words, console);
    console.out().flush();
    console.err().flush();
    return new Terminal(exitCode, out.toString(), err.toString());
  }
}
