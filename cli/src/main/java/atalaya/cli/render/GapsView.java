package atalaya.cli.render;

import atalaya.core.gap.Gap;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Gaps in a terminal, or as Markdown. */
public final class GapsView {
  private final List<Gap> gaps;
  private final int limit;

  /**
   * Of gaps.
   *
   * @param limit how many to show at most, those behind others not counted
   */
  public GapsView(List<Gap> gaps, int limit) {
    this.gaps = gaps;
    this.limit = limit;
  }

  /** A gap with those that it opens up. */
  private record Group(Gap first, List<Gap> behind) {}

  private List<Group> groups() {
    Map<String, Group> groups = new LinkedHashMap<>();
    for (Gap gap : gaps) {
      if (gap.behind().isEmpty() || gaps.stream().noneMatch(g -> g.name().equals(gap.behind()))) {
        groups.put(gap.name(), new Group(gap, new ArrayList<>()));
      }
    }
    for (Gap gap : gaps) {
      Group group = groups.get(gap.behind());
      if (group != null && group.first() != gap) {
        group.behind().add(gap);
      }
    }
    return groups.values().stream()
        .sorted(Comparator.comparingInt((Group group) -> -group.first().opens().sum()))
        .toList();
  }

  /** The lines for a terminal. */
  public List<String> lines(Paint paint) {
    List<String> lines = new ArrayList<>();
    if (gaps.isEmpty()) {
      lines.add("no gap here");
      return lines;
    }
    List<Group> all = groups();
    for (Group group : all.subList(0, Math.min(limit, all.size()))) {
      Gap gap = group.first();
      String file = gap.path().substring(gap.path().lastIndexOf('/') + 1);
      lines.add(paint.bold(GapWords.name(gap)) + "  " + GapWords.missing(gap));
      String opens = GapWords.opens(gap.opens());
      String behind =
          group.behind().isEmpty()
              ? ""
              : "; " + Words.count(group.behind().size(), "gap", "gaps") + " behind it";
      String place = shortMethod(gap) + (file.isEmpty() ? "" : " " + file + ":" + gap.line());
      lines.add(
          "    "
              + paint.dim(Words.plain(place))
              + (opens.isEmpty() ? "" : "  opens up " + opens)
              + behind);
    }
    if (all.size() > limit) {
      lines.add(paint.dim("... and " + (all.size() - limit) + " more; --limit shows them"));
    }
    lines.add("");
    int behind = gaps.size() - all.size();
    lines.add(
        paint.bold(Words.count(gaps.size(), "gap", "gaps"))
            + (behind > 0 ? ", " + behind + " of them behind others" : ""));
    lines.add("  " + kinds());
    return lines;
  }

  private static String shortMethod(Gap gap) {
    return gap.qualifiedMethod().substring(gap.className().lastIndexOf('.') + 1);
  }

  private String kinds() {
    List<String> entered = new ArrayList<>();
    add(entered, Gap.Kind.METHOD, "method", "methods");
    add(entered, Gap.Kind.UNUSED, "method that nothing calls", "methods that nothing calls");
    add(entered, Gap.Kind.HANDLER, "handler", "handlers");
    List<String> kinds = new ArrayList<>();
    add(kinds, Gap.Kind.OUTCOME, "outcome missing", "outcomes missing");
    add(kinds, Gap.Kind.LOOP, "loop never repeated", "loops never repeated");
    add(kinds, Gap.Kind.SURVIVOR, "place where faults pass", "places where faults pass");
    if (!entered.isEmpty()) {
      kinds.add(0, "never entered: " + String.join(", ", entered));
    }
    return String.join("; ", kinds);
  }

  private void add(List<String> to, Gap.Kind kind, String one, String several) {
    int count = (int) gaps.stream().filter(gap -> gap.kind() == kind).count();
    if (count > 0) {
      to.add(Words.count(count, one, several));
    }
  }

  /** The lines as Markdown. */
  public List<String> markdown() {
    Columns columns = Columns.of("gap", "missing", "where", "opens up");
    for (Group group : groups().stream().limit(limit).toList()) {
      Gap gap = group.first();
      columns.add(
          GapWords.name(gap),
          GapWords.missing(gap),
          gap.path() + ":" + gap.line(),
          GapWords.opens(gap.opens()));
    }
    return columns.markdown();
  }
}
