package atalaya.java.source;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.CatchTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreeScanner;
import java.util.List;

/** Counts what adds to cyclomatic complexity ({@code docs/measures.md}, section 4). */
final class Decisions extends TreeScanner<Void, Void> {
  private int count;

  private Decisions() {}

  static int in(Iterable<? extends Tree> trees) {
    Decisions decisions = new Decisions();
    decisions.scan(trees, null);
    return decisions.count;
  }

  private Void one(Void result) {
    count++;
    return result;
  }

  @Override
  public Void visitClass(ClassTree tree, Void none) {
    return null;
  }

  @Override
  public Void visitIf(IfTree tree, Void none) {
    return one(super.visitIf(tree, none));
  }

  @Override
  public Void visitConditionalExpression(ConditionalExpressionTree tree, Void none) {
    return one(super.visitConditionalExpression(tree, none));
  }

  @Override
  public Void visitForLoop(ForLoopTree tree, Void none) {
    return one(super.visitForLoop(tree, none));
  }

  @Override
  public Void visitEnhancedForLoop(EnhancedForLoopTree tree, Void none) {
    return one(super.visitEnhancedForLoop(tree, none));
  }

  @Override
  public Void visitWhileLoop(WhileLoopTree tree, Void none) {
    return one(super.visitWhileLoop(tree, none));
  }

  @Override
  public Void visitDoWhileLoop(DoWhileLoopTree tree, Void none) {
    return one(super.visitDoWhileLoop(tree, none));
  }

  @Override
  public Void visitCatch(CatchTree tree, Void none) {
    return one(super.visitCatch(tree, none));
  }

  @Override
  public Void visitBinary(BinaryTree tree, Void none) {
    boolean shortCircuit =
        tree.getKind() == Tree.Kind.CONDITIONAL_AND || tree.getKind() == Tree.Kind.CONDITIONAL_OR;
    count += shortCircuit ? 1 : 0;
    return super.visitBinary(tree, none);
  }

  @Override
  public Void visitCase(CaseTree tree, Void none) {
    count += CaseLabels.guard(tree) == null ? 0 : 1;
    return super.visitCase(tree, none);
  }

  @Override
  public Void visitSwitch(SwitchTree tree, Void none) {
    count += groups(tree.getCases());
    return super.visitSwitch(tree, none);
  }

  @Override
  public Void visitSwitchExpression(SwitchExpressionTree tree, Void none) {
    count += groups(tree.getCases());
    return super.visitSwitchExpression(tree, none);
  }

  private static int groups(List<? extends CaseTree> cases) {
    return (int) LabelGroups.of(cases).stream().filter(group -> !group.isDefault()).count();
  }
}
