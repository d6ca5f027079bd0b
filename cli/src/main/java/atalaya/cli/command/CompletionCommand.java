package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import java.util.function.Supplier;
import picocli.AutoComplete;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** {@code atalaya completion}. */
@Command(
    name = "completion",
    description = "Prints a script with which bash and zsh complete commands and options.",
    footer = {"", "Example: in ~/.bashrc or ~/.zshrc", "  source <(atalaya completion)"})
public final class CompletionCommand extends BaseCommand {
  private final Supplier<CommandLine> program;

  /**
   * Made by the program's start.
   *
   * @param program with all its commands
   */
  public CompletionCommand(Console console, Supplier<CommandLine> program) {
    super(console);
    this.program = program;
  }

  @Override
  protected int execute() {
    console().out().print(AutoComplete.bash("atalaya", program.get()));
    console().out().flush();
    return ExitCode.DONE;
  }
}
