package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.observe.Merging;
import atalaya.cli.render.Words;
import atalaya.core.kept.RunContents;
import atalaya.core.merge.Merger.NotMergeable;
import atalaya.core.merge.Whole;
import atalaya.core.run.NotObserved;
import atalaya.store.runfile.RunFile;
import atalaya.store.runfile.RunFileWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code atalaya merge}. */
@Command(
    name = "merge",
    description = "Several runs as one: scenarios, kinds of tests, shards, modules.",
    footer = {
      "",
      "The order makes no difference, and a run with itself is itself. Where the code of a class",
      "differs, the version that was built last counts, and it is said.",
      "",
      "Example: two shards of a build, from their run files",
      "  atalaya merge shard-1.run shard-2.run --name nightly"
    })
public final class MergeCommand extends ReadingCommand {
  private static final int NAMES_SHOWN = 3;

  @Parameters(arity = "1..*", paramLabel = "RUN", description = "Names or files of runs.")
  private List<String> runs;

  @Option(
      names = "--name",
      paramLabel = "N",
      description = "The run's name (default: merged; with --out, the file's name).")
  private String name;

  /** Made by the program's start. */
  public MergeCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    List<Whole> wholes = new ArrayList<>();
    for (String run : runs) {
      try (RunFile file = open(run)) {
        wholes.add(file.whole());
      }
    }
    Path file = printsToFile() ? outFile() : newRun(name == null ? "merged" : name);
    String called = name == null ? file.getFileName().toString().replaceAll("\\.run$", "") : name;
    RunContents merged;
    try {
      merged = Merging.of(wholes, called);
    } catch (NotMergeable e) {
      throw new Failure(ExitCode.INPUT, e.getMessage(), e);
    }
    RunFileWriter.write(file, merged);
    console()
        .out()
        .println(
            called
                + ": "
                + Words.count(runs.size(), "run", "runs")
                + " merged, "
                + Words.count(merged.tests().size(), "test", "tests"));
    console().out().flush();
    tellOfOtherCode(merged);
    say("Next: atalaya survey --run " + (printsToFile() ? file : called));
    return ExitCode.DONE;
  }

  private Path newRun(String wanted) throws IOException {
    Path file = runs().file(wanted);
    if (Files.exists(file)) {
      throw new Failure(
          ExitCode.INPUT, "a run named " + wanted + " is there already; choose another --name");
    }
    return file;
  }

  private void tellOfOtherCode(RunContents merged) {
    List<String> other =
        merged.notObserved().stream()
            .filter(problem -> problem.reason() == NotObserved.Reason.OTHER_BYTES)
            .map(problem -> Words.plain(problem.what()))
            .distinct()
            .toList();
    if (!other.isEmpty()) {
      say(
          Words.count(other.size(), "class differs", "classes differ")
              + " between the runs; the version that was built last counts: "
              + Words.some(other, NAMES_SHOWN));
    }
  }
}
