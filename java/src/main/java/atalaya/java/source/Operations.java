package atalaya.java.source;

import atalaya.java.source.SourceOperation.Kind;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import java.util.List;
import java.util.Optional;

/** Makes the items of operations: what instruction a compiler makes of each. */
final class Operations {
  private final Places places;

  Operations(Places places) {
    this.places = places;
  }

  /** An operation and the keys that its instruction may have, see {@code CodeOperation}. */
  record Made(SourceOperation operation, List<String> keys) {}

  Optional<Made> binary(BinaryTree tree) {
    if (isText(tree) || isConstant(tree)) {
      return Optional.empty();
    }
    String operator = operator(tree.getKind());
    long at = operatorAt(tree.getLeftOperand(), operator);
    return operator.isEmpty()
        ? Optional.empty()
        : made(Kind.ARITHMETIC, tree, operator, at, tree.getRightOperand(), operator);
  }

  Optional<Made> compound(CompoundAssignmentTree tree) {
    String operator = operator(tree.getKind());
    if (operator.isEmpty() || isText(tree.getExpression())) {
      return Optional.empty();
    }
    long at = operatorAt(tree.getVariable(), operator);
    Tree operand = tree.getExpression();
    return operator.equals("+") || operator.equals("-")
        ? made(Kind.ARITHMETIC, tree, operator, at, operand, operator, "iinc")
        : made(Kind.ARITHMETIC, tree, operator, at, operand, operator);
  }

  Optional<Made> unary(UnaryTree tree) {
    Tree operand = tree.getExpression();
    return switch (tree.getKind()) {
      case POSTFIX_INCREMENT ->
          made(Kind.INCREMENT, tree, "++", places.end(tree) - 2, operand, "iinc", "+");
      case POSTFIX_DECREMENT ->
          made(Kind.INCREMENT, tree, "--", places.end(tree) - 2, operand, "iinc", "-");
      case PREFIX_INCREMENT ->
          made(Kind.INCREMENT, tree, "++", places.start(tree), operand, "iinc", "+");
      case PREFIX_DECREMENT ->
          made(Kind.INCREMENT, tree, "--", places.start(tree), operand, "iinc", "-");
      case UNARY_MINUS -> made(Kind.NEGATION, tree, "-", places.start(tree), operand, "neg");
      case BITWISE_COMPLEMENT -> made(Kind.OTHER, tree, "", -1, operand, "^");
      default -> Optional.empty();
    };
  }

  /** A literal, or one with a minus in front. */
  Optional<Made> number(ExpressionTree tree, boolean isCompared) {
    Number value = value(tree);
    return value == null
        ? Optional.empty()
        : made(isCompared ? Kind.OTHER : Kind.NUMBER, tree, "", -1, tree, key(value));
  }

  Optional<Made> call(MethodInvocationTree tree, Tree statement) {
    String name = name(tree.getMethodSelect());
    boolean constructs = name.equals("this") || name.equals("super");
    return statement == null || constructs
        ? made(Kind.OTHER, tree, "", -1, null, "call " + name)
        : made(Kind.CALL, statement, "", -1, tree, "call " + name);
  }

  Optional<Made> creation(NewClassTree tree) {
    Tree type = tree.getIdentifier();
    if (type instanceof ParameterizedTypeTree parameterized) {
      type = parameterized.getType();
    }
    String name = tree.getClassBody() == null ? name(type) : "";
    return made(Kind.OTHER, tree, "", -1, null, "new " + name);
  }

  Optional<Made> assignment(AssignmentTree tree, Tree statement) {
    String key = "put " + name(tree.getVariable());
    return statement == null
        ? made(Kind.OTHER, tree, "", -1, null, key)
        : made(Kind.ASSIGNMENT, statement, "", -1, tree.getExpression(), key);
  }

  /**
   * A return of a value.
   *
   * @param tree the statement, or the body of a lambda
   */
  Optional<Made> returned(Tree tree, ExpressionTree value) {
    boolean byJumps = isComputedByJumps(Conditions.bare(value));
    return made(byJumps ? Kind.OTHER : Kind.RETURN, tree, "", -1, value, "return");
  }

  Optional<Made> thrown(Tree statement) {
    return made(Kind.THROW, statement, "", -1, null, "throw");
  }

  private Optional<Made> made(
      Kind kind, Tree tree, String operator, long operatorAt, Tree operand, String... keys) {
    SourceOperation operation =
        new SourceOperation(
            kind,
            places.start(tree),
            places.end(tree),
            places.firstLine(tree),
            operator,
            operatorAt,
            operand == null ? "" : places.text(operand));
    return Optional.of(new Made(operation, List.of(keys)));
  }

  /** Where the symbol stands behind the operand in front of it. */
  private long operatorAt(Tree before, String operator) {
    return places.find(operator, places.end(before));
  }

  private static boolean isComputedByJumps(ExpressionTree tree) {
    return switch (tree.getKind()) {
      case CONDITIONAL_AND, CONDITIONAL_OR, LOGICAL_COMPLEMENT -> true;
      case INSTANCE_OF -> ((InstanceOfTree) tree).getPattern() != null;
      default -> Conditions.isComparison(tree);
    };
  }

  private static String operator(Tree.Kind kind) {
    return switch (kind) {
      case PLUS, PLUS_ASSIGNMENT -> "+";
      case MINUS, MINUS_ASSIGNMENT -> "-";
      case MULTIPLY, MULTIPLY_ASSIGNMENT -> "*";
      case DIVIDE, DIVIDE_ASSIGNMENT -> "/";
      case REMAINDER, REMAINDER_ASSIGNMENT -> "%";
      case LEFT_SHIFT, LEFT_SHIFT_ASSIGNMENT -> "<<";
      case RIGHT_SHIFT, RIGHT_SHIFT_ASSIGNMENT -> ">>";
      case UNSIGNED_RIGHT_SHIFT, UNSIGNED_RIGHT_SHIFT_ASSIGNMENT -> ">>>";
      case AND, AND_ASSIGNMENT -> "&";
      case OR, OR_ASSIGNMENT -> "|";
      case XOR, XOR_ASSIGNMENT -> "^";
      default -> "";
    };
  }

  /** Whether it joins texts, as far as it shows on its face. */
  private static boolean isText(ExpressionTree whole) {
    ExpressionTree tree = Conditions.bare(whole);
    if (tree instanceof LiteralTree literal) {
      return literal.getValue() instanceof String;
    }
    return tree.getKind() == Tree.Kind.PLUS
        && (isText(((BinaryTree) tree).getLeftOperand())
            || isText(((BinaryTree) tree).getRightOperand()));
  }

  /** Whether it consists of literals only, which the compiler computes itself. */
  static boolean isConstant(ExpressionTree whole) {
    ExpressionTree tree = Conditions.bare(whole);
    if (tree instanceof BinaryTree binary) {
      return isConstant(binary.getLeftOperand()) && isConstant(binary.getRightOperand());
    }
    if (tree instanceof UnaryTree unary) {
      return isConstant(unary.getExpression());
    }
    return tree instanceof LiteralTree;
  }

  private static Number value(ExpressionTree tree) {
    if (tree.getKind() == Tree.Kind.UNARY_MINUS) {
      Number operand = value(Conditions.bare(((UnaryTree) tree).getExpression()));
      if (operand instanceof Integer || operand instanceof Long) {
        return -operand.longValue();
      }
      return operand == null ? null : Double.valueOf(-operand.doubleValue());
    }
    if (tree instanceof LiteralTree literal) {
      Object value = literal.getValue();
      return value instanceof Character letter
          ? Integer.valueOf(letter)
          : value instanceof Number number ? number : null;
    }
    return null;
  }

  /** The same for a number of any type, since the compiler converts literals. */
  private static String key(Number value) {
    return CodeKeys.number(value);
  }

  private static String name(Tree tree) {
    if (tree instanceof MemberSelectTree member) {
      return member.getIdentifier().toString();
    }
    return tree instanceof IdentifierTree name ? name.getName().toString() : "";
  }
}
