package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.core.table.Table;
import atalaya.core.table.Tables;
import atalaya.store.runfile.RunFile;
import atalaya.store.table.CsvWriter;
import java.io.IOException;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;

/** {@code atalaya export}. */
@Command(
    name = "export",
    description = "A whole table as CSV (the default) or JSON.",
    footer = {
      "",
      "docs/tables.md lists the columns.",
      "",
      "Example: the outcomes that no test reached",
      "  atalaya export outcomes | grep ,false,"
    })
public final class ExportCommand extends ReadingCommand {

  /** What can be exported. */
  enum What {
    LINES,
    OUTCOMES,
    METHODS,
    CLASSES,
    TESTS,
    MUTANTS,
    GAPS;

    /** Takes them in lower case. */
    static final class Converter extends LowerCase<What> {
      Converter() {
        super(What.class);
      }
    }
  }

  @Parameters(
      paramLabel = "TABLE",
      converter = What.Converter.class,
      description = "lines, outcomes, methods, classes, tests, mutants or gaps.")
  private What what;

  /** Made by the program's start. */
  public ExportCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    Format format = format(Format.CSV);
    if (format != Format.CSV && format != Format.JSON) {
      throw new ParameterException(spec.commandLine(), "export writes csv or json");
    }
    try (RunFile run = openRun()) {
      Table table = table(run);
      print(
          out -> {
            if (format == Format.CSV) {
              CsvWriter.write(table, out);
            } else {
              json("export " + LowerCase.of(what), run.info(), Map.of(table.name(), table), out);
            }
          });
    }
    return ExitCode.DONE;
  }

  private Table table(RunFile run) throws IOException {
    return switch (what) {
      case LINES -> Tables.lines(run.lines(), judgement(run).accepted());
      case OUTCOMES -> Tables.outcomes(run.outcomes(), judgement(run).accepted());
      case METHODS -> Tables.methods(methods(run), configuration().thresholds());
      case CLASSES -> Tables.classes(classes(run));
      case MUTANTS -> Tables.mutants(run.mutants());
      case GAPS -> Tables.gaps(run.gaps(), judgement(run).holding());
      case TESTS -> Tables.tests(run.tests(), configuration().kinds());
    };
  }
}
