package atalaya.cli;

import atalaya.cli.command.BaseCommand;
import atalaya.cli.command.DemoCommand;
import atalaya.cli.command.ExportCommand;
import atalaya.cli.command.ObserveCommand;
import atalaya.cli.command.RankCommand;
import atalaya.cli.command.RootCommand;
import atalaya.cli.command.RunsCommand;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import picocli.CommandLine;
import picocli.CommandLine.Help.Ansi;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.UnmatchedArgumentException;

/** The whole program, without its end: tests run it in their own JVM. */
public final class Atalaya {
  /** In the order of the work. A new command is added here. */
  private static final Map<String, Function<Console, BaseCommand>> COMMANDS = new LinkedHashMap<>();

  static {
    COMMANDS.put("observe", ObserveCommand::new);
    COMMANDS.put("rank", RankCommand::new);
    COMMANDS.put("export", ExportCommand::new);
    COMMANDS.put("runs", RunsCommand::new);
    COMMANDS.put("demo", DemoCommand::new);
  }

  private Atalaya() {}

  /** Runs a command and returns the exit code. */
  public static int run(String[] arguments, Console console) {
    CommandLine line = commandLine(arguments, console);
    line.setOut(console.out());
    line.setErr(console.err());
    line.setColorScheme(
        CommandLine.Help.defaultColorScheme(
            console.columns().isPresent() && !console.wantsNoColour() ? Ansi.ON : Ansi.OFF));
    line.setUsageHelpWidth(Math.max(80, Math.min(100, console.columns().orElse(100))));
    line.setParameterExceptionHandler((problem, args) -> usage(problem, console));
    return line.execute(arguments);
  }

  /** Only the named command is built: building all of them would cost each start. */
  private static CommandLine commandLine(String[] arguments, Console console) {
    CommandLine line = new CommandLine(new RootCommand(console));
    String named = arguments.length == 0 ? "" : arguments[0];
    boolean onlyOne = COMMANDS.containsKey(named);
    if (onlyOne || arguments.length > 0) {
      COMMANDS.forEach(
          (name, command) -> {
            if (!onlyOne || name.equals(named)) {
              line.addSubcommand(name, command.apply(console));
            }
          });
    }
    return line;
  }

  private static int usage(ParameterException problem, Console console) {
    console.err().println("atalaya: " + explain(problem));
    return ExitCode.USAGE;
  }

  private static String explain(ParameterException problem) {
    String command = problem.getCommandLine().getCommandName();
    boolean ofRoot = problem.getCommandLine().getParent() == null;
    String help = ofRoot ? "atalaya --help" : "atalaya " + command + " --help";
    if (problem instanceof UnmatchedArgumentException unmatched) {
      String word = unmatched.getUnmatched().get(0);
      boolean option = word.startsWith("-");
      String what = option ? "option" : ofRoot ? "command" : "place for";
      List<String> near = unmatched.getSuggestions();
      String nearest =
          near.isEmpty() ? "" : "; the nearest is \"" + near.get(0).replace("atalaya ", "") + "\"";
      return "no " + what + " \"" + word + "\"" + nearest + " (" + help + ")";
    }
    String message = String.valueOf(problem.getMessage()).replaceAll("\\s+", " ");
    return message.substring(0, 1).toLowerCase(java.util.Locale.ROOT)
        + message.substring(1)
        + " ("
        + help
        + ")";
  }
}
