package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.observe.Observation;
import atalaya.cli.observe.Request;
import atalaya.launch.project.Project;
import atalaya.store.yaml.Configuration;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** {@code atalaya attach}. */
@Command(
    name = "attach",
    description =
        "Prints the JVM option with which a program is observed that somebody else starts.",
    footer = {
      "",
      "The option goes in front of the program's main class or jar, or into JAVA_TOOL_OPTIONS.",
      "",
      "Example: a server, used by hand",
      "  java $(atalaya attach --dir /tmp/server) -jar server.jar",
      "  atalaya collect /tmp/server"
    })
public final class AttachCommand extends ObservingCommand {
  @Option(
      names = "--dir",
      paramLabel = "DIR",
      description = "Where programs leave what they reached (default: a new folder).")
  private Path dir;

  @Mixin private Scope scope;

  /** Made by the program's start. */
  public AttachCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    Project project = project();
    Instant started = console().clock().instant();
    String name = ObserveCommand.NAME.format(started);
    Request request =
        new Request(
            project,
            scope.modules(project, console().directory()),
            List.of(),
            false,
            console().directory(),
            name,
            scope.only(Configuration.of(project.root())),
            scope.leaveOut(Configuration.of(project.root())),
            Optional.empty(),
            scope.detail(),
            started);
    Path folder =
        dir == null
            ? project.home().resolve("attached").resolve(name)
            : console().directory().resolve(dir).normalize();
    Files.createDirectories(folder);
    console().out().println(Observation.prepare(request, agent(), folder, Map.of()));
    console().out().flush();
    say("Next, when the program has ended: atalaya collect " + folder);
    return ExitCode.DONE;
  }
}
