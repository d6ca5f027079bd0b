package atalaya.java.source;

import atalaya.java.SourceText;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LabeledStatementTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.SynchronizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreeScanner;
import java.util.List;
import java.util.NavigableMap;
import java.util.TreeMap;

/** Which lines of a source go on with a statement that began above them. */
public final class Statements extends TreeScanner<Void, Void> {
  private final Places places;
  private final NavigableMap<Integer, Integer> beginnings = new TreeMap<>();

  private Statements(Places places) {
    this.places = places;
  }

  /**
   * Reads a source.
   *
   * @return for each line that goes on with a statement the line where that begins; empty when the
   *     source can't be parsed
   */
  public static NavigableMap<Integer, Integer> in(SourceText source) {
    return SourceParser.parse(List.of(source), Statements::in)
        .getOrDefault(source, new TreeMap<>());
  }

  private static NavigableMap<Integer, Integer> in(Places places) {
    Statements statements = new Statements(places);
    statements.scan(places.unit(), null);
    return statements.beginnings;
  }

  @Override
  public Void scan(Tree tree, Void none) {
    if (tree instanceof BlockTree || tree instanceof ClassTree) {
      forget(tree);
    } else if (tree instanceof StatementTree) {
      goesOn(places.firstLine(tree), lastLine(tree));
    }
    return super.scan(tree, none);
  }

  /** The last line before the statements that stand in this one. */
  private int lastLine(Tree tree) {
    if (tree instanceof IfTree choice) {
      return places.lastLine(choice.getCondition());
    }
    if (tree instanceof WhileLoopTree loop) {
      return places.lastLine(loop.getCondition());
    }
    if (tree instanceof EnhancedForLoopTree loop) {
      return places.lastLine(loop.getExpression());
    }
    if (tree instanceof ForLoopTree loop) {
      return places.line(Math.max(0, places.start(loop.getStatement()) - 1));
    }
    if (tree instanceof SwitchTree choice) {
      return places.lastLine(choice.getExpression());
    }
    boolean holdsOthers =
        tree instanceof DoWhileLoopTree
            || tree instanceof TryTree
            || tree instanceof SynchronizedTree
            || tree instanceof LabeledStatementTree;
    return holdsOthers ? places.firstLine(tree) : places.lastLine(tree);
  }

  private void goesOn(int first, int last) {
    for (int line = first + 1; first > 0 && line <= last; line++) {
      beginnings.put(line, first);
    }
  }

  private void forget(Tree tree) {
    int first = places.firstLine(tree);
    int last = places.lastLine(tree);
    beginnings.keySet().removeIf(line -> line > first && line <= last);
  }

  @Override
  public Void visitLambdaExpression(LambdaExpressionTree tree, Void none) {
    goesOn(places.firstLine(tree.getBody()), places.lastLine(tree.getBody()));
    return super.visitLambdaExpression(tree, none);
  }

  @Override
  public Void visitSwitchExpression(SwitchExpressionTree tree, Void none) {
    tree.getCases().forEach(this::forget);
    return super.visitSwitchExpression(tree, none);
  }
}
