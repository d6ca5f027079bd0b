package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.Folders;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.function.ToIntBiFunction;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** {@code atalaya demo}. */
@Command(
    name = "demo",
    description = "The whole tour on a small project: the office of a harbour.",
    footer = {
      "",
      "Copies the project to a temporary folder and removes it at the end.",
      "",
      "Example: keep it, to go on by hand",
      "  atalaya demo --keep harbour"
    })
public final class DemoCommand extends BaseCommand {
  @Option(names = "--keep", paramLabel = "DIR", description = "Copy it to this folder and keep it.")
  private Path keep;

  private final ToIntBiFunction<String[], Console> program;

  /**
   * Made by the program's start.
   *
   * @param program runs the words of a command and returns its exit code
   */
  public DemoCommand(Console console, ToIntBiFunction<String[], Console> program) {
    super(console);
    this.program = program;
  }

  /**
   * A step of the tour.
   *
   * @param patch what to change before the command, or empty
   */
  private record Step(String why, String patch, List<String> words) {
    Step(String why, String... words) {
      this(why, "", List.of(words));
    }
  }

  private static final List<Step> TOUR =
      List.of(
          new Step("Run the harbour's own tests, and see what each executes.", "observe"),
          new Step("The whole, class by class.", "survey"),
          new Step("Which methods should we fear?", "rank", "--top", "8"),
          new Step(
              "Inside one of them: what is missing, and who comes close?",
              "inspect",
              "NoticeBoard#send"),
          new Step("Its gaps, with what each opens up.", "gaps", "NoticeBoard"),
          new Step("What do the tests of the radio add?", "suite", "radio"),
          new Step(
              "One test more: what if the radio does not answer?",
              "patches/link-down.patch",
              List.of("observe")),
          new Step("What did it gain?", "compare"),
          new Step(
              "Executed is not checked: plant faults where the tides are told, and see who notices.",
              "challenge",
              "harbour.tide"),
          new Step("Which tests next, in an hour?", "plan", "--budget", "1h"),
          new Step(
              "The first of them in full: it leads to a fault.", "plan", "--tests", "1", "--full"));

  @Override
  protected int execute() throws IOException {
    Path source = console().home().resolve("demo").resolve("harbour");
    if (!Files.isDirectory(source)) {
      throw new Failure(ExitCode.INPUT, "the installation lacks " + source);
    }
    Path folder = folder();
    try {
      Folders.copy(source, folder, Set.of("target", ".atalaya"));
      return tour(folder);
    } finally {
      if (keep == null) {
        Folders.delete(folder.getParent());
      } else {
        say("Kept in " + folder);
      }
    }
  }

  private Path folder() throws IOException {
    if (keep == null) {
      return Files.createTempDirectory("atalaya-demo").resolve("harbour");
    }
    Path folder = console().directory().resolve(keep).normalize();
    if (Files.exists(folder)) {
      throw new Failure(ExitCode.INPUT, folder + " exists already; --keep makes a new folder");
    }
    return folder;
  }

  private int tour(Path folder) throws IOException {
    Console there = console().in(folder);
    console().out().println("The demo project is in " + folder);
    for (Step step : TOUR) {
      console().out().println();
      console().out().println(paint().dim("# " + step.why()));
      if (!step.patch().isEmpty()) {
        console().out().println(paint().bold("$ patch -p0 < " + step.patch()));
        Patch.apply(folder.resolve(step.patch()), folder);
      }
      String typed = ("atalaya " + String.join(" ", step.words())).strip();
      console().out().println(paint().bold("$ " + typed));
      console().out().flush();
      int exitCode = program.applyAsInt(step.words().toArray(String[]::new), there);
      console().out().flush();
      console().err().flush();
      if (exitCode != ExitCode.DONE) {
        return exitCode;
      }
    }
    console().out().println();
    console()
        .out()
        .println(
            "That is the tour. In a project of your own: atalaya observe, then atalaya survey.");
    return ExitCode.DONE;
  }
}
