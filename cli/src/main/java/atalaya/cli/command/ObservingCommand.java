package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.observe.ReadAhead;
import atalaya.cli.observe.Reading;
import atalaya.cli.render.ObservedView;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What commands share that make runs. */
abstract class ObservingCommand extends BaseCommand {
  ObservingCommand(Console console) {
    super(console);
  }

  /** The agent's jar. */
  Path agent() {
    Path agent = console().home().resolve("lib").resolve("probe").resolve("atalaya-agent.jar");
    if (!Files.isRegularFile(agent)) {
      throw new Failure(
          ExitCode.INPUT, "the installation lacks " + agent + "; unpack the distribution again");
    }
    return agent;
  }

  /**
   * Makes a run of what observed programs left in a folder, and tells of it.
   *
   * @param ahead what was read of the project's code while they ran
   * @return the exit code of the command that was observed
   */
  int makeRun(Path folder, Optional<ReadAhead> ahead) throws IOException {
    Reading reading = Reading.of(folder);
    Optional<Path> newer = reading.newerJdk();
    if (newer.isPresent()) {
      return withJdk(newer.get(), folder);
    }
    Reading.Result result = reading.read(ahead);
    new ObservedView(result, isVerbose()).lines(paint()).forEach(this::say);
    say("Next: atalaya rank");
    return result.contents().info().exitCode();
  }

  /** Class files of a newer Java are read by the newer JDK that ran them. */
  private int withJdk(Path jdk, Path folder) throws IOException {
    List<String> arguments =
        new ArrayList<>(
            List.of("collect", folder.toString(), "--colour", paint().isOn() ? "always" : "never"));
    if (isQuiet()) {
      arguments.add("--quiet");
    }
    if (isVerbose()) {
      arguments.add("--verbose");
    }
    return OtherJava.run(jdk, arguments, console());
  }
}
