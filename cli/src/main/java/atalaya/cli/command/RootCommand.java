package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.render.Head;
import atalaya.cli.render.StandingView;
import atalaya.core.figure.MethodFigures;
import atalaya.core.rank.Ranking;
import atalaya.launch.project.Project;
import atalaya.store.runfile.RunFile;
import atalaya.store.runfile.RunFolder;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Bare {@code atalaya}: where one stands. */
@Command(
    name = "atalaya",
    headerHeading = "",
    header = {
      "Atalaya finds poorly tested Java code and ranks the risk, and plans the next tests.",
      "",
      "  What do my tests execute?                 atalaya observe",
      "  What does a running server execute?       atalaya attach, then atalaya collect DIR",
      "  How is the whole?                         atalaya survey",
      "  Which methods should I fear?              atalaya rank",
      "  What is missing in this class or method?  atalaya inspect TARGET",
      "  Where do the tests see too little?        atalaya gaps",
      "  What does each test add?                  atalaya suite",
      "  Would a test notice a fault?              atalaya challenge",
      "  Which tests should I write next?          atalaya plan --budget 2h",
      "  This gap will not be tested: write it     atalaya decide GAP --accept --because ...",
      "  What did my new tests gain?               atalaya compare",
      "  All of it, as a table?                    atalaya export TABLE",
      "  Which runs do I have?                     atalaya runs",
      "  Where do I stand?                         atalaya",
      "  What is all this for?                     atalaya demo",
      ""
    },
    footer = {
      "",
      "Example: the first session in a Maven project",
      "  atalaya observe",
      "  atalaya survey"
    })
public final class RootCommand extends ReadingCommand {
  private static final int SHOWN = 5;

  @Option(
      names = {"-V", "--version"},
      description = "The version.")
  private boolean version;

  /** Made by the program's start. */
  public RootCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    if (version) {
      console().out().println("atalaya " + atalaya.cli.Version.TEXT);
      return ExitCode.DONE;
    }
    Project project = project();
    recover(project);
    if (new RunFolder(project.home().resolve("runs")).newest().isEmpty()) {
      console().out().println(project.root() + ": no run yet");
      say("Next: atalaya observe");
      return ExitCode.DONE;
    }
    try (RunFile run = openRun()) {
      List<MethodFigures> methods = methods(run);
      Ranking ranking = Ranking.of(methods, SHOWN, Optional.empty(), configuration().thresholds());
      Head head = head(run);
      print(
          out -> {
            head.lines(paint(), width()).forEach(out::println);
            out.println();
            new StandingView(ranking).lines(paint()).forEach(out::println);
          });
      boolean stale = head.changed().map(changed -> !changed.isEmpty()).orElse(false);
      say("");
      say(stale ? "Next: atalaya observe" : "Next: atalaya rank");
    }
    return ExitCode.DONE;
  }
}
