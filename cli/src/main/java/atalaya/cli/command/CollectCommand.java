package atalaya.cli.command;

import atalaya.cli.Console;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** {@code atalaya collect}. */
@Command(
    name = "collect",
    description = "Makes a run of what programs left in a folder of atalaya attach.",
    footer = {
      "",
      "The programs may still run: then the run holds what they reached so far.",
      "",
      "Example: after a server was used by hand",
      "  atalaya collect /tmp/server"
    })
public final class CollectCommand extends ObservingCommand {
  @Parameters(paramLabel = "DIR", description = "The folder that atalaya attach prepared.")
  private Path folder;

  /** Made by the program's start. */
  public CollectCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    return makeRun(console().directory().resolve(folder).normalize(), Optional.empty());
  }
}
