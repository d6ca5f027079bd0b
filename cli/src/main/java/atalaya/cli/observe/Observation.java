package atalaya.cli.observe;

import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.core.run.Detail;
import atalaya.launch.process.KeptClasses;
import atalaya.launch.process.ObservedCommand;
import atalaya.launch.project.Project;
import atalaya.points.AgentOptions;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/** Runs a command, or lets somebody else run one, so that it leaves what it reached in a folder. */
public final class Observation {
  private Observation() {}

  /** A folder of its own for an observation, below the project's {@code .atalaya}. */
  public static Path newFolder(Project project) throws IOException {
    home(project);
    return Files.createDirectories(unfinished(project).resolve(UUID.randomUUID().toString()));
  }

  /** Where observations are that were not made runs of yet. */
  static Path unfinished(Project project) {
    return project.home().resolve("tmp");
  }

  private static void home(Project project) throws IOException {
    Path home = Files.createDirectories(project.home());
    Path ignore = home.resolve(".gitignore");
    if (!Files.exists(ignore)) {
      Files.writeString(ignore, "*\n");
    }
  }

  /**
   * Prepares a folder.
   *
   * @param agent the agent's jar
   * @param environment of the process that starts the command; empty where that is not this one
   * @return the option with which a JVM is observed
   */
  public static String prepare(
      Request request, Path agent, Path folder, Map<String, String> environment)
      throws IOException {
    home(request.project());
    Owner.write(folder);
    request.write(folder);
    List<Path> classes =
        request.modules().stream().flatMap(module -> module.classes().stream()).toList();
    return ObservedCommand.prepare(
        agent,
        folder,
        request.project().root(),
        classes,
        planted(request.detail()),
        KeptClasses.folder(request.project().home(), agent),
        environment);
  }

  private static AgentOptions.Detail planted(Detail detail) {
    return switch (detail) {
      case LINES -> AgentOptions.Detail.POINTS;
      case HITS -> AgentOptions.Detail.HITS;
      case METHODS -> AgentOptions.Detail.METHODS;
    };
  }

  /**
   * Runs the command to its end.
   *
   * @throws Failure when it can't be started; it has the exit code to end with
   */
  public static void run(Request request, Path agent, Path folder) throws IOException {
    String option = prepare(request, agent, folder, System.getenv());
    try {
      ObservedCommand.Ended ended =
          ObservedCommand.run(
              request.command(),
              request.directory(),
              option,
              started -> Owner.writeCommand(folder, started));
      Request.writeEnded(folder, new Request.Ended(ended.exitCode(), ended.milliseconds()));
    } catch (ObservedCommand.NotStarted e) {
      int exitCode = request.ownCommand() ? ExitCode.INPUT : e.exitCode();
      throw new Failure(exitCode, e.getMessage() + "; write another one after --", e);
    }
  }
}
