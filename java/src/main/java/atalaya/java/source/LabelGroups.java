package atalaya.java.source;

import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ExpressionTree;
import java.util.ArrayList;
import java.util.List;

/** The label groups of a switch: labels that stand together, with nothing between them. */
final class LabelGroups {
  private LabelGroups() {}

  /**
   * A group.
   *
   * @param labels without {@code default}
   * @param isDefault whether it holds {@code default}
   */
  record LabelGroup(List<ExpressionTree> labels, boolean isDefault) {}

  static List<LabelGroup> of(List<? extends CaseTree> cases) {
    List<LabelGroup> groups = new ArrayList<>();
    List<ExpressionTree> labels = new ArrayList<>();
    boolean isDefault = false;
    for (int i = 0; i < cases.size(); i++) {
      CaseTree at = cases.get(i);
      labels.addAll(at.getExpressions());
      isDefault |= at.getExpressions().isEmpty();
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
