package atalaya.cli;

import atalaya.cli.command.AttachCommand;
import atalaya.cli.command.BaseCommand;
import atalaya.cli.command.ChallengeCommand;
import atalaya.cli.command.CollectCommand;
import atalaya.cli.command.CompareCommand;
import atalaya.cli.command.CompletionCommand;
import atalaya.cli.command.DecideCommand;
import atalaya.cli.command.DemoCommand;
import atalaya.cli.command.ExportCommand;
import atalaya.cli.command.GapsCommand;
import atalaya.cli.command.InspectCommand;
import atalaya.cli.command.MergeCommand;
import atalaya.cli.command.ObserveCommand;
import atalaya.cli.command.PlanCommand;
import atalaya.cli.command.RankCommand;
import atalaya.cli.command.RootCommand;
import atalaya.cli.command.RunsCommand;
import atalaya.cli.command.SuiteCommand;
import atalaya.cli.command.SurveyCommand;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;
import picocli.CommandLine;
import picocli.CommandLine.Help.Ansi;

/** The whole program, without its end: tests run it in their own JVM. */
public final class Atalaya {
  /** In the order of the work. A new command is added here. */
  private static final Map<String, Function<Console, BaseCommand>> COMMANDS = new LinkedHashMap<>();

  static {
    COMMANDS.put("observe", console -> new ObserveCommand(console));
    COMMANDS.put("attach", console -> new AttachCommand(console));
    COMMANDS.put("collect", console -> new CollectCommand(console));
    COMMANDS.put("survey", console -> new SurveyCommand(console));
    COMMANDS.put("rank", console -> new RankCommand(console));
    COMMANDS.put("inspect", console -> new InspectCommand(console));
    COMMANDS.put("suite", console -> new SuiteCommand(console));
    COMMANDS.put("challenge", console -> new ChallengeCommand(console));
    COMMANDS.put("gaps", console -> new GapsCommand(console));
    COMMANDS.put("plan", console -> new PlanCommand(console));
    COMMANDS.put("decide", console -> new DecideCommand(console));
    COMMANDS.put("compare", console -> new CompareCommand(console));
    COMMANDS.put("merge", console -> new MergeCommand(console));
    COMMANDS.put("export", console -> new ExportCommand(console));
    COMMANDS.put("runs", console -> new RunsCommand(console));
    COMMANDS.put(
        "completion",
        console -> new CompletionCommand(console, () -> commandLine(new String[] {""}, console)));
    COMMANDS.put("demo", console -> new DemoCommand(console, Atalaya::run));
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
    line.setParameterExceptionHandler(new WrongUsage(console));
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
}
