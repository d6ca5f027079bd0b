package atalaya.cli.render;

import atalaya.core.leave.LeftOut;
import java.util.ArrayList;
import java.util.List;

/** What was left out, in words. */
final class LeftOutWords {
  private LeftOutWords() {}

  /** {@code 2 classes, 14 methods, 30 lines, 12 outcomes}; what is none is not said. */
  static String of(int classes, List<LeftOut> byNature) {
    LeftOut.Counts natures = LeftOut.sum(byNature);
    List<String> parts = new ArrayList<>();
    add(parts, classes, "class", "classes");
    add(parts, natures.methods(), "method", "methods");
    add(parts, natures.lines().whole(), "line", "lines");
    add(parts, natures.outcomes().whole(), "outcome", "outcomes");
    return String.join(", ", parts);
  }

  private static void add(List<String> parts, int count, String one, String several) {
    if (count > 0) {
      parts.add(Words.count(count, one, several));
    }
  }
}
