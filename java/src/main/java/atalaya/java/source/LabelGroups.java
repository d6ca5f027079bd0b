package atalaya.java.source;

import atalaya.java.source.CaseLabels.CaseLabel;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ExpressionTree;
import java.util.ArrayList;
import java.util.List;

/** The label groups of a switch: labels that stand together, with nothing between them. */
final class LabelGroups {
  private LabelGroups() {}

  /**
   * A label with the condition behind its {@code when}.
   *
   * @param guard null when there is none
   * @param number how compilers count it where they count labels: all before it, but not {@code
   *     null}, and {@code default} only in a switch without patterns and {@code null}
   */
  record Guarded(CaseLabel label, ExpressionTree guard, int number) {}

  /**
   * A group.
   *
   * @param labels without {@code default}
   * @param isDefault whether it holds {@code default}
   */
  record LabelGroup(List<Guarded> labels, boolean isDefault) {}

  static List<LabelGroup> of(List<? extends CaseTree> cases) {
    List<LabelGroup> groups = new ArrayList<>();
    List<Guarded> labels = new ArrayList<>();
    boolean isDefault = false;
    int defaultCounts = CaseLabels.havePatterns(cases) ? 0 : 1;
    int number = 0;
    for (int i = 0; i < cases.size(); i++) {
      CaseTree at = cases.get(i);
      for (CaseLabel label : CaseLabels.of(at)) {
        if (label.kind() == CaseLabels.Kind.DEFAULT) {
          isDefault = true;
          number += defaultCounts;
        } else {
          labels.add(new Guarded(label, CaseLabels.guard(at), number));
          number += label.kind() == CaseLabels.Kind.NULL ? 0 : 1;
        }
      }
      boolean goesOn =
          at.getStatements() != null && at.getStatements().isEmpty() && i + 1 < cases.size();
      if (!goesOn) {
        groups.add(new LabelGroup(List.copyOf(labels), isDefault));
        labels.clear();
        isDefault = false;
      }
    }
    return groups;
  }
}
