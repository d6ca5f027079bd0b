package atalaya.java.source;

import com.sun.source.tree.ArrayTypeTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreeScanner;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Walks expressions in the order in which {@code javac} makes code of them, and notes each
 * conditional jump and lambda that it will make.
 */
abstract class ExpressionWalker extends TreeScanner<Void, Void> {
  final Places places;
  final Conditions conditions;
  final Operations operations;
  final List<SourceItem> items = new ArrayList<>();
  final BitSet written = new BitSet();

  /** Whether the variables of patterns are declared outside of the statement. */
  boolean isHoisted;

  /** The lines of the statement. */
  int fromLine;

  int toLine;

  private final Map<LambdaExpressionTree, SourceLambda> lambdas = new IdentityHashMap<>();
  private boolean silent;
  private ExpressionStatementTree statement;

  ExpressionWalker(Places places) {
    this.places = places;
    this.conditions = new Conditions(places);
    this.operations = new Operations(places);
  }

  /** The code of a lambda. */
  abstract SourceLambda lambda(LambdaExpressionTree tree);

  final void walk(Tree tree) {
    scan(tree, null);
  }

  void note(Tree tree) {
    int line = places.firstLine(tree);
    if (line > 0) {
      written.set(line);
    }
    if (tree instanceof MemberSelectTree) {
      written.set(places.lastLine(tree));
    }
  }

  /**
   * Code for a condition of which the last jump is taken when all of it comes out as given.
   *
   * @param jumpsOn what the whole has come out as when the last jump is taken
   */
  void condition(ExpressionTree whole, boolean jumpsOn) {
    if (conditions.isWithin()) {
      operand(whole, jumpsOn);
      return;
    }
    conditions.within(places.start(whole));
    operand(whole, jumpsOn);
    conditions.within(-1);
  }

  private void operand(ExpressionTree whole, boolean jumpsOn) {
    ExpressionTree tree = Conditions.bare(whole);
    note(tree);
    if (conditions.constant(tree) != null) {
      return;
    }
    switch (tree.getKind()) {
      case LOGICAL_COMPLEMENT -> condition(((UnaryTree) tree).getExpression(), !jumpsOn);
      case CONDITIONAL_AND -> {
        condition(((BinaryTree) tree).getLeftOperand(), false);
        condition(((BinaryTree) tree).getRightOperand(), jumpsOn);
      }
      case CONDITIONAL_OR -> {
        condition(((BinaryTree) tree).getLeftOperand(), true);
        condition(((BinaryTree) tree).getRightOperand(), jumpsOn);
      }
      case CONDITIONAL_EXPRESSION -> {
        condition(((ConditionalExpressionTree) tree).getCondition(), false);
        condition(((ConditionalExpressionTree) tree).getTrueExpression(), false);
        condition(((ConditionalExpressionTree) tree).getFalseExpression(), jumpsOn);
      }
      default -> atom(tree, jumpsOn);
    }
  }

  private void atom(ExpressionTree tree, boolean jumpsOn) {
    long decision = conditions.within(-1);
    boolean jumps = operandsOf(tree);
    conditions.within(decision);
    if (tree instanceof InstanceOfTree instance && instance.getPattern() != null) {
      SourceItem.Test test = conditions.pattern(instance, fromLine, toLine);
      items.add(test);
      patternTests(instance.getPattern(), test.condition());
    } else if (jumps) {
      items.add(conditions.atom(tree, jumpsOn, fromLine, toLine));
    }
  }

  /** Whether a jump follows. */
  private boolean operandsOf(ExpressionTree tree) {
    if (tree instanceof BinaryTree comparison && Conditions.isComparison(tree)) {
      compared(comparison.getLeftOperand());
      compared(comparison.getRightOperand());
    } else if (tree instanceof InstanceOfTree instance) {
      walk(instance.getExpression());
    } else {
      walk(tree);
      return !(tree instanceof SwitchExpressionTree);
    }
    return true;
  }

  private void compared(ExpressionTree operand) {
    if (Operations.isConstant(operand)) {
      note(operand);
      add(operations.number(Conditions.bare(operand), true));
    } else {
      walk(operand);
    }
  }

  /** The tests that the patterns inside a pattern may need, one for each. */
  void patternTests(Tree pattern, SourceCondition whole) {
    for (int i = 0; i < Patterns.within(pattern); i++) {
      items.add(new SourceItem.PatternTest(whole, fromLine, places.lastLine(pattern)));
    }
  }

  @Override
  public Void visitBinary(BinaryTree tree, Void none) {
    boolean computedByJumps =
        Conditions.isComparison(tree)
            || tree.getKind() == Tree.Kind.CONDITIONAL_AND
            || tree.getKind() == Tree.Kind.CONDITIONAL_OR;
    if (computedByJumps) {
      condition(tree, false);
    } else if (Operations.isConstant(tree)) {
      silently(() -> super.visitBinary(tree, none));
    } else {
      super.visitBinary(tree, none);
      add(operations.binary(tree));
    }
    return null;
  }

  @Override
  public Void visitUnary(UnaryTree tree, Void none) {
    if (tree.getKind() == Tree.Kind.LOGICAL_COMPLEMENT) {
      condition(tree, false);
    } else if (Operations.isConstant(tree)) {
      silently(() -> super.visitUnary(tree, none));
      add(operations.number(tree, false));
    } else {
      super.visitUnary(tree, none);
      add(operations.unary(tree));
    }
    return null;
  }

  @Override
  public Void visitInstanceOf(InstanceOfTree tree, Void none) {
    if (tree.getPattern() != null) {
      condition(tree, false);
    } else {
      walk(tree.getExpression());
    }
    return null;
  }

  @Override
  public Void visitConditionalExpression(ConditionalExpressionTree tree, Void none) {
    Boolean constant = conditions.constant(tree.getCondition());
    condition(tree.getCondition(), false);
    if (constant == null || constant) {
      walk(tree.getTrueExpression());
    }
    if (constant == null || !constant) {
      walk(tree.getFalseExpression());
    }
    return null;
  }

  @Override
  public Void visitLambdaExpression(LambdaExpressionTree tree, Void none) {
    SourceLambda lambda = lambdas.computeIfAbsent(tree, this::lambda);
    items.add(new SourceItem.LambdaHere(lambda, fromLine, Math.max(toLine, lambda.lastLine())));
    return null;
  }

  /** Of {@code String[]::new} and {@code super::text} the compiler makes lambdas. */
  @Override
  public Void visitMemberReference(MemberReferenceTree tree, Void none) {
    super.visitMemberReference(tree, none);
    Tree of = tree.getQualifierExpression();
    if (of instanceof ArrayTypeTree || of.toString().matches("(.*\\.)?super")) {
      SourceLambda made =
          new SourceLambda(SourceCode.EMPTY, places.firstLine(tree), places.lastLine(tree));
      items.add(new SourceItem.LambdaHere(made, fromLine, Math.max(toLine, made.lastLine())));
    }
    return null;
  }

  @Override
  public Void visitNewClass(NewClassTree tree, Void none) {
    walk(tree.getEnclosingExpression());
    tree.getArguments().forEach(this::walk);
    add(operations.creation(tree));
    return null;
  }

  @Override
  public Void visitNewArray(NewArrayTree tree, Void none) {
    tree.getDimensions().forEach(this::walk);
    if (tree.getInitializers() != null) {
      // Numbers in a table can't be told from the numbers of its rows.
      for (ExpressionTree element : tree.getInitializers()) {
        if (Operations.isConstant(element)) {
          silently(() -> walk(element));
        } else {
          walk(element);
        }
      }
    }
    return null;
  }

  @Override
  public Void visitLiteral(LiteralTree tree, Void none) {
    add(operations.number(tree, false));
    return null;
  }

  @Override
  public Void visitMethodInvocation(MethodInvocationTree tree, Void none) {
    Tree own = statementOf(tree);
    super.visitMethodInvocation(tree, none);
    add(operations.call(tree, own));
    return null;
  }

  @Override
  public Void visitAssignment(AssignmentTree tree, Void none) {
    Tree own = statementOf(tree);
    super.visitAssignment(tree, none);
    add(operations.assignment(tree, own));
    return null;
  }

  @Override
  public Void visitCompoundAssignment(CompoundAssignmentTree tree, Void none) {
    super.visitCompoundAssignment(tree, none);
    add(operations.compound(tree));
    return null;
  }

  @Override
  public Void visitExpressionStatement(ExpressionStatementTree tree, Void none) {
    statement = tree;
    super.visitExpressionStatement(tree, none);
    return null;
  }

  /** The statement that consists of this expression; null where there is none. */
  private Tree statementOf(ExpressionTree tree) {
    ExpressionStatementTree last = statement;
    return last != null && Conditions.bare(last.getExpression()) == tree ? last : null;
  }

  /** Walks what the compiler computes itself. */
  private void silently(Runnable walk) {
    boolean outer = silent;
    silent = true;
    walk.run();
    silent = outer;
  }

  void add(Optional<Operations.Made> made) {
    if (places.withOperations() && !silent) {
      made.ifPresent(
          m -> items.add(new SourceItem.Operation(m.operation(), m.keys(), fromLine, toLine)));
    }
  }

  @Override
  public Void visitClass(ClassTree tree, Void none) {
    return null;
  }

  @Override
  public Void visitVariable(VariableTree tree, Void none) {
    if (tree.getType() != null) {
      note(tree.getType());
    }
    walk(tree.getInitializer());
    return null;
  }
}
