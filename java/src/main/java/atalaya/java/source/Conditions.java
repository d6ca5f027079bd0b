package atalaya.java.source;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import org.objectweb.asm.Opcodes;

/** Makes the items of conditions: what jump a compiler makes of each, and what it means. */
final class Conditions {
  private static final String TRUE = "true";
  private static final String FALSE = "false";

  private final Places places;
  private final Map<Tree, SourceCondition> conditions = new IdentityHashMap<>();

  /** Where the expression starts whose operands are being read; -1 outside of any. */
  private long decision = -1;

  Conditions(Places places) {
    this.places = places;
  }

  /**
   * Begins to read the operands of an expression, or, with -1, something else within it.
   *
   * @return what was read before
   */
  long within(long start) {
    long before = decision;
    decision = start;
    return before;
  }

  /** Whether operands of an expression are being read. */
  boolean isWithin() {
    return decision >= 0;
  }

  static ExpressionTree bare(ExpressionTree tree) {
    ExpressionTree bare = tree;
    while (bare instanceof ParenthesizedTree parenthesized) {
      bare = parenthesized.getExpression();
    }
    return bare;
  }

  /** The value of a condition that is constant on its face; else null. */
  Boolean constant(ExpressionTree whole) {
    ExpressionTree tree = bare(whole);
    if (tree instanceof LiteralTree literal && literal.getValue() instanceof Boolean value) {
      return value;
    }
    if (tree instanceof IdentifierTree name) {
      return places.constants().get(name.getName().toString());
    }
    if (tree.getKind() == Tree.Kind.LOGICAL_COMPLEMENT) {
      Boolean operand = constant(((UnaryTree) tree).getExpression());
      return operand == null ? null : !operand;
    }
    return null;
  }

  static boolean isComparison(Tree tree) {
    return switch (tree.getKind()) {
      case EQUAL_TO, NOT_EQUAL_TO, LESS_THAN, LESS_THAN_EQUAL, GREATER_THAN, GREATER_THAN_EQUAL ->
          true;
      default -> false;
    };
  }

  SourceItem.Test atom(ExpressionTree tree, boolean jumpsOn, int fromLine, int toLine) {
    return new SourceItem.Test(
        booleanCondition(tree),
        jumpsOn ? TRUE : FALSE,
        jumpsOn ? FALSE : TRUE,
        opcodes(tree, jumpsOn),
        evidence(tree),
        tree instanceof IdentifierTree || tree instanceof MemberSelectTree,
        fromLine,
        toLine);
  }

  /** A type test with a pattern: it comes out false wherever it jumps. */
  SourceItem.Test pattern(InstanceOfTree tree, int fromLine, int toLine) {
    return new SourceItem.Test(
        booleanCondition(tree),
        FALSE,
        TRUE,
        List.of(Opcodes.IFEQ, Opcodes.IFNULL),
        "instanceof",
        false,
        fromLine,
        toLine);
  }

  private SourceCondition booleanCondition(ExpressionTree tree) {
    return conditions.computeIfAbsent(
        tree, t -> condition(t, places.text(t), List.of(TRUE, FALSE)));
  }

  SourceItem.Test step(EnhancedForLoopTree tree, int fromLine, int toLine) {
    String text = places.text(places.start(tree.getVariable()), places.end(tree.getExpression()));
    SourceCondition condition =
        conditions.computeIfAbsent(
            tree, t -> condition(t, "for (" + text + ")", List.of("another", "no more")));
    return new SourceItem.Test(
        condition,
        "no more",
        "another",
        List.of(Opcodes.IF_ICMPGE, Opcodes.IFEQ),
        "",
        false,
        fromLine,
        toLine);
  }

  /**
   * A switch.
   *
   * @param countsDefault whether a default that is not written counts
   */
  SourceItem.Selection selection(
      Tree tree,
      ExpressionTree on,
      List<? extends CaseTree> cases,
      boolean countsDefault,
      int fromLine,
      int toLine) {
    List<SourceItem.Group> groups = new ArrayList<>();
    List<SourceItem.Label> ofDefault = new ArrayList<>();
    boolean written = false;
    for (LabelGroups.LabelGroup group : LabelGroups.of(cases)) {
      List<SourceItem.Label> labels = new ArrayList<>();
      for (LabelGroups.Guarded label : group.labels()) {
        boolean isNull = label.label().kind() == CaseLabels.Kind.NULL;
        labels.add(
            new SourceItem.Label(
                isNull ? SourceItem.NULL_KEY : label.number(),
                text(label),
                key(label.label().tree())));
      }
      if (group.isDefault()) {
        ofDefault.addAll(labels);
        written = true;
      } else {
        List<String> texts = labels.stream().map(SourceItem.Label::text).toList();
        groups.add(new SourceItem.Group(String.join(", ", texts), labels));
      }
    }
    boolean ofTypes = CaseLabels.havePatterns(cases);
    boolean hasDefault = written || countsDefault && !ofTypes;
    List<String> outcomes =
        new ArrayList<>(groups.stream().map(SourceItem.Group::outcome).toList());
    if (hasDefault) {
      outcomes.add("default");
    }
    String text = "switch (" + places.text(bare(on)) + ")";
    SourceCondition condition = conditions.computeIfAbsent(tree, t -> condition(t, text, outcomes));
    return new SourceItem.Selection(
        condition, groups, ofDefault, hasDefault, ofTypes, fromLine, toLine);
  }

  private String text(LabelGroups.Guarded label) {
    String text = places.text(label.label().tree());
    return label.guard() == null ? text : text + " when " + places.text(label.guard());
  }

  private SourceCondition condition(Tree tree, String text, List<String> outcomes) {
    String operator = "";
    long operatorAt = -1;
    if (tree instanceof BinaryTree comparison && isComparison(tree)) {
      operator = operator(tree.getKind());
      operatorAt = places.find(operator, places.end(comparison.getLeftOperand()));
    }
    return new SourceCondition(
        places.start(tree),
        places.end(tree),
        places.firstLine(tree),
        text,
        outcomes,
        operator,
        operatorAt,
        decision < 0 ? places.start(tree) : decision);
  }

  private static String operator(Tree.Kind comparison) {
    return switch (comparison) {
      case EQUAL_TO -> "==";
      case NOT_EQUAL_TO -> "!=";
      case LESS_THAN -> "<";
      case LESS_THAN_EQUAL -> "<=";
      case GREATER_THAN -> ">";
      default -> ">=";
    };
  }

  private static Integer key(Tree label) {
    if (!(label instanceof ExpressionTree expression)) {
      return null;
    }
    ExpressionTree bare = bare(expression);
    if (bare instanceof LiteralTree literal) {
      if (literal.getValue() instanceof Integer number) {
        return number;
      }
      return literal.getValue() instanceof Character letter ? Integer.valueOf(letter) : null;
    }
    if (bare.getKind() == Tree.Kind.UNARY_MINUS) {
      Integer operand = key(((UnaryTree) bare).getExpression());
      return operand == null ? null : Integer.valueOf(-operand);
    }
    return null;
  }

  private static List<Integer> opcodes(ExpressionTree tree, boolean jumpsOn) {
    return switch (tree.getKind()) {
      case EQUAL_TO -> equal(jumpsOn);
      case NOT_EQUAL_TO -> equal(!jumpsOn);
      case LESS_THAN -> less(jumpsOn);
      case GREATER_THAN_EQUAL -> less(!jumpsOn);
      case GREATER_THAN -> greater(jumpsOn);
      case LESS_THAN_EQUAL -> greater(!jumpsOn);
      default -> List.of(jumpsOn ? Opcodes.IFNE : Opcodes.IFEQ);
    };
  }

  private static List<Integer> equal(boolean equal) {
    return equal
        ? List.of(Opcodes.IF_ICMPEQ, Opcodes.IF_ACMPEQ, Opcodes.IFEQ, Opcodes.IFNULL)
        : List.of(Opcodes.IF_ICMPNE, Opcodes.IF_ACMPNE, Opcodes.IFNE, Opcodes.IFNONNULL);
  }

  private static List<Integer> less(boolean less) {
    return less
        ? List.of(Opcodes.IF_ICMPLT, Opcodes.IFLT)
        : List.of(Opcodes.IF_ICMPGE, Opcodes.IFGE);
  }

  private static List<Integer> greater(boolean greater) {
    return greater
        ? List.of(Opcodes.IF_ICMPGT, Opcodes.IFGT)
        : List.of(Opcodes.IF_ICMPLE, Opcodes.IFLE);
  }

  private static String evidence(ExpressionTree tree) {
    if (tree instanceof MethodInvocationTree call) {
      Tree select = call.getMethodSelect();
      if (select instanceof MemberSelectTree member) {
        // Unboxing that is written looks like unboxing that is not: what is unboxed is seen
        // instead.
        boolean unboxing = member.getIdentifier().contentEquals("booleanValue");
        return unboxing ? "" : member.getIdentifier() + "()";
      }
      return select instanceof IdentifierTree name ? name.getName() + "()" : "";
    }
    if (tree instanceof InstanceOfTree) {
      return "instanceof";
    }
    if (tree instanceof IdentifierTree name) {
      return name.getName().toString();
    }
    return tree instanceof MemberSelectTree member ? member.getIdentifier().toString() : "";
  }
}
