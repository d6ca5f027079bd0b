package atalaya.cli.render;

import atalaya.core.plan.Brief;
import atalaya.core.plan.Effort;
import atalaya.core.plan.Plan;
import atalaya.core.plan.Remedy;
import atalaya.core.plan.Way;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** A plan in a terminal, or as Markdown. */
public final class PlanView {
  private static final String NO_SOURCE =
      "the run has no source: conditions are told by their line (observe with --sources DIR)";
  private static final String REMEDIES = "Better than a test, perhaps";
  private static final int REMEDIES_SHOWN = 5;
  private static final int CHANGES_SHOWN = 2;

  private final Plan plan;
  private final List<Remedy> remedies;
  private final int minutesPerPoint;
  private final int width;

  /**
   * Of a plan.
   *
   * @param remedies what may be better than a test
   * @param minutesPerPoint of effort
   * @param width in letters
   */
  public PlanView(Plan plan, List<Remedy> remedies, int minutesPerPoint, int width) {
    this.width = width;
    this.plan = plan;
    this.remedies = remedies;
    this.minutesPerPoint = minutesPerPoint;
  }

  /** {@code 1 h 50 min}. */
  public static String time(int minutes) {
    return minutes < 60
        ? minutes + " min"
        : minutes / 60 + " h" + (minutes % 60 == 0 ? "" : " " + minutes % 60 + " min");
  }

  /** What it buys in all. */
  public String sum() {
    return Words.count(plan.briefs().size(), "test", "tests")
        + ", "
        + time(plan.points() * minutesPerPoint)
        + ", unwatched paths "
        + Words.paths(plan.before())
        + " → "
        + Words.paths(plan.after())
        + (plan.passedOver() > 0
            ? "; not looked at: " + plan.passedOver() + " methods that may gain less"
            : "");
  }

  private String minutes(Brief brief) {
    return time(brief.effort().points() * minutesPerPoint);
  }

  /** The list for a terminal, two or three lines for each brief. */
  public List<String> lines(Paint paint) {
    List<String> lines = new ArrayList<>();
    int number = 0;
    for (Brief brief : plan.briefs()) {
      number++;
      String head =
          String.format("%2d  ", number)
              + paint.bold(Words.plain(brief.shortMethod()))
              + "  "
              + Words.plain(brief.name());
      lines.add(head);
      add(
          lines,
          "-"
              + Words.paths(brief.gain())
              + " unwatched paths in "
              + minutes(brief)
              + opens(brief)
              + weight(brief));
      brief.way().flatMap(WayParts::also).ifPresent(text -> add(lines, text));
      add(lines, start(brief, CHANGES_SHOWN));
      mayFail(brief).ifPresent(text -> add(lines, "may fail: " + text));
      for (String missing : brief.missing()) {
        add(lines, "no test notices when " + missing.replaceFirst("^line \\d+: ", ""));
      }
    }
    if (plan.briefs().isEmpty()) {
      lines.add("no test to plan here");
    } else {
      lines.add("");
      lines.add(paint.bold(sum()));
    }
    long sourceless = plan.briefs().stream().filter(brief -> brief.path().isEmpty()).count();
    if (sourceless > 0) {
      lines.add(Words.count((int) sourceless, "brief", "briefs") + ": " + NO_SOURCE);
    }
    lines.addAll(remedies(paint, REMEDIES_SHOWN));
    return lines;
  }

  private void add(List<String> lines, String text) {
    lines.addAll(Words.wrapped(Words.plain(text), "    ", width));
  }

  private static String weight(Brief brief) {
    boolean isWeighted = brief.gain() > 0 && Math.abs(brief.weighted() / brief.gain() - 1) > 1e-9;
    return isWeighted ? ", weight " + Words.paths(brief.weighted() / brief.gain()) : "";
  }

  private static String opens(Brief brief) {
    List<String> parts = new ArrayList<>();
    Brief.Opens opens = brief.opens();
    if (opens.lines() > 0) {
      parts.add(Words.count(opens.lines(), "line", "lines"));
    }
    if (opens.outcomes() > 0) {
      parts.add(Words.count(opens.outcomes(), "outcome", "outcomes"));
    }
    if (opens.methods() > 0) {
      parts.add(Words.count(opens.methods(), "new method", "new methods"));
    }
    return parts.isEmpty() ? "" : "; reaches " + String.join(", ", parts);
  }

  private static Optional<String> mayFail(Brief brief) {
    return brief.way().flatMap(way -> way.setUp().mayFail());
  }

  private static String start(Brief brief, int changes) {
    Brief.Start start = brief.start();
    String type = start.testClass().substring(start.testClass().lastIndexOf('.') + 1);
    boolean extended = brief.effort().reasons().get(0).equals(Effort.Base.EXTEND.words());
    if (start.test().isEmpty() && extended) {
      return "from the test of the brief above for this method";
    }
    if (start.test().isEmpty()) {
      boolean isBegun =
          !start.exists() && brief.effort().reasons().get(0).equals(Effort.Base.NEW_TEST.words());
      return isBegun
          ? "a new test in " + type + ", which a brief above begins"
          : start.exists() ? "a new test in " + type : "a new test class " + type;
    }
    if (brief.kind() == Brief.Kind.CHECK && start.changes().isEmpty()) {
      return "assert more in " + start.test();
    }
    if (start.changes().isEmpty()) {
      return (extended ? "from " : "a new test in " + type + ", beside ") + start.test();
    }
    return "from "
        + start.test()
        + ", with "
        + String.join(", ", start.changes().subList(0, Math.min(changes, start.changes().size())))
        + (start.changes().size() > changes ? ", ..." : "");
  }

  private List<String> remedies(Paint paint, int shown) {
    List<String> words = remedyWords(shown);
    List<String> lines = new ArrayList<>();
    if (!words.isEmpty()) {
      lines.add("");
      lines.add(paint.bold(REMEDIES));
      words.forEach(text -> lines.addAll(Words.wrapped(text, "  ", width)));
    }
    return lines;
  }

  /** What may be better than a test; what could be deleted together. */
  private List<String> remedyWords(int shown) {
    List<String> words = new ArrayList<>();
    remedies.stream().filter(PlanView::isFirst).map(Remedy::words).forEach(words::add);
    dead(words, false, "delete what nothing calls: ", shown);
    dead(
        words, true, "delete what nothing in the project calls, unless code outside does: ", shown);
    remedies.stream()
        .filter(remedy -> remedy.kind() != Remedy.Kind.DELETE && !isFirst(remedy))
        .map(Remedy::words)
        .forEach(words::add);
    return words.stream().map(Words::plain).toList();
  }

  /** It changes what all the others are about. */
  private static boolean isFirst(Remedy remedy) {
    return remedy.kind() == Remedy.Kind.LEAVE_OUT;
  }

  private void dead(List<String> words, boolean isOffered, String what, int shown) {
    List<Remedy> deletions =
        remedies.stream()
            .filter(r -> r.kind() == Remedy.Kind.DELETE && r.isOffered() == isOffered)
            .toList();
    List<String> dead = DeadMethods.of(deletions, shown > REMEDIES_SHOWN);
    if (!dead.isEmpty()) {
      words.add(
          what
              + dead.stream().limit(shown).collect(Collectors.joining("; "))
              + (dead.size() > shown
                  ? "; and " + Words.count(dead.size() - shown, "more class", "more classes")
                  : ""));
    }
  }

  // ---- in full ----

  /** The briefs in full, for a terminal. */
  public List<String> full(Paint paint) {
    List<String> lines = new ArrayList<>();
    int number = 0;
    for (Brief brief : plan.briefs()) {
      number++;
      lines.add(
          paint.bold(number + "  " + Words.plain(brief.shortMethod()))
              + "  "
              + Words.plain(brief.name()));
      for (Part part : parts(brief)) {
        String title = part.title();
        for (String line : part.lines()) {
          boolean isCode = part.title().equals("code");
          for (String piece :
              isCode ? CodeLines.of(line, width - 14) : Words.wrapped(line, "", width - 14)) {
            lines.add("   " + paint.dim(String.format("%-10s", title)) + " " + piece);
            title = "";
          }
        }
      }
      lines.add("");
    }
    lines.add(plan.briefs().isEmpty() ? "no test to plan here" : paint.bold(sum()));
    lines.addAll(remedies(paint, Integer.MAX_VALUE));
    return lines;
  }

  /** The briefs as Markdown. */
  public List<String> markdown() {
    List<String> lines = new ArrayList<>(List.of("# Tests to write next", "", sum(), ""));
    int number = 0;
    for (Brief brief : plan.briefs()) {
      number++;
      lines.add("## " + number + ". `" + Words.plain(brief.shortMethod()) + "`");
      lines.add("");
      for (Part part : parts(brief)) {
        boolean isCode = part.title().equals("code");
        if (isCode) {
          lines.addAll(List.of("```java"));
          part.lines().forEach(line -> lines.addAll(CodeLines.of(line, CODE_WIDTH)));
          lines.add("```");
        } else if (part.lines().size() == 1) {
          lines.add("- **" + part.title() + "**: " + part.lines().get(0));
        } else {
          lines.add("- **" + part.title() + "**:");
          part.lines().forEach(line -> lines.add("  - " + line));
        }
      }
      lines.add("");
    }
    if (!remedies.isEmpty()) {
      lines.addAll(List.of("## " + REMEDIES, ""));
      remedyWords(Integer.MAX_VALUE).forEach(text -> lines.add("- " + text));
    }
    return lines;
  }

  /** What fits into a page that shows Markdown. */
  private static final int CODE_WIDTH = 90;

  private List<Part> parts(Brief brief) {
    List<Part> parts = new ArrayList<>();
    add(parts, "where", List.of(brief.path().isEmpty() ? NO_SOURCE : brief.path()));
    add(
        parts,
        "gain",
        List.of(
            "unwatched paths "
                + Words.paths(brief.before())
                + " → "
                + Words.paths(brief.after())
                + weight(brief)
                + opens(brief)));
    add(
        parts,
        "effort",
        List.of(minutes(brief) + ": " + String.join(", ", brief.effort().reasons())));
    add(parts, "closes", joined(brief.closes()));
    add(parts, "start", List.of(start(brief, Integer.MAX_VALUE)));
    add(
        parts,
        "a test has",
        brief.start().examples().stream()
            .map(now -> now.code() + "  (" + now.place() + ")")
            .toList());
    brief.way().map(WayParts::of).ifPresent(parts::addAll);
    add(parts, "depends on", brief.way().map(Way::surroundings).orElse(List.of()));
    add(
        parts,
        "assert",
        brief.missing().stream().map(m -> "that it is noticed when " + m).toList());
    add(parts, "note", brief.notes());
    return parts;
  }

  /** Names to look up rather than to read. */
  private static List<String> joined(List<String> names) {
    return names.isEmpty() ? names : List.of(String.join(", ", names));
  }

  private static void add(List<Part> parts, String title, List<String> lines) {
    parts.addAll(Part.of(title, lines));
  }
}
