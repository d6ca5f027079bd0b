package atalaya.cli.render;

import atalaya.core.gap.Gap;
import atalaya.core.gap.Survivors;
import atalaya.core.mutant.Unnoticed;
import java.util.ArrayList;
import java.util.List;

/** Gaps in words. */
public final class GapWords {
  private GapWords() {}

  /** Its name, without anything that a terminal would obey. */
  static String name(Gap gap) {
    return Words.plain(gap.name());
  }

  /** What is missing: {@code `draught > depth` only ever false}. */
  public static String missing(Gap gap) {
    String text = Words.plain(gap.condition());
    return switch (gap.kind()) {
      case METHOD -> "never entered";
      case UNUSED -> "never entered, and nothing in the project calls it";
      case HANDLER -> "`" + text + "` never entered";
      case SURVIVOR ->
          "no test notices when " + survivors(gap) + (gap.evaluated() ? "" : Unnoticed.NEEDS_INPUT);
      case LOOP -> "`" + text + "` never repeated";
      case OUTCOME -> outcome(gap, text);
    };
  }

  private static String survivors(Gap gap) {
    List<String> all = Survivors.mutated(gap);
    String first = Words.plain(Unnoticed.when(gap.condition(), all.get(0), gap.method()));
    if (all.size() == 1) {
      return first;
    }
    List<String> more = new ArrayList<>();
    for (String mutated : all.subList(1, all.size())) {
      String when = Unnoticed.when(gap.condition(), mutated, gap.method());
      int is = when.lastIndexOf(" is ");
      more.add(Words.plain(is < 0 ? when : when.substring(is + 4)));
    }
    return first + ", or " + String.join(", or ", more);
  }

  private static String outcome(Gap gap, String text) {
    String quoted = text.startsWith("line ") ? text : "`" + text + "`";
    boolean isBoolean = gap.outcome().equals("true") || gap.outcome().equals("false");
    if (!gap.evaluated()) {
      return quoted + " never evaluated, so never " + Words.plain(gap.outcome());
    }
    if (isBoolean) {
      return quoted + " only ever " + (gap.outcome().equals("true") ? "false" : "true");
    }
    return switch (gap.outcome()) {
      case "another" -> quoted + " never had an element";
      case "no more" -> quoted + " never came to its end";
      case "jump" -> quoted + " never jumped";
      case "next" -> quoted + " always jumped";
      default -> quoted + " never " + Words.plain(gap.outcome());
    };
  }

  /** What it opens up; empty when nothing. */
  static String opens(Gap.Opens opens) {
    List<String> parts = new ArrayList<>();
    if (opens.lines() > 0) {
      parts.add(Words.count(opens.lines(), "line", "lines"));
    }
    if (opens.outcomes() > 0) {
      parts.add(Words.count(opens.outcomes(), "outcome", "outcomes"));
    }
    if (opens.methods() > 0) {
      parts.add(Words.count(opens.methods(), "method", "methods"));
    }
    return String.join(", ", parts);
  }
}
