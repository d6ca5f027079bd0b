package atalaya.cli.render;

import atalaya.core.decide.Judged.Accepted;
import atalaya.core.leave.LeftOut;
import atalaya.core.run.RunInfo;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What stands above everything that is read from a run.
 *
 * @param leftOut how many classes were left out
 * @param byNature what else was left out for its nature
 * @param accepted what decisions took out of the figures
 * @param changed the classes that changed since; empty when that can't be known
 */
public record Head(
    RunInfo info,
    Instant now,
    int tests,
    List<String> failed,
    int leftOut,
    List<LeftOut> byNature,
    Accepted accepted,
    Optional<List<String>> changed) {
  private static final int NAMES_SHOWN = 3;
  private static final int LONGEST_COMMAND = 48;

  /** The lines. */
  public List<String> lines(Paint paint, int width) {
    List<String> lines = new ArrayList<>();
    lines.add(
        paint.bold("run " + Words.plain(info.name()))
            + ", "
            + Words.age(info.started(), now)
            + ": "
            + Words.command(info.commandLine(), LONGEST_COMMAND)
            + " ("
            + Words.count(tests, "test", "tests")
            + ")");
    List<String> more = new ArrayList<>(List.of(leftOutLine()));
    if (accepted.decisions() > 0) {
      more.add(acceptedLine());
    }
    more.add("failed tests: " + (failed.isEmpty() ? "none" : failedLine()));
    more.add("changed since: " + changedLine());
    if (!info.complete()) {
      more.add("incomplete: a JVM did not end in order; at most its last second is missing");
    }
    more.forEach(line -> lines.addAll(Words.wrapped(line, "", width)));
    return lines;
  }

  private String leftOutLine() {
    if (leftOut == 0 && byNature.isEmpty()) {
      return "left out: nothing";
    }
    List<String> why = new ArrayList<>();
    info.leaveOut().forEach(pattern -> why.add("--leave-out " + pattern));
    info.only().forEach(pattern -> why.add("--only " + pattern));
    return "left out: "
        + LeftOutWords.of(leftOut, byNature)
        + " by "
        + Words.plain(String.join(", ", why));
  }

  private String acceptedLine() {
    String methods =
        accepted.methods() > 0
            ? " (" + Words.count(accepted.methods(), "whole method", "whole methods") + ")"
            : "";
    String faults =
        accepted.faults() > 0
            ? ", " + Words.count(accepted.faults(), "fault that passes", "faults that pass")
            : "";
    return "accepted: "
        + Words.count(accepted.lines(), "line", "lines")
        + ", "
        + Words.count(accepted.outcomes(), "outcome", "outcomes")
        + methods
        + faults
        + " by "
        + Words.count(accepted.decisions(), "decision", "decisions")
        + ", in no total or ranking (atalaya gaps --decided)";
  }

  private String failedLine() {
    List<String> names = failed.stream().map(Words::plain).toList();
    return failed.size()
        + " ("
        + Words.some(names, NAMES_SHOWN)
        + "); what they reached counts as reached, though nothing checked it";
  }

  private String changedLine() {
    if (changed.isEmpty()) {
      return "can't be told, the project is not here";
    }
    List<String> names =
        changed.get().stream().map(n -> Words.plain(n.substring(n.lastIndexOf('.') + 1))).toList();
    return names.isEmpty()
        ? "nothing"
        : Words.count(names.size(), "class", "classes")
            + " ("
            + Words.some(names, NAMES_SHOWN)
            + "); observe again to see them as they are";
  }
}
