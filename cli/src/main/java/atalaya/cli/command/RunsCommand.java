package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.render.Columns;
import atalaya.cli.render.Words;
import atalaya.core.figure.Totals;
import atalaya.core.run.RunInfo;
import atalaya.core.table.Table;
import atalaya.store.runfile.RunFile;
import atalaya.store.runfile.RunFolder;
import atalaya.store.runfile.UnreadableRun;
import atalaya.store.table.CsvWriter;
import atalaya.store.table.JsonWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** {@code atalaya runs}. */
@Command(
    name = "runs",
    description = "The runs that are here, the newest first.",
    footer = {"", "Example: remove one", "  atalaya runs --remove before-the-refactoring"})
public final class RunsCommand extends ReadingCommand {
  private static final int LONGEST_COMMAND = 24;

  @Option(names = "--remove", paramLabel = "NAME", description = "Remove this run for good.")
  private String remove;

  /** Made by the program's start. */
  public RunsCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    recover(project());
    RunFolder folder = new RunFolder(project().home().resolve("runs"));
    if (remove != null) {
      Path file = folder.file(remove);
      if (!RunFolder.isName(remove) || !Files.deleteIfExists(file)) {
        throw new Failure(ExitCode.INPUT, "no run named " + remove + "; see atalaya runs");
      }
      say("removed " + file);
      return ExitCode.DONE;
    }
    List<List<Object>> rows = new ArrayList<>();
    for (Path file : folder.newestFirst()) {
      rows.add(row(file));
    }
    Table table =
        new Table(
            "runs",
            List.of(
                "name",
                "started",
                "command",
                "exit_code",
                "tests",
                "tests_failed",
                "lines",
                "lines_reached",
                "outcomes",
                "outcomes_reached",
                "unwatched",
                "state"),
            rows);
    print(out -> print(table, out));
    if (rows.isEmpty()) {
      say("Next: atalaya observe");
    }
    return ExitCode.DONE;
  }

  private static List<Object> row(Path file) {
    String name = file.getFileName().toString().replaceAll("\\.run$", "");
    try (RunFile run = RunFile.open(file)) {
      RunInfo info = run.info();
      Totals totals = Totals.of(run.methods());
      return Table.row(
          name,
          info.started().toString(),
          info.commandLine(),
          info.exitCode(),
          run.countTests(),
          run.failedTests().size(),
          totals.lines().whole(),
          totals.lines().part(),
          totals.outcomes().whole(),
          totals.outcomes().part(),
          totals.unwatched().total(),
          info.complete() ? "complete" : "incomplete");
    } catch (UnreadableRun e) {
      return Table.row(
          name, null, null, null, null, null, null, null, null, null, null, "unreadable");
    }
  }

  private void print(Table table, PrintWriter out) throws IOException {
    switch (format(Format.TEXT)) {
      case JSON -> {
        Map<String, Object> object = new LinkedHashMap<>();
        object.put("atalaya", tool("runs"));
        object.put("runs", table);
        JsonWriter.write(object, out);
      }
      case CSV -> CsvWriter.write(table, out);
      case MD -> columns(table).markdown().forEach(out::println);
      case TEXT -> {
        if (table.rows().isEmpty()) {
          out.println("no run yet");
        } else {
          columns(table).lines(paint()).forEach(out::println);
        }
      }
    }
  }

  private Columns columns(Table table) {
    Columns columns =
        Columns.of(
            "run",
            "when",
            ">tests",
            ">failed",
            ">lines",
            ">branches",
            ">unwatched",
            "state",
            "command");
    for (List<Object> row : table.rows()) {
      boolean readable = row.get(1) != null;
      columns.add(
          row.get(0).toString(),
          readable
              ? Words.age(
                  java.time.Instant.parse(row.get(1).toString()), console().clock().instant())
              : "",
          text(row.get(4)),
          text(row.get(5)),
          readable ? row.get(7) + "/" + row.get(6) : "",
          readable ? row.get(9) + "/" + row.get(8) : "",
          readable ? Words.paths((Double) row.get(10)) : "",
          row.get(11).toString(),
          Words.command(text(row.get(2)), LONGEST_COMMAND));
    }
    return columns;
  }

  private static String text(Object cell) {
    return cell == null ? "" : cell.toString();
  }
}
