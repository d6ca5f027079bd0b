package atalaya.core.leave;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** What code can be left out for, wherever it stands ({@code docs/measures.md}, section 12). */
public enum Nature {
  /** Classes and methods with an annotation that says so. */
  GENERATED,
  /** Methods that only return a field, or only set one to their parameter. */
  ACCESSORS,
  /** Statements that only write to a log. */
  LOGGING,
  /** Statements that only throw. */
  THROWING;

  /** What stands before the name of a nature among path patterns. */
  public static final String PREFIX = "nature:";

  /** The name on the command line and in tables. */
  public String label() {
    return name().toLowerCase(Locale.ROOT);
  }

  /**
   * The natures among patterns, each of which may hold several, separated by commas.
   *
   * @throws IllegalArgumentException when there is no such nature
   */
  public static Set<Nature> in(List<String> patterns) {
    Set<Nature> natures = EnumSet.noneOf(Nature.class);
    for (String pattern : split(patterns)) {
      if (pattern.startsWith(PREFIX)) {
        natures.add(of(pattern.substring(PREFIX.length())));
      }
    }
    return natures;
  }

  /** The patterns without the natures. */
  public static List<String> without(List<String> patterns) {
    return split(patterns).stream().filter(pattern -> !pattern.startsWith(PREFIX)).toList();
  }

  private static List<String> split(List<String> patterns) {
    List<String> all = new ArrayList<>();
    for (String pattern : patterns) {
      for (String one : pattern.split(",(?![^{]*})")) {
        all.add(one.strip());
      }
    }
    return all;
  }

  private static Nature of(String label) {
    for (Nature nature : values()) {
      if (nature.label().equals(label)) {
        return nature;
      }
    }
    throw new IllegalArgumentException(
        "no nature \"" + label + "\"; there are generated, accessors, logging and throwing");
  }
}
