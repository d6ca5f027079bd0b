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
    lines.add(paint.bold(sum(all)));
    return lines;
  }

  private static String shortMethod(Gap gap) {
    return gap.qualifiedMethod().substring(gap.className().lastIndexOf('.') + 1);
  }

  private String sum(List<Group> all) {
    List<String> kinds = new ArrayList<>();
    for (Gap.Kind kind : Gap.Kind.values()) {
      int count = (int) gaps.stream().filter(gap -> gap.kind() == kind).count();
      if (count > 0) {
        kinds.add(
            switch (kind) {
              case METHOD -> Words.count(count, "method", "methods") + " never entered";
              case UNUSED -> count + " never entered and called from nowhere in the project";
              case OUTCOME -> Words.count(count, "outcome", "outcomes") + " missing";
              case LOOP -> Words.count(count, "loop", "loops") + " never repeated";
              case HANDLER -> Words.count(count, "handler", "handlers") + " never entered";
            });
      }
    }
    int behind = gaps.size() - all.size();
    return Words.count(gaps.size(), "gap", "gaps")
        + ": "
        + String.join(", ", kinds)
        + (behind > 0 ? "; " + behind + " of them stand behind others" : "");
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
