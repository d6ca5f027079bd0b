package atalaya.java.source;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreeScanner;

/** The patterns of type tests. */
final class Patterns {
  private Patterns() {}

  /** How many patterns stand inside a pattern. */
  static int within(Tree pattern) {
    int[] count = {0};
    new TreeScanner<Void, Void>() {
      @Override
      public Void scan(Tree tree, Void none) {
        boolean nested =
            tree != null && tree != pattern && tree.getKind().name().endsWith("_PATTERN");
        count[0] += nested ? 1 : 0;
        return super.scan(tree, none);
      }
    }.scan(pattern, null);
    return count[0];
  }

  /**
   * Whether compilers declare variables of patterns outside of the statements in a tree, in front
   * of the one that they are part of.
   *
   * @param around whether they do so for the tree itself
   */
  static boolean areHoistedIn(Tree tree, boolean around) {
    return switch (tree.getKind()) {
      case BLOCK -> false;
      case IF, FOR_LOOP, ENHANCED_FOR_LOOP, WHILE_LOOP, DO_WHILE_LOOP -> true;
      default -> around;
    };
  }

  /** Whether an expression itself has a type test with a pattern, outside of other bodies. */
  static boolean areTestedIn(Tree expression) {
    boolean[] found = {false};
    new TreeScanner<Void, Void>() {
      @Override
      public Void visitInstanceOf(InstanceOfTree tree, Void none) {
        found[0] |= tree.getPattern() != null;
        return super.visitInstanceOf(tree, none);
      }

      @Override
      public Void visitLambdaExpression(LambdaExpressionTree tree, Void none) {
        return null;
      }

      @Override
      public Void visitClass(ClassTree tree, Void none) {
        return null;
      }
    }.scan(expression, null);
    return found[0];
  }
}
