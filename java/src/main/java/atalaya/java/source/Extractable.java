package atalaya.java.source;

import atalaya.core.plan.Split;
import atalaya.java.SourceText;
import com.sun.source.tree.BreakTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ContinueTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.tree.YieldTree;
import com.sun.source.util.TreeScanner;
import java.util.ArrayList;
import java.util.List;

/** Finds statements that could be a method of their own: control enters and leaves them once. */
public final class Extractable extends TreeScanner<Void, Void> {
  private final Places places;
  private final List<Split.Part> parts = new ArrayList<>();

  private Extractable(Places places) {
    this.places = places;
  }

  /** Those of a source, in its order; empty when it can't be parsed. */
  public static List<Split.Part> in(SourceText source) {
    return SourceParser.parse(List.of(source), Extractable::in).getOrDefault(source, List.of());
  }

  private static List<Split.Part> in(Places places) {
    Extractable extractable = new Extractable(places);
    extractable.scan(places.unit(), null);
    return extractable.parts;
  }

  @Override
  public Void scan(Tree tree, Void none) {
    boolean isCompound =
        tree instanceof IfTree
            || tree instanceof ForLoopTree
            || tree instanceof EnhancedForLoopTree
            || tree instanceof WhileLoopTree
            || tree instanceof DoWhileLoopTree
            || tree instanceof SwitchTree
            || tree instanceof TryTree;
    if (isCompound && !leaves((StatementTree) tree)) {
      int decisions = Decisions.in(List.of(tree));
      if (decisions > 1) {
        parts.add(new Split.Part(places.firstLine(tree), places.lastLine(tree), decisions));
      }
    }
    return super.scan(tree, none);
  }

  /** Whether control may leave a statement otherwise than at its end. */
  private static boolean leaves(StatementTree statement) {
    Leaving leaving = new Leaving();
    leaving.scan(statement, null);
    return leaving.leaves;
  }

  private static final class Leaving extends TreeScanner<Void, Void> {
    private int loops;
    private int switches;
    private boolean leaves;

    @Override
    public Void visitClass(ClassTree tree, Void none) {
      return null;
    }

    @Override
    public Void visitLambdaExpression(LambdaExpressionTree tree, Void none) {
      return null;
    }

    @Override
    public Void scan(Tree tree, Void none) {
      boolean isLoop =
          tree instanceof ForLoopTree
              || tree instanceof EnhancedForLoopTree
              || tree instanceof WhileLoopTree
              || tree instanceof DoWhileLoopTree;
      boolean isSwitch = tree instanceof SwitchTree;
      loops += isLoop ? 1 : 0;
      switches += isSwitch ? 1 : 0;
      super.scan(tree, none);
      loops -= isLoop ? 1 : 0;
      switches -= isSwitch ? 1 : 0;
      return null;
    }

    @Override
    public Void visitReturn(ReturnTree tree, Void none) {
      leaves = true;
      return null;
    }

    @Override
    public Void visitYield(YieldTree tree, Void none) {
      leaves = true;
      return null;
    }

    @Override
    public Void visitBreak(BreakTree tree, Void none) {
      leaves |= tree.getLabel() != null || loops + switches == 0;
      return null;
    }

    @Override
    public Void visitContinue(ContinueTree tree, Void none) {
      leaves |= tree.getLabel() != null || loops == 0;
      return null;
    }
  }
}
