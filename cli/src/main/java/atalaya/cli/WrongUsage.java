package atalaya.cli;

import java.util.List;
import java.util.Locale;
import picocli.CommandLine;
import picocli.CommandLine.IParameterExceptionHandler;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.UnmatchedArgumentException;

/** Tells wrong usage in one line, with the nearest thing that is right. */
final class WrongUsage implements IParameterExceptionHandler {
  private final Console console;

  WrongUsage(Console console) {
    this.console = console;
  }

  @Override
  public int handleParseException(ParameterException problem, String[] arguments) {
    console.err().println("atalaya: " + explain(problem, List.of(arguments)));
    return ExitCode.USAGE;
  }

  private static String explain(ParameterException problem, List<String> arguments) {
    String command = problem.getCommandLine().getCommandName();
    boolean ofRoot = problem.getCommandLine().getParent() == null;
    String help = ofRoot ? "atalaya --help" : "atalaya " + command + " --help";
    if (problem instanceof UnmatchedArgumentException unmatched) {
      String word = unmatched.getUnmatched().get(0);
      boolean option = word.startsWith("-");
      if (option && isOfCommand(word, arguments, problem.getCommandLine())) {
        return "no option \""
            + word
            + "\"; put -- before a command that has options ("
            + help
            + ")";
      }
      String what = option ? "option" : ofRoot ? "command" : "place for";
      List<String> near = unmatched.getSuggestions();
      String nearest =
          near.isEmpty() ? "" : "; the nearest is \"" + near.get(0).replace("atalaya ", "") + "\"";
      return "no " + what + " \"" + word + "\"" + nearest + " (" + help + ")";
    }
    String message = String.valueOf(problem.getMessage()).replaceAll("\\s+", " ");
    return message.substring(0, 1).toLowerCase(Locale.ROOT)
        + message.substring(1)
        + " ("
        + help
        + ")";
  }

  /** Whether a word comes behind the first one of a command that is to be run. */
  private static boolean isOfCommand(String word, List<String> arguments, CommandLine parsed) {
    return parsed.getParseResult().matchedPositionals().stream()
        .filter(words -> words.paramLabel().startsWith("-- "))
        .flatMap(words -> words.stringValues().stream())
        .limit(1)
        .anyMatch(first -> arguments.indexOf(first) < arguments.indexOf(word));
  }
}
