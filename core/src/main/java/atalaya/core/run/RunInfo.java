package atalaya.core.run;

import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * What is known of a run besides its figures.
 *
 * @param name unique among the runs of a project
 * @param id of its only recording
 * @param project the name of the project's folder
 * @param started when the command was started
 * @param milliseconds how long the command ran
 * @param command the words of the command
 * @param exitCode of the command
 * @param jdk the Java version of the observed programs; empty when nothing was observed
 * @param only path patterns; when there are any, other code is left out
 * @param leaveOut path patterns of code that is left out
 * @param tests the pattern the tests were cut to, if any
 * @param detail what was observed of each class
 * @param complete whether every observed JVM ended in order
 */
public record RunInfo(
    String name,
    String id,
    String project,
    Instant started,
    long milliseconds,
    List<String> command,
    int exitCode,
    String jdk,
    List<String> only,
    List<String> leaveOut,
    Optional<String> tests,
    Detail detail,
    boolean complete) {
  public RunInfo {
    command = List.copyOf(command);
    only = List.copyOf(only);
    leaveOut = List.copyOf(leaveOut);
  }

  /** Whether the other run was made by the same command under the same settings. */
  public boolean isLike(RunInfo other) {
    return command.equals(other.command)
        && only.equals(other.only)
        && leaveOut.equals(other.leaveOut)
        && tests.equals(other.tests)
        && detail == other.detail;
  }

  /** The command as one line; {@code (attached)} when somebody else started the program. */
  public String commandLine() {
    return command.isEmpty() ? "(attached)" : String.join(" ", command);
  }
}
