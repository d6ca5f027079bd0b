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
   */
  record Guarded(CaseLabel label, ExpressionTree guard) {}

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
    for (int i = 0; i < cases.size(); i++) {
      CaseTree at = cases.get(i);
      for (CaseLabel label : CaseLabels.of(at)) {
        if (label.kind() == CaseLabels.Kind.DEFAULT) {
          isDefault = true;
        } else {
          labels.add(new Guarded(label, CaseLabels.guard(at)));
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
